import { expect } from 'chai'
import { applyEffective } from '../../../src/core/blueprint/apply'
import { editPlan, type PlanEdit } from '../../../src/core/blueprint/edit'
import { moveObjective, setOutcomes } from '../../../src/core/edits/objectives'
import { describeChange } from '../../../src/core/history/describe'
import { Gathering, type Logged, type Sitting } from '../../../src/core/history/gather'
import { planBefore } from '../../../src/core/history/past'
import { touches } from '../../../src/core/history/touches'
import { aBlueprint, aModule, anActivity, anObjective, anOutcome, assessmentOf } from '../../support/course'

const plan = aBlueprint({
  outcome: [anOutcome('co1'), anOutcome('co2')],
  module: [aModule('m1'), aModule('m2')],
  objective: [anObjective('o1', 'm1'), anObjective('o2', 'm1'), anObjective('o3', 'm1')],
  activity: [anActivity('a1', 'm1', { title: 'Lab' })],
  assessment: [assessmentOf('a1', 2000, null)],
})

type Step = { who?: string; minute: number; code?: string; work: (e: PlanEdit) => void }
const say = (statement: string, id = 'o1') => ({ work: (e: PlanEdit) => e.set('objective', id, { statement }) })

/** Does the steps in order, then reads them backwards as the history does: the sittings, newest first. */
function sittings(steps: readonly Step[]): Sitting[] {
  const plans = [plan]
  const log = steps.map(({ who = 'tove', minute, code = 'edit-text', work }, i): Logged => {
    const operations = editPlan(plans[i] ?? plan, work)
    plans.push(applyEffective(plans[i] ?? plan, operations))
    const at = new Date(Date.UTC(2026, 8, 1, 10, minute)).toISOString()
    return { revision: i + 1, authorId: who, at, code, params: {}, operations }
  })
  const gathering = new Gathering()
  const told = new Set<Sitting>()
  let after = plans.at(-1) ?? plan
  for (const change of log.toReversed()) {
    const before = planBefore(after, change.operations)
    const { sitting, replaces } = gathering.add(change, before, after)
    if (replaces) told.delete(replaces)
    told.add(sitting)
    after = before
  }
  return [...told].sort((a, b) => b.change.revision - a.change.revision)
}
const told = (steps: readonly Step[]): string[] =>
  sittings(steps).map((s) =>
    [
      s.change.revision,
      s.count,
      ...describeChange(s.change.operations, s.before, s.after)
        .map((l) => l.text)
        .filter(Boolean),
    ].join(' | '),
  )

