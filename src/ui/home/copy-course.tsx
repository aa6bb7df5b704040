/** A new course made of one: title and first day are asked, all of it is proposed. */
import { useState } from 'react'
import { COPY_PART_TITLES, COPY_PARTS, type CopyPart } from '../../core/edits/copy-course'
import { copyForm } from '../../core/forms/copy-course'
import type { CourseInList } from '../../server/courses'
import { CheckInput } from '../parts/choice-input'
import { FormDate, FormText, useZodForm } from '../parts/form'
import { FormDialog } from '../parts/form-dialog'
import { ask, courseAddress } from '../store/api'
import { todayIso } from '../store/today'

type Props = { readonly course: Pick<CourseInList, 'id' | 'title' | 'code'>; readonly onClose: () => void }

export function CopyCourse({ course, onClose }: Props) {
  const [parts, setParts] = useState<ReadonlySet<CopyPart>>(new Set(COPY_PARTS))
  const [actions, setActions] = useState(true)
  const proposed = { title: course.title, code: course.code ?? '', firstDay: todayIso(), term: '' }
  const { control, submit, problem } = useZodForm(copyForm, proposed, async ({ term, ...wishes }) => {
    if (parts.size === 0) return { title: 'Choose at least one part.' }
    const body = {
      ...wishes,
      ...(term ? { term } : {}),
      ...(actions ? { actions } : {}),
      ...(parts.size < COPY_PARTS.length ? { parts: COPY_PARTS.filter((p) => parts.has(p)) } : {}),
    }
    const answer = await ask<{ readonly id: string }>(courseAddress(course.id, '/copy'), { method: 'POST', body })
    if (!answer.ok) return answer.problem
    window.location.assign(`/courses/${answer.value.id}/brief`)
    return null
  })
  const toggle = (part: CopyPart, on: boolean) => setParts(new Set(COPY_PARTS.filter((p) => (p === part ? on : parts.has(p)))))
  return (
    <FormDialog
      heading={
        <>
          Duplicate {course.code ?? ''} {course.title}
        </>
      }
      yes="Make the copy"
      submit={submit}
      onClose={onClose}
      problem={problem}
    >
      <div className="pair wide-first" style={{ paddingTop: 8 }}>
        <FormText control={control} name="title" label="Title" autoFocus element={{ maxLength: 300 }} />
        <FormText control={control} name="code" label="Code" element={{ maxLength: 40 }} />
      </div>
      <div className="pair">
        <FormDate control={control} name="firstDay" label="First day" />
        <FormText control={control} name="term" label="Term" placeholder="as it was" element={{ maxLength: 100 }} />
      </div>
      <fieldset className="checks">
        <legend>What comes along</legend>
        {COPY_PARTS.map((part) => (
          <CheckInput key={part} label={COPY_PART_TITLES[part]} checked={parts.has(part)} onCheck={(on) => toggle(part, on)} />
        ))}
        <CheckInput label="Actions of the review that are still open" checked={actions} onCheck={setActions} />
      </fieldset>
      <p className="muted small">
        Breaks and closed days move with the first day. People, comments, snapshots and the history stay with the course.
      </p>
    </FormDialog>
  )
}
