/**
 * What could not be written: both values side by side, and the choice between them, one by one or all at once, or a third put
 * together by hand. And what cannot be sent any more, as text. Nothing is lost until somebody chose.
 */
import { Button } from '../parts/button'
import './frame.css'
import { diffWordsWithSpace } from 'diff'
import { useLayoutEffect, useState } from 'react'
import { Link } from 'wouter'
import { anyRecord, type Blueprint } from '../../core/blueprint/blueprint'
import { fieldText, isTypedField, readField } from '../../core/blueprint/field-text'
import { type AnyRecord, fieldOf, type RecordRef, specOf } from '../../core/blueprint/kinds'
import { removalOf } from '../../core/blueprint/removal'
import type { RichText } from '../../core/blueprint/rich-text'
import { capital } from '../../core/blueprint/text'
import { fieldTitle, wholeValueText } from '../../core/history/describe'
import { belongs } from '../../core/history/touches'
import { countOf } from '../../core/numbers'
import { recordName, shortName } from '../../core/plan/names'
import { SelectInput, TextInput } from '../parts/input'
import { RichField } from '../parts/rich-field'
import { type ConflictEntry, differingFields, goingWith, needsBack } from '../store/conflict-entries'
import { useCourse, useCourseStore } from '../store/course-store'
import { useNonce } from './nonce'
import { DraftList, UnsentList } from './unsent-list'

/** Beyond this many characters two texts are shown without marking what differs. */
const MOST_MARKED = 20_000

/** So many are shown at a time; all of them can be settled together. */
const MOST_SHOWN = 50

export function Conflicts() {
  const conflicts = useCourse((s) => s.session.conflicts)
  const unsent = useCourse((s) => s.unsent)
  const drafts = useCourse((s) => s.leftDrafts)
  const view = useCourse((s) => s.view)
  const store = useCourseStore()
  const [shownMost, setShownMost] = useState(MOST_SHOWN)
  const shown = conflicts.length + unsent.length + drafts.length
  const title = conflicts.length > 0 ? 'conflicts-title' : unsent.length > 0 ? 'unsent-title' : 'drafts-title'
  // It pushes the work down: where somebody is typing stays in sight.
  useLayoutEffect(() => {
    const at = document.activeElement
    if (!at?.matches('#work *') || at.closest('.conflicts')) return
    // The notice of it stands at the foot.
    if (at.getBoundingClientRect().bottom > window.innerHeight - 80) at.scrollIntoView({ block: 'center' })
  }, [shown])
  return (
    <section className="conflicts" aria-labelledby={title}>
      {conflicts.length > 0 && (
        <>
          <div className="row">
            <h2 id="conflicts-title">
              Conflicts: {conflicts.length === 1 ? 'one value was' : `${conflicts.length} values were`} changed by somebody else meanwhile
            </h2>
            <span className="grow" />
            {conflicts.length > 1 && (
              <>
                <Button onClick={() => store.takeMine(conflicts)}>Use all of mine</Button>
                <Button onClick={() => store.keepTheirs(conflicts)}>Keep all of theirs</Button>
              </>
            )}
          </div>
          <ul>
            {conflicts.slice(0, shownMost).map((c) => (
              <Conflict key={c.key} entry={c} view={view} />
            ))}
          </ul>
          {conflicts.length > shownMost && (
            <Button onClick={() => setShownMost(shownMost + MOST_SHOWN)}>
              {countOf(conflicts.length - shownMost, 'more value')}: show
            </Button>
          )}
        </>
      )}
      {unsent.length > 0 && <UnsentList unsent={unsent} view={view} />}
      {drafts.length > 0 && <DraftList drafts={drafts} />}
    </section>
  )
}

/** A record as it was when somebody else removed it. */
const asRemoved = ({ removals }: ConflictEntry, ref: RecordRef): AnyRecord | undefined =>
  removals.flat().flatMap((o) => (o.op === 'remove' && o.kind === ref.kind && o.record.id === ref.id ? [o.record] : []))[0]

