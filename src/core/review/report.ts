/** The report of a round as a document of plain blocks: every form that it leaves in, and the view, are made of it. */
import { type Blueprint, courseOf } from '../blueprint/blueprint'
import { PRIORITIES } from '../blueprint/kinds/review-set'
import { longDate } from '../calendar/plain-date'
import { coloursOf, paletteOf } from '../learner-pages/palette'
import { countOf, listOf } from '../numbers'
import { namesIn } from '../plan/names'
import type { Citation, Rating, Review, Round, Seat } from './review'
import type { AreaCounts, PointFigures, RoundFigures } from './review-figures'
import { pointsOf } from './review-set'
import { evidenceSentence, mergedWord, REASON_WORDS, VALUE_WORDS, VERDICT_WORDS } from './words'

/** One entry of a list: what it is about in strong letters, its words, and who says it in quiet ones. */
export type ReportItem = { readonly lead?: string; readonly text: string; readonly note?: string }
export type ReportBlock =
  | { readonly type: 'heading'; readonly text: string }
  | { readonly type: 'paragraph'; readonly lead?: string; readonly text: string }
  | { readonly type: 'list'; readonly ordered?: true; readonly items: readonly ReportItem[] }
  /** The first cell of each row names it. `figures`: the columns of numbers. */
  | {
      readonly type: 'table'
      readonly caption: string
      readonly head: readonly string[]
      readonly rows: readonly (readonly string[])[]
      readonly figures: readonly number[]
    }
export type ReportDoc = {
  readonly title: string
  readonly subtitle: string
  readonly language: string
  readonly blocks: readonly ReportBlock[]
}
export type ReportChoices = {
  /** Names of reviewers, or numbers. */
  readonly who: 'names' | 'numbers'
  /** All points, or those that hold up alone. */
  readonly points: 'all' | 'open'
}
export const REPORT_CHOICES: ReportChoices = { who: 'names', points: 'all' }

export const COUNTS: readonly (readonly [keyof AreaCounts, string])[] = [
  ['inPlace', 'In place'],
  ['partly', 'Partly'],
  ['notInPlace', 'Not in place'],
  ['notApplicable', 'Not applicable'],
  ['disagree', 'Disagree'],
  ['notJudged', 'Not judged'],
  ['stale', 'Changed since'],
]
const NONE = '–'

/** What a rating cites, by name. */
export function citedWords(plan: Blueprint | null, c: Citation): string {
  const quoted = c.quote ? `: “${c.quote}”` : ''
  if (c.type === 'address') return `${c.address}${quoted}`
  if (c.type === 'file') return `a picture${quoted}`
  return `${(plan && namesIn(plan).nameOf(c.ref.kind, c.ref.id)) ?? 'a record that is gone'}${quoted}`
}

/** What is called what in a round. */
export function namesOf(round: Round, { who }: ReportChoices) {
  const names = new Map(round.seats.map((s, i) => [s.id, who === 'names' ? s.name : `Reviewer ${i + 1}`]))
  const statements = new Map(pointsOf(round.set).map((p) => [p.code, p.statement]))
  return { seat: (id: string) => names.get(id) ?? id, statement: (code: string) => statements.get(code) ?? '' }
}
type Names = ReturnType<typeof namesOf>

/**
 * The report of the last round of a review. `plan`: as it is now, for colours and names.
 */
export function reportOf(review: Review, figures: RoundFigures, plan: Blueprint, choices: ReportChoices): ReportDoc | null {
  const round = review.rounds.at(-1)
  if (!round) return null
  const course = courseOf(plan)
  const names = namesOf(round, choices)
  return {
    title: `Review of ${[course.code, course.title].filter(Boolean).join(' ')}`,
    subtitle: `${round.title}, by the points of “${round.set.title}”`,
    language: course.language ?? 'en-GB',
    blocks: [
      ...verdict(figures, names),
      ...byArea(figures),
      ...marked(round, names, 'strength', 'Strengths'),
      ...marked(round, names, 'improvement', 'Improvements'),
      ...answers(round, names),
      ...actions(round),
      ...points(figures, round, names, choices),
      ...colours(plan),
      ...agreement(figures, names),
      ...remarks(round, names),
    ],
  }
}

