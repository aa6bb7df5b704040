import { expect } from 'chai'
import { applyChange, applyEffective } from '../../src/core/blueprint/apply'
import type { Blueprint } from '../../src/core/blueprint/blueprint'
import type { Change } from '../../src/core/blueprint/change'
import { editPlan, type PlanEdit } from '../../src/core/blueprint/edit'
import type { Stage } from '../../src/core/blueprint/kinds/activity'
import { needsBack, withMine } from '../../src/ui/store/conflict-entries'
import {
  advance,
  commit,
  dropChanges,
  enqueue,
  type LoggedChange,
  operationsOf,
  refuse,
  type Session,
  startSession,
  type UndoEntry,
} from '../../src/ui/store/session'
import { aBlueprint, aCategory, alignmentOf, aModule, anActivity, anObjective, assessmentOf } from '../support/course'

const plan = aBlueprint({ module: [aModule('m1')], activity: [anActivity('a1', 'm1'), anActivity('a2', 'm1')] })
let n = 0
const edit = (base: Blueprint, work: (e: PlanEdit) => void, onConflict: Change['onConflict'] = 'refuse'): Change => ({
  id: `c${++n}`,
  code: 'test',
  params: {},
  onConflict,
  operations: editPlan(base, work),
})
const titled =
  (title: string, id = 'a1') =>
  (e: PlanEdit) =>
    e.set('activity', id, { title })
const mine = (s: Session, work: (e: PlanEdit) => void) => commit(s, edit(s.view, work))
const logged = (change: Change, revision: number, base: Blueprint): LoggedChange => {
  const applied = applyChange(base, change)
  return {
    revision,
    changeId: change.id,
    author: 'Tove',
    authorId: 'tove',
    at: '',
    code: change.code,
    params: {},
    operations: applied.ok ? applied.effective : [],
  }
}
const title = (s: Session, id = 'a1') => s.view.activity.get(id)?.title

