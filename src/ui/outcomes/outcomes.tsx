/** Outcomes on the left, objectives by module as lines of text in the middle. */
import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import type { Objective, Outcome } from '../../core/blueprint/kinds'
import { THINKING_LEVELS, type ThinkingLevel } from '../../core/blueprint/kinds/outcome'
import { indexCourse } from '../../core/blueprint/plan-index'
import {
  addModule,
  addObjectives,
  addOutcomes,
  moveInList,
  moveObjective,
  readOutcomeNumbers,
  setOutcomes,
} from '../../core/edits/objectives'
import type { Finding } from '../../core/findings/finding'
import { countOf, formatHundredths, readHundredths } from '../../core/numbers'
import { levelOf } from '../../core/objectives/level'
import { rewordings } from '../../core/objectives/statement'
import { weeksText } from '../../core/syllabus/assemble'
import { DraftField } from '../parts/fields'
import { FindingLine, takeFix } from '../parts/findings'
import { Chip, LevelMark } from '../parts/marks'
import { newId, useCourse, useCourseStore } from '../store/course-store'
import { useGo, useRevealSelected, useSelected } from '../store/navigation'
import { TextLine } from './text-line'

const NONE: readonly Finding[] = []
/** Findings that belong under a line of text: about its wording. */
const LINE_CODES = new Set(['unobservable-verb', 'no-verb', 'double-performance', 'too-long', 'outcome-level-not-reached'])

const focusLine = (selector: string, atEnd = true) =>
  requestAnimationFrame(() => {
    const field = document.querySelector<HTMLTextAreaElement>(`${selector} textarea`)
    field?.focus()
    if (field && atEnd) field.setSelectionRange(field.value.length, field.value.length)
  })
const lineSelector = (kind: string, id: string) => `[data-record="${CSS.escape(`${kind} ${id}`)}"]`

/** Moves the focus to the line above or below, over module borders. */
function focusNeighbour(field: HTMLElement, step: 1 | -1): void {
  const column = field.closest('[data-lines]')
  const lines = [...(column?.querySelectorAll<HTMLTextAreaElement>('textarea') ?? [])]
  lines[lines.indexOf(field as HTMLTextAreaElement) + step]?.focus()
}

/** Whether the caret stands on the first or last drawn line, so that an arrow leaves the field. */
function atEdge(field: HTMLTextAreaElement, step: 1 | -1): boolean {
  const one = field.clientHeight < 40
  return one || (step === -1 ? field.selectionStart === 0 : field.selectionEnd === field.value.length)
}

export function Outcomes() {
  const view = useCourse((s) => s.view)
  const index = indexCourse(view)
  const selected = useSelected()
  useRevealSelected(true)
  const stated = index.outcomes.filter((o) => o.intendedShare !== null)
  const sum = stated.reduce((total, o) => total + (o.intendedShare ?? 0), 0)
  const lit = selected?.kind === 'outcome' ? selected.id : null
  return (
    <div className="work">
      <div className="bar">
        <h1>Outcomes and objectives</h1>
        <span className="muted small">
          {countOf(index.outcomes.length, 'outcome')} · {countOf(index.objectives.length, 'objective')}
        </span>
        <span className="grow" />
        <span className="muted small">
          <kbd>Enter</kbd> next line · <kbd>Tab</kbd> to the outcomes · <kbd>Alt</kbd> <kbd>↑</kbd> <kbd>↓</kbd> move · <kbd>Alt Enter</kbd>{' '}
          take the wording
        </span>
      </div>
      <div className="outcomes-cols">
        <section aria-label="Course outcomes">
          <div className="row" style={{ marginBottom: 6 }}>
            <b>Outcomes</b>
            <span className="muted small">share intended</span>
            <span className="grow" />
            {stated.length > 0 && <b className={sum === 100_00 ? '' : 'weight check'}>{formatHundredths(sum)} %</b>}
          </div>
          <div data-lines>
            {index.outcomes.map((o) => (
              <OutcomeLine
                key={o.id}
                outcome={o}
                number={index.numberOf(o.id)}
                objectives={index.objectivesFor(o.id).length}
                lit={lit === o.id}
              />
            ))}
            <NewOutcome empty={index.outcomes.length === 0} last={index.outcomes.at(-1)?.id ?? null} />
          </div>
        </section>
        <section aria-label="Objectives by module" data-lines>
          {index.modules.map((m) => (
            <ModuleObjectives key={m.id} moduleId={m.id} />
          ))}
          {index.modules.length === 0 && (
            <p className="empty" style={{ padding: '8px 0' }}>
              Objectives are the measurable steps inside a module. Name the first module, then write what learners can do at its end.
            </p>
          )}
          <NewModule />
        </section>
      </div>
    </div>
  )
}

