import { expect } from 'chai'
import { applyChange, applyEffective } from '../../src/core/blueprint/apply'
import type { Blueprint } from '../../src/core/blueprint/blueprint'
import type { Change } from '../../src/core/blueprint/change'
import { editPlan, type PlanEdit } from '../../src/core/blueprint/edit'
import {
  advance,
  bringBackOperations,
  commit,
  type LoggedChange,
  refuse,
  retryOperations,
  type Session,
  startSession,
} from '../../src/ui/store/session'
import { aBlueprint, aModule, anActivity } from '../support/course'

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
    const [entry] = s.conflicts
    expect(entry && applyEffective(s.view, retryOperations(s, entry)).activity.get('a1')?.title).to.equal('Mine')
  })
  it('drops what refers to a record that was refused', () => {
    let s = mine(start, (e) => void e.create('activity', anActivity('a3', 'm1')))
    s = mine(s, titled('Later', 'a3'))
    const gone = logged(
      edit(plan, (e) => e.remove({ kind: 'module', id: 'm1' })),
      6,
      plan,
    )
    s = advance(s, [gone])
    s = refuse(s, (s.queue[0] as Change).id, [], () => null)
    expect(s.queue).to.deep.equal([])
    expect(s.conflicts.length).to.be.greaterThan(0)
  })
  it('brings back what somebody else removed, with all that went with it', () => {
    const s = advance(start, [
      logged(
        edit(plan, (e) => e.remove({ kind: 'module', id: 'm1' })),
        6,
        plan,
      ),
    ])
    const removal = s.removedByOthers.get('activity a1')?.operations ?? null
    const operations = bringBackOperations({ removal })
    expect(operations && applyEffective(s.view, operations)).to.deep.equal(plan)
  })
  it('undoes own changes only, and redoes them', () => {
    let s = mine(start, titled('Mine'))
    s = advance(s, [logged(edit(plan, titled('Theirs', 'a2')), 6, plan)])
    const undo = s.undo.at(-1)
    s = commit(s, { ...edit(s.view, () => undefined, 'skip'), operations: undo?.operations ?? [] }, 'undo')
    expect([title(s), title(s, 'a2'), s.undo.length, s.redo.length]).to.deep.equal(['Activity a1', 'Theirs', 0, 1])
    s = commit(s, { ...edit(s.view, () => undefined, 'skip'), operations: s.redo.at(-1)?.operations ?? [] }, 'redo')
    expect([title(s), s.undo.length, s.redo.length]).to.deep.equal(['Mine', 1, 0])
  })
  it('takes no change that does nothing', () => expect(mine(start, titled('Activity a1'))).to.equal(start))
  it('takes up a queue that was kept', () => {
    const s = startSession(plan, 5, [edit(plan, titled('From yesterday'))])
    expect([title(s), s.queue.length]).to.deep.equal(['From yesterday', 1])
  })
})
