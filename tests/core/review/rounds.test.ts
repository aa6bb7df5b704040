/** Rounds of a review on the demo course: verdicts, what is carried over, what is stale, what comes back. Worked out by hand. */
import { expect } from 'chai'
import fc from 'fast-check'
import { anyRecord, type Blueprint, blueprintOf, patchBlueprint, recordsOf } from '../../../src/core/blueprint/blueprint'
import { type AnyRecord, declareKind, type KindName } from '../../../src/core/blueprint/kinds'
import { loadMeanings } from '../../../src/core/findings/load-tagger'
import { readNative, writeNative } from '../../../src/core/formats/native'
import { readReview } from '../../../src/core/formats/review-file'
import { type ReviewFigures, reviewFigures } from '../../../src/core/review/review-figures'
import { demoCourse } from '../../support/demo'

const PLAN = demoCourse('measuring-small-streams')
const NATIVE = JSON.parse(writeNative(PLAN))
const point = (code: string, priority: string, more: object = {}) => ({ code, statement: `About ${code}`, priority, ...more })
const SET = {
  format: 'cairn-review-set',
  formatVersion: 1,
  title: 'Ours',
  areas: [
    { title: 'One', points: [point('A', 'must'), point('B', 'should'), point('C', 'could')] },
    { title: 'Two', points: [point('D', 'must', { findings: ['no-overview'] }), point('E', 'must', { weight: 3 })] },
  ],
}
type Json = Readonly<Record<string, unknown>>
const rating = (of: string, value: string, more: Json = {}) => ({ point: of, value, ...more })
const seat = (id: string, ratings: readonly unknown[], more: Json = {}) => ({ id, name: id, handedIn: '2027-02-01', ratings, ...more })
const round = (id: string, more: Json): Json => ({
  id,
  title: id,
  kind: 'peer',
  merge: 'strictest',
  state: 'comparing',
  snapshot: NATIVE,
  ...more,
})
const cites = (kind: string, id: string, more: Json = {}) => ({ evidence: [{ kind, id, ...more }] })

const review = (rounds: readonly Json[], set: Json = SET) => {
  const read = readReview(JSON.stringify({ format: 'cairn-review', formatVersion: 1, set, rounds }), () => true)
  if (!read.ok) throw new Error(`${read.error.at} ${read.error.message}`)
  return read.value.review
}
const figures = (
  rounds: readonly Json[],
  { plan = PLAN, on = '2027-03-01', set = SET }: { plan?: Blueprint | null; on?: string; set?: Json } = {},
) => reviewFigures(review(rounds, set), { plan, on }).figures.rounds
const last = (rounds: readonly Json[], more: Parameters<typeof figures>[1] = {}) =>
  figures(rounds, more).at(-1) as ReviewFigures['rounds'][number]
/** The plan with one record changed, and without some. */
const edited = (kind: KindName, id: string, fields: Json): Blueprint =>
  patchBlueprint(PLAN, { set: [{ kind, record: { ...(anyRecord(PLAN, { kind, id }) as AnyRecord), ...fields } }], removed: [] })
const without = (kind: KindName, ids: readonly string[]): Blueprint =>
  patchBlueprint(PLAN, { set: [], removed: ids.map((id) => ({ kind, id })) })
const ALL_IN = ['A', 'B', 'C', 'D', 'E'].map((c) => rating(c, 'in place'))
const but = (...changed: readonly Json[]) => ALL_IN.map((r) => changed.find((c) => c['point'] === r.point) ?? r)

