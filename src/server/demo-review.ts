/**
 * The review of the demo course: the set that ships, a closed self-check on the first draft, and a round of peers in comparison, with
 * two disagreements, a decision by hand, ratings that rest on what has changed since, and four actions.
 */
import type { RATING_VALUES } from '../core/beside/review-records'
import { applyEffective } from '../core/blueprint/apply'
import { type Blueprint, recordsOf } from '../core/blueprint/blueprint'
import { editPlan } from '../core/blueprint/edit'
import { linkId } from '../core/blueprint/ids'
import { ownSet } from '../core/review/own-set'
import { addSet } from '../core/review/set-edits'
import { putBeside } from './beside'
import type { Database } from './db/client'
import type { DemoPerson } from './demo-people'

type Value = (typeof RATING_VALUES)[number]
type Person = DemoPerson & { readonly id: string }
type Said = {
  readonly seen?: string
  readonly where?: string
  readonly change?: string
  readonly reason?: string
  readonly mark?: 'strength' | 'improvement'
}
type Cited = readonly (readonly [kind: string, id: string])[]
const SET_ID = 'points-1'

/** The plan with the set that ships. */
export async function withOwnSet(plan: Blueprint): Promise<Blueprint> {
  const { set } = await ownSet()
  let n = 0
  return applyEffective(
    plan,
    editPlan(plan, (edit) => void addSet(edit, set, () => `points-${++n}`)),
  )
}

const ROUNDS = {
  self: { id: 'self-check', title: 'Self-check of the first draft', kind: 'self-check', follows: null },
  peers: { id: 'peers', title: 'Peers, November', kind: 'peer', follows: null },
} as const

/** What each seat of the peers said: point, value, words, what it cites. */
const PEERS: Readonly<Record<string, readonly (readonly [code: string, value: Value, said?: Said, cited?: Cited])[]>> = {
  Marek: [
    ['P-1', 'in place', { seen: 'Audience and prerequisites stand on the first page.', mark: 'strength' }],
    ['W-2', 'in place'],
    [
      'L-1',
      'partly',
      { seen: '5c cannot be observed.', change: 'Say what learners do with a misleading reading.', mark: 'improvement' },
      [['objective', 'o5c']],
    ],
    ['L-3', 'partly', { seen: 'Nothing assesses 3e and 4a.' }],
    ['D-1', 'in place', { seen: 'Each lab is tried on practice data first.', mark: 'strength' }, [['module', 'm3']]],
    ['J-1', 'in place', { seen: 'Shares sum to what the syllabus says.' }, [['gradeCategory', 'labs']]],
    ['J-2', 'in place'],
    ['C-2', 'not in place', { seen: 'Weeks 6 and 7 have nobody in them.', change: 'One answer to all in each week.', mark: 'improvement' }],
    ['T-1', 'in place'],
    ['T-2', 'partly', { seen: 'Lab 2 is due while the institute is closed.', where: '4.8' }, [['activity', 'a4-8']]],
    ['E-4', 'cannot be judged yet'],
  ],
  Tove: [
    ['P-1', 'in place'],
    ['W-2', 'in place'],
    ['L-1', 'in place', { seen: 'All but 5c.' }],
    ['L-3', 'partly'],
    ['D-1', 'in place', { seen: 'The salt method is shown before it is done.' }],
    ['J-1', 'in place'],
    [
      'J-2',
      'partly',
      { seen: 'The rubric of the report comes in week 8.', change: 'Show it with the outline.', mark: 'improvement' },
      [['rubric', 'report']],
    ],
    ['C-2', 'not in place', { seen: 'I would have to be asked for week 6.' }],
    ['T-1', 'in place', { seen: 'Counted against last year’s diaries.', mark: 'strength' }],
    ['T-2', 'partly'],
    ['E-4', 'not in place', { seen: 'The film of the weir has no captions.', mark: 'improvement' }],
  ],
  Nadia: [
    ['P-1', 'in place'],
    ['W-2', 'in place', { seen: 'After two modules I knew where to look.', mark: 'strength' }],
    ['L-1', 'partly'],
    ['L-3', 'partly'],
    ['J-2', 'in place'],
    ['T-2', 'partly'],
    ['E-4', 'not applicable', { reason: 'I saw no films.' }],
  ],
}
/** The self-check of the designer. */
const SELF: readonly (readonly [code: string, value: Value])[] = [
  ['P-1', 'partly'],
  ['W-2', 'in place'],
  ['W-4', 'partly'],
  ['L-1', 'partly'],
  ['L-2', 'in place'],
  ['L-3', 'not in place'],
  ['D-1', 'in place'],
  ['J-1', 'partly'],
  ['J-2', 'not in place'],
  ['C-1', 'in place'],
  ['C-2', 'not in place'],
  ['T-1', 'in place'],
  ['T-2', 'not in place'],
  ['E-1', 'in place'],
  ['E-2', 'in place'],
]