/** A removed record in words: its number went with it. */
function removedName(entry: ConflictEntry, ref: RecordRef, view: Blueprint): string {
  const record = asRemoved(entry, ref)
  const noun = specOf(ref.kind).noun
  const name = record && recordName(view, ref, record)
  return name && name !== noun ? `${noun} “${name}”` : noun
}

/** At most so many records that stand in the way are named. */
const MOST_NAMED = 4

/** What stands against a removal: what is there, and what somebody else did in it. */
function stillThere(entry: ConflictEntry, stored: AnyRecord, view: Blueprint): string {
  const clashes = entry.clashes.flatMap((ref) => {
    const record = anyRecord(view, ref)
    return record && record !== stored && belongs(ref.kind, record, entry, view) ? [recordName(view, ref, record)] : []
  })
  const more = clashes.length - MOST_NAMED
  const named = [...clashes.slice(0, MOST_NAMED), ...(more > 0 ? [`${more} more`] : [])].join('; ')
  return `${recordName(view, entry, stored)}${named ? `, with what was changed or added in it: ${named}` : ', changed meanwhile'}`
}

/** What a person wanted, and what the plan says, in words. */
function sidesOf(entry: ConflictEntry, view: Blueprint): { where: string; mine: string; theirs: string } {
  const { operation, field, along } = entry
  const missing = entry.missing.find((ref) => !anyRecord(view, ref))
  const noun = specOf(entry.kind).noun
  const stored = anyRecord(view, entry)
  const record = stored ?? (operation.op === 'update' ? asRemoved(entry, entry) : operation.record)
  const short = record ? shortName(view, entry, record) : noun
  const place = record ? recordName(view, entry, record) : noun
  const named = short.startsWith(noun) ? short : stored ? `${noun} ${short}` : `${noun} “${short}”`
  const gone = missing ? `${removedName(entry, missing, view)} was removed` : null
  if (field !== null)
    return {
      where: capital(`${named}: ${fieldTitle(field, entry.kind)}`),
      mine: wholeValueText(view, entry.kind, field, entry.wanted),
      theirs: gone ?? (stored ? wholeValueText(view, entry.kind, field, stored[field]) : 'removed'),
    }
  if (operation.op === 'remove') {
    const rest = removalOf(view, goingWith(entry)).filter((o) => o.op === 'remove').length - 1
    return {
      where: capital(named),
      mine: rest > 0 ? `removed, with ${countOf(rest, 'record')} in it` : 'removed',
      theirs: stored ? stillThere(entry, stored, view) : `removed, without ${countOf(rest + 1, 'record')} of yours`,
    }
  }
  if (stored) {
    // Both made the same one: what differs in it.
    const wanted = entry.wanted as AnyRecord
    const say = (r: AnyRecord) =>
      differingFields(entry.kind, stored, wanted)
        .map((f) => `${fieldTitle(f, entry.kind)} ${wholeValueText(view, entry.kind, f, r[f])}`)
        .join('; ')
    return { where: capital(named), mine: say(wanted), theirs: say(stored) }
  }
  return {
    where: capital(`new ${noun}`),
    mine: along.length > 0 ? `${place}, with ${countOf(along.length, 'record')} made with it` : place,
    theirs: gone ?? 'not there',
  }
}

