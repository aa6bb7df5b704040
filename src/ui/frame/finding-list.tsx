/** All that the analysis noticed, filtered by object, view and weight. */
import '../parts/findings.css'
import './frame.css'
import { useState } from 'react'
import { type Finding, WEIGHT_WORD, WEIGHTS, type Weight } from '../../core/findings/finding'
import { groupFindings, isGroup } from '../../core/findings/group'
import type { Workspace } from '../../core/workspaces'
import { FindingCard, FindingGroupCard } from '../parts/findings'
import { SelectInput } from '../parts/input'
import { WeightMark } from '../parts/marks'
import { Waiting } from '../parts/waiting'
import { useCourse } from '../store/course-store'
import { useSelected } from '../store/navigation'

type Scope = 'object' | 'view' | 'course'

export function FindingList({ workspace }: { workspace: Workspace }) {
  const analysis = useCourse((s) => s.analysis)
  const view = useCourse((s) => s.view)
  const selected = useSelected()
  const [scope, setScope] = useState<Scope>('course')
  const [weight, setWeight] = useState<Weight | 'all'>('all')
  if (!analysis) return <Waiting lines={6} />
  const inScope = (f: Finding) =>
    scope === 'course' ? true : scope === 'view' ? f.workspace === workspace : f.records.some((r) => r.id === selected?.id)
  const shown = analysis.findings.filter((f) => inScope(f) && (weight === 'all' || f.weight === weight))
  const live = shown.filter((f) => f.accepted === null && f.weight !== 'open')
  const kept = shown.filter((f) => f.accepted !== null)
  const open = analysis.open.filter(
    (o) => (scope === 'course' || (scope === 'view' && o.workspace === workspace)) && (weight === 'all' || weight === 'open'),
  )
  return (
    <>
      <div className="finding-filters">
        <SelectInput<Scope>
          label="Findings of"
          hideLabel
          value={scope}
          options={[
            { value: 'course', label: 'Whole course' },
            { value: 'view', label: 'This view' },
            { value: 'object', label: 'What is selected' },
          ]}
          onChoose={(v) => setScope(v || 'course')}
        />
        <SelectInput<Weight | 'all'>
          label="Weight"
          hideLabel
          value={weight}
          options={[
            { value: 'all', label: 'All weights' },
            ...WEIGHTS.map((w) => ({ value: w, label: `${WEIGHT_WORD[w]} ${analysis.counts[w]}` })),
          ]}
          onChoose={(v) => setWeight(v || 'all')}
        />
      </div>
      {live.length + open.length + kept.length === 0 && <p className="empty">Nothing found here.</p>}
      {groupFindings(live, view).map((entry) =>
        isGroup(entry) ? (
          <FindingGroupCard key={`${entry.code} ${entry.moduleId}`} group={entry} />
        ) : (
          <FindingCard key={entry.key} finding={entry} />
        ),
      )}
      {open.map((o) => (
        <section key={o.code} className="finding open">
          <WeightMark weight="open" /> {o.message}
        </section>
      ))}
      {kept.map((f) => (
        <FindingCard key={f.key} finding={f} />
      ))}
    </>
  )
}
