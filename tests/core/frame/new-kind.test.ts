/** What follows from the declaration of a kind, tried with kinds that Cairn does not have. */
import { expect } from 'chai'
import { z } from 'zod'
import { mayWrite } from '../../../src/core/access/abilities'
import { applyChange } from '../../../src/core/blueprint/apply'
import { type Blueprint, patchBlueprint, recordMap } from '../../../src/core/blueprint/blueprint'
import type { Change } from '../../../src/core/blueprint/change'
import { type AnyRecord, declareKind, KIND_NAMES, type KindName } from '../../../src/core/blueprint/kinds'
import { parseChange } from '../../../src/core/blueprint/schema'
import { nativeSchema, readNative, writeNative } from '../../../src/core/formats/native'
import { describeChange } from '../../../src/core/history/describe'
import { isSelectable, kindView } from '../../../src/ui/kind-views'
import { counter } from '../../support/course'
import { judge, rowsOf } from '../../support/naive-judge'
import { filled, randomOperations } from '../../support/random-edits'
import { rng } from '../../support/rng'
import { visit, visitActivity } from '../../support/toy-kinds'

const VISIT = 'fieldVisit' as KindName
const LINK = 'visitActivity' as KindName
const everythingSaid = () => JSON.stringify([KIND_NAMES, z.toJSONSchema(nativeSchema())])

describe('a kind that is declared', () => {
  const before = everythingSaid()
  const remove: (() => void)[] = []
  let plan: Blueprint
  beforeEach(() => {
    remove.push(declareKind(visit), declareKind(visitActivity))
    plan = filled(rng(7), counter('v'))
  })
  afterEach(() => {
    for (const undo of remove.splice(0).reverse()) undo()
  })
  const change = (operations: Change['operations']): Change => ({ id: 'c1', code: 'test', params: {}, onConflict: 'refuse', operations })

  it('has schemas of the wire that refuse what its fields do not hold, with the place', () => {
    const record = [...recordMap(plan, VISIT).values()][0] as AnyRecord
    const made = (values: object) => parseChange(change([{ op: 'create', kind: VISIT, record: { ...record, id: 'new', ...values } }]))
    expect(made({}).ok).to.equal(true)
    const wrong = made({ seats: 401 })
    expect(!wrong.ok && wrong.error[0]?.at).to.equal('operations[0].record.seats')
    expect(made({ weather: 'snow' }).ok).to.equal(false)
    expect(made({ more: 1 }).ok).to.equal(false)
  })
  it('goes to files and comes back, and is in the JSON Schema', () => {
    const text = writeNative(plan)
    const file = JSON.parse(text)
    expect(file.fieldVisits).to.have.length(recordMap(plan, VISIT).size)
    expect(file.visitActivities[0]).to.not.have.property('id')
    const read = readNative(text)
    if (!read.ok) throw new Error(JSON.stringify(read.error))
    expect(writeNative(read.value)).to.equal(text)
    const schema = z.toJSONSchema(nativeSchema()) as { properties: Record<string, { items: { required: string[] } }> }
    expect(schema.properties['fieldVisits']?.items.required).to.include.members(['id', 'moduleId', 'place', 'seats', 'zone', 'weather'])
    file.fieldVisits[0].moduleId = 'nowhere'
    const dangling = readNative(JSON.stringify(file))
    expect(!dangling.ok && dangling.error.map((p) => [p.code, p.at])).to.deep.equal([['dangling-reference', 'fieldVisits[0].moduleId']])
  })
  it('is edited by chance like the others, and judged alike', () => {
    const random = rng(3)
    const newId = counter('n')
    let tried = 0
    for (let i = 0; i < 900; i++) {
      const operations = randomOperations(plan, random, newId)
      if (operations.length === 0) continue
      const applied = applyChange(plan, change(operations))
      const verdict = judge(rowsOf(plan), change(operations))
      expect(applied.ok).to.equal(verdict.accepted)
      if (!applied.ok) continue
      expect(Object.fromEntries(rowsOf(applied.blueprint))).to.deep.equal(Object.fromEntries(verdict.rows))
      const undone = applyChange(applied.blueprint, change(applied.inverse))
      if (operations.some((o) => o.kind === VISIT || o.kind === LINK)) {
        tried++
        expect(undone.ok && Object.fromEntries(rowsOf(undone.blueprint))).to.deep.equal(Object.fromEntries(rowsOf(plan)))
      }
      plan = applied.blueprint
    }
    expect(tried).to.be.greaterThan(10)
  })
  it('is told in the history by its words, with nothing written for it', () => {
    const record = { ...([...recordMap(plan, VISIT).values()][0] as AnyRecord), id: 'x', place: 'North pier', seats: 20 }
    const after = patchBlueprint(plan, { set: [{ kind: VISIT, record }], removed: [] })
    const [made] = describeChange([{ op: 'create', kind: VISIT, record }], plan, after)
    expect(made?.text).to.equal('added North pier')
    const to = { seats: 24 }
    const changed = patchBlueprint(after, { set: [{ kind: VISIT, record: { ...record, ...to } }], removed: [] })
    const [told] = describeChange([{ op: 'update', kind: VISIT, id: 'x', from: { seats: 20 }, to }], after, changed)
    expect(told?.text).to.equal('North pier: seats 20 to 24')
  })
  it('is written by those whom it names, and has a place in the interface', () => {
    expect(mayWrite('designer', VISIT)).to.equal(true)
    expect(mayWrite('reviewer', VISIT)).to.equal(true)
    expect(mayWrite('reviewer', LINK)).to.equal(false)
    expect(mayWrite('expert', VISIT)).to.equal(false)
    expect(kindView(VISIT)).to.deep.equal({ workspace: 'brief' })
    expect([isSelectable(VISIT), isSelectable(LINK)]).to.deep.equal([true, false])
  })
  it('holds none or very many', function () {
    // Some seconds of work, more beside the checks.
    this.timeout(60_000)
    const record = [...recordMap(plan, VISIT).values()][0] as AnyRecord
    const set = Array.from({ length: 20_000 }, (_, i) => ({ kind: VISIT, record: { ...record, id: `many-${i}` } }))
    const many = patchBlueprint(plan, { set, removed: [] })
    const back = readNative(writeNative(many))
    expect(back.ok && recordMap(back.value, VISIT).size).to.equal(20_000 + recordMap(plan, VISIT).size)
    const removed = [...recordMap(plan, VISIT).keys()].map((id) => ({ kind: VISIT, id }))
    const none = patchBlueprint(plan, {
      set: [],
      removed: [...removed, ...[...recordMap(plan, LINK).keys()].map((id) => ({ kind: LINK, id }))],
    })
    expect(JSON.parse(writeNative(none))).to.not.have.property('fieldVisits')
  })
  it('leaves nothing behind when it is taken away', () => {
    for (const undo of remove.splice(0).reverse()) undo()
    expect(everythingSaid()).to.equal(before)
    // Its records are kept by those who do not know it, and are not written.
    expect(recordMap(plan, VISIT).size).to.be.greaterThan(0)
    expect(parseChange(change([{ op: 'remove', kind: VISIT, record: { id: 'x' } }])).ok).to.equal(false)
    expect(JSON.parse(writeNative(plan))).to.not.have.property('fieldVisits')
  })
})
