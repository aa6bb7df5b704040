/** A module's dates and place in the course, above its other fields. */
import type { ModuleWord } from '../../core/plan/module-word'
import { Button } from '../parts/button'
import '../parts/findings.css'
import { useState } from 'react'
import { laterModules, moveModules } from '../../core/calendar/follow'
import { dateSpan } from '../../core/calendar/plain-date'
import { scheduleOf } from '../../core/calendar/schedule'
import { moveInList, readWeeks } from '../../core/edits/objectives'
import { countOf } from '../../core/numbers'
import { indexCourse } from '../../core/plan/plan-index'
import { weeksText } from '../../core/syllabus/assemble'
import { CopyModule } from '../map/copy-module'
import { DraftField } from '../parts/draft-field'
import { PlanChoice, PlanField } from '../parts/plan-field'
import { type CourseStore, useCourse, useCourseStore, useModuleWord } from '../store/course-store'
import { Pair } from './pair'

/** What comes after a module that got longer or shorter can follow. */
function offerLater(
  store: CourseStore,
  name: string,
  word: ModuleWord,
  { step, modules }: NonNullable<ReturnType<typeof laterModules>>,
): void {
  const by = `${countOf(Math.abs(step), 'week')} ${step > 0 ? 'later' : 'earlier'}`
  const which = modules.length === 1 ? `the ${word.one} after it` : `the ${modules.length} ${word.many} after it`
  store.say(`${name} ends ${by}; ${which} ${modules.length === 1 ? 'stays where it is' : 'stay where they are'}.`, false, {
    label: `Move ${modules.length === 1 ? 'it' : 'them'} ${by} too`,
    run: () =>
      store.edit('move', { what: which }, (edit) =>
        moveModules(
          edit,
          modules.map((m) => m.id),
          step,
        ),
      ),
  })
}

export function ModuleDetails({ id }: { id: string }) {
  const word = useModuleWord()
  const [copying, setCopying] = useState(false)
  const store = useCourseStore()
  const view = useCourse((s) => s.view)
  const module = view.module.get(id)
  if (!module) return null
  const index = indexCourse(view)
  const span = scheduleOf(view)?.spanOf(module.id)
  const may = store.may('module')
  const number = index.numberOf(module.id)
  return (
    <section className="finding">
      <b>
        {word.One} {number}
      </b>
      <Pair label="Dates">{span ? dateSpan(span.first, span.last) : 'no dates yet'}</Pair>
      <div style={{ marginTop: 10 }}>
        <PlanField kind="module" record={module} field="title" label="Title" what={`title of module ${number}`} />
        <PlanField kind="module" record={module} field="subtitle" label="Subtitle" what={`subtitle of module ${number}`} />
        <DraftField
          label="Weeks, such as 5 or 5–6"
          value={module.firstWeek === null ? '' : weeksText(module.firstWeek, module.lastWeek).replace(/^weeks? /, '')}
          disabled={!may}
          onCommit={(t) => {
            const weeks = readWeeks(t)
            if (!weeks) return 'Write 5 or 5–6.'
            const later = laterModules(view, module, weeks)
            const done = store.edit('set-field', { what: `weeks of module ${number}` }, (edit) => edit.set('module', module.id, weeks))
            if (done && later) offerLater(store, `${word.One} ${number}`, word, later)
            return null
          }}
        />
        <PlanChoice
          kind="module"
          record={module}
          field="planning"
          label="Planning"
          what={`planning of module ${number}`}
          labels={{ sketch: 'a sketch: gaps are expected', planned: 'planned: gaps are worth a look' }}
        />
        {may && (
          <div className="row">
            <Button onClick={() => store.edit('move', { what: module.title }, (edit) => void moveInList(edit, 'module', module.id, -1))}>
              Earlier
            </Button>
            <Button onClick={() => store.edit('move', { what: module.title }, (edit) => void moveInList(edit, 'module', module.id, 1))}>
              Later
            </Button>
            <Button onClick={() => setCopying(true)}>Copy…</Button>
            <span className="grow" />
            <Button
              onClick={() => {
                if (store.edit('remove', { what: module.title }, (edit) => edit.remove({ kind: 'module', id: module.id })))
                  store.say(`Removed ${module.title} with all in it. Ctrl+Z brings it back.`, false)
              }}
            >
              Remove
            </Button>
          </div>
        )}
      </div>
      {copying && <CopyModule id={id} onClose={() => setCopying(false)} />}
    </section>
  )
}
