import { type Blueprint, recordsOf } from '../blueprint/blueprint'
import type { Offering } from '../blueprint/kinds'
import { byOrder } from '../blueprint/order'

/** The offering that the workspaces show: the chosen one, else the first in order. Undefined where the course has none. */
export const currentOffering = (blueprint: Blueprint, chosenId: string | null = null): Offering | undefined =>
  (chosenId === null ? undefined : blueprint.offering.get(chosenId)) ?? recordsOf(blueprint, 'offering').sort(byOrder)[0]
