/** Lines that were left, each of which can be put where it belongs, or be told to mean nothing. */
import { article, fitted } from '../../core/blueprint/text'
import type { Correction, LINE_KINDS } from '../../core/intake/corrections'
import type { Understanding } from '../../core/intake/understanding'
import { countOf } from '../../core/numbers'
import { SelectInput } from '../parts/input'
import { useModuleWord } from '../store/course-store'
import type { Change } from './preview'
import { MOST_SHOWN } from './questions'

/** `objective 2`: what a line is, and of which module. */
function stepOf({ at, text }: Understanding['notUnderstood'][number], where: string): Correction {
  const [is, module] = where.split(' ')
  const own = { do: 'line', at, text, is: is as (typeof LINE_KINDS)[number] } as const
  return module === undefined ? own : { ...own, module: Number(module) }
}

export function Left({ tree, onChange }: { readonly tree: Understanding; readonly onChange: Change }) {
  const word = useModuleWord()
  const options = [
    { value: '', label: 'stays out' },
    { value: 'nothing', label: 'decoration' },
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
              onChoose={(where) => where && onChange(stepOf(line, where))}
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
