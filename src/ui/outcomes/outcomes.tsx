/** Outcomes on the left, objectives by module as lines of text in the middle. */
import { indexCourse } from '../../core/blueprint/plan-index'
import { addModule, addObjectives } from '../../core/edits/objectives'
import { countOf, formatHundredths } from '../../core/numbers'
import { weeksText } from '../../core/syllabus/assemble'
import { newId, useCourse, useCourseStore } from '../store/course-store'
import { useRevealSelected, useSelected } from '../store/navigation'
import { focusNeighbour } from './focus'
import { NewLine } from './new-line'
import { ObjectiveLine } from './objective-line'
import { NewOutcome, OutcomeLine } from './outcome-line'

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
