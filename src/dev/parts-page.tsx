/** Every shared part in each of its states, over the demo course; nothing here is stored. */
import { type ReactNode, useMemo, useState } from 'react'
import { PURPOSES } from '../core/blueprint/kinds/activity'
import { THINKING_LEVELS } from '../core/blueprint/kinds/levels'
import { WEIGHTS } from '../core/findings/finding'
import { readNative } from '../core/formats/native'
import { Providers } from '../ui/frame/providers'
import { ChoiceField, DraftField } from '../ui/parts/fields'
import { FindingCard, FindingLine } from '../ui/parts/findings'
import { Grid } from '../ui/parts/grid/grid'
import type { GridColumn, GridRow } from '../ui/parts/grid/types'
import { CairnMark, Chip, LevelMark, PurposeShape, WeightMark } from '../ui/parts/marks'
import { SumLine } from '../ui/parts/sum-line'
import { CourseStore, StoreProvider, useCourse } from '../ui/store/course-store'

const Part = ({ name, children }: { name: string; children: ReactNode }) => (
  <section className="card" aria-label={name}>
    <h2>{name}</h2>
    {children}
  </section>
)

type Sample = { readonly title: string; readonly purpose: (typeof PURPOSES)[number]; readonly minutes: number }
const SAMPLES: readonly Sample[] = PURPOSES.map((purpose, i) => ({ title: `A row to ${purpose}`, purpose, minutes: 15 * (i + 1) }))
const COLUMNS: readonly GridColumn<Sample>[] = [
  { id: 'title', header: 'Title', text: (r) => r.item.title, render: (r) => r.item.title },
  {
    id: 'purpose',
    header: 'Purpose',
    width: 140,
    text: (r) => r.item.purpose,
    options: () => PURPOSES,
    render: (r) => (
      <span>
        <PurposeShape purpose={r.item.purpose} /> {r.item.purpose}
      </span>
    ),
  },
  {
    id: 'minutes',
    header: 'Min',
    width: 70,
    right: true,
    text: (r) => String(r.item.minutes),
    hint: (_, text) => `${Number(text) || 'no'} min`,
    render: (r) => r.item.minutes,
  },
]

function SampleGrid() {
  const [samples, setSamples] = useState(SAMPLES)
  const rows = useMemo(
    (): GridRow<Sample>[] => [
      { key: 'head', type: 'head', item: { title: 'A group with its title', purpose: 'orient', minutes: 0 } },
      ...samples.map((item, i): GridRow<Sample> => ({ key: `row ${i}`, type: 'data', item })),
    ],
    [samples],
  )
  const nothing = () => undefined
  return (
    <Grid
      label="Sample table"
      rows={rows}
      columns={COLUMNS}
      readOnly={false}
      renderHead={(r) => <b>{r.item.title}</b>}
      recordOf={() => null}
      onWrite={(writes) => {
        if (writes.some((w) => w.columnId === 'minutes' && Number.isNaN(Number(w.text)))) return 'Write a number.'
        setSamples((all) =>
          all.map((s, i) => {
            const own = writes.filter((w) => w.rowKey === `row ${i}`)
            const written = own.map((w) => [w.columnId, w.columnId === 'minutes' ? Number(w.text) : w.text])
            return { ...s, ...Object.fromEntries(written) }
          }),
        )
        return null
      }}
      onMove={nothing}
      onDrop={nothing}
      onRemove={nothing}
      onSelect={nothing}
      onRange={nothing}
      activeKey={null}
    />
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
              <DraftField label="A day" type="date" value="2027-09-06" onCommit={() => null} />
              <ChoiceField
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
            <SampleGrid />
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
