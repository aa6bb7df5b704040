/** Lines that were left, each of which can be put where it belongs, or be told to mean nothing. */
import { longestText } from '../../core/blueprint/field-text'
import { article, fitted } from '../../core/blueprint/text'
import { activityFrom, objectiveFrom } from '../../core/intake/correct'
import { readStatement } from '../../core/intake/items'
import type { Understanding } from '../../core/intake/understanding'
import { countOf } from '../../core/numbers'
import { SelectInput } from '../parts/input'
import { useModuleWord } from '../store/course-store'
import type { Change } from './preview'
import { MOST_SHOWN } from './questions'

type Line = Understanding['notUnderstood'][number]

/** The tree with a line put where somebody says. */
function withLine(tree: Understanding, line: Line, where: string): Understanding {
  const rest = { ...tree, notUnderstood: tree.notUnderstood.filter((n) => n !== line) }
  if (where === 'nothing') return rest
  if (where === 'outcome')
    return {
      ...rest,
      outcomes: [...tree.outcomes, { code: `CO${tree.outcomes.length + 1}`, statement: readStatement(line.text).statement }],
    }
  if (where === 'module') {
    const title = fitted(line.text, longestText('module', 'title'))
    return {
      ...rest,
      modules: [...tree.modules, { number: String(tree.modules.length + 1), title, weeks: null, objectives: [], activities: [] }],
    }
  }
  const [kind, at] = where.split(' ')
  const modules = tree.modules.map((m, i) =>
    i !== Number(at)
      ? m
      : kind === 'objective'
        ? { ...m, objectives: [...m.objectives, objectiveFrom(line.text, m)] }
        : { ...m, activities: [...m.activities, activityFrom(line.text)] },
  )
  return { ...rest, modules }
}

export function Left({ tree, onChange }: { readonly tree: Understanding; readonly onChange: Change }) {
  const word = useModuleWord()
  const options = [
    { value: '', label: 'stays out' },
    { value: 'nothing', label: 'means nothing here' },
    { value: 'outcome', label: 'an outcome' },
    { value: 'module', label: article(word.one) },
    ...tree.modules.flatMap((m, k) => [
      { value: `objective ${k}`, label: `objective of ${m.number}` },
      { value: `activity ${k}`, label: `activity of ${m.number}` },
    ]),
  ]
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
              options={options}
              onChoose={(where) => where && onChange((t) => withLine(t, line, where))}
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
