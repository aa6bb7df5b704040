/** Kinds that are loaded only when asked, tried with one that Cairn does not have. */
import { expect } from 'chai'
import { readerOf } from '../../../src/core/blueprint/apply'
import { askedKinds, withUnseen } from '../../../src/core/blueprint/asked'
import { type Blueprint, blueprintOf, type Records } from '../../../src/core/blueprint/blueprint'
import type { Change, Operation } from '../../../src/core/blueprint/change'
import { editPlan } from '../../../src/core/blueprint/edit'
import { declareKind, type KindName, type RecordRef } from '../../../src/core/blueprint/kinds'
import { RULES } from '../../../src/core/findings/registry'
import { aBlueprint, aModule, anActivity } from '../../support/course'
import { fieldNote } from '../../support/toy-kinds'

const NOTE = 'fieldNote' as KindName
const small = aBlueprint({ module: [aModule('m1'), aModule('m2')], activity: [anActivity('a1', 'm1'), anActivity('a2', 'm2')] })
const note = (id: string, moduleId: string, activityId: string | null = null) => ({ id, moduleId, activityId, title: id, text: null })

describe('kinds that are loaded when asked', () => {
  const undeclare: (() => void)[] = []
  let stored: Blueprint
  beforeEach(() => {
    undeclare.push(declareKind(fieldNote))
    const notes = [note('n1', 'm1', 'a2'), note('n2', 'm2', 'a1'), note('n3', 'm2', 'a2'), note('n4', 'm2')]
    stored = blueprintOf({
      ...Object.fromEntries(Object.entries(small).map(([k, m]) => [k, [...m.values()]])),
      [NOTE]: notes,
    } as unknown as Records)
  })
  afterEach(() => {
    for (const undo of undeclare.splice(0).reverse()) undo()
  })
  /** What a window without notes sends to remove something. */
  const removing = (...refs: RecordRef[]): Change => ({
    id: 'c1',
    code: 'remove',
    params: {},
    onConflict: 'refuse',
    operations: editPlan(small, (e) => {
      for (const ref of refs) e.remove(ref)
    }),
  })
  const ofNotes = (operations: readonly Operation[]) =>
    operations.flatMap((o) => (o.kind === NOTE ? [o.op === 'update' ? `${o.id} ${JSON.stringify(o.to)}` : `${o.op} ${o.record.id}`] : []))

  it('go with what they belong to, or lose the link, as their fields declare', () => {
    const change = withUnseen(removing({ kind: 'module', id: 'm1' }), readerOf(stored))
    // m1 takes n1 along, and a1, to which n2 is linked.
    expect(ofNotes(change.operations).sort()).to.deep.equal(['n2 {"activityId":null}', 'remove n1'])
  })
  it('go once, where two of what they refer to go', () => {
    const change = withUnseen(removing({ kind: 'module', id: 'm1' }, { kind: 'module', id: 'm2' }), readerOf(stored))
    expect(ofNotes(change.operations).sort()).to.deep.equal(['remove n1', 'remove n2', 'remove n3', 'remove n4'])
  })
  it('are left to the change where it names them, and where nothing is removed', () => {
    const own: Operation = { op: 'remove', kind: NOTE, record: note('n1', 'm1', 'a2') }
    const asked = removing({ kind: 'module', id: 'm1' })
    const change = withUnseen({ ...asked, operations: [own, ...asked.operations] }, readerOf(stored))
    expect(ofNotes(change.operations).filter((o) => o.includes('n1'))).to.deep.equal(['remove n1'])
    const titled: Change = { ...asked, operations: editPlan(small, (e) => e.set('module', 'm1', { title: 'Other' })) }
    expect(withUnseen(titled, readerOf(stored))).to.equal(titled)
  })
  it('are referred to by no other kind, and read by no rule', () => {
    expect(askedKinds()).to.deep.equal([NOTE])
    const { name: _, ...link } = fieldNote
    const undo = declareKind({
      ...link,
      name: 'noteLink',
      loads: undefined,
      fields: { noteId: { type: 'ref', to: 'fieldNote', onRemove: 'remove' } },
    } as never)
    expect(askedKinds).to.throw('noteLink refers to fieldNote')
    undo()
    const read = RULES.flatMap((r) => r.reads.flatMap((x) => (typeof x === 'string' ? [x] : x.reads))).map((r) => r.split('.')[0])
    expect(askedKinds().filter((k) => read.includes(k))).to.deep.equal([])
  })
})