describe('a round', () => {
  before(loadMeanings)

  it('is ready where nothing holds it up, undecided without points or judgements', () => {
    expect(last([round('r', { seats: [seat('s', ALL_IN)] })])).to.deep.include({ verdict: 'ready', blocking: [], score: null })
    expect(last([round('r', { seats: [] })])).to.deep.include({
      verdict: 'undecided',
      blocking: ['A', 'B', 'D', 'E'].map((code) => ({ code, reason: 'not-judged' })),
    })
    expect(last([round('r', { points: ['nowhere'], seats: [] })])).to.deep.include({ verdict: 'undecided', points: [], blocking: [] })
    // Only those who handed in count.
    expect(last([round('r', { seats: [seat('s', ALL_IN, { handedIn: null })] })]).seats[0]).to.deep.equal({
      id: 's',
      handedIn: null,
      rated: 5,
      of: 5,
      lower: 0,
      same: 0,
      higher: 0,
    })
  })

  it('names what holds it up, by the first reason that applies; a could never does', () => {
    const seats = [
      seat('s', [rating('A', 'partly'), rating('B', 'not in place'), rating('C', 'not in place'), rating('D', 'cannot be judged yet')]),
    ]
    expect(last([round('r', { seats })]).blocking).to.deep.equal([
      { code: 'A', reason: 'must-open' },
      { code: 'B', reason: 'should-open' },
      { code: 'D', reason: 'not-judged' },
      { code: 'E', reason: 'not-judged' },
    ])
    expect(last([round('r', { seats })]).points.map((p) => [p.code, p.settled])).to.deep.equal([
      ['A', false],
      ['B', false],
      ['C', false],
      ['D', false],
      ['E', false],
    ])
    const lenient = { ...SET, rule: { mustNeeds: 'partly', shouldNeeds: 'nothing' } }
    expect(last([round('r', { seats })], { set: lenient }).blocking.map((b) => b.code)).to.deep.equal(['D', 'E'])
  })

  it('takes a dated action for a should: by somebody, not dropped, done or not past its day', () => {
    const seats = [seat('s', but(rating('B', 'partly')))]
    const action = (more: Json) => ({
      id: 'x',
      source: 'rating',
      point: 'B',
      what: 'mend it',
      who: 'Tove',
      by: '2027-03-01',
      state: 'open',
      ...more,
    })
    const reason = (...actions: readonly Json[]) => last([round('r', { seats, actions })]).blocking[0]?.reason ?? null
    expect(reason(action({}))).to.equal(null)
    expect(reason(action({ by: '2027-02-28' }))).to.equal('should-overdue')
    expect(reason(action({ by: '2027-02-28', state: 'done' }))).to.equal(null)
    expect(reason(action({ state: 'dropped' }))).to.equal('should-open')
    expect(reason(action({ who: null }))).to.equal('should-open')
    expect(reason(action({ by: null }))).to.equal('should-open')
    expect(reason(action({ by: '2027-02-28' }), action({ id: 'y' }))).to.equal(null)
    expect(reason(action({ point: 'C' }))).to.equal('should-open')
    // An action of the round before counts as well.
    const first = round('r', { seats, actions: [action({})] })
    expect(last([first, round('r2', { follows: 'r', points: [], seats: [] })]).verdict).to.equal('ready')
    expect(
      last([round('r', { seats, actions: [action({})] })], { set: { ...SET, rule: { shouldNeeds: 'in place' } } }).blocking[0]?.reason,
    ).to.equal('should-open')
  })

  it('has a score where the set asks for one: weights, half up, and too low stands last', () => {
    const seats = [seat('s', but(rating('A', 'partly'), rating('E', 'not in place')))]
    // Weights 1, 1, 1, 1, 3: (0.5 + 1 + 1 + 1 + 0) / 7 = 50.
    const at = (scoreFrom: number) => last([round('r', { seats })], { set: { ...SET, rule: { scoreFrom } } })
    expect(at(50)).to.deep.include({ score: 50 })
    expect(at(50).blocking.map((b) => b.reason)).to.deep.equal(['must-open', 'must-open'])
    expect(at(50.01).blocking.at(-1)).to.deep.equal({ code: null, reason: 'score-low' })
    // One of three, in halves: 100 * 0.5 / 3 = 16.666… is 16.67.
    const three = [seat('s', [rating('A', 'partly'), rating('B', 'not in place'), rating('C', 'not in place')])]
    expect(last([round('r', { seats: three })], { set: { ...SET, rule: { scoreFrom: 1 } } }).score).to.equal(16.67)
    expect(last([round('r', { seats: [] })], { set: { ...SET, rule: { scoreFrom: 0 } } })).to.deep.include({ score: null })
  })

  it('lets a decision by hand stand over the rule, with a reason', () => {
    const seats = [seat('s', but(rating('A', 'partly'))), seat('t', ALL_IN)]
    const decisions = [{ point: 'A', value: 'in place', reason: 'seen together', by: 'Ines' }]
    expect(last([round('r', { seats, decisions })]).points[0]).to.deep.include({ merged: 'in place', by: 'hand', agreeing: 0, pairs: 1 })
    expect(last([round('r', { seats, decisions: [{ ...decisions[0], reason: ' ' }] })]).points[0]).to.deep.include({
      merged: 'partly',
      by: 'rule',
    })
  })

  it('counts by area and priority; what is stale counts as stale alone', () => {
    const seats = [
      seat('s', [
        rating('A', 'in place', cites('module', 'm1')),
        rating('B', 'not applicable', { reason: 'no labs' }),
        rating('D', 'partly'),
      ]),
    ]
    const zero = { inPlace: 0, partly: 0, notInPlace: 0, notApplicable: 0, disagree: 0, notJudged: 0, stale: 0 }
    expect(last([round('r', { seats })], { plan: edited('module', 'm1', { title: 'Other' }) }).areas).to.deep.equal([
      { title: 'One', must: { ...zero, stale: 1 }, should: { ...zero, notApplicable: 1 }, could: { ...zero, notJudged: 1 } },
      { title: 'Two', must: { ...zero, partly: 1, notJudged: 1 }, should: zero, could: zero },
    ])
  })

  it('carries over what was judged before and is not asked again, with what it rests on', () => {
    const first = round('r1', {
      seats: [
        seat('s', [rating('A', 'in place', cites('module', 'm1')), rating('B', 'partly'), rating('D', 'not in place')]),
        seat('t', [rating('B', 'partly'), rating('D', 'in place')]),
      ],
      merge: 'agreed',
    })
    const second = round('r2', { follows: 'r1', points: ['B', 'E'], seats: [seat('s', [rating('B', 'in place'), rating('E', 'partly')])] })
    const done = last([first, second], { plan: edited('module', 'm1', { subtitle: 'Other' }) })
    expect(done.points.map((p) => [p.code, p.merged, p.by, p.stale])).to.deep.equal([
      ['A', 'in place', 'carried', true],
      ['B', 'in place', 'rule', false],
      // Nobody rated C, and D was disagreed about: neither is carried.
      ['C', null, null, false],
      ['D', null, null, false],
      ['E', 'partly', 'rule', false],
    ])
    expect(done.compared).to.deep.equal([
      { code: 'A', was: 'in place', now: 'in place', change: 'carried' },
      { code: 'B', was: 'partly', now: 'in place', change: 'mended' },
      { code: 'C', was: null, now: null, change: 'not-judged' },
      { code: 'D', was: 'disagree', now: null, change: 'not-judged' },
      { code: 'E', was: null, now: 'partly', change: 'new' },
    ])
    expect(done.seats[0]).to.include({ rated: 2, of: 2 })
    expect(done.stale.map((s) => [s.code, s.seat])).to.deep.equal([['A', 's']])
  })

  it('names what should come back: in the words of the set as it is now', () => {
    const frozen = {
      ...SET,
      areas: [{ title: 'One', points: [point('A', 'must'), point('B', 'should'), point('C', 'could'), point('D', 'must')] }],
    }
    const now = {
      ...SET,
      areas: [
        {
          title: 'One',
          points: [
            point('D', 'must', { statement: ' About   D ' }),
            point('C', 'should'),
            point('B', 'should'),
            point('A', 'must', { statement: 'Else' }),
            point('Z', 'could'),
          ],
        },
      ],
    }
    const seats = [
      seat('s', [rating('A', 'partly'), rating('B', 'in place'), rating('C', 'in place'), rating('D', 'not applicable', { reason: 'x' })]),
    ]
    expect(last([round('r', { seats, set: frozen })], { set: now }).next).to.deep.equal([
      { code: 'C', reasons: ['reworded'] },
      { code: 'A', reasons: ['improve', 'reworded'] },
      { code: 'Z', reasons: ['new'] },
    ])
  })
})

