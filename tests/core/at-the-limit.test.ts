/** Cases at a limit or one past it, and second-level cases, over several parts of the core. Figures by hand. */
import { expect } from 'chai'
import { applyChange } from '../../src/core/blueprint/apply'
import type { Change, Operation } from '../../src/core/blueprint/change'
import { linkId } from '../../src/core/blueprint/ids'
import { byOrder, insertAt } from '../../src/core/blueprint/order'
import { isSafeHref, richToHtml } from '../../src/core/blueprint/rich-text'
import { readDate } from '../../src/core/calendar/plain-date'
import { analyse } from '../../src/core/findings/analyse'
import type { Finding } from '../../src/core/findings/finding'
import { groupFindings } from '../../src/core/findings/group'
import { frameworkCoverage } from '../../src/core/frameworks/item-coverage'
import { gradeTable } from '../../src/core/grading/grade-table'
import { withoutLostLinks } from '../../src/core/history/past'
import { assembleSyllabus } from '../../src/core/syllabus/assemble'
import { aBlueprint, aCategory, aFramework, aModule, anActivity, anItem, anOffering, aPoint, assessmentOf, itemOf } from '../support/course'

const change = (onConflict: Change['onConflict'], operations: readonly Operation[]): Change => ({
  id: 'c1',
  code: 'test',
  params: {},
  onConflict,
  operations,
})

describe('three that share one place', () => {
  const shared = ['x', 'y', 'z'].map((id) => ({ id, order: 'a0' }))
  for (const index of [0, 1, 2, 3])
    it(`take a fourth at ${index}`, () => {
      const { keys, rekeyed } = insertAt(shared, index, 1)
      const again = new Map(rekeyed.map((r) => [r.id, r.order]))
      const all = [...shared.map((s) => ({ id: s.id, order: again.get(s.id) ?? s.order })), { id: 'new', order: keys[0] as string }]
      const wanted = ['x', 'y', 'z'].toSpliced(index, 0, 'new')
      expect(all.sort(byOrder).map((r) => r.id)).to.deep.equal(wanted)
    })
})

describe('ids of links', () => {
  it('are what they were: plain to 40 characters, hashed beyond', () => {
    expect(linkId(['a', 'b'.repeat(37)])).to.equal(`a--${'b'.repeat(37)}`)
    // As links stand in courses since the first release.
    expect(linkId(['a', 'b'.repeat(38)])).to.equal('h-10j7d94-963n2i-u0u5w')
    expect(linkId(['a'.repeat(20), 'b'.repeat(20)])).to.equal('h-1r1lecx-1rq7cpb-19sjthh')
  })
})

describe('taking back', () => {
  const plan = aBlueprint({ module: [aModule('m1'), aModule('m2')], activity: [anActivity('a1', 'm1')] })
  const made = anActivity('a1', 'm1')
  const moved = applyChange(
    plan,
    change('refuse', [
      { op: 'update', kind: 'activity', id: 'a1', from: { moduleId: 'm1', order: 'a1' }, to: { moduleId: 'm2', order: 'a3' } },
    ]),
  )
  if (!moved.ok) throw new Error('not moved')
  it('an addition leaves what somebody moved since; a removal by hand takes it', () => {
    const remove: Operation[] = [{ op: 'remove', kind: 'activity', record: made }]
    const undone = applyChange(moved.blueprint, change('skip', remove))
    expect(undone.ok && undone.blueprint.activity.get('a1')?.moduleId).to.equal('m2')
    expect(undone.ok && undone.skipped.map((c) => c.reason)).to.deep.equal(['edited'])
    const removed = applyChange(moved.blueprint, change('refuse', remove))
    expect(removed.ok && removed.blueprint.activity.size).to.equal(0)
  })
  it('a removal makes the record without links that are lost, but never without what it belongs to', () => {
    const record = anActivity('a9', 'gone', { partId: 'gone' })
    const [back] = withoutLostLinks(plan, [{ op: 'create', kind: 'activity', record }])
    expect(back?.op === 'create' && [back.record['moduleId'], back.record['partId']]).to.deep.equal(['gone', null])
  })
})

describe('links in texts', () => {
  for (const href of ['https://a.example', 'mailto:a@b.example']) it(`may lead to ${href}`, () => expect(isSafeHref(href)).to.equal(true))
  for (const href of [
    'data:text/html,<b>',
    'data:image/svg+xml;base64,AA',
    ' https://a.example',
    'javascript:a()',
    'JaVaScRiPt:a()',
    '//a.example',
    'file:///a',
  ])
    it(`may not lead to ${href}`, () => {
      expect(isSafeHref(href)).to.equal(false)
      const text = { type: 'text' as const, text: 'go', marks: [{ type: 'link' as const, attrs: { href } }] }
      expect(richToHtml({ type: 'doc', content: [{ type: 'paragraph', content: [text] }] } as never)).to.equal('<p>go</p>')
    })
})

describe('dates as people type them', () => {
  it('belong to the year that is nearest to the term', () => {
    expect(readDate('28 Dec', '2028-01-10')).to.equal('2027-12-28')
    expect(readDate('3 Jan', '2027-12-28')).to.equal('2028-01-03')
    expect(readDate('29 Feb', '2027-06-01')).to.equal('2028-02-29')
  })
})

