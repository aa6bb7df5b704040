import { expect } from 'chai'
import { applyEffective } from '../../../src/core/blueprint/apply'
import { anyRecord } from '../../../src/core/blueprint/blueprint'
import { editPlan } from '../../../src/core/blueprint/edit'
import type { KindName } from '../../../src/core/blueprint/kinds'
import { writeFieldText } from '../../../src/core/edits/cells'
import { aBlueprint, aCriterion, aFramework, aModule, anActivity, anItem, aRubric } from '../../support/course'

const plan = aBlueprint({
  module: [aModule('m1')],
  activity: [anActivity('a1', 'm1', { kind: 'quiz' })],
  framework: [aFramework('f1')],
  frameworkItem: [anItem('i1', 'f1', { code: '1.1' })],
  rubric: [aRubric('r1')],
  criterion: [aCriterion('c1', 'r1', 1000)],
})
const ID: Partial<Record<KindName, string>> = { activity: 'a1', frameworkItem: 'i1', criterion: 'c1' }
function write(kind: KindName, field: string, text: string) {
  const ref = { kind, id: ID[kind] as string }
  let refused: string | null = null
  const after = applyEffective(
    plan,
    editPlan(plan, (e) => {
      refused = writeFieldText(e, ref, field, text)
    }),
  )
  return { refused, value: anyRecord(after, ref)?.[field], after }
}

describe('a cell that stands for a field', () => {
  for (const [kind, field, text, value] of [
    ['activity', 'title', ' Lab 1 ', 'Lab 1'],
    ['activity', 'kind', 'ass', 'assignment'],
    ['activity', 'kind', 'session', 'live session'],
    ['activity', 'kind', '–', null],
    ['activity', 'purpose', 'REFLECT', 'reflect'],
    ['activity', 'dueTime', '18:00', '18:00'],
    ['frameworkItem', 'kind', 'know', 'knowledge evidence'],
    ['frameworkItem', 'kind', 'criterion', 'performance criterion'],
    ['frameworkItem', 'times', '4', 4],
    ['frameworkItem', 'times', '', null],
    ['frameworkItem', 'code', '-', null],
    ['frameworkItem', 'statement', '–', '–'],
    ['frameworkItem', 'required', 'yes', true],
    ['frameworkItem', 'required', '', false],
    ['criterion', 'weight', '12,5', 1250],
    ['criterion', 'critical', 'must', true],
  ] as const)
    it(`takes “${text}” as ${field} of ${kind}`, () => {
      const { refused, value: stored } = write(kind, field, text)
      expect(refused).to.equal(null)
      expect(stored).to.equal(value)
    })

  for (const [kind, field, text, said] of [
    ['activity', 'title', ' ', 'An activity needs its title. To remove it, use Ctrl+Delete.'],
    ['criterion', 'title', '', 'A criterion needs its title. To remove it, use Ctrl+Delete.'],
    ['activity', 'kind', 'spell', 'There is no “spell”. One of: page, reading'],
    ['activity', 'kind', 'p', 'There is no “p”.'],
    ['frameworkItem', 'kind', '', 'This cannot be empty.'],
    ['frameworkItem', 'times', '201', 'A whole number from 1 to 200.'],
    ['frameworkItem', 'times', '0', 'A whole number from 1 to 200.'],
    ['criterion', 'weight', 'many', 'A number from 0 to'],
    ['criterion', 'critical', 'perhaps', 'Write yes or no.'],
  ] as const)
    it(`refuses “${text}” as ${field} of ${kind}, and nothing changes`, () => {
      const { refused, after } = write(kind, field, text)
      expect(refused).to.contain(said)
      expect(after).to.equal(plan)
    })

  it('says so where the record is gone', () => {
    editPlan(plan, (e) => expect(writeFieldText(e, { kind: 'activity', id: 'gone' }, 'title', 'x')).to.equal('This activity is gone.'))
  })
})