describe('what a window knows of a course', () => {
  const start = startSession(plan, 5)

  it('shows own changes at once and keeps them waiting', () => {
    const s = mine(start, titled('Mine'))
    expect(title(s)).to.equal('Mine')
    expect(s.confirmed.activity.get('a1')?.title).to.equal('Activity a1')
    expect(s.queue).to.have.length(1)
  })
  it('puts own changes on top of what others did meanwhile', () => {
    const waiting = mine(start, titled('Mine'))
    const s = advance(waiting, [logged(edit(plan, titled('Theirs', 'a2')), 6, plan)])
    expect([title(s), title(s, 'a2'), s.revision, s.queue.length]).to.deep.equal(['Mine', 'Theirs', 6, 1])
  })
  it('knows its own echo, and passes over what it knows already', () => {
    const waiting = mine(start, titled('Mine'))
    const echo = logged(waiting.queue[0] as Change, 6, plan)
    const s = advance(advance(waiting, [echo]), [echo])
    expect([s.queue.length, s.revision, s.confirmed.activity.get('a1')?.title]).to.deep.equal([0, 6, 'Mine'])
  })
  it('shows the same plan, by identity, when an own change comes back, and changes only what others changed', () => {
    const waiting = mine(mine(start, titled('Mine')), titled('Mine as well', 'a2'))
    const first = waiting.queue[0] as Change
    expect(advance(waiting, [logged(first, 6, plan)]).view).to.equal(waiting.view)
    const both = advance(waiting, [
      logged(first, 6, plan),
      logged(
        edit(plan, (e) => e.set('module', 'm1', { title: 'Theirs' })),
        7,
        plan,
      ),
    ])
    expect(both.view.module.get('m1')?.title).to.equal('Theirs')
    expect(both.view.activity).to.equal(waiting.view.activity)
    const theirs = advance(waiting, [
      logged(
        edit(plan, (e) => e.remove({ kind: 'activity', id: 'a2' })),
        6,
        plan,
      ),
    ])
    expect([...theirs.view.activity.keys()]).to.deep.equal(['a1'])
    expect(theirs.view.activity.get('a1')).to.equal(waiting.view.activity.get('a1'))
  })
  it('keeps both values when the server refuses, with what built on it', () => {
    let s = mine(
      mine(mine(start, titled('Mine')), (e) => e.set('activity', 'a1', { minutes: 5 })),
      titled('Free', 'a2'),
    )
    const [first] = s.queue as [Change]
    s = advance(s, [logged(edit(plan, titled('Theirs')), 6, plan)])
    s = refuse(
      s,
      first.id,
      [{ kind: 'activity', id: 'a1', reason: 'changed', field: 'title', was: 'Activity a1', stored: 'Theirs', wanted: 'Mine' }],
      () => 'Tove',
    )
    expect(title(s)).to.equal('Theirs')
    expect(title(s, 'a2')).to.equal('Free')
    expect(s.conflicts.map((c) => [c.field, c.wanted, c.author])).to.deep.equal([
      ['title', 'Mine', 'Tove'],
      ['minutes', 5, 'Tove'],
    ])
    expect(s.queue).to.have.length(1)
    expect(s.undo).to.have.length(1)
    const { operations, unmet } = withMine(s.view, s.conflicts.slice(0, 1))
    expect(unmet).to.deep.equal([])
    expect(applyEffective(s.view, operations).activity.get('a1')?.title).to.equal('Mine')
  })
  /** What others did meanwhile, and the server's refusal of the first own change, as it answers. */
  function refused(own: Session, theirs: (e: PlanEdit) => void): Session {
    const s = advance(own, [logged(edit(plan, theirs), 6, plan)])
    const [first] = s.queue as [Change]
    const tried = applyChange(s.confirmed, first)
    if (tried.ok) throw new Error('nothing stands against it')
    return refuse(s, first.id, tried.conflicts, () => 'Tove')
  }
  const without = (id: string) => (e: PlanEdit) => e.remove({ kind: 'module', id })
  const written = (s: Session) => {
    const { operations, unmet } = withMine(s.view, s.conflicts)
    return { plan: applyEffective(s.view, operations), unmet }
  }
  it('keeps what was made where somebody else removed the place, as one with all that was made with it, and brings the place back', () => {
    let own = mine(start, (e) => {
      e.create('activity', anActivity('a3', 'm1'))
      e.create('assessment', assessmentOf('a3', 500, null))
    })
    own = mine(own, titled('Later', 'a3'))
    const s = refused(own, without('m1'))
    expect(s.queue).to.deep.equal([])
    expect(s.conflicts.map((c) => [c.key, c.missing, c.along.length, c.author])).to.deep.equal([
      ['activity a3', [{ kind: 'module', id: 'm1' }], 1, 'Tove'],
    ])
    expect(s.conflicts.every((c) => needsBack(s.view, c))).to.equal(true)
    const after = written(s)
    expect(after.unmet).to.deep.equal([])
    expect([...after.plan.activity.keys()].sort()).to.deep.equal(['a1', 'a2', 'a3'])
    expect(after.plan.activity.get('a3')?.title).to.equal('Later')
    expect(after.plan.assessment.size).to.equal(1)
  })
  it('brings back a record that was removed, with all that went, and one’s own value in it', () => {
    const s = refused(mine(start, titled('Mine')), without('m1'))
    const after = written(s)
    expect(after.unmet).to.deep.equal([])
    expect(after.plan.activity.get('a1')?.title).to.equal('Mine')
    expect(after.plan.activity.get('a2')).to.deep.equal(plan.activity.get('a2'))
  })
  it('keeps both where both made the same link otherwise', () => {
    const link = (stages: readonly Stage[]) => (e: PlanEdit) => e.create('alignment', { ...alignmentOf('a1', 'o1', 'assesses'), stages })
    const base = startSession(
      aBlueprint({ module: [aModule('m1')], activity: [anActivity('a1', 'm1')], objective: [anObjective('o1', 'm1')] }),
      5,
    )
    const theirs = logged(edit(base.view, link(['introduces'])), 6, base.view)
    const s = advance(mine(base, link(['assesses'])), [theirs])
    const tried = applyChange(s.confirmed, s.queue[0] as Change)
    const after = refuse(s, s.queue[0]?.id ?? '', tried.ok ? [] : tried.conflicts, () => 'Tove')
    expect(after.conflicts).to.have.length(1)
    expect([...written(after).plan.alignment.values()].map((a) => a.stages)).to.deep.equal([['assesses']])
    expect(written(after).unmet).to.deep.equal([])
  })
  it('brings back what another window of the same person removed', () => {
    const s = enqueue(start, edit(plan, without('m1')))
    const change = edit(plan, titled('Typed here'))
    const tried = applyChange(s.view, change)
    const after = refuse({ ...s, queue: [...s.queue, change] }, change.id, tried.ok ? [] : tried.conflicts, () => null)
    expect(after.conflicts.map((c) => c.author)).to.deep.equal([null])
    expect(written(after).plan.activity.get('a1')?.title).to.equal('Typed here')
  })
  it('keeps a value that waits for a choice beside one that was wanted later', () => {
    const first = refused(mine(start, titled('Mine')), titled('Theirs'))
    const again = mine(first, titled('Mine too'))
    const s = advance(again, [logged(edit(again.confirmed, titled('Theirs again')), 7, again.confirmed)])
    const tried = applyChange(s.confirmed, s.queue[0] as Change)
    const after = refuse(s, s.queue[0]?.id ?? '', tried.ok ? [] : tried.conflicts, () => 'Tove')
    expect(after.conflicts.map((c) => c.wanted)).to.deep.equal(['Mine', 'Mine too'])
    expect(new Set(after.conflicts.map((c) => c.key)).size).to.equal(2)
    const { operations, unmet } = withMine(after.view, after.conflicts)
    expect(unmet).to.deep.equal([])
    expect(applyEffective(after.view, operations).activity.get('a1')?.title).to.equal('Mine too')
  })
  it('says what cannot be written: what went before this window knew of it', () => {
    const s = refused(mine(start, titled('Mine')), without('m1'))
    const kept = startSession(
      s.confirmed,
      s.revision,
      [],
      s.conflicts.map((c) => ({ ...c, removals: [] })),
    )
    const { operations, unmet } = withMine(kept.view, kept.conflicts)
    expect([operations, unmet]).to.deep.equal([[], kept.conflicts])
  })
  it('shows a refused removal as one, with what stands against it, and takes what came since along', () => {
    const s = refused(mine(start, without('m1')), (e) => {
      titled('Theirs')(e)
      e.create('activity', anActivity('a9', 'm1'))
    })
    expect(s.conflicts.map((c) => [c.key, c.clashes.map((r) => r.id).sort()])).to.deep.equal([['module m1', ['a1', 'a9']]])
    const after = written(s)
    expect(after.unmet).to.deep.equal([])
    expect([after.plan.module.size, after.plan.activity.size]).to.deep.equal([0, 0])
  })
  it('does not ask about links that only went with what was removed', () => {
    const linked = aBlueprint({
      module: [aModule('m1')],
      gradeCategory: [aCategory('g1', 5000)],
      activity: [anActivity('a1', 'm1')],
      assessment: [assessmentOf('a1', 500, 'g1')],
    })
    const own = mine(startSession(linked, 5), (e) => e.remove({ kind: 'gradeCategory', id: 'g1' }))
    const theirs = logged(
      edit(linked, (e) => e.set('gradeCategory', 'g1', { title: 'Labs' })),
      6,
      linked,
    )
    const s = advance(own, [theirs])
    const tried = applyChange(s.confirmed, s.queue[0] as Change)
    const after = refuse(s, s.queue[0]?.id ?? '', tried.ok ? [] : tried.conflicts, () => 'Tove')
    expect(after.conflicts.map((c) => c.key)).to.deep.equal(['gradeCategory g1'])
    expect(written(after).plan.assessment.get('a1--assessment')?.categoryId).to.equal(null)
  })
  it('undoes own changes only, and redoes them', () => {
    let s = mine(start, titled('Mine'))
    s = advance(s, [logged(edit(plan, titled('Theirs', 'a2')), 6, plan)])
    const undo = s.undo.at(-1)
    s = commit(s, { ...edit(s.view, () => undefined, 'skip'), operations: undo ? operationsOf(undo) : [] }, 'undo')
    expect([title(s), title(s, 'a2'), s.undo.length, s.redo.length]).to.deep.equal(['Activity a1', 'Theirs', 0, 1])
    s = commit(s, { ...edit(s.view, () => undefined, 'skip'), operations: operationsOf(s.redo.at(-1) as UndoEntry) }, 'redo')
    expect([title(s), s.undo.length, s.redo.length]).to.deep.equal(['Mine', 1, 0])
  })
  const typed = (s: Session, work: (e: PlanEdit) => void, sitting: string | null, code = 'edit-text') =>
    commit(s, { ...edit(s.view, work), code }, 'edit', sitting)
  const undone = (s: Session) =>
    commit(s, { ...edit(s.view, () => undefined, 'skip'), operations: operationsOf(s.undo.at(-1) as UndoEntry) }, 'undo')
  it('takes back at once what was typed into one field in one sitting, however often it paused', () => {
    let s = start
    for (const t of ['M', 'Mi', 'Mine']) s = typed(s, titled(t), 'stay 1')
    expect([s.undo.length, s.queue.length]).to.deep.equal([1, 3])
    s = undone(s)
    expect([title(s), s.undo.length, s.redo.length]).to.deep.equal(['Activity a1', 0, 1])
    s = commit(s, { ...edit(s.view, () => undefined, 'skip'), operations: operationsOf(s.redo.at(-1) as UndoEntry) }, 'redo')
    expect(title(s)).to.equal('Mine')
  })
  it('takes back by itself what was typed in another sitting, into another field or record, or is no typing', () => {
    const steps: [(e: PlanEdit) => void, string | null, string?][] = [
      [titled('A'), 'stay 1'],
      [titled('B'), 'stay 2'],
      [titled('C', 'a2'), 'stay 2'],
      [(e) => e.set('activity', 'a2', { notes: 'x' }), 'stay 2'],
      [titled('D', 'a2'), 'stay 2'],
      [titled('E', 'a2'), 'stay 2', 'set-field'],
      [titled('F', 'a2'), null],
      [titled('G', 'a2'), null],
    ]
    const s = steps.reduce((at, [work, sitting, code]) => typed(at, work, sitting, code), start)
    expect(s.undo).to.have.length(steps.length)
  })
  it('takes nothing back of what came to be as it was, nor over a colleague’s words', () => {
    let s = typed(typed(start, titled('Mine'), 'stay'), titled('Activity a1'), 'stay')
    expect(operationsOf(s.undo.at(-1) as UndoEntry)).to.deep.equal([])
    s = typed(typed(start, titled('Mi'), 'stay'), titled('Mine'), 'stay')
    const [first, second] = s.queue as [Change, Change]
    s = advance(s, [logged(first, 6, plan)])
    s = advance(s, [logged(second, 7, s.confirmed)])
    s = advance(s, [logged(edit(s.confirmed, titled('Theirs')), 8, s.confirmed)])
    expect(title(undone(s))).to.equal('Theirs')
  })
  it('forgets of a sitting what was refused, and a new edit empties redo', () => {
    let s = typed(typed(start, titled('Mi'), 'stay'), titled('Mine'), 'stay')
    s = dropChanges(s, new Set([s.queue[1]?.id ?? '']))
    expect(title(undone(s))).to.equal('Activity a1')
    s = dropChanges(s, new Set([s.queue[0]?.id ?? '']))
    expect(s.undo).to.deep.equal([])
    const back = undone(mine(start, titled('Mine')))
    expect(back.redo).to.have.length(1)
    expect(mine(back, titled('Other', 'a2')).redo).to.deep.equal([])
  })
  it('takes no change that does nothing', () => expect(mine(start, titled('Activity a1'))).to.equal(start))
  it('takes up a queue that was kept', () => {
    const s = startSession(plan, 5, [edit(plan, titled('From yesterday'))])
    expect([title(s), s.queue.length]).to.deep.equal(['From yesterday', 1])
  })
})
