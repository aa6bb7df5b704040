/** What could not be written: both values, and the choice between them. Nothing is lost until somebody chose. */
import { anyRecord } from '../../core/blueprint/blueprint'
import { isKindName, specOf } from '../../core/blueprint/kinds'
import { indexCourse } from '../../core/blueprint/plan-index'
import { type RichText, richToPlain } from '../../core/blueprint/rich-text'
import { useCourse, useCourseStore } from '../store/course-store'
import type { ConflictEntry } from '../store/session'

function valueText(value: unknown): string {
  if (value === null || value === undefined) return 'empty'
  if (typeof value === 'object' && (value as RichText).type === 'doc') return richToPlain(value as RichText).slice(0, 200)
  if (Array.isArray(value)) return value.join(', ')
  if (typeof value === 'object')
    return String(
      (value as { title?: string; statement?: string }).title ?? (value as { statement?: string }).statement ?? JSON.stringify(value),
    )
  return String(value)
}

export function Conflicts() {
  const conflicts = useCourse((s) => s.session.conflicts)
  const view = useCourse((s) => s.view)
  const store = useCourseStore()
  if (conflicts.length === 0) return null
  const index = indexCourse(view)
  const nameOf = (c: ConflictEntry) => `${isKindName(c.kind) ? specOf(c.kind).noun : c.kind} ${index.numberOf(c.id)}`.trim()
  return (
    <section className="conflicts" aria-labelledby="conflicts-title">
      <h2 id="conflicts-title">
        Conflicts: {conflicts.length === 1 ? 'one value was' : `${conflicts.length} values were`} changed by somebody else meanwhile
      </h2>
      <table>
        <thead>
          <tr>
            <th scope="col">Where</th>
            <th scope="col">Yours</th>
            <th scope="col">Theirs</th>
            <th scope="col">
              <span className="visually-hidden">Choose</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {conflicts.map((c) => {
            const stored = anyRecord(view, c)
            const gone = stored === undefined && c.operation.op !== 'create'
            return (
              <tr key={c.key}>
                <td>
                  {nameOf(c)}
                  {c.field ? `, ${c.field}` : ''}
                </td>
                <td>{c.operation.op === 'remove' ? 'removed' : valueText(c.wanted)}</td>
                <td>
                  {gone ? 'removed' : valueText(c.field ? stored?.[c.field] : stored)}
                  {c.author && <span className="muted"> ({c.author})</span>}
                </td>
                <td>
                  <span className="row">
                    {gone ? (
                      <button type="button" className="btn main" onClick={() => store.bringBack(c)}>
                        Bring it back with mine
                      </button>
                    ) : (
                      <button type="button" className="btn main" onClick={() => store.takeMine(c)}>
                        Use mine
                      </button>
                    )}
                    <button type="button" className="btn" onClick={() => store.keepTheirs(c)}>
                      Keep theirs
                    </button>
                  </span>
                </td>
              </tr>
            )
          })}
        </tbody>
      </table>
    </section>
  )
}
