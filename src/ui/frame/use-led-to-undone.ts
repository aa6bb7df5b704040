/** After a step was taken back or done again, the view goes to what it changed, where that is not in sight. */
import { useEffect } from 'react'
import { anyRecord, type Blueprint } from '../../core/blueprint/blueprint'
import { type Operation, operationId } from '../../core/blueprint/change'
import { isKindName, type RecordRef, refsOf, specOf } from '../../core/blueprint/kinds'
import { kindView } from '../kind-views'
import { useCourse, useCourseStore } from '../store/course-store'
import { useGo } from '../store/navigation'

/** So many records of a step are looked for in the view. */
const LOOKED_AT = 40

/** The records of a step that can be shown: a link stands where its ends do, what is gone nowhere. */
function shownOf(operations: readonly Operation[], plan: Blueprint): RecordRef[] {
  return operations.slice(0, LOOKED_AT).flatMap((o): RecordRef[] => {
    if (!isKindName(o.kind)) return []
    const own = { kind: o.kind, id: operationId(o) }
    const record = anyRecord(plan, own) ?? (o.op === 'update' ? undefined : o.record)
    if (!record) return []
    const ends = specOf(o.kind).ends ? refsOf(o.kind).map(({ field, to }) => ({ kind: to, id: String(record[field] ?? '') })) : [own]
    return ends.filter((ref) => anyRecord(plan, ref))
  })
}

const isInSight = (element: HTMLElement): boolean => {
  const { top, bottom } = element.getBoundingClientRect()
  return element.offsetParent !== null && bottom > 0 && top < window.innerHeight
}
const placesOf = ({ kind, id }: RecordRef): HTMLElement[] => [
  ...document.querySelectorAll<HTMLElement>(`#work [data-record="${CSS.escape(`${kind} ${id}`)}"], #work [data-row="${CSS.escape(id)}"]`),
]

export function useLedToUndone(view: string): void {
  const store = useCourseStore()
  const step = useCourse((s) => s.tookBack)
  const { select, open } = useGo()
  useEffect(() => {
    if (!step) return
    const refs = shownOf(step.operations, store.state.view)
    const places = refs.flatMap(placesOf)
    const [first] = refs
    if (!first || places.some(isInSight)) return
    if (places[0]) places[0].scrollIntoView({ block: 'center' })
    else if (kindView(first.kind).workspace === view) select(first)
    // What was done here is seen here, in whatever way this view shows it.
    else if (step.madeIn !== window.location.pathname) open(first)
  }, [step])
}