/** Commits, drafts and fixes that outcomes and objectives share. */
function useLine(kind: 'outcome' | 'objective', record: Outcome | Objective, number: string) {
  const store = useCourseStore()
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
      const clean = text.trim()
      if (clean === '') return remove()
      store.edit('edit-text', { what: number }, (edit) => edit.set(kind, record.id, { statement: clean.slice(0, 2000).normalize('NFC') }))
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
  return { store, own, onDraft, onCommit, remove, takeWording }
}

function OutcomeLine({ outcome, number, objectives, lit }: { outcome: Outcome; number: string; objectives: number; lit: boolean }) {
  const { store, own, onDraft, onCommit, remove, takeWording } = useLine('outcome', outcome, number)
  const { select } = useGo()
  const may = store.may('outcome')
  const onKey = useCallback(
    (e: React.KeyboardEvent<HTMLTextAreaElement>, text: string): boolean => {
      if (e.altKey && e.key === 'Enter') {
        takeWording(text)
        return true
      }
      if (e.altKey && (e.key === 'ArrowUp' || e.key === 'ArrowDown')) {
        e.currentTarget.blur()
        store.edit('move', { what: number }, (edit) => moveInList(edit, 'outcome', outcome.id, e.key === 'ArrowUp' ? -1 : 1))
        focusLine(lineSelector('outcome', outcome.id))
        return true
      }
      if (
        (e.key === 'ArrowUp' || e.key === 'ArrowDown') &&
        !e.shiftKey &&
        !e.ctrlKey &&
        atEdge(e.currentTarget, e.key === 'ArrowUp' ? -1 : 1)
      ) {
        focusNeighbour(e.currentTarget, e.key === 'ArrowUp' ? -1 : 1)
        return true
      }
      if (e.key === 'Enter') {
        focusNeighbour(e.currentTarget, 1)
        return true
      }
      if (e.key === 'Backspace' && text === '') {
        focusNeighbour(e.currentTarget, -1)
        remove()
        return true
      }
      return false
    },
    [store, outcome.id, number, remove, takeWording],
  )
  return (
    <div className={`outcome${lit ? ' lit' : ''}`} data-record={`outcome ${outcome.id}`}>
      <span className="num">{number}</span>
      <TextLine
        label={`Outcome ${number}`}
        value={outcome.statement}
        readOnly={!may || outcome.origin === 'prescribed'}
        onDraft={onDraft}
        onCommit={onCommit}
        onKey={onKey}
        onFocus={() => select({ kind: 'outcome', id: outcome.id })}
      />
      <DraftField
        label={`Share intended for ${number}, in percent`}
        hideLabel
        right
        boxed={false}
        disabled={!may}
        placeholder="– %"
        value={outcome.intendedShare === null ? '' : `${formatHundredths(outcome.intendedShare)} %`}
        onCommit={(text) => {
          const share = text.trim() === '' ? null : readHundredths(text)
          if (text.trim() !== '' && share === null) return 'Write a number such as 15.'
          if ((share ?? 0) > 100_00) return 'At most 100 %.'
          store.edit('set-field', { what: `share of ${number}` }, (edit) => edit.set('outcome', outcome.id, { intendedShare: share }))
          return null
        }}
      />
      <div className="below">
        <LevelSelect kind="outcome" record={outcome} number={number} />
        <span>· {countOf(objectives, 'objective')}</span>
      </div>
      {own.length > 0 && (
        <div style={{ gridColumn: '1/4' }}>
          {own.map((f) => (
            <FindingLine key={f.key} finding={f} keys />
          ))}
        </div>
      )}
    </div>
  )
}

/** The level, and the designer's own choice over it. */
function LevelSelect({ kind, record, number }: { kind: 'outcome' | 'objective'; record: Outcome | Objective; number: string }) {
  const store = useCourseStore()
  const level = levelOf(record)
  return (
    <span className="level-select" title={record.level ? 'Set by hand' : 'Read from the verb'}>
      <LevelMark level={level} byHand={record.level !== null} />
      <select
        aria-label={`Thinking level of ${number}`}
        value={record.level ?? ''}
        tabIndex={-1}
        disabled={!store.may(kind)}
        onChange={(e) =>
          store.edit('set-level', { what: number }, (edit) =>
            edit.set(kind, record.id, { level: (e.target.value || null) as ThinkingLevel | null }),
          )
        }
      >
        <option value="">from the verb</option>
        {THINKING_LEVELS.map((l) => (
          <option key={l} value={l}>
            {l}
          </option>
        ))}
      </select>
    </span>
  )
}

