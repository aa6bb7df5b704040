import './outcomes.css'
import type { Objective, Outcome } from '../../core/blueprint/kinds'
import { DOMAINS, LEVELS_OF, type Level } from '../../core/blueprint/kinds/levels'
import { levelOf } from '../../core/objectives/level'
import { LevelMark } from '../parts/marks'
import { useCourseStore } from '../store/course-store'

const DOMAIN_WORD = { cognitive: 'thinking', psychomotor: 'skill', affective: 'attitude' } as const

/** The level, and the designer's own choice over it. */
export function LevelSelect({ kind, record, number }: { kind: 'outcome' | 'objective'; record: Outcome | Objective; number: string }) {
  const store = useCourseStore()
  const level = levelOf(record)
  return (
    <span className="level-select" data-tip={record.level ? 'Set by hand' : 'Read from the verb'}>
      <LevelMark level={level} byHand={record.level !== null} />
      <select
        aria-label={`Thinking level of ${number}`}
        value={record.level ?? ''}
        disabled={!store.may(kind)}
        onChange={(e) =>
          store.edit('set-level', { what: number }, (edit) =>
            edit.set(kind, record.id, { level: (e.target.value || null) as Level | null }),
          )
        }
      >
        <option value="">from the verb</option>
        {DOMAINS.map((domain) => (
          <optgroup key={domain} label={DOMAIN_WORD[domain]}>
            {LEVELS_OF[domain].map((l) => (
              <option key={l} value={l}>
                {l}
              </option>
            ))}
          </optgroup>
        ))}
      </select>
    </span>
  )
}
