/** A new course: two things are asked, the rest is proposed and can be opened; and what it begins with. */
import ExpandIcon from '@mui/icons-material/ExpandMore'
import Accordion from '@mui/material/Accordion'
import AccordionDetails from '@mui/material/AccordionDetails'
import AccordionSummary from '@mui/material/AccordionSummary'
import { useState } from 'react'
import { CREDIT_SYSTEMS, DELIVERIES } from '../../core/blueprint/kinds/course'
import { newCourseForm, proposedCourse } from '../../core/forms/new-course'
import { CREDIT_LABELS, DELIVERY_LABELS } from '../../core/syllabus/assemble'
import { RadioInput } from '../parts/choice-input'
import { FormDate, FormSelect, FormText, useZodForm } from '../parts/form'
import { FormDialog } from '../parts/form-dialog'
import { ask } from '../store/api'
import { todayIso } from '../store/today'

/** What a course begins with, and where that is done. */
const BEGINNINGS = [
  { value: 'outcomes', label: 'Empty: with its outcomes', view: '/outcomes' },
  { value: 'bring', label: 'From what I have: a spreadsheet, an old syllabus, a text', view: '/bring' },
  { value: 'skeleton', label: 'From a skeleton: so many modules with the same parts', view: '/bring?show=skeleton' },
  { value: 'course', label: 'With things of another course, or of a file saved with Cairn', view: '/bring?show=course' },
  { value: 'framework', label: 'From a framework that prescribes its content', view: '/outcomes?show=frameworks' },
] as const

export function NewCourse({ onClose }: { onClose: () => void }) {
  const [begin, setBegin] = useState<(typeof BEGINNINGS)[number]['value']>('outcomes')
  const zone = Intl.DateTimeFormat().resolvedOptions().timeZone || 'UTC'
  const { control, submit, watch, problem } = useZodForm(newCourseForm, proposedCourse(todayIso(), zone), async (body) => {
    const answer = await ask<{ readonly id: string }>('/api/courses', { method: 'POST', body })
    if (answer.ok) {
      window.location.assign(`/courses/${answer.value.id}${BEGINNINGS.find((b) => b.value === begin)?.view}`)
      return null
    }
    return answer.problem.status === 0 ? { title: 'The server was not reached. What you typed is still here: try again.' } : answer.problem
  })
  return (
    <FormDialog heading="New course" yes="Make the course" submit={submit} onClose={onClose} problem={problem}>
      <div className="pair wide-first" style={{ paddingTop: 8 }}>
        <FormText control={control} name="title" label="Title" autoFocus element={{ maxLength: 300 }} />
        <FormDate control={control} name="firstDay" label="First day" />
      </div>
      <RadioInput label="It begins" value={begin} options={BEGINNINGS} onChoose={setBegin} />
      <Accordion className="plain-accordion" disableGutters elevation={0}>
        <AccordionSummary expandIcon={<ExpandIcon />}>Code, length, credits, term</AccordionSummary>
        <AccordionDetails>
          <div className="pair">
            <FormText control={control} name="code" label="Code" placeholder="HYD 214" element={{ maxLength: 40 }} />
            <FormText control={control} name="weeks" label="Weeks" element={{ inputMode: 'numeric' }} />
          </div>
          <div className="pair">
            <FormSelect
              control={control}
              name="creditSystem"
              label="Credit system"
              options={CREDIT_SYSTEMS.map((c) => ({ value: c, label: CREDIT_LABELS[c] }))}
            />
            <FormText
              control={control}
              name="credits"
              label="Credits"
              disabled={watch('creditSystem') === 'none'}
              element={{ inputMode: 'decimal' }}
            />
          </div>
          <div className="pair">
            <FormSelect
              control={control}
              name="delivery"
              label="How it is taught"
              options={DELIVERIES.map((d) => ({ value: d, label: DELIVERY_LABELS[d] }))}
            />
            <FormText control={control} name="term" label="Name of the first offering" placeholder="Autumn 2027" />
          </div>
        </AccordionDetails>
      </Accordion>
    </FormDialog>
  )
}
