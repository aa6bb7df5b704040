/** Every shared part in each of its states, over the demo course; nothing here is stored. */
import { type ReactNode, useState } from 'react'
import type { Blueprint } from '../core/blueprint/blueprint'
import { PURPOSES } from '../core/blueprint/kinds/activity'
import { THINKING_LEVELS } from '../core/blueprint/kinds/levels'
import { WEIGHTS } from '../core/findings/finding'
import { readNative } from '../core/formats/native'
import { indexCourse } from '../core/plan/plan-index'
import { Providers } from '../ui/frame/providers'
import { MomentInput } from '../ui/parts/date-input'
import { DraftField } from '../ui/parts/draft-field'
import { FindingCard, FindingLine } from '../ui/parts/findings'
import { fieldColumn } from '../ui/parts/grid/field-column'
import { Grid, headKey } from '../ui/parts/grid/grid'
import type { GridColumn, GridRow } from '../ui/parts/grid/types'
import { useRows } from '../ui/parts/grid/use-rows'
import { SelectInput } from '../ui/parts/input'
import { CairnMark, Chip, LevelMark, PurposeShape, WeightMark } from '../ui/parts/marks'
import { SumLine } from '../ui/parts/sum-line'
import { CourseStore, StoreProvider, useCourse } from '../ui/store/course-store'

const Part = ({ name, children }: { name: string; children: ReactNode }) => (
  <section className="card" aria-label={name}>
    <h2>{name}</h2>
    {children}
  </section>
)

/** A cell of every type: text, number, choice, check, date or time, and several at once. */
const ACTIVITIES: readonly GridColumn[] = [
  fieldColumn('activity', 'title'),
  fieldColumn('activity', 'purpose', { width: 120 }),
  fieldColumn('activity', 'partId', { width: 120 }),
  fieldColumn('activity', 'minutes', { width: 70 }),
  fieldColumn('activity', 'dueTime', { width: 90 }),
]
const ALIGNMENTS: readonly GridColumn[] = [
  fieldColumn('alignment', 'activityId', { width: 120 }),
  fieldColumn('alignment', 'objectiveId', { width: 120 }),
  fieldColumn('alignment', 'stages'),
]
const MODULES = {
  kind: 'module',
  title: fieldColumn('module', 'title'),
  Head: ({ id }: { id: string }) => <b>{useCourse((s) => s.view.module.get(id)?.title)}</b>,
} as const
const nothing = () => undefined
const asRow = ({ id }: { id: string }): GridRow => ({ key: id, type: 'data', id })
const activitySamples = (plan: Blueprint): GridRow[] => {
  const index = indexCourse(plan)
  const module = index.modules[0]
  return module ? [{ key: headKey(module.id), type: 'head', id: module.id }, ...index.activitiesOf(module.id).slice(0, 5).map(asRow)] : []
}
const alignmentSamples = (plan: Blueprint): GridRow[] => [...plan.alignment.values()].slice(0, 4).map(asRow)

function SampleGrids() {
  const same = { readOnly: false, make: () => null, move: nothing, place: nothing }
  return (
    <>
      <Grid
        {...same}
        label="Sample activities"
        keptAs="parts"
        kind="activity"
        head={MODULES}
        rows={useRows(activitySamples)}
        columns={ACTIVITIES}
      />
      <Grid {...same} label="Sample alignments" kind="alignment" rows={useRows(alignmentSamples)} columns={ALIGNMENTS} />
    </>
  )
}

function SampleFindings() {
  const findings = useCourse((s) => s.analysis?.findings) ?? []
  return WEIGHTS.flatMap((weight) => findings.find((f) => f.weight === weight && f.accepted === null) ?? []).map((f) => (
    <div key={f.key} className="two" style={{ marginBottom: 12, alignItems: 'start' }}>
      <FindingLine finding={f} keys />
      <div className="panel" style={{ width: 'auto' }}>
        <FindingCard finding={f} />
      </div>
    </div>
  ))
}

export function PartsPage({ demo, nonce }: { demo: string; nonce: string }) {
  const [store] = useState(() => {
    const made = new CourseStore('shared-parts')
    const read = readNative(demo)
    if (read.ok) made.show(read.value, { id: 'parts', role: 'designer', name: 'Ines Okafor', email: 'ines@larkfield.example' })
    return made
  })
  const [text, setText] = useState('Typed text')
  return (
    <Providers nonce={nonce}>
      <StoreProvider value={store}>
        <main className="page" style={{ maxWidth: 1200 }}>
          <h1>
            <CairnMark /> Shared parts
          </h1>
          <Part name="Marks">
            <p className="row">
              {PURPOSES.map((p) => (
                <span key={p}>
                  <PurposeShape purpose={p} /> {p}
                </span>
              ))}
              <PurposeShape purpose={null} label />
            </p>
            <p className="row">
              {[...THINKING_LEVELS, null].map((level) => (
                <LevelMark key={level ?? 'none'} level={level} byHand={level === 'apply'} />
              ))}
            </p>
            <p className="row">
              {WEIGHTS.map((w) => (
                <WeightMark key={w} weight={w} />
              ))}
              <Chip kind="outcome" number="CO1" />
              <Chip kind="objective" number="2a" suffix="PA" onOpen={() => undefined} />
            </p>
          </Part>
          <Part name="Fields">
            <div className="pair">
              <DraftField
                label="A text"
                value={text}
                onCommit={(t) => {
                  if (!t.trim()) return 'This cannot be empty.'
                  setText(t)
                  return null
                }}
              />
              <MomentInput kind="date" label="A day" value="2027-09-06" onCommit={() => null} />
              <MomentInput kind="time" label="A time of day" value="23:59" onCommit={() => null} />
              <SelectInput
                label="A choice"
                value="one"
                options={[
                  { value: 'one', label: 'One' },
                  { value: 'two', label: 'Two' },
                ]}
                onChoose={() => undefined}
              />
              <DraftField label="One that is closed" value="Read only" disabled onCommit={() => null} />
            </div>
          </Part>
          <Part name="Table">
            <SampleGrids />
          </Part>
          <Part name="Sums">
            <SumLine
              label="Sum"
              parts={[
                { label: 'points', value: '240' },
                { label: 'shares', value: '95 %', off: true },
              ]}
            />
          </Part>
          <Part name="Findings: line and card">
            <SampleFindings />
          </Part>
        </main>
      </StoreProvider>
    </Providers>
  )
}
