import { useCallback, useRef, useState } from 'react'
import { fittedText } from '../../core/blueprint/field-text'
import type { Objective, Outcome } from '../../core/blueprint/kinds'
import type { Finding } from '../../core/findings/finding'
import { rewordings } from '../../core/objectives/rewrite'
import { STATEMENT_FLAWS } from '../../core/objectives/statement'
import { takeFix } from '../parts/findings'
import { useCourse, useCourseStore } from '../store/course-store'

const NONE: readonly Finding[] = []
/** Findings that belong under a line of text: about its wording. */
const LINE_CODES = new Set<string>([...STATEMENT_FLAWS, 'outcome-level-not-reached', 'objective-above-outcome', 'similar-objectives'])

/** Commits, drafts and fixes that outcomes and objectives share. */
export function useLine(kind: 'outcome' | 'objective', record: Outcome | Objective, number: string) {
  const store = useCourseStore()
  const [help, setHelp] = useState(false)
  const findings = useCourse((s) => s.byRecord.get(`${kind} ${record.id}`)) ?? NONE
  const own = findings.filter((f) => LINE_CODES.has(f.code) && f.records[0]?.id === record.id && f.accepted === null)
  const onDraft = useCallback(
    (text: string | null) => store.setDraft(text === null ? null : { kind, id: record.id, field: 'statement', value: text }),
    [store, kind, record.id],
  )
  const remove = useCallback(() => {
    if (store.edit('remove', { what: number }, (edit) => edit.remove({ kind, id: record.id })))
      store.say(`Removed ${number}. Ctrl+Z brings it back with its links.`, false)
  }, [store, kind, record.id, number])
  const onCommit = useCallback(
    (text: string) => {
      const statement = fittedText(kind, 'statement', text)
      if (statement === null) return remove()
      store.edit('edit-text', { what: number }, (edit) => edit.set(kind, record.id, { statement }))
    },
    [store, kind, record.id, number, remove],
  )
  // Alt+Enter takes the first wording; pressed again on what it made, the next one.
  const wordings = useRef<{ from: string; made: readonly string[]; at: number } | null>(null)
  const takeWording = useCallback(
    (text: string) => {
      const again = wordings.current
      if (again && again.made[again.at] === text) {
        again.at = (again.at + 1) % again.made.length
        return onCommit(again.made[again.at] as string)
      }
      const made = rewordings(text)
      if (made.length > 0) {
        wordings.current = { from: text, made, at: 0 }
        return onCommit(made[0] as string)
      }
      const fix = own.flatMap((f) => f.fixes)[0]
      fix ? takeFix(store, fix) : store.say('There is no wording to take here.', false)
    },
    [own, onCommit, store],
  )
  return { store, own, onDraft, onCommit, remove, takeWording, help, setHelp }
}