const ACTIONS = [
  {
    id: 'act-captions',
    point: 'E-4',
    what: 'Captions for the film of the weir',
    who: 'Tove',
    by: '2026-11-20',
    state: 'open',
    records: [['activity', 'a3-3']],
  },
  { id: 'act-weeks', point: 'C-2', what: 'An answer to all in weeks 6 and 7', who: 'Ines', by: '2027-08-20', state: 'doing', records: [] },
  {
    id: 'act-rubric',
    point: 'J-2',
    what: 'Show the rubric of the report with the outline',
    who: 'Ines',
    by: '2027-08-27',
    state: 'open',
    records: [['rubric', 'report']],
  },
  {
    id: 'act-5c',
    point: 'L-1',
    what: 'Word 5c so that one can see it',
    who: 'Ines',
    by: '2026-11-18',
    state: 'done',
    records: [['objective', 'o5c']],
  },
] as const

export type DemoSnapshots = { readonly first: string; readonly reviewed: string }

/** Puts rounds, seats, ratings, decisions and actions in, each by whoever would. */
export async function loadDemoReview(
  db: Database,
  courseId: string,
  plan: Blueprint,
  snapshots: DemoSnapshots,
  people: readonly Person[],
): Promise<void> {
  const points = new Map(recordsOf(plan, 'reviewPoint').map((p) => [p.code, p.id]))
  const person = (first: string): Person => {
    const found = people.find((p) => p.name.startsWith(first))
    if (!found) throw new Error(`nobody in the demo is called ${first}`)
    return found
  }
  const ines = person('Ines')
  const put = (kind: string, by: Person, id: string, values: object, base: number | null = null) =>
    putBeside(db, kind, courseId, by, id, values, base)
  const openRound = ({ id, ...facts }: (typeof ROUNDS)[keyof typeof ROUNDS], snapshotId: string, asked: readonly string[]) => {
    const values = {
      ...facts,
      snapshotId,
      setId: SET_ID,
      points: asked.map((c) => points.get(c)),
      object: 'plan',
      address: null,
      due: null,
      merge: 'strictest',
      showsNotes: false,
    }
    return {
      to: async (state: 'open' | 'comparing' | 'closed', base: number | null) =>
        (await put('reviewRound', ines, id, { ...values, state }, base)).revision,
      id,
    }
  }
  const seat = async (roundId: string, who: Person, said: readonly (readonly [string, Value, Said?, Cited?])[], handedInAt: string) => {
    const id = `${roundId}-${who.name.split(' ')[0]?.toLowerCase()}`
    const values = {
      roundId,
      personId: who.id,
      linkHash: null,
      name: who.name,
      points: [],
      remark: null,
      openings: 0,
      openedAt: null,
      withdrawn: false,
    }
    const { revision } = await put('reviewSeat', ines, id, { ...values, handedInAt: null })
    for (const [code, value, words, cited = []] of said) {
      const pointId = points.get(code) ?? code
      const evidence = cited.map(([kind, of]) => ({ kind, id: of, address: null, file: null, quote: null, digest: null }))
      const blank = { handedInValue: null, reason: null, seen: null, where: null, change: null, mark: null, base: null }
      await put('reviewRating', who, linkId([id, pointId], 'rating'), { seatId: id, pointId, value, ...blank, ...words, evidence })
    }
    await put('reviewSeat', who, id, { ...values, handedInAt }, revision)
  }
  const self = openRound(
    ROUNDS.self,
    snapshots.first,
    SELF.map(([code]) => code),
  )
  const opened = await self.to('open', null)
  await seat(self.id, ines, SELF, '2026-10-13T15:20:00.000Z')
  await self.to('closed', opened)
  const peers = openRound(ROUNDS.peers, snapshots.reviewed, [
    ...new Set(Object.values(PEERS).flatMap((said) => said.map(([code]) => code))),
  ])
  const begun = await peers.to('open', null)
  for (const [who, said] of Object.entries(PEERS)) await seat(peers.id, person(who), said, '2026-11-24T18:05:00.000Z')
  await peers.to('comparing', begun)
  const decided = points.get('E-4') ?? ''
  await put('reviewDecision', ines, linkId([peers.id, decided], 'decision'), {
    roundId: peers.id,
    pointId: decided,
    value: 'not in place',
    reason: 'There is one film, in module 3, and Tove is right about it.',
    by: ines.name,
    answer: 'accepted',
    answerText: 'Captions come before the term does.',
  })
  for (const { id, point, what, who, by, state, records } of ACTIONS)
    await put('reviewAction', ines, id, {
      source: 'rating',
      roundId: peers.id,
      pointId: points.get(point) ?? null,
      commentId: null,
      what,
      personId: person(who).id,
      name: null,
      by,
      state,
      records: records.map(([kind, of]) => ({ kind, id: of })),
      outcome: state === 'done' ? 'change' : null,
      why: state === 'done' ? '“Understand” is not seen either: it comes back in the next round.' : null,
    })
}
