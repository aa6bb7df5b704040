/** Findings where they show: as a line under an object, and in the panel. */

import { Button } from './button'
import './findings.css'
import { useState } from 'react'
import { anyRecord } from '../../core/blueprint/blueprint'
import type { KindName, RecordRef } from '../../core/blueprint/kinds'
import { shortened } from '../../core/blueprint/text'
import type { Finding, Fix } from '../../core/findings/finding'
import { applyFix, kindOfStep } from '../../core/findings/fix-edits'
import type { FindingGroup } from '../../core/findings/group'
import { ruleTitle } from '../../core/findings/profiles'
import { indexCourse } from '../../core/plan/plan-index'
import { type CourseStore, newId, useCourse, useCourseStore, useModuleWord } from '../store/course-store'
import { useGo } from '../store/navigation'
import { laterFrom } from './later'
import { LineButton } from './line-button'
import { Chip, WeightMark } from './marks'

/** Applies a fix as one change that can be undone. */
export function takeFix(store: CourseStore, fix: Fix): void {
  const label = shortened(fix.label, 80)
  if (store.edit('apply-fix', { what: label }, (edit) => applyFix(edit, fix.steps, newId))) store.say(`Done: ${label}`, false)
}

const CHIP_KINDS = ['outcome', 'objective', 'activity', 'module'] as const
type ChipKind = (typeof CHIP_KINDS)[number]
const TITLED: readonly KindName[] = ['gradeCategory', 'rubric', 'rubricLevel', 'criterion', 'series']
const isChipKind = (kind: string): kind is ChipKind => (CHIP_KINDS as readonly string[]).includes(kind)

/** The objects of a finding, each of which opens. */
export function RecordChips({ records }: { records: readonly RecordRef[] }) {
  const word = useModuleWord()
  const view = useCourse((s) => s.view)
  const { open } = useGo()
  const index = indexCourse(view)
  return (
    <>
      {records.slice(0, 8).map((r) => {
        if (isChipKind(r.kind))
          return (
            <Chip
              key={`${r.kind}${r.id}`}
              kind={r.kind}
              number={r.kind === 'module' ? `${word.One} ${index.numberOf(r.id)}` : index.numberOf(r.id)}
              onOpen={() => open(r)}
            />
          )
        const title = TITLED.includes(r.kind) ? anyRecord(view, r)?.['title'] : undefined
        return typeof title === 'string' ? (
          <LineButton key={`${r.kind}${r.id}`} className="chip" onClick={() => open(r)}>
            {title}
          </LineButton>
        ) : null
      })}
      {records.length > 8 && <span className="muted">and {records.length - 8} more</span>}
    </>
  )
}

/** Fetched when it is first opened. */
const KeepDialog = laterFrom(
  () => import('./keep-dialog'),
  (m) => m.KeepDialog,
)

function FixButtons({ finding }: { finding: Finding }) {
  const store = useCourseStore()
  const [keeping, setKeeping] = useState(false)
  const designer = store.may('decision')
  const mayFix = finding.fixes.length > 0 && finding.fixes.every((f) => f.steps.every((s) => store.may(kindOfStep(s))))
  if (finding.accepted) {
    return designer ? (
      <Button
        onClick={() =>
          store.edit('reopen-finding', {}, (edit) => edit.remove({ kind: 'decision', id: finding.accepted?.decisionId ?? '' }))
        }
      >
        Open again
      </Button>
    ) : null
  }
  return (
    <>
      {mayFix &&
        finding.fixes.slice(0, 3).map((fix) => (
          <Button key={fix.label} onClick={() => takeFix(store, fix)}>
            {fix.label}
          </Button>
        ))}
      {designer && (
        <Button rank="rest" onClick={() => setKeeping(true)} aria-label={`Keep… ${finding.message}`}>
          Keep…
        </Button>
      )}
      {keeping && <KeepDialog finding={finding} onClose={() => setKeeping(false)} />}
    </>
  )
}

/** A finding in the panel. */
export function FindingCard({ finding }: { finding: Finding }) {
  return (
    <section className={`finding ${finding.accepted ? 'kept' : finding.weight}`}>
      <div className="row" style={{ flexWrap: 'wrap', gap: 6 }}>
        <WeightMark weight={finding.weight} />
        <RecordChips records={finding.records} />
      </div>
      <p>{finding.message}</p>
      {finding.accepted ? (
        <p className="why">
          Kept by {finding.accepted.author}: {finding.accepted.reason}
        </p>
      ) : (
        <p className="why">{finding.why}</p>
      )}
      <div className="acts">
        <FixButtons finding={finding} />
      </div>
    </section>
  )
}

/** A finding directly under the line it is about; `keys`: where that line takes its first fix at Alt+Enter. */
export function FindingLine({ finding, keys }: { finding: Finding; keys?: boolean }) {
  if (finding.accepted) return null
  return (
    <div className={`line-finding ${finding.weight}`}>
      <WeightMark weight={finding.weight} /> {finding.message}
      {finding.fixes.length > 0 && (
        <span className="acts">
          <FixButtons finding={finding} />
          {keys && <kbd>Alt Enter</kbd>}
        </span>
      )}
    </div>
  )
}

/** Many findings of one rule in one module: one card with a list, and a fix for all. */
export function FindingGroupCard({ group }: { group: FindingGroup }) {
  const word = useModuleWord()
  const store = useCourseStore()
  const view = useCourse((s) => s.view)
  const { open } = useGo()
  const [each, setEach] = useState(false)
  const [first] = group.findings
  if (!first) return null
  const index = indexCourse(view)
  const where = group.moduleId === null ? '' : ` in ${word.one} ${index.numberOf(group.moduleId)}`
  const steps = group.fixes.flatMap((f) => f.steps)
  const mayFix = steps.length > 0 && steps.every((s) => store.may(kindOfStep(s)))
  const all = `Take the first fix of all ${group.findings.length}`
  return (
    <section className={`finding ${first.weight}`}>
      <div className="row" style={{ gap: 6 }}>
        <WeightMark weight={first.weight} />
        <b>
          {ruleTitle(group.code)}: {group.findings.length}
          {where}
        </b>
      </div>
      <p className="why">{first.why}</p>
      <ul className="group-list">
        {group.findings.map((f) => (
          <li key={f.key}>
            <LineButton className="plain" onClick={() => f.records[0] && open(f.records[0])}>
              {f.message}
            </LineButton>
            {f.fixes[0] && <span className="muted small"> Fix: {f.fixes[0].label}</span>}
          </li>
        ))}
      </ul>
      {mayFix && (
        <div className="acts">
          <Button
            onClick={() => {
              if (store.edit('apply-fix', { what: ruleTitle(group.code) }, (edit) => applyFix(edit, steps, newId)))
                store.say(`Fixed ${group.findings.length} at once. Ctrl+Z takes it back.`, false)
            }}
          >
            {all}
          </Button>
        </div>
      )}
      <details onToggle={(e) => setEach(e.currentTarget.open)}>
        <summary className="muted">One by one</summary>
        {each && group.findings.map((f) => <FindingCard key={f.key} finding={f} />)}
      </details>
    </section>
  )
}
