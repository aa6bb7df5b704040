/** What a record is linked with, both ways: what it belongs to, and what refers to it, by kind. */

import { Button } from '../parts/button'
import { LineButton } from '../parts/line-button'
import '../parts/findings.css'
import { anyRecord, type Blueprint, recordMap } from '../../core/blueprint/blueprint'
import { type AnyRecord, type KindName, nounsOf, type RecordRef, refsOf, refsTo, specOf } from '../../core/blueprint/kinds'
import { capital } from '../../core/blueprint/text'
import { countOf } from '../../core/numbers'
import { recordName, shortName } from '../../core/plan/names'
import { useAsked } from '../store/asked'
import { useCourse } from '../store/course-store'
import { useGo } from '../store/navigation'

/** So many of one kind are named; the others are counted (Cairn default). */
const NAMED = 12

type Linked = { readonly kind: KindName; readonly records: readonly RecordRef[] }

/** The other ends of links, and what refers to the record directly, by their kind. */
function linksOf(view: Blueprint, ref: RecordRef): readonly Linked[] {
  const groups = new Map<KindName, RecordRef[]>()
  const put = (found: RecordRef) => groups.set(found.kind, [...(groups.get(found.kind) ?? []), found])
  for (const { kind, field } of refsTo(ref.kind))
    for (const record of recordMap(view, kind).values()) {
      if (record[field] !== ref.id) continue
      const spec = specOf(kind)
      if ((spec.ends?.length ?? 0) < 2) put({ kind, id: record.id })
      else for (const other of othersOf(kind, record, field)) put(other)
    }
  return [...groups].map(([kind, records]) => ({ kind, records }))
}

const othersOf = (kind: RecordRef['kind'], record: AnyRecord, field: string): RecordRef[] =>
  refsOf(kind).flatMap((r) =>
    r.field === field || typeof record[r.field] !== 'string' ? [] : [{ kind: r.to, id: String(record[r.field]) }],
  )

/** The record that it belongs to. */
function ownersOf(view: Blueprint, ref: RecordRef): RecordRef[] {
  const record = anyRecord(view, ref)
  return refsOf(ref.kind).flatMap((r) =>
    record && typeof record[r.field] === 'string' && (r.spec.onRemove === 'remove' || specOf(ref.kind).ends?.includes(r.field))
      ? [{ kind: r.to, id: String(record[r.field]) }]
      : [],
  )
}

export function RecordLinks({ kind, id, besideOwnPart }: RecordRef & { readonly besideOwnPart: boolean }) {
  const view = useCourse((s) => s.view)
  const asked = useAsked(refsTo(kind).map((r) => r.kind))
  const owners = ownersOf(view, { kind, id })
  // What a kind's own part tells is not told again.
  const links = besideOwnPart ? [] : linksOf(view, { kind, id })
  if (owners.length + links.length === 0 && asked.state === 'here') return null
  return (
    <section className="finding" aria-label="Linked with">
      {owners.length > 0 && !besideOwnPart && <Group view={view} heading={specOf(kind).ends ? 'Between' : 'Belongs to'} records={owners} />}
      {asked.state === 'coming' && <p className="muted small">More is on its way …</p>}
      {asked.state === 'failed' && (
        <p className="muted small" role="alert">
          Not all that is linked with it could be fetched.{' '}
          <Button rank="rest" onClick={asked.again}>
            Try again
          </Button>
        </p>
      )}
      {links.map((l) => (
        <Group
          key={l.kind}
          view={view}
          heading={capital(countOf(l.records.length, specOf(l.kind).noun, nounsOf(l.kind)))}
          records={l.records}
        />
      ))}
    </section>
  )
}

function Group({ view, heading, records }: { readonly view: Blueprint; readonly heading: string; readonly records: readonly RecordRef[] }) {
  const { open } = useGo()
  return (
    <>
      <div className="muted small">{heading}</div>
      <div className="row" style={{ flexWrap: 'wrap', gap: 4, marginBottom: 6 }}>
        {records.slice(0, NAMED).map((ref) => {
          const record = anyRecord(view, ref)
          if (!record) return null
          return (
            <LineButton
              key={`${ref.kind} ${ref.id}`}
              className="chip"
              tip={recordName(view, ref, record)}
              aria-label={`${specOf(ref.kind).noun} ${recordName(view, ref, record)}`}
              onClick={() => open(ref)}
            >
              {shortName(view, ref, record)}
            </LineButton>
          )
        })}
        {records.length > NAMED && <span className="muted">and {records.length - NAMED} more</span>}
      </div>
    </>
  )
}