function NewOutcome({ empty, last }: { empty: boolean; last: string | null }) {
  const store = useCourseStore()
  if (!store.may('outcome')) return null
  const add = (lines: readonly string[]) => store.edit('add-outcome', {}, (edit) => void addOutcomes(edit, last, lines, newId))
  return (
    <div className="outcome">
      <span className="num muted">+</span>
      <NewLine
        label="New outcome"
        placeholder={empty ? 'What will learners do?' : 'Next outcome'}
        onAdd={(lines) => void add(lines)}
        onLeaveUp={(field) => focusNeighbour(field, -1)}
      />
      <span />
    </div>
  )
}

/** The empty line at the end of a list: what is typed becomes a record at Enter, and the line is empty again. */
function NewLine({
  label,
  placeholder,
  onAdd,
  onLeaveUp,
}: {
  label: string
  placeholder: string
  onAdd: (lines: readonly string[]) => void
  onLeaveUp: (field: HTMLTextAreaElement) => void
}) {
  const [round, setRound] = useState(0)
  const refocus = useRef(false)
  const box = useRef<HTMLDivElement>(null)
  useEffect(() => {
    if (refocus.current) box.current?.querySelector('textarea')?.focus()
    refocus.current = false
  }, [round])
  const add = (lines: readonly string[], stay: boolean) => {
    if (lines.every((l) => l.trim() === '')) return
    onAdd(lines)
    refocus.current = stay
    setRound((n) => n + 1)
  }
  const added = useRef(false)
  return (
    <div ref={box}>
      <TextLine
        key={round}
        label={label}
        value=""
        placeholder={placeholder}
        readOnly={false}
        saveWhileTyping={false}
        onDraft={() => undefined}
        onCommit={(text) => {
          if (!added.current) add([text], document.activeElement === box.current?.querySelector('textarea'))
          added.current = false
        }}
        onPasteLines={(lines) => add(lines, true)}
        onKey={(e, text) => {
          if (e.key === 'ArrowUp' || (e.key === 'Backspace' && text === '')) {
            onLeaveUp(e.currentTarget)
            return true
          }
          if (e.key === 'Enter') {
            added.current = text.trim() !== ''
            add([text], true)
            return true
          }
          return false
        }}
      />
    </div>
  )
}

function NewModule() {
  const store = useCourseStore()
  if (!store.may('module')) return null
  return (
    <div className="line" style={{ marginTop: 18 }}>
      <span className="num muted">+</span>
      <NewLine
        label="New module"
        placeholder="Add a module: type its title"
        onAdd={(lines) =>
          void store.edit('add-module', {}, (edit) => {
            for (const l of lines) addModule(edit, l, newId)
          })
        }
        onLeaveUp={(field) => focusNeighbour(field, -1)}
      />
    </div>
  )
}

function ModuleObjectives({ moduleId }: { moduleId: string }) {
  const view = useCourse((s) => s.view)
  const store = useCourseStore()
  const index = indexCourse(view)
  const module = view.module.get(moduleId)
  const objectives = index.objectivesOf(moduleId)
  if (!module) return null
  const weeks = module.firstWeek === null ? 'no weeks yet' : weeksText(module.firstWeek, module.lastWeek)
  return (
    <div style={{ contentVisibility: 'auto', containIntrinsicSize: 'auto 260px' }}>
      <h2 className="module-title">
        {index.numberOf(moduleId)} {module.title}{' '}
        <span className="muted">
          {weeks} · {countOf(objectives.length, 'objective')}
        </span>
      </h2>
      {objectives.map((o) => (
        <ObjectiveLine
          key={o.id}
          objective={o}
          number={index.numberOf(o.id)}
          outcomes={index
            .outcomesOf(o.id)
            .map((x) => index.numberOf(x.id))
            .join(' ')}
        />
      ))}
      {store.may('objective') && (
        <div className="line">
          <span className="num muted">+</span>
          <NewLine
            label={`New objective in module ${index.numberOf(moduleId)}`}
            placeholder={objectives.length === 0 ? 'What can a learner do at the end of this module?' : 'Next objective'}
            onAdd={(lines) =>
              void store.edit(
                'add-objective',
                {},
                (edit) => void addObjectives(edit, moduleId, indexCourse(edit.now).objectivesOf(moduleId).at(-1)?.id ?? null, lines, newId),
              )
            }
            onLeaveUp={(field) => focusNeighbour(field, -1)}
          />
        </div>
      )}
    </div>
  )
}