describe('one sitting at one record', () => {
  it('is told once: from what it was before the first to what it is after the last', () => {
    expect(
      told([
        { minute: 0, ...say('Count') },
        { minute: 1, ...say('Count the') },
        { minute: 9, ...say('Count the stones') },
      ]),
    ).to.deep.equal(['3 | 3 | 1a: statement “Measure o1” to “Count the stones”'])
  })
  it('gives the way back to before its first change', () => {
    const [sitting] = sittings([
      { minute: 0, ...say('Count') },
      { minute: 1, ...say('Count the stones') },
    ])
    expect(sitting?.before.objective.get('o1')?.statement).to.equal('Measure o1')
    expect(sitting?.after.objective.get('o1')?.statement).to.equal('Count the stones')
    expect(sitting?.since).to.equal('2026-09-01T10:00:00.000Z')
    expect(sitting?.change.at).to.equal('2026-09-01T10:01:00.000Z')
  })
  it('goes on while others work elsewhere, and draws fields and moves of one record together', () => {
    expect(
      told([
        { minute: 0, ...say('Count') },
        { minute: 1, who: 'ines', ...say('Name it', 'o2') },
        { minute: 2, work: (e) => e.set('objective', 'o1', { level: 'apply' }) },
        { minute: 3, who: 'ines', ...say('Name it all', 'o2') },
      ]),
    ).to.deep.equal([
      '4 | 2 | 1b: statement “Measure o2” to “Name it all”',
      '3 | 2 | 1a: statement “Measure o1” to “Count”; level nothing to apply',
    ])
    const down: Pick<Step, 'code' | 'work'> = { code: 'move', work: (e) => void moveObjective(e, 'o1', 1) }
    expect(
      told([
        { minute: 0, ...down },
        { minute: 0, ...down },
      ]),
    ).to.deep.equal(['2 | 2 | moved 1a Measure o1 to the end'])
  })
  it('ends with a pause of more than ten minutes, with another sort of change, and with somebody else at the record', () => {
    const three = (second: Partial<Step>) =>
      told([
        { minute: 0, ...say('Count') },
        { minute: 5, ...say('Count the'), ...second },
      ])
    expect(three({ minute: 10 })).to.have.length(1)
    expect(three({ minute: 11 })).to.have.length(2)
    expect(three({ code: 'restore' })).to.have.length(2)
    expect(
      told([
        { minute: 0, ...say('Count') },
        { minute: 1, who: 'ines', ...say('Count all') },
        { minute: 2, ...say('Count some') },
      ]),
    ).to.deep.equal([
      '3 | 1 | 1a: statement “Count all” to “Count some”',
      '2 | 1 | 1a: statement “Count” to “Count all”',
      '1 | 1 | 1a: statement “Measure o1” to “Count”',
    ])
  })
  it('says nothing of what came back to what it was, and still takes in what was before', () => {
    expect(
      told([
        { minute: 0, ...say('Count') },
        { minute: 1, ...say('Measure o1') },
      ]),
    ).to.deep.equal(['2 | 2'])
    expect(
      told([
        { minute: 0, ...say('Count') },
        { minute: 1, ...say('Weigh') },
        { minute: 2, ...say('Count') },
      ]),
    ).to.deep.equal(['3 | 3 | 1a: statement “Measure o1” to “Count”'])
  })
  it('leaves changes of several records, and what is added or removed, as they are', () => {
    const both = (e: PlanEdit) => {
      e.set('objective', 'o1', { statement: 'A' })
      e.set('objective', 'o2', { statement: 'B' })
    }
    expect(
      told([
        { minute: 0, ...say('Count') },
        { minute: 1, work: both },
        { minute: 2, ...say('Weigh') },
      ]),
    ).to.have.length(3)
    expect(
      told([
        { minute: 0, work: (e) => void e.create('outcome', anOutcome('co3')) },
        { minute: 1, work: (e) => e.set('outcome', 'co3', { statement: 'X' }) },
      ]),
    ).to.have.length(2)
  })
})

describe('what touches a record', () => {
  const touched = (ref: Parameters<typeof touches>[1], work: (e: PlanEdit) => void): boolean => {
    const operations = editPlan(plan, work)
    const after = applyEffective(plan, operations)
    return operations.some((o) => touches(o, ref, plan, after))
  }
  it('is a change of itself, of its links at either end, of what is planned of it, and of what stands in it', () => {
    expect(touched({ kind: 'objective', id: 'o1' }, say('Count').work)).to.equal(true)
    expect(touched({ kind: 'objective', id: 'o2' }, say('Count').work)).to.equal(false)
    const link = (e: PlanEdit) => setOutcomes(e, 'o1', ['co2'])
    expect(touched({ kind: 'objective', id: 'o1' }, link)).to.equal(true)
    expect(touched({ kind: 'outcome', id: 'co2' }, link)).to.equal(true)
    expect(touched({ kind: 'outcome', id: 'co1' }, link)).to.equal(false)
    const points = (e: PlanEdit) => e.set('assessment', 'a1--assessment', { points: 100 })
    expect(touched({ kind: 'activity', id: 'a1' }, points)).to.equal(true)
    expect(touched({ kind: 'module', id: 'm1' }, points)).to.equal(true)
    expect(touched({ kind: 'module', id: 'm2' }, points)).to.equal(false)
  })
  it('is a move, from where it was and to where it is; and the removal of what stood in it', () => {
    const move = (e: PlanEdit) => void moveObjective(e, 'o3', 1)
    expect(touched({ kind: 'module', id: 'm1' }, move)).to.equal(true)
    expect(touched({ kind: 'module', id: 'm2' }, move)).to.equal(true)
    expect(touched({ kind: 'module', id: 'm1' }, (e) => e.remove({ kind: 'activity', id: 'a1' }))).to.equal(true)
  })
})