describe('what a rating rests on', () => {
  before(loadMeanings)
  const stale = (cited: Json, plan: Blueprint | null, code = 'A') =>
    last([round('r', { seats: [seat('s', [rating(code, 'in place', cited)])] })], { plan }).stale

  it('is a record with all that its removal would take along, its place aside, and the series of an activity', () => {
    const on = (kind: string, id: string, plan: Blueprint) => stale(cites(kind, id), plan)[0] ?? null
    expect(on('module', 'm2', PLAN)).to.equal(null)
    expect(on('module', 'm2', edited('module', 'm2', { order: 'zz' }))).to.equal(null)
    expect(on('module', 'm2', edited('activity', 'a2-3', { minutes: 16 }))).to.deep.include({
      changed: [{ kind: 'module', id: 'm2' }],
      removed: [],
    })
    expect(on('module', 'm2', edited('activity', 'a3-3', { minutes: 16 }))).to.equal(null)
    expect(on('activity', 'a2-6', edited('series', 'practice-sets', { minutes: 5 }))?.changed).to.deep.equal([
      { kind: 'activity', id: 'a2-6' },
    ])
    expect(on('activity', 'a2-5', edited('series', 'practice-sets', { minutes: 5 }))).to.equal(null)
    expect(on('outcome', 'co1', without('outcome', ['co1']))).to.deep.include({ changed: [], removed: [{ kind: 'outcome', id: 'co1' }] })
  })

  it('takes no notice of kinds that only say how far the work is', () => {
    const undeclare = declareKind({
      name: 'buildItem',
      plural: 'buildItems',
      noun: 'build item',
      tellsProgress: true,
      fields: { activityId: { type: 'ref', to: 'activity', onRemove: 'remove' }, done: { type: 'bool' } },
    } as never)
    try {
      const of = (done: boolean) =>
        ({ ...PLAN, buildItem: new Map([['b1', { id: 'b1', activityId: 'a2-5', done }]]) }) as unknown as Blueprint
      const base = round('r', {
        snapshot: JSON.parse(writeNative(of(false))),
        seats: [seat('s', [rating('A', 'in place', cites('activity', 'a2-5'))])],
      })
      expect(last([base], { plan: of(true) }).stale).to.deep.equal([])
    } finally {
      undeclare()
    }
  })

  it('is the findings bound to its point: a key that comes or goes, not what it says', () => {
    // Module 1 has an overview, 6 to 8 have none: no-overview of 1 comes, of 6 goes.
    const came = stale({}, edited('module', 'm1', { overview: null }), 'D')
    expect(came[0]).to.deep.include({ changed: [], appeared: ['no-overview m1'], gone: [] })
    const went = stale({}, edited('module', 'm6', { overview: PLAN.module.get('m1')?.overview }), 'D')
    expect(went[0]).to.deep.include({ appeared: [], gone: ['no-overview m6'] })
    expect(stale({}, edited('module', 'm6', { title: 'Renamed' }), 'D')).to.deep.equal([])
    // Neither cites nor binds anything: it never is.
    expect(stale({}, blueprintOf({ course: recordsOf(PLAN, 'course') }), 'A')).to.deep.equal([])
  })

  it('is never stale without a plan to compare with; what its plan does not hold, or has an address, is not watched', () => {
    expect(stale(cites('module', 'm2'), null)).to.deep.equal([])
    const made = review([
      round('r', {
        seats: [
          seat('s', [rating('A', 'in place', { evidence: [{ kind: 'module', id: 'gone' }, { address: 'https://larkfield.example' }] })]),
        ],
      }),
    ])
    const { figures: done, problems } = reviewFigures(made, { plan: PLAN, on: '2027-03-01' })
    expect(done.rounds[0]?.stale).to.deep.equal([])
    expect(problems.map((p) => [p.code, p.at])).to.deep.equal([['citation-not-held', 'rounds[0].seats[0].ratings[0]']])
  })

  it('is what a digest says where the plan of that moment is not kept', () => {
    const self = (digest: string, plan: Blueprint) =>
      last(
        [
          round('r', {
            kind: 'self-check',
            snapshot: null,
            seats: [seat('s', [rating('A', 'in place', cites('module', 'm2', { digest }))])],
          }),
        ],
        { plan },
      ).stale
    expect(self('0'.repeat(64), PLAN)[0]?.changed).to.deep.equal([{ kind: 'module', id: 'm2' }])
    expect(self('0'.repeat(64), without('module', ['m2']))[0]?.removed).to.deep.equal([{ kind: 'module', id: 'm2' }])
  })

  it('is stale exactly when something that is cited differs', () => {
    const activities = recordsOf(PLAN, 'activity').filter((a) => a.seriesId === null)
    fc.assert(
      fc.property(fc.constantFrom(...activities), fc.constantFrom(...activities), (cited, other) => {
        const differs = stale(cites('activity', cited.id), edited('activity', other.id, { notes: 'seen again' })).length > 0
        expect(differs).to.equal(cited.id === other.id)
      }),
      { numRuns: 30 },
    )
  })

  it('settles nothing that is stale, whatever its value and priority', () => {
    const plan = edited('module', 'm1', { title: 'Other' })
    fc.assert(
      fc.property(
        fc.constantFrom('A', 'B', 'C'),
        fc.constantFrom('in place', 'partly', 'not in place'),
        fc.constantFrom('nothing', 'in place', 'dated action'),
        (code, value, shouldNeeds) => {
          const seats = [seat('s', [rating(code, value, cites('module', 'm1'))])]
          const at = last([round('r', { seats })], { plan, set: { ...SET, rule: { shouldNeeds } } }).points.find((p) => p.code === code)
          expect(at).to.include({ stale: true, settled: false })
        },
      ),
      { numRuns: 12 },
    )
  })
})

