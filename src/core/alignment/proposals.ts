/** What the kind of an activity proposes, shown muted until somebody accepts it (Cairn defaults). */

import type { Activity, Assessment } from '../blueprint/kinds'
import { type ActivityKind, PURPOSE_OF_KIND, type Purpose, type Stage } from '../blueprint/kinds/activity'

const STAGE_OF_PURPOSE: Readonly<Record<Purpose, Stage>> = {
  orient: 'introduces',
  study: 'introduces',
  practise: 'practises',
  demonstrate: 'assesses',
  reflect: 'practises',
}

export const proposedPurpose = (kind: ActivityKind | null): Purpose | null => (kind === null ? null : PURPOSE_OF_KIND[kind])

/** The purpose that counts: the accepted one, else the one proposed. */
export const purposeOf = (activity: Pick<Activity, 'kind' | 'purpose'>): Purpose | null =>
  activity.purpose ?? proposedPurpose(activity.kind)

/** The stage a new link gets. */
export function proposedStage(activity: Pick<Activity, 'kind' | 'purpose'>): Stage {
  const purpose = purposeOf(activity)
  return purpose === null ? 'introduces' : STAGE_OF_PURPOSE[purpose]
}

/** The function a new assessment gets: what demonstrates counts as evidence, the rest informs learning. */
export const proposedFunction = (activity: Pick<Activity, 'kind' | 'purpose'>): Assessment['function'] =>
  purposeOf(activity) === 'demonstrate' ? 'summative' : 'formative'

export const STAGE_LETTER: Readonly<Record<Stage, string>> = { introduces: 'I', practises: 'P', assesses: 'A' }
const STAGE_OF_LETTER: Readonly<Record<string, Stage>> = { i: 'introduces', p: 'practises', a: 'assesses' }

export type TypedLink = { readonly number: string; readonly stages: readonly Stage[] }

/**
 * Reads links as typed in a cell: `4a I, 4b PA 2c`. A number without letters has no stages: the caller proposes one. What is
 * not understood comes back as `unknown`.
 */
export function readLinks(text: string): { readonly links: readonly TypedLink[]; readonly unknown: readonly string[] } {
  const links: TypedLink[] = []
  const unknown: string[] = []
  for (const token of text.split(/[\s,;]+/).filter(Boolean)) {
    const last = links.at(-1)
    if (/^\d{1,3}[a-z]{1,3}$/.test(token)) links.push({ number: token, stages: [] })
    else if (/^[IPA]{1,3}$/i.test(token) && last) links[links.length - 1] = { ...last, stages: stagesOf(token, last.stages) }
    else unknown.push(token)
  }
  return { links, unknown }
}

function stagesOf(token: string, before: readonly Stage[]): Stage[] {
  const all = [...before, ...[...token.toLowerCase()].flatMap((c) => STAGE_OF_LETTER[c] ?? [])]
  return (['introduces', 'practises', 'assesses'] as const).filter((s) => all.includes(s))
}