describe('extra credit', () => {
  it('goes by the points of the work that has some, where a letter counts beside it', () => {
    // 40 % over a letter and 20 points: each counts half. 20 points are 20 %, so 5 points more are 5 %.
    const plan = aBlueprint({
      module: [aModule('m1')],
      gradeCategory: [aCategory('g1', 4000)],
      activity: ['a1', 'a2', 'a3'].map((id) => anActivity(id, 'm1')),
      assessment: [
        assessmentOf('a1', null, 'g1', 'summative', { graded: 'letter' }),
        assessmentOf('a2', 2000, 'g1'),
        assessmentOf('a3', 500, 'g1', 'summative', { extraCredit: true }),
      ],
    })
    const [row] = gradeTable(plan).rows
    expect(row?.items.map((i) => [i.activity.id, i.effective, i.extra])).to.deep.equal([
      ['a1', 2000, null],
      ['a2', 2000, null],
      ['a3', 0, 500],
    ])
  })
})

describe('one fix for all', () => {
  const finding = (id: string, code: string | null): Finding => ({
    key: `x ${id}`,
    code: 'x',
    workspace: 'map',
    why: '',
    facts: '',
    weight: 'check',
    message: '',
    records: [{ kind: 'module', id: 'm1' }],
    fixes: code ? [{ code, label: code, steps: [] }] : [],
    field: null,
    cell: null,
    span: null,
    accepted: null,
  })
  const plan = aBlueprint({ module: [aModule('m1')] })
  const fixesOf = (...codes: (string | null)[]) => {
    const [group] = groupFindings(
      codes.map((c, i) => finding(String(i), c)),
      plan,
    )
    return group && 'findings' in group ? group.fixes.length : null
  }
  it('is offered where all have one of the same sort, and only then', () => {
    expect(fixesOf('a', 'a', 'a', 'a')).to.equal(4)
    expect(fixesOf('a', 'a', 'a', null)).to.equal(0)
    expect(fixesOf('a', 'a', 'a', 'b')).to.equal(0)
    expect(fixesOf('a', 'a', 'a')).to.equal(null)
  })
})

describe('any 5 of three parts', () => {
  const ids = ['c1', 'c2', 'c3']
  const plan = (shown: readonly string[]) =>
    aBlueprint({
      module: [aModule('m1')],
      activity: [anActivity('a1', 'm1')],
      assessment: [assessmentOf('a1', 1000)],
      framework: [aFramework('f1')],
      frameworkItem: [anItem('e1', 'f1', { kind: 'element', anyOf: 5 }), ...ids.map((id) => anItem(id, 'f1', { parentId: 'e1' }))],
      evidencePoint: [aPoint('v1', 'a1')],
      evidenceItem: shown.map((id) => itemOf.point('v1', id)),
      activityItem: shown.map((id) => itemOf.activity('a1', id, 'introduces', 'practises')),
    })
  it('asks for all three: two are not enough, three are', () => {
    expect(frameworkCoverage(plan(ids.slice(0, 2))).of('e1')?.missing).to.deep.equal(['introduces', 'practises', 'assesses'])
    expect(frameworkCoverage(plan(ids)).of('e1')?.missing).to.deep.equal([])
  })
})

describe('what falls due', () => {
  const due = (day: number) => ({ rule: 'module-day', week: 1, day }) as const
  const planOf = (days: readonly number[], over: object = {}) =>
    aBlueprint({
      offering: [anOffering(over)],
      module: [aModule('m1')],
      activity: days.map((day, i) => anActivity(`a${i + 1}`, 'm1', { kind: 'lab', dueRule: due(day) })),
      assessment: days.map((_, i) => assessmentOf(`a${i + 1}`, 1000, null, 'summative', { markingMinutes: 10 })),
    })
  const messages = (code: string, days: readonly number[], over: object = {}) =>
    analyse(planOf(days, over), null).findings.flatMap((f) => (f.code === code ? [f.message.split(' (')[0]] : []))
  it('is much from three a day and from five a week on', () => {
    expect(messages('too-many-due', [1, 1])).to.deep.equal([])
    expect(messages('too-many-due', [1, 1, 1])).to.deep.equal(['3 graded pieces are due on Mon 6 Sep'])
    expect(messages('too-many-due', [1, 1, 3, 3])).to.deep.equal([])
    expect(messages('too-many-due', [1, 1, 3, 3, 4])).to.deep.equal(['5 graded pieces are due in the week 6 to 12 Sep'])
  })
  it('is marked in the hours that are there, to the minute', () => {
    // Due Mon 6 Sep, back after one working day: 30 x 10 minutes on Tuesday are 5 hours.
    const offered = (markingHours: number) => ({ enrolment: 30, returnDays: 1, markingHours })
    expect(messages('marking-over-available', [1], offered(500))).to.deep.equal([])
    expect(messages('marking-over-available', [1], offered(499))).to.have.length(1)
  })
  it('comes with the closed days of its own offering, not of another in the same weeks', () => {
    const plan = aBlueprint({
      offering: [anOffering(), anOffering({ id: 'other', term: 'Evening', order: 'a1' })],
      module: [aModule('m1')],
      calendarRule: [
        { id: 'r1', offeringId: 'run', kind: 'closed', title: 'Own', firstDate: '2027-09-08', lastDate: '2027-09-08' },
        { id: 'r2', offeringId: 'other', kind: 'closed', title: 'Of the other', firstDate: '2027-09-07', lastDate: '2027-09-07' },
      ],
    })
    expect(assembleSyllabus(plan).schedule.flatMap((w) => w.closed)).to.deep.equal(['Wed 8 Sep: Own'])
  })
})