describe('evidence beside a point', () => {
  before(loadMeanings)
  const evidence = (findings: readonly string[], plan: Blueprint = PLAN) => {
    const set = { ...SET, areas: [{ title: 'One', points: [point('A', 'must', { findings })] }] }
    return last([round('r', { seats: [] })], { plan, set }).points[0]?.evidence
  }
  it('is a state and counts of what Cairn found', () => {
    expect(evidence([])).to.include({ state: 'none' })
    expect(evidence(['no-overview'])?.state).to.equal('found')
    expect(evidence(['rubric-levels-order'])).to.deep.include({ state: 'clear', fix: 0, check: 0, idea: 0, open: 0, kept: 0 })
    expect(evidence(['rubric-levels-order', 'policy-review-due'])).to.deep.include({ state: 'partly', unknown: ['policy-review-due'] })
    expect(evidence(['no-condition'])).to.deep.include({ state: 'partly', off: ['no-condition'] })
    // Of unknown codes alone, and first, nothing was looked for.
    expect(evidence(['policy-review-due', 'rubric-levels-order'])).to.deep.include({ state: 'partly', unknown: ['policy-review-due'] })
    expect(evidence(['policy-review-due'], blueprintOf({ course: recordsOf(PLAN, 'course') }))).to.include({ state: 'partly' })
    expect(evidence(['rubric-levels-order'], blueprintOf({ course: recordsOf(PLAN, 'course') }))).to.include({ state: 'empty' })
  })
})

