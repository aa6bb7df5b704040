/** A kind that is loaded when asked, over a real database: what windows get, what a removal takes along, and how it comes back. */
import { expect } from 'chai'
import { type Blueprint, blueprintOf, type Records, recordMap } from '../../src/core/blueprint/blueprint'
import { type Change, invertOperations, type Operation } from '../../src/core/blueprint/change'
import { editPlan } from '../../src/core/blueprint/edit'
import { idSource } from '../../src/core/blueprint/ids'
import { declareKind, type KindName } from '../../src/core/blueprint/kinds'
import { applyCourseChange } from '../../src/server/changes'
import { createCourse } from '../../src/server/courses'
import { openDatabase } from '../../src/server/db/client'
import { user } from '../../src/server/db/schema'
import { loadCourse, loadCourseText, loadKindText } from '../../src/server/repository'
import { aBlueprint, aModule, anActivity } from '../support/course'
import { rng } from '../support/rng'
import { cloneDatabase, type TestDatabase } from '../support/server'
import { fieldNote } from '../support/toy-kinds'
import { addTables } from '../support/toy-tables'

const NOTE = 'fieldNote' as KindName
const plan = aBlueprint({ module: [aModule('m1'), aModule('m2')], activity: [anActivity('a1', 'm1')] })

describe('a kind that is loaded when asked, in the database', () => {
  let database: TestDatabase
  let opened: ReturnType<typeof openDatabase>
  const undeclare: (() => void)[] = []
  before(async () => {
    database = await cloneDatabase()
    await addTables(database.url, () => undeclare.push(declareKind(fieldNote)))
    opened = openDatabase(database.url)
    await opened.db.insert(user).values({ id: 'ines', name: 'Ines', email: 'ines@example.org' })
    await createCourse(opened.db, { blueprint: plan, ownerId: 'ines', code: 'create-course', newId: idSource(rng(9)), id: 'c1' })
  })
  after(async () => {
    for (const undo of undeclare.reverse()) undo()
    await opened.pool.end()
    await database.drop()
  })
  let n = 0
  const change = async (operations: readonly Operation[]) => {
    const one: Change = { id: `c${++n}`, code: 'test', params: {}, onConflict: 'refuse', operations }
    const answer = await applyCourseChange(opened.db, 'c1', 'ines', one)
    if (!answer.ok) throw new Error(JSON.stringify(answer.conflicts))
    return answer
  }
  const notes = async (): Promise<Blueprint> =>
    blueprintOf(((await loadCourse(opened.db, 'c1')) ?? expect.fail('no course')).records as unknown as Records)
  const note = (id: string, moduleId: string, activityId: string | null) => ({ id, moduleId, activityId, title: id, text: null })

  it('is in the whole course and not in what a window holds; it comes by itself with its revision', async () => {
    const { revision } = await change([
      { op: 'create', kind: NOTE, record: note('n1', 'm1', null) },
      { op: 'create', kind: NOTE, record: note('n2', 'm2', 'a1') },
    ])
    expect(recordMap(await notes(), NOTE).size).to.equal(2)
    const held = JSON.parse((await loadCourseText(opened.db, 'c1')) ?? '') as { records: object }
    expect(held.records).to.include.keys('module').and.not.to.include.keys(NOTE)
    const alone = JSON.parse((await loadKindText(opened.db, 'c1', NOTE)) ?? '') as { revision: number; records: { id: string }[] }
    expect([alone.revision, alone.records.map((r) => r.id).sort()]).to.deep.equal([revision, ['n1', 'n2']])
    expect(await loadKindText(opened.db, 'nowhere', NOTE)).to.equal(null)
  })
  it('goes with what a window removes that never saw it, says so in the log, and comes back with it', async () => {
    const before = await notes()
    const { operations } = await change(editPlan(plan, (e) => e.remove({ kind: 'module', id: 'm1' })))
    expect(operations.filter((o) => o.kind === NOTE).map((o) => o.op)).to.have.members(['remove', 'update'])
    const left = recordMap(await notes(), NOTE)
    expect([...left.values()].map((r) => [r.id, r['activityId']])).to.deep.equal([['n2', null]])
    await change(invertOperations(operations))
    const after = await notes()
    for (const kind of ['module', 'activity', NOTE] as const)
      expect(Object.fromEntries(recordMap(after, kind))).to.deep.equal(Object.fromEntries(recordMap(before, kind)))
  })
})
