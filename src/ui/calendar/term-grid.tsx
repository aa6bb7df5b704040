/** Weeks as rows, days as columns: due markers are dragged or moved by keys, with what would come of it shown before they are dropped. */
import { weekWords } from '../../core/calendar/week-words'
import { moduleWordOf } from '../../core/plan/module-word'
import { LineButton } from '../parts/line-button'
import './calendar.css'
import { DndContext, type DragEndEvent, PointerSensor, useDraggable, useDroppable, useSensor, useSensors } from '@dnd-kit/core'
import { type KeyboardEvent, useEffect, useLayoutEffect, useMemo, useRef, useState } from 'react'
import { purposeOf } from '../../core/alignment/proposals'
import { type Blueprint, courseOf } from '../../core/blueprint/blueprint'
import type { Activity } from '../../core/blueprint/kinds'
import { PURPOSES } from '../../core/blueprint/kinds/activity'
import { ruleText } from '../../core/blueprint/kinds/due-rule'
import { moveDue } from '../../core/calendar/move-due'
import { addDays, dayAndMonth, shortDate, WEEKDAYS } from '../../core/calendar/plain-date'
import { type Schedule, scheduleOf } from '../../core/calendar/schedule'
import type { Term, Week } from '../../core/calendar/term'
import { WEIGHT_WORD } from '../../core/findings/finding'
import { hoursByWeek, targetText, weeklyTarget } from '../../core/hours/by-week'
import { formatHundredths } from '../../core/numbers'
import { indexCourse } from '../../core/plan/plan-index'
import type { Trial } from '../../workers/analysis-messages'
import { PurposeShape } from '../parts/marks'
import { useCourse, useCourseStore, useModuleWord } from '../store/course-store'
import { useGo, useSelected } from '../store/navigation'
import { WeekHoursBar } from './week-hours'

/** The preview says what happens, in words of the course and not in ids. */
const SILENT = { onDragStart: () => undefined, onDragOver: () => undefined, onDragEnd: () => undefined, onDragCancel: () => undefined }

/** A marker that is being moved, and the day it is over. */
type Lift = { readonly id: string; readonly date: string }

