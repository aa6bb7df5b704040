/** The tree that was understood, every part of it to correct; what is taken out stays in the list below. */

import RemoveIcon from '@mui/icons-material/DeleteOutlined'
import SwapIcon from '@mui/icons-material/SwapHoriz'
import { IconButton } from '../parts/button'
import { LineButton } from '../parts/line-button'
import '../parts/findings.css'
import './bring.css'
import { longestText } from '../../core/blueprint/field-text'
import type { ActivityKind } from '../../core/blueprint/kinds/activity'
import { article, capital, fitted } from '../../core/blueprint/text'
import { readItem, readStatement } from '../../core/intake/items'
import { readCodes, readWeekSpan } from '../../core/intake/quantities'
import type { Understanding, UnderstoodActivity, UnderstoodModule, UnderstoodObjective } from '../../core/intake/understanding'
import { countOf, formatHundredths, readHundredths, readMinutes } from '../../core/numbers'
import { DraftField } from '../parts/draft-field'
import { SelectInput } from '../parts/input'
import { fieldOptions } from '../parts/options'
import { useModuleWord } from '../store/course-store'
import { named } from './named'

type Props = { readonly tree: Understanding; readonly onChange: (tree: Understanding) => void }

/** So many of a list are drawn at a time (Cairn default); what more there is, is counted. */
const MOST_SHOWN = 300

const without = <T,>(list: readonly T[], item: T): T[] => list.filter((x) => x !== item)
const replaced = <T,>(list: readonly T[], item: T, by: T): T[] => list.map((x) => (x === item ? by : x))

export function UnderstoodTree({ tree, onChange }: Props) {
  const setModule = (module: UnderstoodModule, to: Partial<UnderstoodModule>) =>
    onChange({ ...tree, modules: replaced(tree.modules, module, { ...module, ...to }) })
  const leave = (text: string, next: Partial<Understanding>) =>
    onChange({ ...tree, ...next, notUnderstood: [{ text, at: 'taken out' }, ...tree.notUnderstood] })
  return (
    <div className="understood">
      {tree.problems.length > 0 && (
        <section aria-label="Where the pieces disagree" className="finding check" style={{ marginBottom: 12 }}>
          <h2 style={{ fontSize: 15, margin: '0 0 4px' }}>Where it does not agree, or took a guess</h2>
          <ul style={{ margin: 0, paddingLeft: 18 }}>
            {tree.problems.slice(0, MOST_SHOWN).map((p) => (
              <li key={`${p.code} ${p.message}`}>
                {p.message} <span className="muted small">{p.at}</span>
              </li>
            ))}
            {tree.problems.length > MOST_SHOWN && <li>and {countOf(tree.problems.length - MOST_SHOWN, 'more thing')} like these.</li>}
          </ul>
        </section>
      )}
      {tree.outcomes.length > 0 && (
        <section aria-label="Outcomes">
          <h2 className="understood-head">Outcomes</h2>
          {tree.outcomes.map((outcome, i) => (
            <div key={i} className="understood-line">
              <b>{outcome.code}</b>
              <DraftField
                label={`Outcome ${outcome.code}`}
                hideLabel
                boxed={false}
                value={outcome.statement}
                onCommit={(text) =>
                  named(text, 'An outcome', (statement) =>
                    onChange({ ...tree, outcomes: replaced(tree.outcomes, outcome, { ...outcome, statement }) }),
                  )
                }
              />
              <Remove
                what={`outcome ${outcome.code}`}
                onRemove={() => leave(outcome.statement, { outcomes: without(tree.outcomes, outcome) })}
              />
            </div>
          ))}
        </section>
      )}
      {tree.modules.map((module, i) => (
        <ModuleTree key={i} module={module} onSet={(to) => setModule(module, to)} onLeave={leave} tree={tree} />
      ))}
      {tree.categories.some((c) => c.share !== null) && (
        <section aria-label="Grade categories">
          <h2 className="understood-head">Grade categories</h2>
          {tree.categories.map((c) => (
            <div key={`${c.title} ${c.at}`} className="understood-line">
              <b>{c.share === null ? '' : `${formatHundredths(c.share)} %`}</b>
              <span>{c.title}</span>
              <Remove what={c.title} onRemove={() => leave(c.title, { categories: without(tree.categories, c) })} />
            </div>
          ))}
        </section>
      )}
      {tree.notUnderstood.length > 0 && <Left tree={tree} onChange={onChange} />}
    </div>
  )
}

const Remove = ({ what, onRemove }: { what: string; onRemove: () => void }) => (
  <IconButton name={`Take out ${what}`} onClick={onRemove}>
    <RemoveIcon />
  </IconButton>
)

