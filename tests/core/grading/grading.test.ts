import { expect } from 'chai'
import fc from 'fast-check'
import { gradeTable } from '../../../src/core/grading/grade-table'
import { largestRemainder } from '../../../src/core/grading/rounding'
import { formatHundredths, readHundredths, readMinutes } from '../../../src/core/numbers'
import { aBlueprint, aCategory, aModule, anActivity, assessmentOf } from '../../support/course'

const activities = ['a1', 'a2', 'a3'].map((id) => anActivity(id, 'm1'))

describe('largest remainder', () => {
  it('gives a third of 100.00 as 33.34, 33.33, 33.33', () => expect(largestRemainder(10_000, [1, 1, 1])).to.deep.equal([3334, 3333, 3333]))
  it('sums to the total exactly, and is within one unit of the exact part', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 1_000_000 }),
        fc.array(fc.integer({ min: 0, max: 10_000 }), { minLength: 1, maxLength: 40 }),
        (total, weights) => {
          const parts = largestRemainder(total, weights)
          const sum = weights.reduce((a, b) => a + b, 0)
          expect(parts.reduce((a, b) => a + b, 0)).to.equal(sum === 0 ? 0 : total)
          if (sum > 0) weights.forEach((w, i) => expect(Math.abs((parts[i] as number) - (total * w) / sum)).to.be.lessThan(1))
        },
      ),
      { seed: 7 },
    )
  })
})

describe('the grade table', () => {
  it('divides a share by points: 30 % over 40 and 20 points is 20 % and 10 %', () => {
    const table = gradeTable(
      aBlueprint({
        module: [aModule('m1')],
        activity: activities,
        gradeCategory: [aCategory('g1', 3000), aCategory('g2', 7000)],
        assessment: [assessmentOf('a1', 4000, 'g1'), assessmentOf('a2', 2000, 'g1'), assessmentOf('a3', null, 'g2')],
      }),
    )
    expect([table.effectiveOf('a1'), table.effectiveOf('a2'), table.effectiveOf('a3')]).to.deep.equal([2000, 1000, 7000])
    expect(table).to.include({ totalEffective: 10_000, missingShare: 0, totalPoints: 6000 })
  })
  it('names what is missing to 100 and counts nothing outside every category', () => {
    const table = gradeTable(
      aBlueprint({
        module: [aModule('m1')],
        activity: activities,
        gradeCategory: [aCategory('g1', 9500)],
        assessment: [assessmentOf('a1', 1000, 'g1'), assessmentOf('a2', 1000)],
      }),
    )
    expect(table).to.include({ missingShare: 500, totalEffective: 9500 })
    expect(table.effectiveOf('a2')).to.equal(0)
  })
  it('goes by points where there are no categories', () => {
    const table = gradeTable(
      aBlueprint({ module: [aModule('m1')], activity: activities, assessment: [assessmentOf('a1', 1000), assessmentOf('a2', 3000)] }),
    )
    expect(table.mode).to.equal('by-points')
    expect([table.effectiveOf('a1'), table.effectiveOf('a2')]).to.deep.equal([2500, 7500])
  })
})

describe('numbers as people write them', () => {
  for (const [text, value] of [
    ['30', 3000],
    ['12.5 %', 1250],
    ['12,5', 1250],
    ['40 pts', 4000],
    ['1 200', 120_000],
    ['.5', 50],
  ] as const)
    it(`reads ${text}`, () => expect(readHundredths(text)).to.equal(value))
  for (const bad of ['', 'x', '1.234', '-3', '1e9', '%'])
    it(`reads no number from “${bad}”`, () => expect(readHundredths(bad)).to.equal(null))
  for (const [text, value] of [
    ['45', 45],
    ['45 min', 45],
    ['1.5 h', 90],
    ['1,5 h', 90],
    ['1h30', 90],
    ['1 h 30 min', 90],
    ['2:15', 135],
  ] as const)
    it(`reads ${text} as ${value} minutes`, () => expect(readMinutes(text)).to.equal(value))
  for (const bad of ['', 'soon', '1:75', '-5']) it(`reads no time from “${bad}”`, () => expect(readMinutes(bad)).to.equal(null))
  it('writes hundredths short', () =>
    expect([formatHundredths(1250), formatHundredths(3000), formatHundredths(3000, 2)]).to.deep.equal(['12.5', '30', '30.00']))
})