function verdict({ verdict: word, blocking, score }: RoundFigures, names: Names): readonly ReportBlock[] {
  const way = blocking.length === 0 ? 'Nothing stands in the way.' : `${countOf(blocking.length, 'thing')} in the way.`
  const text = `${way}${score === null ? '' : ` Score ${score.toFixed(2)} of 100.`}`
  const many = (['not-judged', 'stale'] as const).flatMap((reason): ReportItem[] => {
    const codes = blocking.flatMap((b) => (b.reason === reason && b.code ? [b.code] : []))
    const one = codes.length === 1
    const says =
      reason === 'stale' ? (one ? 'rests on what has changed' : 'rest on what has changed') : one ? 'is not judged' : 'are not judged'
    return codes.length === 0 ? [] : [{ text: `${countOf(codes.length, 'point')} ${says}: ${listOf(codes)}` }]
  })
  const single = blocking
    .filter((b) => b.reason !== 'not-judged' && b.reason !== 'stale')
    .map(
      ({ code, reason }): ReportItem =>
        code ? { lead: code, text: names.statement(code), note: REASON_WORDS[reason] } : { text: REASON_WORDS[reason] },
    )
  const items = [...many, ...single]
  return [{ type: 'paragraph', lead: `${VERDICT_WORDS[word]}.`, text }, ...(items.length > 0 ? [{ type: 'list', items } as const] : [])]
}

/** A row an area and priority that has points. */
function byArea({ areas }: RoundFigures): readonly ReportBlock[] {
  const rows = areas.flatMap((a) =>
    PRIORITIES.flatMap((priority) => {
      const counts = COUNTS.map(([key]) => a[priority][key])
      return counts.every((n) => n === 0) ? [] : [[a.title, priority, ...counts.map((n) => (n === 0 ? NONE : String(n)))]]
    }),
  )
  const head = ['Area', 'Priority', ...COUNTS.map(([, title]) => title)]
  if (rows.length === 0) return []
  const table = { type: 'table', caption: 'Points by area and priority', head, rows, figures: COUNTS.map((_, i) => i + 2) } as const
  return [{ type: 'heading', text: 'By area' }, table]
}

/** What seats that handed in say. */
const given = (round: Round): readonly (readonly [Seat, Rating])[] =>
  round.seats.filter((s) => s.handedIn !== null).flatMap((s) => s.ratings.map((r) => [s, r] as const))

/** What a rating says, in one text. */
export const saidOf = (r: Rating): string =>
  [r.seen, r.where && `Where: ${r.where}`, r.change && `To change: ${r.change}`].filter(Boolean).join(' ')

function marked(round: Round, names: Names, mark: NonNullable<Rating['mark']>, title: string): readonly ReportBlock[] {
  const items = given(round)
    .filter(([, r]) => r.mark === mark)
    .map(([seat, r]): ReportItem => {
      const cited = r.evidence.map((c) => citedWords(round.snapshot, c))
      return {
        lead: r.point,
        text: saidOf(r) || names.statement(r.point),
        note: [names.seat(seat.id), ...(cited.length > 0 ? [listOf(cited)] : [])].join('; '),
      }
    })
  return items.length === 0
    ? []
    : [
        { type: 'heading', text: title },
        { type: 'list', items },
      ]
}

function answers(round: Round, names: Names): readonly ReportBlock[] {
  const items = round.decisions.map((d): ReportItem => {
    const settled = d.value === null ? '' : `Settled as ${VALUE_WORDS[d.value].toLowerCase()}${d.reason ? `: ${d.reason}` : '.'}`
    const answer = d.answer === null && d.answerText === null ? '' : `We answer: ${[d.answer, d.answerText].filter(Boolean).join(', ')}`
    return { lead: d.point, text: [settled, answer].filter(Boolean).join(' ') || names.statement(d.point), note: d.by }
  })
  return items.length === 0
    ? []
    : [
        { type: 'heading', text: 'Settled by hand, and answers' },
        { type: 'list', items },
      ]
}

