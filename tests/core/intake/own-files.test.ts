/** Cairn's own table of activities, brought back: the same activities, to the last link. */
import { expect } from 'chai'
import fc from 'fast-check'
import { applyEffective } from '../../../src/core/blueprint/apply'
import { type Blueprint, recordsOf } from '../../../src/core/blueprint/blueprint'
import { editPlan } from '../../../src/core/blueprint/edit'
import { ACTIVITY_KINDS, STAGES } from '../../../src/core/blueprint/kinds/activity'
import { bringIn } from '../../../src/core/edits/bring-in'
import { ACTIVITY_HEADER, activityRows } from '../../../src/core/formats/activity-rows'
import { writeActivitiesCsv } from '../../../src/core/formats/table-csv'
import { readText } from '../../../src/core/intake/read-file'
import { understand } from '../../../src/core/intake/understand'
import { aBlueprint, alignmentOf, aModule, anActivity, anObjective, assessmentOf, counter } from '../../support/course'
import { demoCourse } from '../../support/demo'

/** The plan without its activities: what the table of activities refers to is there. */
const withoutActivities = (plan: Blueprint): Blueprint =>
  applyEffective(
    plan,
    editPlan(plan, (edit) => {
      for (const { id } of recordsOf(plan, 'activity')) edit.remove({ kind: 'activity', id })
    }),
  )
/** Rows but for the share of the grade, which follows from the rest. */
const rowsOf = (plan: Blueprint) => activityRows(plan).map((row) => row.slice(0, ACTIVITY_HEADER.indexOf('Percent of grade')))

describe('a table of activities that Cairn wrote', () => {
  for (const name of ['measuring-small-streams', 'writing-museum-labels', 'inspecting-rooftop-solar-arrays'])
    it(`comes back as the same activities: ${name}`, () => {
      const plan = demoCourse(name)
      const understood = understand([readText('activities.csv', writeActivitiesCsv(plan))])
      expect(understood.notUnderstood).to.deep.equal([])
      const bare = withoutActivities(plan)
      const back = applyEffective(
        bare,
        editPlan(bare, (edit) => bringIn(edit, understood, counter('back'))),
      )
      expect(rowsOf(back)).to.deep.equal(rowsOf(plan))
    })
})

describe('any table of activities that Cairn wrote', () => {
  const title = fc.oneof(
    fc.constantFrom(
      'Film (9 min)',
      'Quiz 2 (10)',
      "'Tis the season",
      '=1+1',
      '+ more',
      '-5 degrees',
      '@home',
      '1. First steps',
      '2) Next',
      'a) Letters',
      'Total recall',
      'Walk, talk; rest',
      'Due Friday',
      'Report due 4 Oct',
      'Break even',
      'No class of its own',
      'Say "so"',
      'Module 2 review',
      'Week 3 in pictures',
      'Note: read twice',
      '09:00-10:30 Lab',
      'n/a',
      'Reading week of Homer',
      '50 %',
      'x',
    ),
    fc.stringMatching(/^[A-Za-z][A-Za-z ,.;:'"()/&-]{0,30}[a-z]$/),
  )
  const activity = fc.record({
    title,
    kind: fc.option(fc.constantFrom(...ACTIVITY_KINDS)),
    minutes: fc.option(fc.integer({ min: 0, max: 600 })),
    points: fc.option(fc.integer({ min: 0, max: 10_000 })),
    stages: fc.subarray([...STAGES]),
  })
  it('comes back as it was, whatever its titles look like', () => {
    fc.assert(
      fc.property(fc.array(fc.array(activity, { minLength: 1, maxLength: 4 }), { minLength: 1, maxLength: 3 }), (modules) => {
        const plan = aBlueprint({
          module: modules.map((_, m) => aModule(`m${m}`, { title: `Part ${'ABC'[m]}`, firstWeek: m + 1, lastWeek: m + 1 })),
          objective: modules.map((_, m) => anObjective(`o${m}`, `m${m}`, { statement: `Objective of part ${m}` })),
          activity: modules.flatMap((list, m) =>
            list.map(({ title: t, kind, minutes }, i) => anActivity(`a${m}-${i}`, `m${m}`, { title: t, kind, minutes, order: `a${i}` })),
          ),
          alignment: modules.flatMap((list, m) =>
            list.flatMap(({ stages }, i) => (stages.length > 0 ? [alignmentOf(`a${m}-${i}`, `o${m}`, ...stages)] : [])),
          ),
          assessment: modules.flatMap((list, m) =>
            // Graded work without a kind or a purpose is given one when it comes in.
            list.flatMap(({ points, kind }, i) => (points === null || kind === null ? [] : [assessmentOf(`a${m}-${i}`, points, null)])),
          ),
        })
        const bare = withoutActivities(plan)
        const understood = understand([readText('activities.csv', writeActivitiesCsv(plan))])
        const back = applyEffective(
          bare,
          editPlan(bare, (edit) => bringIn(edit, understood, counter('back'))),
        )
        expect(rowsOf(back)).to.deep.equal(rowsOf(plan))
      }),
      { seed: 20290, numRuns: 150 },
    )
  })
})
