/** What a design sheet holds of a record, in sections that fold; Alt and a digit goes to one. */
import ExpandIcon from '@mui/icons-material/ExpandMore'
import Accordion from '@mui/material/Accordion'
import AccordionDetails from '@mui/material/AccordionDetails'
import AccordionSummary from '@mui/material/AccordionSummary'
import { useEffect, useLayoutEffect, useRef, useState } from 'react'
import { type AnyRecord, fieldOf } from '../../core/blueprint/kinds'
import { entriesTold } from '../../core/design/entries-told'
import { entriesOf, entryList, type ListOwner } from '../../core/design/entry-lists'
import { hasContent, type SheetSection, sheetSectionsOf } from '../../core/design/sheet-sections'
import { FieldControl } from '../parts/field-control'
import { focusFirstIn } from '../parts/focus'
import { EntryTable } from '../parts/grid/entry-table'
import { useCourse } from '../store/course-store'
import { WorkProposals } from './work-proposals'

type Props = { readonly kind: ListOwner; readonly record: AnyRecord; readonly what: string }
/** A wish to be in a section, new with every press of its keys. */
type Wanted = { readonly place: number }

export function Sections({ kind, record, what }: Props) {
  const sections = sheetSectionsOf(kind)
  const [wanted, setWanted] = useState<Wanted | null>(null)
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const digit = /^(?:Digit|Numpad)([1-9])$/.exec(event.code)?.[1]
      if (!digit || !event.altKey || event.ctrlKey || event.metaKey || event.shiftKey || Number(digit) > sections.length) return
      event.preventDefault()
      setWanted({ place: Number(digit) - 1 })
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [sections])
  return sections.map((section, place) => (
    <Section
      key={section.key}
      section={section}
      place={place}
      wanted={wanted?.place === place ? wanted : null}
      kind={kind}
      record={record}
      what={what}
    />
  ))
}

type SectionProps = Props & { readonly section: SheetSection; readonly place: number; readonly wanted: Wanted | null }

function Section({ section, place, wanted, kind, record, what }: SectionProps) {
  const filled = useCourse((s) => hasContent(s.view, kind, section, record))
  // What a finding asks for stands open.
  const asked = useCourse(
    (s) =>
      s.byRecord
        .get(`${kind} ${record.id}`)
        ?.some((f) => f.accepted === null && [...section.fields, ...section.lists].includes(f.field ?? '')) ?? false,
  )
  const [open, setOpen] = useState(filled || asked)
  const body = useRef<HTMLDivElement>(null)
  // Before the next key comes: what is typed then belongs into the section.
  useLayoutEffect(() => {
    if (wanted) setOpen(true)
  }, [wanted])
  useLayoutEffect(() => {
    if (wanted && open) focusFirstIn(body.current)
  }, [wanted, open])
  return (
    <Accordion
      className="fold sheet-section"
      disableGutters
      elevation={0}
      expanded={open}
      onChange={(_, now) => setOpen(now)}
      slotProps={{ heading: { component: 'div' }, transition: { timeout: 0 }, region: { role: 'group', 'aria-label': section.title } }}
    >
      <AccordionSummary expandIcon={<ExpandIcon />} aria-keyshortcuts={`Alt+${place + 1}`}>
        <b>{section.title}</b>
        <span className="muted small section-key">{filled ? '' : 'empty'}</span>
        <span className="muted small">Alt+{place + 1}</span>
      </AccordionSummary>
      <AccordionDetails ref={body}>{open && <SectionBody kind={kind} record={record} what={what} section={section} />}</AccordionDetails>
    </Accordion>
  )
}

/** The fields and lists of a section, all of them to be written. */
export function SectionBody({ kind, record, what, section }: Props & { readonly section: SheetSection }) {
  return (
    <>
      {section.fields.map((name) => (
        <FieldControl key={name} kind={kind} record={record} name={name} field={fieldOf(kind, name)} what={what} />
      ))}
      {kind === 'activity' && section.key === 'work' && <WorkProposals id={record.id} />}
      {section.lists.map((list) => (
        <Entries key={list} owner={kind} kind={list} ownerId={record.id} alone={section.lists.length + section.fields.length === 1} />
      ))}
    </>
  )
}

type EntriesProps = {
  readonly owner: ListOwner
  readonly kind: SheetSection['lists'][number]
  readonly ownerId: string
  /** Nothing else stands in its section, which has its title. */
  readonly alone: boolean
}

function Entries({ owner, kind, ownerId, alone }: EntriesProps) {
  const list = entryList(owner, kind)
  const told = useCourse((s) => entriesTold(s.view, list, ownerId))
  const count = useCourse((s) => entriesOf(s.view, list, ownerId).length)
  return (
    <div className="entries">
      {(!alone || told !== '') && (
        <div className="muted small">
          {[alone ? '' : list.title, count > 0 && !list.isFixed ? String(count) : '', told].filter(Boolean).join(' · ')}
        </div>
      )}
      <EntryTable list={list} ownerId={ownerId} label={list.title} />
    </div>
  )
}
