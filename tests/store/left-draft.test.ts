import { expect } from 'chai'
import { type LeftDraft, outcomeOf, storedText } from '../../src/ui/store/left-draft'
import { demoCourse } from '../support/demo'

const plan = demoCourse('measuring-small-streams')
const OBJECTIVE = 'objective o5c statement'
const began = storedText(plan, OBJECTIVE) ?? ''
const draft = (to: Partial<LeftDraft>): LeftDraft => ({
  ...{ key: 'k', window: 'w', of: OBJECTIVE, label: 'Objective 5c', text: 'Sketch a wei', began },
  ...to,
})
const may = () => true

describe('a text that a window left behind', () => {
  it('goes where it was typed when nothing was written there since', () => {
    expect(began).to.match(/^Understand/)
    expect(outcomeOf(plan, draft({}), may)).to.deep.equal({
      ...{ is: 'write', kind: 'objective', id: 'o5c', field: 'statement', value: 'Sketch a wei' },
    })
  })

  it('is told where somebody else wrote meanwhile, where one may not write, and where the record is gone', () => {
    expect(outcomeOf(plan, draft({ began: 'Something older' }), may)).to.deep.equal({ is: 'tell' })
    expect(outcomeOf(plan, draft({}), () => false)).to.deep.equal({ is: 'tell' })
    expect(outcomeOf(plan, draft({ of: 'objective gone statement', began: '' }), may)).to.deep.equal({ is: 'tell' })
  })

  it('is told where it was no field of the plan, or a number half typed', () => {
    for (const of of [null, '', 'course', 'nothing x y', 'objective o5c __proto__', 'activity a1-3 minutes'])
      expect(outcomeOf(plan, draft({ of, began: storedText(plan, of) ?? '' }), may), String(of)).to.deep.equal({ is: 'tell' })
  })

  it('is nothing where the plan says it by now, or nothing was typed', () => {
    expect(outcomeOf(plan, draft({ text: ` ${began} ` }), may)).to.deep.equal({ is: 'stored' })
    expect(outcomeOf(plan, draft({ text: '  ' }), may)).to.deep.equal({ is: 'stored' })
  })

  it('is told where it is longer than the field holds', () => {
    expect(outcomeOf(plan, draft({ text: 'x'.repeat(100_000) }), may)).to.deep.equal({ is: 'tell' })
  })
})
