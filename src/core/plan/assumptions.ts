/** What hours are estimated with. Each default can be replaced in a course. */
import { recordsOf } from '../blueprint/blueprint'
import type { AssumptionName } from '../blueprint/kinds/assumption'
import { derive } from './derive'

export type Assumption = {
  readonly label: string
  readonly unit: string
  readonly value: number
  /** Where the default comes from. */
  readonly source: string
}

const CARVER = 'Carver 1992'
const CAIRN = 'Cairn default'

export const ASSUMPTION_DEFAULTS: Readonly<Record<AssumptionName, Assumption>> = {
  skim: { label: 'Reading: skim', unit: 'words a minute', value: 450, source: CARVER },
  read: { label: 'Reading: read', unit: 'words a minute', value: 238, source: 'Brysbaert 2019, silent reading of non-fiction' },
  study: { label: 'Reading: study', unit: 'words a minute', value: 200, source: CARVER },
  memorise: { label: 'Reading: memorise', unit: 'words a minute', value: 138, source: CARVER },
  easy: { label: 'Easy text: times the rate', unit: '', value: 1.2, source: CAIRN },
  dense: { label: 'Dense text or new notation: times the rate', unit: '', value: 0.5, source: CAIRN },
  'page-words': { label: 'Words on a page', unit: 'words', value: 450, source: `${CAIRN}, a textbook page; count one of yours` },
  playing: { label: 'Video and audio: times the running time', unit: '', value: 1.25, source: CAIRN },
  'reflection-250': { label: 'Writing a reflection', unit: 'minutes per 250 words', value: 45, source: CAIRN },
  'report-250': { label: 'Writing a report', unit: 'minutes per 250 words', value: 90, source: CAIRN },
  'argued-250': { label: 'Writing argued with sources (projects, cases)', unit: 'minutes per 250 words', value: 150, source: CAIRN },
  'first-post': { label: 'Discussion: first post', unit: 'minutes', value: 40, source: CAIRN },
  reply: { label: 'Discussion: a reply', unit: 'minutes', value: 15, source: CAIRN },
  'post-read': { label: 'Discussion: reading a post', unit: 'minutes', value: 1, source: CAIRN },
  'posts-read': { label: 'Discussion: posts read', unit: 'posts', value: 20, source: CAIRN },
  'quiz-item': { label: 'Quiz: an item', unit: 'minutes', value: 1.5, source: CAIRN },
  'quiz-attempts': { label: 'Quiz: attempts expected', unit: 'attempts', value: 1, source: CAIRN },
  'peer-review': { label: 'Peer review: one review', unit: 'minutes', value: 30, source: CAIRN },
  marking: { label: 'Marking one submission', unit: 'minutes', value: 15, source: CAIRN },
}

export type Assume = (name: AssumptionName) => number

/** The assumptions of a course; the same function comes back while none of them changes. */
export const assumptionsOf = derive<Assume>(['assumption'], (blueprint) => {
  const own = new Map(recordsOf(blueprint, 'assumption').map((a) => [a.name, a.value / 100]))
  return (name) => own.get(name) ?? ASSUMPTION_DEFAULTS[name].value
})