function Conflict({ entry, view }: { entry: ConflictEntry; view: Blueprint }) {
  const store = useCourseStore()
  const [byHand, setByHand] = useState(false)
  const { where, mine, theirs } = sidesOf(entry, view)
  const gone = needsBack(view, entry)
  const lost = gone && entry.removals.length === 0
  const from = entry.missing.find((ref) => !anyRecord(view, ref)) ?? entry
  const asText = entry.field !== null && ['text', 'rich'].includes(fieldOf(entry.kind, entry.field).type) && !gone
  return (
    <li aria-label={where}>
      <h3>{where}</h3>
      <div className="sides">
        <div>
          <b>Yours</b>
          <p>{asText ? <Marked from={theirs} to={mine} /> : mine}</p>
        </div>
        <div>
          <b>{entry.author ? `Theirs (${entry.author})` : 'Theirs'}</b>
          <p>{asText ? <Marked from={mine} to={theirs} /> : theirs}</p>
          {lost && <p className="muted">It went before this window looked. The history can bring it back; yours waits here.</p>}
          {gone && !lost && !store.mayTake(entry) && <p className="muted">A designer can bring it back; yours waits here until then.</p>}
        </div>
        <div className="acts">
          {!lost && store.mayTake(entry) && (
            <Button rank="main" onClick={() => store.takeMine([entry])}>
              {gone ? 'Bring it back with mine' : 'Use mine'}
            </Button>
          )}
          {gone && (
            <Link className="btn" href={`/history?at=${from.kind}:${encodeURIComponent(from.id)}`}>
              See its history
            </Link>
          )}
          <Button onClick={() => store.keepTheirs([entry])}>Keep theirs</Button>
          {!gone && entry.field !== null && fieldOf(entry.kind, entry.field).type !== 'ref' && (
            <Button aria-expanded={byHand} onClick={() => setByHand(!byHand)}>
              By hand
            </Button>
          )}
        </div>
      </div>
      {byHand && entry.field !== null && !gone && (
        <ByHand entry={entry} field={entry.field} label={`${where}, by hand`} close={() => setByHand(false)} />
      )}
    </li>
  )
}

/** `to`, with what `from` has not marked. */
function Marked({ from, to }: { from: string; to: string }) {
  if (from.length + to.length > MOST_MARKED) return <>{to}</>
  return (
    <>
      {diffWordsWithSpace(from, to)
        .filter((part) => !part.removed)
        .map((part, i) => (part.added ? <mark key={`${i} ${part.value}`}>{part.value}</mark> : part.value))}
    </>
  )
}

/** An editor for the third value, which begins as one's own. */
function ByHand({ entry, field, label, close }: { entry: ConflictEntry; field: string; label: string; close: () => void }) {
  const store = useCourseStore()
  const nonce = useNonce()
  const spec = fieldOf(entry.kind, field)
  const [text, setText] = useState(() => (isTypedField(spec) ? fieldText(spec, entry.wanted) : ''))
  const [value, setValue] = useState<unknown>(entry.wanted)
  const [problem, setProblem] = useState<string | null>(null)
  const take = () => {
    if (!isTypedField(spec)) return store.takeByHand(entry, value)
    const read = readField(spec, text)
    if (read.ok) store.takeByHand(entry, read.value)
    else setProblem(read.error)
  }
  return (
    <div className="by-hand">
      {spec.type === 'rich' ? (
        <RichField label={label} value={entry.wanted as RichText | null} nonce={nonce} readOnly={false} onCommit={setValue} />
      ) : spec.type === 'enum' ? (
        <SelectInput
          label={label}
          value={String(value ?? '')}
          options={[...(spec.optional ? [{ value: '', label: 'nothing' }] : []), ...spec.values.map((v) => ({ value: v, label: v }))]}
          onChoose={(v) => setValue(v === '' ? null : v)}
        />
      ) : spec.type === 'bool' ? (
        <SelectInput
          label={label}
          value={value ? 'yes' : 'no'}
          options={[
            { value: 'yes', label: 'yes' },
            { value: 'no', label: 'no' },
          ]}
          onChoose={(v) => setValue(v === 'yes')}
        />
      ) : isTypedField(spec) ? (
        <TextInput
          label={label}
          multiline
          minRows={2}
          autoFocus
          value={text}
          error={problem}
          onChange={(e) => {
            setText(e.target.value)
            setProblem(null)
          }}
        />
      ) : (
        <p className="muted">This value is chosen where it stands: keep theirs, then change it there.</p>
      )}
      <div className="row">
        <Button rank="main" onClick={take}>
          Use this
        </Button>
        <Button onClick={close}>Not by hand</Button>
      </div>
    </div>
  )
}
