/** One more offering of the course: its name and first day are asked before it is made. */
import { useState } from 'react'
import type { Offering } from '../../core/blueprint/kinds'
import { rulesOf } from '../../core/calendar/follow'
import { addDays } from '../../core/calendar/plain-date'
import { addOffering } from '../../core/edits/offerings'
import { offeringForm } from '../../core/forms/offering'
import { countOf } from '../../core/numbers'
import { CheckInput } from '../parts/choice-input'
import { FormDate, FormText, useZodForm } from '../parts/form'
import { FormDialog } from '../parts/form-dialog'
import { newId, useCourse, useCourseStore } from '../store/course-store'
import { useOfferingInAddress } from '../store/navigation'

/** A year of whole weeks, so that weekdays stay. */
const A_YEAR = 364

export function NewOffering({ like, onClose }: { like: Offering; onClose: () => void }) {
  const store = useCourseStore()
  const choose = useOfferingInAddress()
  const rules = rulesOf(
    useCourse((s) => s.view),
    like.id,
  ).length
  const [along, setAlong] = useState(false)
  const begin = { term: '', firstDay: addDays(like.firstDay, A_YEAR) }
  const { control, submit, problem } = useZodForm(offeringForm, begin, async (wanted) => {
    let id = ''
    const made = store.edit('add-offering', { what: wanted.term }, (edit) => {
      id = addOffering(edit, like, wanted, along, newId)
    })
    if (!made) return { title: 'It could not be stored.' }
    onClose()
    choose(id)
    store.say(`${wanted.term} is made; dates are shown for it now. Ctrl+Z takes it back.`, false)
    return null
  })
  return (
    <FormDialog heading="Another offering" yes="Make it" submit={submit} onClose={onClose} problem={problem} width="xs">
      <p className="muted" style={{ marginTop: 0 }}>
        The plan is the same; dates follow from its first day. Zone, start of the week and due time are those of {like.term}.
      </p>
      <FormText control={control} name="term" label="Term" placeholder="Spring 2028" autoFocus element={{ maxLength: 100 }} />
      <FormDate control={control} name="firstDay" label="First day" />
      {rules > 0 && (
        <CheckInput
          label={`With the ${countOf(rules, 'break or closed day', 'breaks and closed days')} of ${like.term}, moved as its first day is`}
          checked={along}
          onCheck={setAlong}
        />
      )}
    </FormDialog>
  )
}
