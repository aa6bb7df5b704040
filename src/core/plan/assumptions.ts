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
const PAGE = `${CAIRN}, a guess where no page was counted`

export const ASSUMPTION_DEFAULTS: Readonly<Record<AssumptionName, Assumption>> = {
  scan: { label: 'Reading: scan', unit: 'words a minute', value: 600, source: CARVER },
  skim: { label: 'Reading: skim', unit: 'words a minute', value: 450, source: CARVER },
  read: { label: 'Reading: read', unit: 'words a minute', value: 238, source: 'Brysbaert 2019, silent reading of non-fiction' },
  learn: { label: 'Reading: learn', unit: 'words a minute', value: 200, source: CARVER },
  memorise: { label: 'Reading: memorise', unit: 'words a minute', value: 138, source: CARVER },
  easy: { label: 'Text easy for these learners: times the rate', unit: '', value: 1.2, source: CAIRN },
  hard: { label: 'Text hard for these learners: times the rate', unit: '', value: 0.5, source: CAIRN },
  paperback: { label: 'A page of a paperback', unit: 'words', value: 300, source: PAGE },
  textbook: { label: 'A page of a textbook', unit: 'words', value: 450, source: PAGE },
  'close-set': { label: 'A close-set page', unit: 'words', value: 600, source: PAGE },
  playing: { label: 'Video and audio: times the running time', unit: '', value: 1.25, source: CAIRN },
  'reflection-words': { label: 'Writing a reflection', unit: 'words an hour', value: 330, source: CAIRN },
  'report-words': { label: 'Writing a report', unit: 'words an hour', value: 170, source: CAIRN },
  'argued-words': { label: 'Writing argued with sources', unit: 'words an hour', value: 100, source: CAIRN },
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
