/** Cairn's own table of activities, brought back: the same activities, to the last link. */
import { expect } from 'chai'
import { applyEffective } from '../../../src/core/blueprint/apply'
import { type Blueprint, recordsOf } from '../../../src/core/blueprint/blueprint'
import { editPlan } from '../../../src/core/blueprint/edit'
import { bringIn } from '../../../src/core/edits/bring-in'
import { ACTIVITY_HEADER, activityRows } from '../../../src/core/formats/activity-rows'
import { writeActivitiesCsv } from '../../../src/core/formats/table-csv'
import { readText } from '../../../src/core/intake/read-file'
import { understand } from '../../../src/core/intake/understand'
import { counter } from '../../support/course'
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
