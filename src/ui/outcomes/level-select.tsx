import './outcomes.css'
import type { Objective, Outcome } from '../../core/blueprint/kinds'
import { DOMAINS, LEVELS_OF, type Level } from '../../core/blueprint/kinds/levels'
import { levelOf } from '../../core/objectives/level'
import { LineSelect } from '../parts/line-select'
import { LevelMark } from '../parts/marks'
import { useWordTable } from '../parts/word-table'
import { useCourseStore } from '../store/course-store'

const DOMAIN_WORD = { cognitive: 'thinking', psychomotor: 'skill', affective: 'attitude' } as const

export const LEVEL_OPTIONS = DOMAINS.flatMap((d) => LEVELS_OF[d].map((l) => ({ value: l, label: l, group: DOMAIN_WORD[d] })))

/** The level, and the designer's own choice over it. */
export function LevelSelect({ kind, record, number }: { kind: 'outcome' | 'objective'; record: Outcome | Objective; number: string }) {
  useWordTable()
  const store = useCourseStore()
  const level = levelOf(record)
  return (
    <span className="level-select" data-tip={record.level ? 'Set by hand' : 'Read from the verb'}>
      <LevelMark level={level} byHand={record.level !== null} />
      <LineSelect
        label={`Thinking level of ${number}`}
        value={record.level ?? ''}
        disabled={!store.may(kind)}
        options={[{ value: '', label: 'from the verb' }, ...LEVEL_OPTIONS]}
        onChoose={(level) =>
          store.edit('set-level', { what: number }, (edit) => edit.set(kind, record.id, { level: (level || null) as Level | null }))
        }
      />
    </span>
  )
}
