import EditIcon from '@mui/icons-material/EditOutlined'
import { IconButton } from '../parts/button'
import './outcomes.css'
import { useEffect, useMemo, useRef, useState } from 'react'
import { readOutcomeNumbers, setOutcomes } from '../../core/edits/objectives'
import { readItemCodes, setLinkedItems } from '../../core/frameworks/edits'
import { indexFrameworks } from '../../core/plan/framework-index'
import { indexCourse } from '../../core/plan/plan-index'
import { TextInput } from '../parts/input'
import { Chip } from '../parts/marks'
import { useCourse, useCourseStore } from '../store/course-store'
import { useGo } from '../store/navigation'
import { focusLine, lineSelector } from './focus'

type Link = { readonly key: string; readonly number: string; readonly kind: 'outcome' | 'frameworkItem' }

/** What an objective hangs on: its outcomes, or items of the framework that is the spine of the plan. Chips, which typing changes. */
export function OutcomeLinks({ objectiveId, number, disabled }: { objectiveId: string; number: string; disabled: boolean }) {
  const store = useCourseStore()
  const view = useCourse((s) => s.view)
  const { open } = useGo()
  const [editing, setEditing] = useState(false)
  const spine = view.course.get('course')?.spineFrameworkId ?? null
  const links = useMemo((): readonly Link[] => {
    if (spine === null) {
      const index = indexCourse(view)
      return index.outcomesOf(objectiveId).map((o) => ({ key: o.id, number: index.numberOf(o.id), kind: 'outcome' }))
    }
    const frameworks = indexFrameworks(view)
    return frameworks
      .itemsLinkedWith(objectiveId)
      .flatMap((i): Link[] => (i.frameworkId === spine ? [{ key: i.id, number: frameworks.codeOf(i.id), kind: 'frameworkItem' }] : []))
  }, [view, objectiveId, spine])
  const text = links.map((l) => l.number).join(' ')
  const what = spine === null ? 'Outcomes' : 'Framework items'
  const write = (typed: string): string | null => {
    if (spine === null) {
      const { ids, unknown } = readOutcomeNumbers({ now: view }, typed)
      if (unknown.length > 0) return `There is no outcome ${unknown.join(', ')}.`
      store.edit('link-outcomes', { what: number }, (edit) => setOutcomes(edit, objectiveId, ids))
      return null
    }
    const { ids, unknown } = readItemCodes(view, typed, spine)
    if (unknown.length > 0) return `There is no item ${unknown.join(', ')}.`
    // Links with other frameworks stay.
    const others = indexFrameworks(view)
      .itemsLinkedWith(objectiveId)
      .flatMap((i) => (i.frameworkId === spine ? [] : [i.id]))
    store.edit('link-items', { what: number }, (edit) => setLinkedItems(edit, 'objective', objectiveId, [...others, ...ids]))
    return null
  }
  if (!editing)
    return (
      <span className="aside row" style={{ gap: 4, flexWrap: 'wrap' }}>
        {/* Reached first, drawn last. */}
        {!disabled && (
          <IconButton
            style={{ order: 1 }}
            name={`${what} of ${number}: ${text || 'none'}. Change`}
            onClick={() => setEditing(true)}
            onFocus={(e) => e.currentTarget.matches(':focus-visible') && setEditing(true)}
          >
            <EditIcon />
          </IconButton>
        )}
        {links.map((l) => (
          <Chip key={l.key} kind={l.kind} number={l.number} onOpen={() => open({ kind: l.kind, id: l.key })} />
        ))}
      </span>
    )
  return (
    <LinkEditor
      label={`${what} of ${number}`}
      placeholder={spine === null ? '5 3' : '1.2 2.1'}
      initial={text}
      onDone={(typed, refocus) => {
        const refused = typed === null ? null : write(typed)
        if (refused !== null) return refused
        setEditing(false)
        if (refocus) focusLine(lineSelector('objective', objectiveId))
        return null
      }}
    />
  )
}

function LinkEditor({
  label,
  placeholder,
  initial,
  onDone,
}: {
  label: string
  placeholder: string
  initial: string
  onDone: (text: string | null, refocus: boolean) => string | null
}) {
  const [text, setText] = useState(initial)
  const [error, setError] = useState<string | null>(null)
  const input = useRef<HTMLInputElement>(null)
  const done = useRef(false)
  useEffect(() => {
    input.current?.focus()
    input.current?.select()
  }, [])
  return (
    <span>
      <TextInput
        inputRef={input}
        label={label}
        hideLabel
        error={error}
        placeholder={placeholder}
        value={text}
        onChange={(e) => {
          setText(e.target.value)
          setError(null)
        }}
        onKeyDown={(e) => {
          if (e.key === 'Enter') {
            done.current = true
            const refused = onDone(text, true)
            done.current = refused === null
            setError(refused)
          }
          if (e.key === 'Escape') {
            e.stopPropagation()
            done.current = true
            onDone(null, true)
          }
        }}
        onBlur={() => {
          if (!done.current && onDone(text, false) !== null) onDone(null, false)
        }}
      />
    </span>
  )
}