function ObjectiveLine({ objective, number, outcomes }: { objective: Objective; number: string; outcomes: string }) {
  const { store, own, onDraft, onCommit, remove, takeWording } = useLine('objective', objective, number)
  const { select } = useGo()
  const may = store.may('objective')
  const addBelow = useCallback(
    (lines: readonly string[]) => {
      let ids: string[] = []
      store.edit('add-objective', {}, (edit) => {
        ids = addObjectives(edit, objective.moduleId, objective.id, lines, newId)
      })
      const last = ids.at(-1)
      if (last) focusLine(lineSelector('objective', last))
    },
    [store, objective.moduleId, objective.id],
  )
  const onKey = useCallback(
    (e: React.KeyboardEvent<HTMLTextAreaElement>, text: string, drop: () => void): boolean => {
      const field = e.currentTarget
      if (e.altKey && e.key === 'Enter') {
        takeWording(text)
        return true
      }
      if (e.altKey && (e.key === 'ArrowUp' || e.key === 'ArrowDown')) {
        const step = e.key === 'ArrowUp' ? -1 : 1
        field.blur()
        store.edit('move', { what: number }, (edit) => moveObjective(edit, objective.id, step))
        focusLine(lineSelector('objective', objective.id))
        return true
      }
      if ((e.key === 'ArrowUp' || e.key === 'ArrowDown') && !e.shiftKey && !e.ctrlKey && atEdge(field, e.key === 'ArrowUp' ? -1 : 1)) {
        focusNeighbour(field, e.key === 'ArrowUp' ? -1 : 1)
        return true
      }
      if (e.key === 'Enter') {
        const tail = text.slice(field.selectionEnd).trim()
        const head = text.slice(0, field.selectionStart).trim()
        // In the middle of a line Enter splits it; at its end it leads to the next line.
        if (tail !== '' && head !== '' && may) {
          drop()
          store.edit('add-objective', {}, (edit) => {
            edit.set('objective', objective.id, { statement: head })
            const [id] = addObjectives(edit, objective.moduleId, objective.id, [tail.charAt(0).toUpperCase() + tail.slice(1)], newId)
            if (id) focusLine(lineSelector('objective', id), false)
          })
        } else focusNeighbour(field, 1)
        return true
      }
      if (e.key === 'Backspace' && text === '') {
        focusNeighbour(field, -1)
        remove()
        return true
      }
      return false
    },
    [store, objective.id, objective.moduleId, number, may, remove, takeWording],
  )
  const onFocus = useCallback(() => select({ kind: 'objective', id: objective.id }), [select, objective.id])
  return (
    <div className="line" data-record={`objective ${objective.id}`}>
      <span className="num">{number}</span>
      <TextLine
        label={`Objective ${number}`}
        value={objective.statement}
        readOnly={!may || objective.origin === 'prescribed'}
        onDraft={onDraft}
        onCommit={onCommit}
        onKey={onKey}
        onPasteLines={addBelow}
        onFocus={onFocus}
      />
      <span className="aside">
        <LevelSelect kind="objective" record={objective} number={number} />
      </span>
      <OutcomeLinks objectiveId={objective.id} number={number} text={outcomes} disabled={!may} />
      {own.length > 0 && (
        <div className="full">
          {own.map((f) => (
            <FindingLine key={f.key} finding={f} keys />
          ))}
        </div>
      )}
    </div>
  )
}

/** Outcomes of an objective: chips, which typing numbers changes. */
function OutcomeLinks({ objectiveId, number, text, disabled }: { objectiveId: string; number: string; text: string; disabled: boolean }) {
  const store = useCourseStore()
  const view = useCourse((s) => s.view)
  const { open } = useGo()
  const [editing, setEditing] = useState(false)
  const outcomes = useMemo(() => indexCourse(view).outcomesOf(objectiveId), [view, objectiveId])
  const index = indexCourse(view)
  if (!editing)
    return (
      <span className="aside row" style={{ gap: 4, flexWrap: 'wrap' }}>
        {outcomes.map((o) => (
          <Chip key={o.id} kind="outcome" number={index.numberOf(o.id)} onOpen={() => open({ kind: 'outcome', id: o.id })} />
        ))}
        {!disabled && (
          <button
            type="button"
            className="plain muted"
            aria-label={`Outcomes of ${number}: ${text || 'none'}. Change`}
            onClick={() => setEditing(true)}
            onFocus={(e) => e.currentTarget.matches(':focus-visible') && setEditing(true)}
          >
            ✎
          </button>
        )}
      </span>
    )
  return (
    <LinkEditor
      label={`Outcomes of ${number}`}
      initial={text}
      onDone={(typed, refocus) => {
        if (typed !== null) {
          const { ids, unknown } = readOutcomeNumbers({ now: view }, typed)
          if (unknown.length > 0) return `There is no outcome ${unknown.join(', ')}.`
          store.edit('link-outcomes', { what: number }, (edit) => setOutcomes(edit, objectiveId, ids))
        }
        setEditing(false)
        if (refocus) focusLine(lineSelector('objective', objectiveId))
        return null
      }}
    />
  )
}

function LinkEditor({
  label,
  initial,
  onDone,
}: {
  label: string
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
      <input
        ref={input}
        className="field boxed"
        aria-label={label}
        aria-invalid={error !== null}
        placeholder="5 3"
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
      {error && (
        <span className="form-error" role="alert">
          {error}
        </span>
      )}
    </span>
  )
}
