/**
 * Details of what is selected, whatever its kind: its own part where the kind has one, then every other field with the control of
 * its type, what it is linked with both ways, its findings, and what was changed here.
 */
import '../parts/findings.css'
import './details.css'
import { Link } from 'wouter'
import { anyRecord, refKey } from '../../core/blueprint/blueprint'
import { fieldsOf, isKindName, type RecordRef, specOf } from '../../core/blueprint/kinds'
import { capital } from '../../core/blueprint/text'
import type { ListOwner } from '../../core/design/entry-lists'
import { sheetSectionsOf } from '../../core/design/sheet-sections'
import { recordName, standsWith } from '../../core/plan/names'
import { kindView } from '../kind-views'
import { Button } from '../parts/button'
import { FieldControl } from '../parts/field-control'
import { FindingCard } from '../parts/findings'
import { laterFrom } from '../parts/later'
import { useCourse, useMay } from '../store/course-store'
import { useGo, useSelected } from '../store/navigation'
import { RecordLinks } from './record-links'
import { Sections } from './sections'
import { UnknownFields } from './unknown-fields'

export function Details() {
  const selected = useSelected()
  const shown = useCourse((s) => {
    const ref = selected && standsWith(s.view, selected)
    return ref && refKey(ref)
  })
  if (!selected) return <p className="empty">Select a row, a line or a number to see what it rests on and where it is used.</p>
  if (!shown) return <Gone {...selected} />
  const [kind, id] = shown.split(' ') as [RecordRef['kind'], string]
  return <RecordDetails key={shown} kind={kind} id={id} />
}

const Changes = ({ kind, id }: RecordRef) => (
  <Link className="btn more-of" href={`/history?at=${kind}:${encodeURIComponent(id)}`}>
    What was changed here
  </Link>
)

/** What was removed, or never was: an old link leads to it. */
const Gone = (ref: RecordRef) => (
  <>
    <p className="empty">This {specOf(ref.kind).noun} is not in the plan. If it was removed, the history has it.</p>
    <Changes {...ref} />
  </>
)

function RecordDetails({ kind, id }: RecordRef) {
  const record = useCourse((s) => anyRecord(s.view, { kind, id }))
  const name = useCourse((s) => (record ? recordName(s.view, { kind, id }, record) : ''))
  const findings = useCourse((s) => s.byRecord.get(`${kind} ${id}`))
  const isMember = useMay('comment.read')
  if (!record) return null
  const spec = specOf(kind)
  const { details } = kindView(kind)
  const Own = details?.part
  const inSections = sheetSectionsOf(kind).flatMap((s) => s.fields)
  const rest = fieldsOf(kind).filter(
    ([field, f]) => f.type !== 'order' && ![...(details?.shows ?? []), ...inSections, ...(spec.ends ?? [])].includes(field),
  )
  return (
    <>
      {Own && <Own id={id} />}
      {(!Own || rest.length > 0) && (
        <section className="finding" aria-label={`Fields of ${name}`}>
          {!Own && (
            <div style={{ marginBottom: 8 }}>
              <span className="muted small">{capital(spec.noun)}</span>
              <div>
                <b>{name}</b>
              </div>
            </div>
          )}
          {rest.map(([field, f]) => (
            <FieldControl key={field} kind={kind} record={record} name={field} field={f} what={name} />
          ))}
          {!isKindName(kind) && <UnknownFields record={record} />}
        </section>
      )}
      {inSections.length > 0 && <Sections kind={kind as ListOwner} record={record} what={name} />}
      <RecordLinks kind={kind} id={id} besideOwnPart={Own !== undefined} />
      {findings?.map((f) => (
        <FindingCard key={f.key} finding={f} />
      ))}
      <ReviewInDetails kind={kind} id={id} />
      {isMember && <Comments />}
      {isMember && <Changes kind={kind} id={id} />}
    </>
  )
}

const ReviewInDetails = laterFrom(
  () => import('../review/in-details'),
  (m) => m.ReviewInDetails,
)

/** To what is said about the record, in the same panel. */
function Comments() {
  const { panel } = useGo()
  return (
    <Button rank="rest" className="more-of" onClick={() => panel('comments')}>
      Comments
    </Button>
  )
}
