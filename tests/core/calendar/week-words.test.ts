import { expect } from 'chai'
import { applyEffective } from '../../../src/core/blueprint/apply'
import { editPlan } from '../../../src/core/blueprint/edit'
import { laterModules, moveModules, moveRules } from '../../../src/core/calendar/follow'
import { layOutTerm } from '../../../src/core/calendar/term'
import { weekWords } from '../../../src/core/calendar/week-words'
import { analyse } from '../../../src/core/findings/analyse'
import { moduleWordOf } from '../../../src/core/plan/module-word'
import { aBlueprint, aCourse, aModule, anOffering } from '../../support/course'

describe('a week', () => {
  // Monday 6 September 2027; a whole week of break from 20 September is not counted.
  const breakWeek = { id: 'b', offeringId: 'run', kind: 'break', title: 'Break', firstDate: '2027-09-20', lastDate: '2027-09-26' } as const
  const term = layOutTerm(anOffering({ firstDay: '2027-09-06', countBreaks: false }), [breakWeek], { weeks: 4 })
  const rule = { rule: 'module-day', week: 2, day: 7 } as const
  it('is told as the course counts it, and as its module does', () => {
    expect(weekWords(term, '2027-09-19', rule, 'module')).to.equal('week 2, 2nd of the module')
    expect(weekWords(term, '2027-10-03', { ...rule, week: 11 }, 'unit')).to.equal('week 3, 11th of the unit')
  })
  it('may be a break, or none of the term', () => {
    expect(weekWords(term, '2027-09-22', { ...rule, week: 3 }, 'module')).to.equal('in a break, 3rd of the module')
    expect(weekWords(term, '2028-01-01', { ...rule, week: 21 }, 'module')).to.equal('outside the weeks, 21st of the module')
  })
})

describe('what can follow', () => {
  const plan = aBlueprint({
    module: [
      aModule('m1', { firstWeek: 1, lastWeek: 2 }),
      aModule('m2', { firstWeek: 2, lastWeek: 3 }),
      aModule('m3', { firstWeek: 3, lastWeek: null }),
      aModule('m4', { firstWeek: null, lastWeek: null }),
    ],
    calendarRule: [{ id: 'r', offeringId: 'of', kind: 'break', title: 'B', firstDate: '2027-12-30', lastDate: '2028-01-02' }],
  })
  const was = { id: 'm1', firstWeek: 1, lastWeek: 2 }
  const found = (is: { firstWeek: number | null; lastWeek: number | null }) => {
    const later = laterModules(plan, was, is)
    return later && [later.step, ...later.modules.map((m) => m.id)]
  }
  it('are the modules that begin after the old end, by as much as it moved', () => {
    expect(found({ firstWeek: 1, lastWeek: 4 })).to.deep.equal([2, 'm3'])
    expect(found({ firstWeek: 1, lastWeek: null }), 'its first week is its last').to.deep.equal([-1, 'm3'])
  })
  it('are none where the end stays, or one would leave the weeks of a course', () => {
    expect(found({ firstWeek: 2, lastWeek: 2 })).to.equal(null)
    expect(found({ firstWeek: null, lastWeek: null })).to.equal(null)
    expect(found({ firstWeek: 1, lastWeek: 59 }), 'week 60 is the last: 3 + 57').to.deep.equal([57, 'm3'])
    expect(found({ firstWeek: 1, lastWeek: 60 })).to.equal(null)
  })
  it('are moved together, over the turn of the year too', () => {
    const moved = applyEffective(
      plan,
      editPlan(plan, (edit) => {
        moveModules(edit, ['m3', 'm4', 'gone'], 2)
        moveRules(edit, ['r', 'gone'], 7)
      }),
    )
    expect([moved.module.get('m3')?.firstWeek, moved.module.get('m3')?.lastWeek, moved.module.get('m4')?.firstWeek]).to.deep.equal([
      5,
      null,
      null,
    ])
    expect([moved.calendarRule.get('r')?.firstDate, moved.calendarRule.get('r')?.lastDate]).to.deep.equal(['2028-01-06', '2028-01-09'])
  })
})

describe('what the course calls a module', () => {
  for (const [given, words] of [
    [null, ['module', 'modules', 'Module', 'Modules']],
    ['Unit', ['unit', 'units', 'Unit', 'Units']],
    ['block', ['block', 'blocks', 'Block', 'Blocks']],
    ['LAB', ['LAB', 'LABs', 'LAB', 'LABs']],
    ['Thesis', ['thesis', 'thesis', 'Thesis', 'Thesis']],
  ] as const)
    it(`${given ?? 'nothing'} is ${words.join(', ')}`, () => {
      const { one, many, One, Many } = moduleWordOf(aBlueprint({ course: [aCourse({ moduleWord: given })] }))
      expect([one, many, One, Many]).to.deep.equal(words)
    })
  it('stands in the findings, and follows when it changes', () => {
    const plan = (moduleWord: string) =>
      aBlueprint({ course: [aCourse({ moduleWord, weeks: 2 })], module: [aModule('m1', { firstWeek: 2, lastWeek: 3 })] })
    const said = (word: string) => analyse(plan(word), null).findings.find((f) => f.code === 'module-weeks-outside')?.message
    expect(said('Unit')).to.equal('Unit 1 runs to week 3; the term has 2 weeks.')
    expect(said('Block')).to.equal('Block 1 runs to week 3; the term has 2 weeks.')
  })
})
