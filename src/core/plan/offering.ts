/**
 * The offering that the plan is seen in. Most courses have one; of several, one is chosen, and every schedule, sum, finding and
 * syllabus that is worked out from the plan is of that one.
 */
import { type Blueprint, recordsOf } from '../blueprint/blueprint'
import type { Offering } from '../blueprint/kinds'
import { byOrder } from '../blueprint/order'

type Offerings = Blueprint['offering']
const chosenIn = new WeakMap<Offerings, string>()
/** The offerings with each of them chosen, so that what is worked out for one is found again. */
const choices = new WeakMap<Offerings, Map<string, Offerings>>()

/** The plan with one of its offerings chosen. Without one, or with one that is not there, the plan as it is. */
export function inOffering(blueprint: Blueprint, id: string | null): Blueprint {
  if (id === null || !blueprint.offering.has(id) || chosenIn.get(blueprint.offering) === id) return blueprint
  const known = choices.get(blueprint.offering) ?? new Map<string, Offerings>()
  choices.set(blueprint.offering, known)
  const offering = known.get(id) ?? new Map(blueprint.offering)
  known.set(id, offering)
  chosenIn.set(offering, id)
  return { ...blueprint, offering }
}

/** The offering that the plan is seen in: the chosen one, else the first in order. Undefined where the course has none. */
export const currentOffering = (blueprint: Blueprint): Offering | undefined =>
  blueprint.offering.get(chosenIn.get(blueprint.offering) ?? '') ?? offeringsOf(blueprint)[0]

export const offeringsOf = (blueprint: Blueprint): Offering[] => recordsOf(blueprint, 'offering').sort(byOrder)
