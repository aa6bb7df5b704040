import { expect } from 'chai'
import { blueprintOf, type Records } from '../../src/core/blueprint/blueprint'
import { FORMAT_VERSION } from '../../src/core/blueprint/upgrades'
import { readKeptPlan } from '../../src/ui/store/kept-plan'
import type { LoggedChange } from '../../src/ui/store/session'
import { aCourse, aModule, anActivity, anOffering } from '../support/course'

const viewer = { id: 'u1', role: 'designer', name: 'Ines', email: 'ines@larkfield.example' }
const records = { course: [aCourse()], offering: [anOffering()], module: [aModule('m1')], activity: [anActivity('a1', 'm1')] }
const kept = (over: object = {}, changes: readonly LoggedChange[] = []) => ({
  body: JSON.stringify({ formatVersion: FORMAT_VERSION, viewer, revision: 4, records, ...over }),
  changes,
})
/** A record as a version wrote it that did not have the field. */
const without = (record: object, field: string) => Object.fromEntries(Object.entries(record).filter(([name]) => name !== field))

describe('a course that a browser kept', () => {
  it('comes back as it was', () => {
    const read = readKeptPlan(kept())
    expect(read?.revision).to.equal(4)
    expect(read?.viewer).to.deep.equal(viewer)
    expect(read?.records).to.deep.equal(records)
  })
  it('is of version 3 where it does not say, and gets what came later', () => {
    const { activity, ...others } = records
    const old = { ...others, activity: activity.map((a) => without(a, 'pace')) }
    const read = readKeptPlan(kept({ formatVersion: undefined, records: old }))
    expect(read?.records.activity).to.deep.equal(activity)
  })
  it('gets what came later also in what was accepted since', () => {
    const change: LoggedChange = {
      revision: 5,
      at: '2028-01-10T08:00:00.000Z',
      changeId: 'c1',
      author: 'Ines',
      authorId: 'u1',
      code: 'add-activity',
      params: {},
      operations: [{ op: 'create', kind: 'activity', record: without(anActivity('a2', 'm1'), 'pace') as { id: string } }],
    }
    expect(readKeptPlan(kept({}, [change]))?.changes[0]?.operations).to.deep.equal([
      { op: 'create', kind: 'activity', record: anActivity('a2', 'm1') },
    ])
  })
  it('keeps records of a kind that this version does not know', () => {
    const read = readKeptPlan(kept({ records: { ...records, comet: [{ id: 'k1', tail: 'long' }] } }))
    const plan = blueprintOf(read?.records as Records)
    expect([...(plan as unknown as Record<string, ReadonlyMap<string, object>>)['comet']!.values()]).to.deep.equal([
      { id: 'k1', tail: 'long' },
    ])
  })
  for (const [what, body] of [
    ['of a newer Cairn', kept({ formatVersion: FORMAT_VERSION + 1 }).body],
    ['of nobody', kept({ viewer: null }).body],
    ['of an unknown role', kept({ viewer: { ...viewer, role: 'king' } }).body],
    ['whose records have no ids', kept({ records: { module: [{}] } }).body],
    ['cut off', kept().body.slice(0, 90)],
    ['that is empty', ''],
  ] as const)
    it(`${what} is not opened`, () => expect(readKeptPlan({ body, changes: [] })).to.equal(null))
})