export function TermGrid({ schedule }: { schedule: Schedule }) {
  const word = useModuleWord()
  const view = useCourse((s) => s.view)
  const store = useCourseStore()
  const [lift, setLift] = useState<Lift | null>(null)
  const grid = useRef<HTMLTableElement>(null)
  const { select, panel } = useGo()
  const preview = useMemo(() => (lift ? previewOf(view, lift) : null), [view, lift])
  const trial = useTrial(preview?.blueprint ?? null)
  const shown = preview?.blueprint ?? view
  const shownSchedule = scheduleOf(shown) ?? schedule
  const { term } = schedule
  const index = indexCourse(shown)
  const hours = useMemo(() => hoursByWeek(shown), [shown])
  const course = courseOf(view)
  const { credits, creditSystem } = course
  const target = weeklyTarget(course)
  const most = Math.max(1, (target?.max ?? 0) * 1.1, ...hours.weeks.map((w) => w.minutes / 60))
  const may = store.may('activity')
  const byDay = new Map<string, Activity[]>()
  for (const activity of index.activities) {
    const due = shownSchedule.dueOf(activity.id)
    if (due) byDay.set(due.date, [...(byDay.get(due.date) ?? []), activity])
  }
  const drop = (to: Lift | null) => {
    setLift(null)
    if (!to) return
    const from = schedule.dueOf(to.id)?.date
    if (from === to.date) return
    const moved = moveDue(view, to.id, to.date)
    if (!moved.ok) return store.say(moved.why, true)
    const number = indexCourse(view).numberOf(to.id)
    if (store.edit('set-field', { what: `due date of ${number}` }, (edit) => edit.set('activity', to.id, { dueRule: moved.rule })))
      store.say(`${number} is due ${shortDate(to.date)}.`, false)
  }
  // A marker that moves to another day is another element: it has the focus before the next key, however fast that comes.
  const follow = useRef<string | null>(null)
  const focusMarker = (id: string) => {
    follow.current = id
  }
  useLayoutEffect(() => {
    const id = follow.current
    follow.current = null
    if (id !== null && document.activeElement === document.body)
      grid.current?.querySelector<HTMLElement>(`[data-marker="${CSS.escape(id)}"]`)?.focus()
  })
  const onMarkerKey = (event: KeyboardEvent, id: string) => {
    const step = { ArrowLeft: -1, ArrowRight: 1, ArrowUp: -7, ArrowDown: 7 }[event.key]
    if (lift?.id === id) {
      if (step !== undefined) {
        event.preventDefault()
        const date = addDays(lift.date, step)
        if (date >= (term.weeks[0]?.first ?? date) && date <= (term.weeks.at(-1)?.last ?? date)) setLift({ id, date })
        focusMarker(id)
      } else if (event.key === 'Enter' || event.key === ' ') {
        event.preventDefault()
        drop(lift)
        focusMarker(id)
      } else if (event.key === 'Escape') {
        event.stopPropagation()
        setLift(null)
        focusMarker(id)
      }
      return
    }
    if (event.key === ' ' && may) {
      event.preventDefault()
      const date = schedule.dueOf(id)?.date
      if (date) setLift({ id, date })
    } else if (step !== undefined) {
      event.preventDefault()
      focusNext(grid.current, id, event.key)
    }
  }
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 4 } }))
  return (
    <section aria-label="Weeks of the term" className="term-view">
      <Unplaced schedule={schedule} />
      <DndContext
        sensors={sensors}
        accessibility={{ announcements: SILENT }}
        onDragMove={({ active, over }) => {
          const date = over ? String(over.id) : null
          const id = String(active.id)
          if (date && (lift?.id !== id || lift.date !== date)) setLift({ id, date })
        }}
        onDragEnd={({ active, over }: DragEndEvent) => drop(over ? { id: String(active.id), date: String(over.id) } : null)}
        onDragCancel={() => setLift(null)}
      >
        <table ref={grid} className="term-grid" aria-label="Due dates by week and day">
          <thead>
            <tr>
              <th scope="col" style={{ width: 80 }}>
                Week
              </th>
              <th scope="col" style={{ width: 130 }}>
                {word.One}
              </th>
              {Array.from({ length: 7 }, (_, i) => (
                <th key={i === 0 ? 'first' : String(i)} scope="col">
                  {WEEKDAYS[(i + (term.offering.weekStart === 'sunday' ? 6 : 0)) % 7]}
                </th>
              ))}
              <th scope="col" style={{ width: 200 }}>
                Learner hours
              </th>
            </tr>
          </thead>
          <tbody>
            {term.weeks.map((week, i) => (
              <tr key={week.first} className={week.number === null ? 'closed-mark' : ''}>
                <th scope="row">
                  <b className={week.number === null ? 'visually-hidden' : ''}>{week.number ?? 'Break'}</b>{' '}
                  <span className="muted">{dayAndMonth(week.first)}</span>
                </th>
                <ModuleCell view={view} schedule={schedule} week={week} previous={term.weeks[i - 1]} />
                {Array.from({ length: 7 }, (_, d) => addDays(week.first, d)).map((date) => (
                  <Day key={date} date={date} term={term} lifted={lift?.date === date}>
                    {byDay.get(date)?.map((activity) => (
                      <Marker
                        key={activity.id}
                        activity={activity}
                        lifted={lift?.id === activity.id}
                        bad={preview !== null && !preview.ok && lift?.id === activity.id}
                        may={may}
                        onKeyDown={(e) => onMarkerKey(e, activity.id)}
                        onOpen={() => {
                          select({ kind: 'activity', id: activity.id })
                          panel('details')
                        }}
                      />
                    ))}
                  </Day>
                ))}
                <td className="hours-cell">
                  <WeekHoursBar week={hours.weeks[i]} most={most} target={target} />
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </DndContext>
      <div className="row small muted" style={{ gap: 12, padding: '8px 0', flexWrap: 'wrap' }}>
        {PURPOSES.map((p) => (
          <span key={p}>
            <PurposeShape purpose={p} /> {p}
          </span>
        ))}
        <span className="grow" />
        <span>
          {target && `target ${targetText(target)} hours a week · `}
          {credits !== null && creditSystem !== 'none' && `${formatHundredths(credits)} credits · `}
          {(hours.total / 60).toFixed(0)} h planned
        </span>
      </div>
      <div className={`preview${preview ? '' : ' visually-hidden'}`} role="status">
        {preview?.words} {trial}
      </div>
      {byDay.size === 0 && (
        <p className="muted" style={{ margin: '6px 0' }}>
          Nothing is due yet. Type a rule in the Due column of the map, such as “Sun wk 1”: it means the Sunday of the module’s first week,
          in every term. Then it stands here and can be moved.
        </p>
      )}
      {may && !lift && byDay.size > 0 && (
        <p className="muted small no-print" style={{ margin: 0 }}>
          Drag a marker to another day, or press <kbd>Space</kbd> on it, move it with the arrows and set it with <kbd>Enter</kbd>.
        </p>
      )}
    </section>
  )
}

type Preview = {
  readonly ok: boolean
  readonly blueprint: Blueprint | null
  /** The day, and why not. */
  readonly words: string
}

/** What would change by itself: the day. */
function previewOf(view: Blueprint, { id, date }: Lift): Preview {
  const index = indexCourse(view)
  const schedule = scheduleOf(view)
  const from = schedule?.dueOf(id)?.date
  const name = `${index.numberOf(id)} ${index.activity(id)?.title ?? ''}`
  if (from === date || !schedule)
    return { ok: true, blueprint: null, words: `${name}: ${from ? shortDate(from) : 'no date'}, where it is.` }
  const moved = moveDue(view, id, date)
  if (!moved.ok) return { ok: false, blueprint: null, words: `${name}: ${shortDate(date)} is not possible. ${moved.why}` }
  return {
    ok: true,
    blueprint: moved.blueprint,
    words: `${name}: ${from ? shortDate(from) : 'no date'} → ${shortDate(date)} (${weekWords(schedule.term, date, moved.rule, moduleWordOf(view).one)}).`,
  }
}

/** The findings that would come and go, asked of the analysis; empty until it answers. */
function useTrial(blueprint: Blueprint | null): string {
  const store = useCourseStore()
  const [told, setTold] = useState<{ readonly of: Blueprint; readonly words: string } | null>(null)
  useEffect(() => {
    if (!blueprint) return
    void store.try(blueprint).then((trial) => trial && setTold({ of: blueprint, words: trialWords(trial) }))
  }, [blueprint, store])
  return told?.of === blueprint ? told.words : ''
}

const trialWords = ({ come, gone, changed }: Trial): string =>
  [
    ...come.slice(0, 3).map((f) => `New ${WEIGHT_WORD[f.weight]}: ${f.message}`),
    ...changed.slice(0, 3).map((f) => `Now: ${f.message}`),
    ...gone.slice(0, 3).map((f) => `Gone: ${f.message}`),
    come.length + gone.length + changed.length === 0 ? 'No finding comes or goes.' : '',
  ]
    .filter(Boolean)
    .join(' ')

function ModuleCell({ view, schedule, week, previous }: { view: Blueprint; schedule: Schedule; week: Week; previous: Week | undefined }) {
  const { open } = useGo()
  const index = indexCourse(view)
  const inWeek = (moduleId: string, w: Week | undefined) => {
    const span = schedule.spanOf(moduleId)
    return w !== undefined && span !== undefined && span.first <= w.first && w.last <= span.last
  }
  const modules = week.number === null ? [] : index.modules.filter((m) => inWeek(m.id, week))
  if (week.number === null) return <td className="muted small">{week.breakTitle}</td>
  return (
    <td className={modules.length > 0 ? `module-bar${modules.some((m) => inWeek(m.id, previous)) ? ' goes-on' : ''}` : ''}>
      {modules.map((m) =>
        inWeek(m.id, previous) && previous?.number !== null ? (
          <span key={m.id} className="visually-hidden">
            {index.numberOf(m.id)} {m.title}
          </span>
        ) : (
          <LineButton key={m.id} className="plain" onClick={() => open({ kind: 'module', id: m.id })}>
            {index.numberOf(m.id)} {m.title}
          </LineButton>
        ),
      )}
    </td>
  )
}

/** Due rules that name a week which the term does not have, and dates outside its weeks: they have no day to stand on. */
function Unplaced({ schedule }: { schedule: Schedule }) {
  const view = useCourse((s) => s.view)
  const { open } = useGo()
  const index = indexCourse(view)
  const lost = schedule.unresolved.flatMap((u) => index.activity(u.activityId) ?? [])
  if (lost.length === 0) return null
  return (
    <p className="row" style={{ margin: '4px 0', flexWrap: 'wrap', gap: 6 }}>
      <span className="weight fix">Without a day in this term:</span>
      {lost.map((a) => (
        <LineButton key={a.id} className="marker fix" onClick={() => open({ kind: 'activity', id: a.id })}>
          {index.numberOf(a.id)} {a.title} {a.dueRule && `(${ruleText(a.dueRule, schedule.term.offering.weekStart)})`}
        </LineButton>
      ))}
    </p>
  )
}

function Day({ date, term, lifted, children }: { date: string; term: Term; lifted: boolean; children: React.ReactNode }) {
  const drop = useDroppable({ id: date })
  const closed = term.closedOn(date)
  const outside = date < term.firstDay || date > term.lastDay
  return (
    <td
      ref={drop.setNodeRef}
      className={`day${closed ? ' closed-mark' : ''}${lifted ? ' target' : ''}${outside ? ' outside' : ''}`}
      data-tip={closed ? `${shortDate(date)}: ${closed.title}` : shortDate(date)}
    >
      {closed && closed.kind === 'closed' && <span className="visually-hidden">closed: {closed.title}</span>}
      {children}
    </td>
  )
}

function Marker({
  activity,
  lifted,
  bad,
  may,
  onKeyDown,
  onOpen,
}: {
  activity: Activity
  lifted: boolean
  bad: boolean
  may: boolean
  onKeyDown: (event: KeyboardEvent) => void
  onOpen: () => void
}) {
  const view = useCourse((s) => s.view)
  const selected = useSelected()
  const findings = useCourse((s) => s.byRecord.get(`activity ${activity.id}`))
  const drag = useDraggable({ id: activity.id, disabled: !may })
  const index = indexCourse(view)
  const worst = findings?.find((f) => f.workspace === 'calendar' && f.accepted === null)
  const counts = index.assessmentOf(activity.id)?.points != null
  const number = index.numberOf(activity.id)
  return (
    <LineButton
      ref={drag.setNodeRef}
      data-marker={activity.id}
      data-record={`activity ${activity.id}`}
      className={`marker${lifted ? ' lifted' : ''}${worst ? ` ${worst.weight}` : ''}${bad ? ' bad' : ''}${selected?.id === activity.id ? ' selected' : ''}`}
      tip={worst ? `${activity.title}: ${worst.message}` : activity.title}
      aria-label={`${number} ${activity.title}${worst ? `, ${WEIGHT_WORD[worst.weight]}: ${worst.message}` : ''}${lifted ? ', being moved' : ''}`}
      {...drag.listeners}
      onKeyDown={onKeyDown}
      onClick={onOpen}
    >
      <PurposeShape purpose={purposeOf(activity)} /> <span className={counts ? 'counts' : ''}>{number}</span>
    </LineButton>
  )
}

/** Goes from marker to marker in reading order, or to the nearest above and below. */
function focusNext(table: HTMLElement | null, id: string, key: string): void {
  const all = [...(table?.querySelectorAll<HTMLElement>('[data-marker]') ?? [])]
  const at = all.findIndex((m) => m.dataset['marker'] === id)
  if (key === 'ArrowLeft' || key === 'ArrowRight') return all[at + (key === 'ArrowLeft' ? -1 : 1)]?.focus()
  const own = all[at]?.getBoundingClientRect()
  if (!own) return
  const beyond = all.filter((m) => {
    const { top } = m.getBoundingClientRect()
    return key === 'ArrowUp' ? top < own.top - 4 : top > own.top + 4
  })
  const rows = beyond.map((m) => m.getBoundingClientRect().top)
  const row = key === 'ArrowUp' ? Math.max(...rows) : Math.min(...rows)
  beyond
    .filter((m) => Math.abs(m.getBoundingClientRect().top - row) < 4)
    .sort((a, b) => Math.abs(a.getBoundingClientRect().left - own.left) - Math.abs(b.getBoundingClientRect().left - own.left))[0]
    ?.focus()
}