describe('a review file', () => {
  const refused = (value: unknown) => {
    const read = readReview(typeof value === 'string' ? value : JSON.stringify(value), () => true)
    return read.ok ? null : [read.error.code, read.error.at]
  }
  const file = (rounds: unknown, more: Json = {}) => ({ format: 'cairn-review', formatVersion: 1, set: SET, rounds, ...more })
  it('is refused with the place where it is none', () => {
    expect(refused('{')).to.deep.equal(['not-json', ''])
    expect(refused('null')?.[0]).to.equal('other-format')
    expect(refused({ ...file([]), format: 'cairn-blueprint' })?.[0]).to.equal('other-format')
    expect(refused(file([], { formatVersion: 2 }))?.[0]).to.equal('newer-version')
    expect(refused(file([], { set: { ...SET, areas: [] } }))?.[0]).to.equal('no-point')
    expect(refused(file([round('r', { seats: [seat('s', [rating('A', 'good')])] })]))).to.deep.equal([
      'invalid-value',
      'rounds[0].seats[0].ratings[0].value',
    ])
    expect(refused(file([round('r', { follows: 'r' })]))).to.deep.equal(['follows-unknown', 'rounds[0].follows'])
    expect(refused(file([round('r', {}), round('r', {})]))).to.deep.equal(['id-twice', 'rounds[1].id'])
    expect(refused(file([round('r', { snapshot: { format: 'cairn-blueprint' } })]))?.[1]).to.match(/^rounds\[0\]\.snapshot\./)
    expect(refused('{"format": "cairn-review", "__proto__": {}}')?.[0]).to.equal('forbidden-key')
    expect(readNative(JSON.stringify(NATIVE)).ok).to.equal(true)
  })
})
