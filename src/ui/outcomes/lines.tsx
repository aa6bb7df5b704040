/** Outcomes on the left, each with its level ladder; objectives by module as lines of text in the middle. */
import { article } from '../../core/blueprint/text'
import { LineButton } from '../parts/line-button'
import { useGrowing } from '../parts/use-growing'
import './outcomes.css'
import { useEffect, useMemo, useRef, useState } from 'react'
import { type Ladder, ladderOf } from '../../core/alignment/ladder'
import { addModule, addObjectives } from '../../core/edits/objectives'
import { countOf, formatHundredths } from '../../core/numbers'
import type { ModuleWord } from '../../core/plan/module-word'
import { type CourseIndex, indexCourse } from '../../core/plan/plan-index'
import { weeksText } from '../../core/syllabus/assemble'
import { laterFrom } from '../parts/later'
import { useWordTable } from '../parts/word-table'
import { newId, useCourse, useCourseStore, useModuleWord } from '../store/course-store'
import { useGo, useRevealSelected, useSelected } from '../store/navigation'
import { type Filter, shownObjectives } from './filter'
import { FilterBar } from './filter-bar'
import { focusLevel, focusNeighbour } from './focus'
import { LevelLadder } from './ladder'
import { NewLine } from './new-line'
import { ObjectiveLine } from './objective-line'
import { NewOutcome, OutcomeLine } from './outcome-line'
import { clearChosen, usePicked } from './picked'

const SelectionBar = laterFrom(
  () => import('./selection-bar'),
  (m) => m.SelectionBar,
)

const BuildLine = laterFrom(
  () => import('./build-line'),
  (m) => m.BuildLine,
)

/** Outcomes stand with their ladders: so many fill a window. */
const OUTCOMES_AT_ONCE = 8

export function Lines({ filter, onFilter }: { filter: Filter; onFilter: (next: Filter) => void }) {
  const word = useModuleWord()
  const view = useCourse((s) => s.view)
  const byRecord = useCourse((s) => (filter.finding === '' ? null : s.byRecord))
  const index = indexCourse(view)
  const selected = useSelected()
  useRevealSelected(true)
  const words = useWordTable()
  const shown = useMemo(
    () => shownObjectives(view, filter, (id) => byRecord?.get(`objective ${id}`) ?? []),
    [view, filter, byRecord, words],
  )
  const chosen = usePicked((s) => s.chosen)
  const ids = index.objectives.flatMap((o) => (chosen.has(o.id) ? [o.id] : []))
  useEffect(() => clearChosen, [])
  const stated = index.outcomes.filter((o) => o.intendedShare !== null)
  const sum = stated.reduce((total, o) => total + (o.intendedShare ?? 0), 0)
  const lit = selected?.kind === 'outcome' ? selected.id : null
  const ladderFor = useLadders(index, word)
  const outcomesDrawn = useGrowing(
    index.outcomes.length,
    index.outcomes.findIndex((o) => o.id === lit),
    OUTCOMES_AT_ONCE,
  )
  const listed = shown ? index.objectives.filter((o) => shown.has(o.id)) : index.objectives
  const drawn = useGrowing(
    listed.length,
    listed.findIndex((o) => o.id === selected?.id),
  )
  // Of what is listed the last that is drawn tells the module; those after the last of all are drawn with it.
  const lastModule = drawn < listed.length ? listed[drawn - 1]?.moduleId : undefined
  const modulesDrawn = lastModule === undefined ? undefined : index.modules.findIndex((m) => m.id === lastModule) + 1
  const found = shown && index.objectives.filter((o) => shown.has(o.id)).length
  return (
    <div
      className="outcomes-cols"
      onKeyDown={(e) => {
        if (e.key === 'Escape' && ids.length > 0) clearChosen()
      }}
    >
      <section aria-label="Course outcomes">
        <div className="row" style={{ marginBottom: 6 }}>
          <b>Outcomes</b>
          <span className="muted small">share intended</span>
          <span className="grow" />
          {stated.length > 0 && <b className={sum === 100_00 ? '' : 'weight check'}>{formatHundredths(sum)} %</b>}
        </div>
        {index.lanes[0]?.kind === 'frameworkItem' && <SpineElements />}
        <div data-lines>
          {index.outcomes.slice(0, outcomesDrawn).map((o) => (
            <OutcomeLine
              key={o.id}
              outcome={o}
              number={index.numberOf(o.id)}
              objectives={index.objectivesFor(o.id).length}
              ladder={ladderFor(o.id)}
              modules={index.modules.length}
              lit={lit === o.id}
            />
          ))}
          <NewOutcome empty={index.outcomes.length === 0} last={index.outcomes.at(-1)?.id ?? null} />
        </div>
      </section>
      <section aria-label={`Objectives by ${word.one}`} data-lines>
        {index.objectives.length > 0 && <FilterBar filter={filter} shown={found} onFilter={onFilter} />}
        {ids.length > 0 && <SelectionBar ids={ids} onClear={clearChosen} />}
        {index.modules.slice(0, modulesDrawn).map((m) => (
          <ModuleObjectives key={m.id} moduleId={m.id} shown={shown} />
        ))}
        {found === 0 && <p className="empty">No objective is like that. “Show all” brings the others back.</p>}
        {index.modules.length === 0 && (
          <p className="empty" style={{ padding: '8px 0' }}>
            Objectives are the measurable steps inside a module. Name the first module, then write what learners can do at its end.
          </p>
        )}
        {shown === null && <NewModule />}
      </section>
    </div>
  )
}

