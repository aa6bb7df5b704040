/** Finding objectives by text, level, outcome and finding. */
import { Button } from '../parts/button'
import './outcomes.css'
import { LEVELS } from '../../core/blueprint/kinds/levels'
import type { Finding } from '../../core/findings/finding'
import { ruleTitle } from '../../core/findings/profiles'
import { indexCourse } from '../../core/plan/plan-index'
import { SelectInput, TextInput } from '../parts/input'
import { useCourse } from '../store/course-store'
import { type Filter, isFiltering, NO_FILTER } from './filter'

const codesOf = (findings: readonly Finding[]): string =>
  [...new Set(findings.filter((f) => f.records[0]?.kind === 'objective').map((f) => f.code))].sort().join(' ')

export function FilterBar({ filter, shown, onFilter }: { filter: Filter; shown: number | null; onFilter: (next: Filter) => void }) {
  const view = useCourse((s) => s.view)
  // As one text: the bar is drawn again when the codes change, not at each key that changes a finding.
  const codes = useCourse((s) => codesOf(s.analysis?.findings ?? []))
    .split(' ')
    .filter(Boolean)
  const index = indexCourse(view)
  const choose = (field: keyof Filter) => (value: string) => onFilter({ ...filter, [field]: value })
  return (
    <search className="row filter-bar" aria-label="Find objectives">
      <TextInput
        type="search"
        label="Find objectives by their words"
        hideLabel
        placeholder="Find objectives"
        value={filter.text}
        onChange={(e) => onFilter({ ...filter, text: e.target.value })}
        onKeyDown={(e) => {
          if (e.key !== 'Escape' || filter.text === '') return
          e.stopPropagation()
          onFilter({ ...filter, text: '' })
        }}
      />
      <SelectInput
        label="Level"
        hideLabel
        value={filter.level}
        options={[
          { value: '', label: 'All levels' },
          ...LEVELS.slice(0, 6).map((l) => ({ value: l, label: l })),
          ...LEVELS.slice(6).map((l) => ({ value: l, label: l })),
          { value: 'none', label: 'no level' },
        ]}
        onChoose={choose('level')}
      />
      <SelectInput
        label="Outcome"
        hideLabel
        value={filter.outcome}
        options={[
          { value: '', label: 'All outcomes' },
          ...index.outcomes.map((o) => ({ value: o.id, label: index.numberOf(o.id) })),
          { value: 'none', label: 'no outcome' },
        ]}
        onChoose={choose('outcome')}
      />
      <SelectInput
        label="Finding"
        hideLabel
        value={filter.finding}
        options={[
          { value: '', label: 'All findings' },
          { value: 'any', label: 'With a finding' },
          ...codes.map((c) => ({ value: c, label: ruleTitle(c) })),
        ]}
        onChoose={choose('finding')}
      />
      {isFiltering(filter) && (
        <>
          <span className="muted small" role="status">
            {shown} of {index.objectives.length}
          </span>
          <Button onClick={() => onFilter(NO_FILTER)}>Show all</Button>
        </>
      )}
    </search>
  )
}
