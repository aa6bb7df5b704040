/** Who else is here: a mark for each in the top bar, with where they are in words; and a mark at the line or cell they are in. */
import './frame.css'
import { useEffect, useMemo, useState } from 'react'
import { useLocation } from 'wouter'
import { initialsOf, type Present, peoplePresent } from '../../core/access/presence'
import { anyRecord, type Blueprint } from '../../core/blueprint/blueprint'
import { isKindName, type RecordRef } from '../../core/blueprint/kinds'
import { capital } from '../../core/blueprint/text'
import { recordName } from '../../core/plan/names'
import { MenuButton } from '../parts/menu-button'
import { useCourse } from '../store/course-store'
import { useGo } from '../store/navigation'

const refOf = (place: string | null): RecordRef | null => {
  const [kind, id] = (place ?? '').split(' ')
  return kind && id && isKindName(kind) ? { kind, id } : null
}

/** Where somebody is, in words: `Outcomes, 2b Judge the hazards`. */
function whereText(view: Blueprint, present: Present): string {
  const ref = refOf(present.place)
  const record = ref && anyRecord(view, ref)
  const workspace = present.view ? capital(present.view) : 'the course'
  return record && ref ? `${workspace}, ${recordName(view, ref, record)}` : workspace
}

/** People keep their colour while they are here: of four that stand apart from each other in light and dark. */
const toneOf = (person: string): string => `tone-${[...person].reduce((sum, c) => (sum * 31 + (c.codePointAt(0) ?? 0)) % 9973, 7) % 4}`

function usePeople(): readonly Present[] {
  const present = useCourse((s) => s.present)
  const self = useCourse((s) => s.viewer?.id ?? '')
  return useMemo(() => peoplePresent(present, self), [present, self])
}

export function PresentPeople() {
  const people = usePeople()
  if (people.length === 0) return null
  return <PeopleMarks people={people} />
}

const SHOWN = 4

function PeopleMarks({ people }: { people: readonly Present[] }) {
  const view = useCourse((s) => s.view)
  const { open } = useGo()
  const [, navigate] = useLocation()
  const goTo = (p: Present) => {
    const ref = refOf(p.place)
    if (ref && anyRecord(view, ref)) open(ref)
    else if (p.view) navigate(`/${p.view}`)
  }
  const names = people.map((p) => p.name)
  return (
    <MenuButton
      className="present"
      aria-label={`${people
        .slice(0, SHOWN)
        .map((p) => initialsOf(p.name))
        .join('')}${people.length > SHOWN ? `+${people.length - SHOWN}` : ''}, here now: ${names.join(', ')}`}
      data-tip={`Here now: ${names.join(', ')}`}
      entries={() => people.map((p) => ({ key: p.person, label: <Person present={p} where={whereText(view, p)} />, run: () => goTo(p) }))}
    >
      {people.slice(0, SHOWN).map((p) => (
        <span key={p.person} className={`avatar ${toneOf(p.person)}`} aria-hidden>
          {initialsOf(p.name)}
        </span>
      ))}
      {people.length > SHOWN && <span className="muted">+{people.length - SHOWN}</span>}
    </MenuButton>
  )
}

const Person = ({ present, where }: { present: Present; where: string }) => (
  <>
    <span className={`avatar ${toneOf(present.person)}`} aria-hidden style={{ marginRight: 10 }}>
      {initialsOf(present.name)}
    </span>
    <span>
      {present.name}, {present.role}
      <br />
      <span className="muted small">{where}</span>
    </span>
  </>
)

type Mark = { readonly key: string; readonly tone: string; readonly initials: string; readonly box: DOMRect }

function findMarks(people: readonly Present[]): Mark[] {
  const work = document.getElementById('work')
  if (!work) return []
  const frame = work.getBoundingClientRect()
  return people.flatMap((p): Mark[] => {
    if (!p.place) return []
    const record = work.querySelector<HTMLElement>(`[data-record="${CSS.escape(p.place)}"]`)
    const field =
      p.field && record?.querySelector<HTMLElement>(`[data-field="${CSS.escape(p.field)}"],[aria-label="${CSS.escape(p.field)}"]`)
    const box = (field || record)?.getBoundingClientRect()
    if (!box || box.bottom < frame.top + 30 || box.top > frame.bottom || box.width === 0) return []
    return [{ key: p.window, tone: toneOf(p.person), initials: initialsOf(p.name), box }]
  })
}

const sameMarks = (a: readonly Mark[], b: readonly Mark[]): boolean =>
  a.length === b.length &&
  a.every((m, i) => {
    const n = b[i]
    return (
      n !== undefined &&
      m.key === n.key &&
      m.box.left === n.box.left &&
      m.box.top === n.box.top &&
      m.box.width === n.box.width &&
      m.box.height === n.box.height
    )
  })

/** Marks over the work: drawn beside it, so that no line is drawn anew when somebody moves. */
export function PresenceMarks() {
  const people = usePeople()
  const view = useCourse((s) => s.view)
  const [location] = useLocation()
  const [marks, setMarks] = useState<readonly Mark[]>([])
  useEffect(() => {
    if (people.length === 0) return setMarks([])
    let frame = 0
    const place = () => {
      cancelAnimationFrame(frame)
      frame = requestAnimationFrame(() => {
        const found = findMarks(people)
        setMarks((shown) => (sameMarks(shown, found) ? shown : found))
      })
    }
    place()
    const work = document.getElementById('work')
    const resized = new ResizeObserver(place)
    // Whatever comes, goes, opens or grows in the work moves what stands below it.
    const altered = new MutationObserver(place)
    if (work) {
      resized.observe(work)
      altered.observe(work, { subtree: true, childList: true, characterData: true, attributeFilter: ['open', 'hidden', 'class', 'style'] })
    }
    window.addEventListener('scroll', place, true)
    return () => {
      cancelAnimationFrame(frame)
      resized.disconnect()
      altered.disconnect()
      window.removeEventListener('scroll', place, true)
    }
  }, [people, view, location])
  if (marks.length === 0) return null
  return (
    <div className="presence-marks" aria-hidden>
      {marks.map(({ key, tone, initials, box }) => (
        <span key={key} className={tone} style={{ left: box.left, top: box.top, width: box.width, height: box.height }}>
          <i>{initials}</i>
        </span>
      ))}
    </div>
  )
}