function ModuleTree({
  module,
  tree,
  onSet,
  onLeave,
}: {
  module: UnderstoodModule
  tree: Understanding
  onSet: (to: Partial<UnderstoodModule>) => void
  onLeave: (text: string, next: Partial<Understanding>) => void
}) {
  const word = useModuleWord()
  const name = `${word.one} ${module.number ?? ''}`.trim()
  const setObjective = (o: UnderstoodObjective, to: Partial<UnderstoodObjective>) =>
    onSet({ objectives: replaced(module.objectives, o, { ...o, ...to }) })
  const setActivity = (a: UnderstoodActivity, to: Partial<UnderstoodActivity>) =>
    onSet({ activities: replaced(module.activities, a, { ...a, ...to }) })
  const withModule = (to: Partial<UnderstoodModule>) => ({ modules: replaced(tree.modules, module, { ...module, ...to }) })
  return (
    <section aria-label={`Understood ${name}`}>
      <div className="understood-line understood-head">
        <b>{module.number}</b>
        <DraftField
          label={`Title of ${name}`}
          hideLabel
          boxed={false}
          value={module.title}
          onCommit={(text) => named(text, capital(article(word.one)), (title) => onSet({ title }))}
        />
        <span style={{ width: 110, flex: 'none' }}>
          <DraftField
            label={`Weeks of ${name}`}
            hideLabel
            boxed={false}
            value={module.weeks ? `week ${module.weeks.first}${module.weeks.last > module.weeks.first ? `–${module.weeks.last}` : ''}` : ''}
            placeholder="no weeks"
            onCommit={(text) => {
              const weeks = text.trim() === '' ? null : readWeekSpan(text)
              if (text.trim() !== '' && weeks === null) return 'Write 5 or 5–6.'
              onSet({ weeks })
              return null
            }}
          />
        </span>
        <Remove
          what={`${name} with all in it`}
          onRemove={() =>
            onLeave(`${module.title} (${countOf(module.activities.length, 'activity', 'activities')})`, {
              modules: without(tree.modules, module),
            })
          }
        />
      </div>
      {module.objectives.map((o, i) => (
        <div key={i} className="understood-line">
          <b>{o.code}</b>
          <DraftField
            label={`Objective ${o.code}`}
            hideLabel
            boxed={false}
            value={o.statement}
            onCommit={(text) => named(text, 'An objective', (statement) => setObjective(o, { statement }))}
          />
          <span className="muted small nowrap">{o.outcomes.join(' ')}</span>
          <LineButton
            className="plain more"
            aria-label={`Objective ${o.code} is an activity`}
            tip="It is an activity"
            onClick={() =>
              onSet({
                objectives: without(module.objectives, o),
                activities: [...module.activities, activityFrom(o.statement)],
              })
            }
          >
            <SwapIcon fontSize="small" />
          </LineButton>
          <Remove
            what={`objective ${o.code}`}
            onRemove={() => onLeave(o.statement, withModule({ objectives: without(module.objectives, o) }))}
          />
        </div>
      ))}
      {module.activities.length > 0 && (
        <table className="sheet understood-table" aria-label={`Activities of ${name}`}>
          <thead>
            <tr>
              <th scope="col">Activity</th>
              <th scope="col">Kind</th>
              <th scope="col">Objectives</th>
              <th scope="col" className="r">
                Min
              </th>
              <th scope="col" className="r">
                Points
              </th>
              <th scope="col">
                <span className="visually-hidden">Take out</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {module.activities.map((a, i) => (
              <tr key={i}>
                <td>
                  <DraftField
                    label={`Title of ${a.title}`}
                    hideLabel
                    boxed={false}
                    value={a.title}
                    onCommit={(text) => named(text, 'An activity', (title) => setActivity(a, { title }))}
                  />
                </td>
                <td style={{ width: 130 }}>
                  <SelectInput
                    label={`Kind of ${a.title}`}
                    hideLabel
                    boxed={false}
                    value={a.kind ?? ''}
                    options={fieldOptions('activity', 'kind', { none: '–' })}
                    onChoose={(kind) => setActivity(a, { kind: (kind || null) as ActivityKind | null })}
                  />
                </td>
                <td style={{ width: 100 }}>
                  <DraftField
                    label={`Objectives of ${a.title}`}
                    hideLabel
                    boxed={false}
                    value={a.objectives.join(' ')}
                    placeholder="–"
                    onCommit={(text) => {
                      const codes = readCodes(text)
                      if (codes === null) return 'Codes such as 1a 1b.'
                      setActivity(a, { objectives: codes })
                      return null
                    }}
                  />
                </td>
                <td className="r" style={{ width: 60 }}>
                  <DraftField
                    label={`Minutes of ${a.title}`}
                    hideLabel
                    right
                    boxed={false}
                    value={a.minutes === null ? '' : String(a.minutes)}
                    placeholder="–"
                    onCommit={(text) => {
                      const minutes = text.trim() === '' ? null : readMinutes(text)
                      if (text.trim() !== '' && minutes === null) return 'Write 45, 1.5 h or 1h30.'
                      setActivity(a, { minutes })
                      return null
                    }}
                  />
                </td>
                <td className="r" style={{ width: 66 }}>
                  <DraftField
                    label={`Points of ${a.title}`}
                    hideLabel
                    right
                    boxed={false}
                    value={a.points === null ? '' : formatHundredths(a.points)}
                    placeholder={a.percent === null ? '–' : `${formatHundredths(a.percent)} %`}
                    onCommit={(text) => {
                      const points = text.trim() === '' ? null : readHundredths(text)
                      if (text.trim() !== '' && points === null) return 'A number of points.'
                      setActivity(a, { points })
                      return null
                    }}
                  />
                </td>
                <td className="nowrap" style={{ width: 64 }}>
                  <LineButton
                    className="plain more"
                    aria-label={`${a.title} is an objective`}
                    tip="It is an objective"
                    onClick={() =>
                      onSet({
                        activities: without(module.activities, a),
                        objectives: [...module.objectives, objectiveFrom(a.title, module)],
                      })
                    }
                  >
                    <SwapIcon fontSize="small" />
                  </LineButton>
                  <Remove what={a.title} onRemove={() => onLeave(a.title, withModule({ activities: without(module.activities, a) }))} />
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </section>
  )
}

function activityFrom(text: string): UnderstoodActivity {
  const item = readItem(text)
  return {
    number: item.number,
    title: item.title,
    kind: item.kind,
    objectives: item.codes,
    minutes: item.minutes,
    points: item.amount?.kind === 'points' ? item.amount.value : null,
    percent: null,
    part: null,
    category: null,
    due: item.due,
    dueAt: item.when && { date: item.when.date, week: item.when.week, day: item.when.day, time: item.when.time },
    week: null,
    notes: null,
    at: 'by hand',
  }
}

function objectiveFrom(text: string, module: UnderstoodModule): UnderstoodObjective {
  const { code, statement, refs } = readStatement(text)
  const letter = String.fromCharCode(97 + Math.min(25, module.objectives.length))
  return { code: code ?? `${module.number ?? ''}${letter}`, statement, outcomes: refs }
}

/** Lines that were left, each of which can be put where it belongs. */
function Left({ tree, onChange }: Props) {
  const word = useModuleWord()
  const put = (line: Understanding['notUnderstood'][number], where: string) => {
    const notUnderstood = without(tree.notUnderstood, line)
    if (where === 'outcome')
      return onChange({
        ...tree,
        notUnderstood,
        outcomes: [...tree.outcomes, { code: `CO${tree.outcomes.length + 1}`, statement: readStatement(line.text).statement }],
      })
    if (where === 'module')
      return onChange({
        ...tree,
        notUnderstood,
        modules: [
          ...tree.modules,
          {
            number: String(tree.modules.length + 1),
            title: fitted(line.text, longestText('module', 'title')),
            weeks: null,
            objectives: [],
            activities: [],
          },
        ],
      })
    const [kind, at] = where.split(' ')
    const module = tree.modules[Number(at)]
    if (!module) return
    onChange({
      ...tree,
      notUnderstood,
      modules: replaced(
        tree.modules,
        module,
        kind === 'objective'
          ? { ...module, objectives: [...module.objectives, objectiveFrom(line.text, module)] }
          : { ...module, activities: [...module.activities, activityFrom(line.text)] },
      ),
    })
  }
  return (
    <section aria-label="Not understood">
      <h2 className="understood-head">Not understood</h2>
      <p className="muted small" style={{ margin: '0 0 4px' }}>
        These lines stay out, unless you say what they are.
      </p>
      {tree.notUnderstood.slice(0, MOST_SHOWN).map((line, i) => (
        <div key={i} className="understood-line">
          <span style={{ width: 150, flex: 'none' }}>
            <SelectInput
              label={`What “${fitted(line.text, 40)}” is`}
              hideLabel
              value=""
              options={[
                { value: '', label: 'stays out' },
                { value: 'outcome', label: 'an outcome' },
                { value: 'module', label: article(word.one) },
                ...tree.modules.flatMap((m, k) => [
                  { value: `objective ${k}`, label: `objective of ${m.number}` },
                  { value: `activity ${k}`, label: `activity of ${m.number}` },
                ]),
              ]}
              onChoose={(where) => where && put(line, where)}
            />
          </span>
          <span>
            {line.text} <span className="muted small">{line.at}</span>
          </span>
        </div>
      ))}
      {tree.notUnderstood.length > MOST_SHOWN && (
        <p className="muted">and {countOf(tree.notUnderstood.length - MOST_SHOWN, 'more line')}.</p>
      )}
    </section>
  )
}