/** The ladders of the outcomes. One that is as it was keeps its identity, so that its line is not drawn again. */
function useLadders(index: CourseIndex, word: ModuleWord): (outcomeId: string) => Ladder {
  const known = useRef(new Map<string, readonly [text: string, ladder: Ladder]>())
  return (id) => {
    const ladder = ladderOf(index, id, word)
    const text = JSON.stringify(ladder)
    const before = known.current.get(id)
    if (before?.[0] === text) return before[1]
    known.current.set(id, [text, ladder])
    return ladder
  }
}

/** The elements that the plan hangs on, each with how its objectives climb. */
function SpineElements() {
  const index = indexCourse(useCourse((s) => s.view))
  const { open } = useGo()
  const word = useModuleWord()
  return (
    <div role="group" aria-label="Elements the plan hangs on" style={{ marginBottom: 14 }}>
      {index.lanes.map((lane) => {
        const ladder = ladderOf(index, lane.id, word)
        return (
          <div key={lane.id} className="outcome">
            <span className="num">{index.numberOf(lane.id)}</span>
            <LineButton className="plain support-item" onClick={() => open({ kind: 'frameworkItem', id: lane.id })}>
              {lane.statement}
            </LineButton>
            <span />
            {ladder.bands.length > 0 && <LevelLadder ladder={ladder} modules={index.modules.length} name={index.numberOf(lane.id)} />}
          </div>
        )
      })}
    </div>
  )
}

function NewModule() {
  const word = useModuleWord()
  const store = useCourseStore()
  if (!store.may('module')) return null
  return (
    <div className="line no-print" style={{ marginTop: 18 }}>
      <span className="num muted">+</span>
      <NewLine
        label={`New ${word.one}`}
        placeholder={`Add ${article(word.one)}: type its title`}
        onAdd={(lines) => {
          store.edit('add-module', {}, (edit) => {
            for (const l of lines) addModule(edit, l, newId)
          })
          return null
        }}
        onLeaveUp={(field) => focusNeighbour(field, -1)}
      />
    </div>
  )
}

function ModuleObjectives({ moduleId, shown }: { moduleId: string; shown: ReadonlySet<string> | null }) {
  const word = useModuleWord()
  const view = useCourse((s) => s.view)
  const store = useCourseStore()
  const index = indexCourse(view)
  const module = view.module.get(moduleId)
  const all = index.objectivesOf(moduleId)
  const objectives = shown ? all.filter((o) => shown.has(o.id)) : all
  const [building, setBuilding] = useState(false)
  if (!module || (shown && objectives.length === 0)) return null
  const add = (lines: readonly string[]) => {
    let made: readonly string[] = []
    store.edit('add-objective', {}, (edit) => {
      made = addObjectives(edit, moduleId, indexCourse(edit.now).objectivesOf(moduleId).at(-1)?.id ?? null, lines, newId)
    })
    return made.at(-1) ?? null
  }
  const weeks = module.firstWeek === null ? 'no weeks yet' : weeksText(module.firstWeek, module.lastWeek)
  return (
    <div style={{ contentVisibility: 'auto', containIntrinsicSize: 'auto 260px' }}>
      <h2 className="module-title">
        {index.numberOf(moduleId)} {module.title}{' '}
        <span className="muted">
          {weeks} · {shown ? `${objectives.length} of ` : ''}
          {countOf(all.length, 'objective')}
        </span>
      </h2>
      {objectives.map((o) => (
        <ObjectiveLine key={o.id} objective={o} number={index.numberOf(o.id)} />
      ))}
      {store.may('objective') && !shown && (
        <div className="line no-print">
          <span className="num muted">+</span>
          <NewLine
            label={`New objective in ${word.one} ${index.numberOf(moduleId)}`}
            placeholder={objectives.length === 0 ? `What can a learner do at the end of this ${word.one}?` : 'Next objective'}
            onAdd={add}
            tabTo={(id) => focusLevel('objective', id)}
            onLeaveUp={(field) => focusNeighbour(field, -1)}
          />
          <LineButton
            className="plain muted from-parts"
            aria-expanded={building}
            aria-label={`From parts… an objective of ${word.one} ${index.numberOf(moduleId)}`}
            onClick={() => setBuilding(!building)}
          >
            From parts…
          </LineButton>
          {building && (
            <div className="full">
              <BuildLine onAdd={(statement) => add([statement])} onClose={() => setBuilding(false)} />
            </div>
          )}
        </div>
      )}
    </div>
  )
}
