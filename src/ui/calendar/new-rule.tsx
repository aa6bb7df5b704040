/** A break or closed day is asked for before it is made: from then on it moves dates. */
import type { CalendarRule, Offering } from '../../core/blueprint/kinds'
import { addDays } from '../../core/calendar/plain-date'
import { calendarRuleForm } from '../../core/forms/calendar-rule'
import { FormDate, FormText, useZodForm } from '../parts/form'
import { FormDialog } from '../parts/form-dialog'
import { newId, useCourseStore } from '../store/course-store'
import { useGo } from '../store/navigation'

type Props = { readonly offering: Offering; readonly kind: CalendarRule['kind']; readonly onClose: () => void }

export function NewRule({ offering, kind, onClose }: Props) {
  const store = useCourseStore()
  const { select } = useGo()
  const isBreak = kind === 'break'
  // A week is proposed, the second of the term.
  const firstDate = addDays(offering.firstDay, 7)
  const begin = { title: isBreak ? 'Break' : 'Closed', firstDate, lastDate: isBreak ? addDays(firstDate, 6) : '' }
  const { control, submit, problem } = useZodForm(calendarRuleForm, begin, async ({ title, firstDate, lastDate }) => {
    const id = newId()
    const rule = { id, offeringId: offering.id, kind, title, firstDate, lastDate: lastDate || firstDate }
    if (!store.edit('add-rule', {}, (edit) => void edit.create('calendarRule', rule))) return { title: 'It could not be stored.' }
    onClose()
    select({ kind: 'calendarRule', id })
    return null
  })
  return (
    <FormDialog heading={isBreak ? 'A break' : 'A closed day'} yes="Add it" submit={submit} onClose={onClose} problem={problem} width="xs">
      <p className="muted" style={{ marginTop: 0 }}>
        {isBreak
          ? 'No teaching: a whole week of it is left out of the count, and what is due later moves with its week.'
          : 'Nothing should be due on it; no date moves.'}
      </p>
      <FormText control={control} name="title" label="What it is called" autoFocus element={{ maxLength: 100 }} />
      <div className="pair">
        <FormDate control={control} name="firstDate" label={isBreak ? 'First day' : 'Day'} />
        <FormDate control={control} name="lastDate" label={isBreak ? 'Last day' : 'Last day, if several'} />
      </div>
    </FormDialog>
  )
}
