/** Outside requirements: what the course takes from them, where each is taught, practised and assessed, and what is missing. */
import type { Framework } from '../../core/blueprint/kinds'
import { Button } from '../parts/button'
import { MenuButton } from '../parts/menu-button'
import './frameworks.css'
import { useState } from 'react'
import { frameworkCoverage } from '../../core/frameworks/item-coverage'
import { formatWhole } from '../../core/numbers'
import { indexFrameworks } from '../../core/plan/framework-index'
import { CheckInput } from '../parts/choice-input'
import { SelectInput } from '../parts/input'
import { useCourse, useCourseStore, useModuleWord } from '../store/course-store'
import { useChoice } from '../store/navigation'
import { BringFramework } from './bring-framework'
import { FrameworkSkeletonForm } from './framework-skeleton-form'
import { FrameworkTable } from './framework-table'
import { ItemMatrix } from './item-matrix'

export function Frameworks() {
  const word = useModuleWord()
  const store = useCourseStore()
  const view = useCourse((s) => s.view)
  const { frameworks } = indexFrameworks(view)
  const [doing, setDoing] = useChoice('fw', ['items', 'evidence', 'matrix', 'bring', 'skeleton'])
  const [only, setOnly] = useChoice('gaps', ['all', 'gaps'])
  const [shown, setShown] = useState<string | null>(null)
  const may = store.may('framework')
  const chosen = frameworks.find((f) => f.id === shown) ?? frameworks[0]
  if (doing === 'bring' && may)
    return (
      <Section heading="Bring in a framework" onBack={() => setDoing('items')}>
        <BringFramework
          onDone={(id) => {
            setShown(id)
            setDoing('items')
          }}
        />
      </Section>
    )
  if (doing === 'skeleton' && may && chosen)
    return (
      <Section heading={`A skeleton from ${chosen.title}`} onBack={() => setDoing('items')}>
        <FrameworkSkeletonForm frameworkId={chosen.id} onDone={() => setDoing('items')} />
      </Section>
    )
  if (frameworks.length === 0)
    return (
      <div className="empty">
        <p>
          A framework is an outside set of requirements that the course has to meet: a competency unit, a certification, programme outcomes.
          Cairn then shows where each requirement is taught, practised and assessed, and what nothing covers yet.
        </p>
        {may ? (
          <Button rank="main" onClick={() => setDoing('bring')}>
            Bring in a framework…
          </Button>
        ) : (
          <p>Only designers bring frameworks into a course.</p>
        )}
      </div>
    )
  const coverage = frameworkCoverage(view)
  return (
    <>
      <div className="bar" style={{ paddingTop: 0 }}>
        {frameworks.length > 1 && (
          <SelectInput
            label="Framework"
            hideLabel
            value={chosen?.id ?? ''}
            options={frameworks.map((f) => ({ value: f.id, label: [f.code, f.title].filter(Boolean).join(' ') }))}
            onChoose={(id) => id && setShown(id)}
          />
        )}
        <SelectInput
          label="Show as"
          hideLabel
          value={doing === 'matrix' || doing === 'evidence' ? doing : 'items'}
          options={[
            { value: 'items', label: 'By item' },
            { value: 'evidence', label: 'Down to evidence' },
            { value: 'matrix', label: `By ${word.one}` },
          ]}
          onChoose={(v) => v && setDoing(v)}
        />
        <SelectInput
          label="Which items"
          hideLabel
          value={only}
          options={[
            { value: 'all', label: 'All items' },
            { value: 'gaps', label: 'Gaps only' },
          ]}
          onChoose={(v) => v && setOnly(v)}
        />
        {chosen && <Spine framework={chosen} />}
        {chosen && <Totals totals={coverage.totals(chosen.id)} />}
        <span className="grow" />
        {may && (
          <>
            <Button onClick={() => setDoing('skeleton')}>Skeleton…</Button>
            <Button onClick={() => setDoing('bring')}>Add framework…</Button>
          </>
        )}
        {chosen && <HandIn courseId={store.courseId} frameworkId={chosen.id} />}
      </div>
      {chosen &&
        (doing === 'matrix' ? (
          <ItemMatrix frameworkId={chosen.id} gapsOnly={only === 'gaps'} />
        ) : (
          <FrameworkTable frameworkId={chosen.id} gapsOnly={only === 'gaps'} withEvidence={doing === 'evidence'} />
        ))}
    </>
  )
}

/** Whether the plan hangs on this framework instead of outcomes of its own. */
function Spine({ framework: { id: frameworkId, title } }: { framework: Framework }) {
  const store = useCourseStore()
  const spine = useCourse((s) => s.view.course.get('course')?.spineFrameworkId)
  return (
    <span data-tip="Coverage, grade and picture then go by its elements instead of the course’s own outcomes">
      <CheckInput
        label="spine of the plan"
        checked={spine === frameworkId}
        disabled={!store.may('course')}
        onCheck={(on) =>
          store.edit('set-field', { what: `spine: ${on ? title : 'outcomes'}` }, (edit) =>
            edit.set('course', 'course', { spineFrameworkId: on ? frameworkId : null }),
          )
        }
      />
    </span>
  )
}

function Section({ heading, onBack, children }: { heading: string; onBack: () => void; children: React.ReactNode }) {
  return (
    <>
      <div className="bar" style={{ paddingTop: 0 }}>
        <Button onClick={onBack}>Back to the items</Button>
        <h2 style={{ fontSize: 15 }}>{heading}</h2>
        <span className="muted small">Nothing is stored before you say so.</span>
      </div>
      {children}
    </>
  )
}

function Totals({ totals }: { totals: ReturnType<ReturnType<typeof frameworkCoverage>['totals']> }) {
  const { missing, wanted, covered } = totals
  const parts = [
    missing.introduces > 0 ? `${formatWhole(missing.introduces)} not taught` : null,
    missing.practises > 0 ? `${formatWhole(missing.practises)} not practised` : null,
    missing.assesses > 0 ? `${formatWhole(missing.assesses)} not assessed` : null,
  ].filter(Boolean)
  return (
    <span className="small" role="status">
      <b>
        {formatWhole(covered)} of {formatWhole(wanted)} required covered
      </b>
      {parts.length > 0 && <span className="muted"> · {parts.join(', ')}</span>}
    </span>
  )
}

const HAND_IN = [
  { format: 'mapping-xlsx', label: 'Mapping as XLSX' },
  { format: 'mapping-csv', label: 'Mapping as CSV' },
  { format: 'case', label: 'Framework as competency JSON' },
  { format: 'items-csv', label: 'Framework as CSV' },
] as const

/** The mapping for those who must hand it in, and the framework itself in open formats. */
function HandIn({ courseId, frameworkId }: { courseId: string; frameworkId: string }) {
  const to = (format: string) =>
    `/api/courses/${encodeURIComponent(courseId)}/export.${format}?framework=${encodeURIComponent(frameworkId)}`
  return (
    <MenuButton className="btn" entries={() => HAND_IN.map(({ format, label }) => ({ key: format, label, href: to(format), file: true }))}>
      Hand in
    </MenuButton>
  )
}