function actions(round: Round): readonly ReportBlock[] {
  if (round.actions.length === 0) return []
  const rows = round.actions.map((a) => [
    a.what,
    a.point ?? NONE,
    a.who ?? NONE,
    a.by ? longDate(a.by) : NONE,
    [a.state, a.outcome === 'keep' ? 'stays as it is' : null, a.why].filter(Boolean).join(', '),
  ])
  return [
    { type: 'heading', text: 'Actions' },
    { type: 'table', caption: 'Actions', head: ['What', 'Point', 'Who', 'By', 'State'], rows, figures: [] },
  ]
}

function points(figures: RoundFigures, round: Round, names: Names, { points: which }: ReportChoices): readonly ReportBlock[] {
  const shown = which === 'all' ? figures.points : figures.points.filter((p) => !p.settled)
  const bound = new Map(pointsOf(round.set).map((p) => [p.code, p.findings.length]))
  const row = (p: PointFigures) => [
    `${p.code} ${names.statement(p.code)}`,
    p.priority,
    `${mergedWord(p.merged)}${p.stale ? ', changed since' : ''}`,
    Object.entries(p.ratings)
      .map(([seat, v]) => `${names.seat(seat)}: ${VALUE_WORDS[v].toLowerCase()}`)
      .join('; ') || NONE,
    (p.evidence && evidenceSentence(p.evidence, bound.get(p.code) ?? 0)) || NONE,
  ]
  const title = which === 'all' ? 'All points' : 'Open points'
  if (shown.length === 0)
    return [
      { type: 'heading', text: title },
      { type: 'paragraph', text: 'None is left.' },
    ]
  const head = ['Point', 'Priority', 'Together', 'Who said what', 'Cairn found']
  return [
    { type: 'heading', text: title },
    { type: 'table', caption: title, head, rows: shown.map(row), figures: [] },
  ]
}

function colours(plan: Blueprint): readonly ReportBlock[] {
  const course = courseOf(plan)
  if (coloursOf(course) === null) return []
  const rows = paletteOf(course).map((p) => [p.pair, p.colour, p.on, p.shown, String(p.needed), p.passes ? 'yes' : 'no'])
  const head = ['Pair', 'Colour', 'On', 'Contrast', 'Needed', 'Enough']
  return [
    { type: 'heading', text: 'Colours that learners get' },
    { type: 'table', caption: 'Colours', head, rows, figures: [3, 4] },
  ]
}

function agreement({ agreement: a, seats }: RoundFigures, names: Names): readonly ReportBlock[] {
  if (a.pairs === 0) return []
  const alpha = a.alpha === null ? '' : ` Krippendorff’s alpha is ${a.alpha.toFixed(2)}.`
  const rows = seats.filter((s) => s.lower + s.same + s.higher > 0).map((s) => [names.seat(s.id), s.lower, s.same, s.higher].map(String))
  return [
    { type: 'heading', text: 'Agreement' },
    { type: 'paragraph', text: `Reviewers gave the same value in ${a.agreeing} of ${countOf(a.pairs, 'comparison')}.${alpha}` },
    { type: 'table', caption: 'Against the others', head: ['Reviewer', 'Lower', 'The same', 'Higher'], rows, figures: [1, 2, 3] },
  ]
}

function remarks(round: Round, names: Names): readonly ReportBlock[] {
  const items = round.seats
    .filter((s) => s.handedIn !== null && s.remark !== null)
    .map((s): ReportItem => ({ text: s.remark ?? '', note: names.seat(s.id) }))
  return items.length === 0
    ? []
    : [
        { type: 'heading', text: 'About the whole' },
        { type: 'list', items },
      ]
}

/** The choices that an address holds. */
export const reportChoices = (asked: URLSearchParams): ReportChoices => ({
  who: asked.get('who') === 'numbers' ? 'numbers' : 'names',
  points: asked.get('points') === 'open' ? 'open' : 'all',
})
