/** A sheet on paper to be filled by hand: the labels of its module and activities, with room to write. Drawn for printing alone. */
import { useEffect } from 'react'
import { moduleSheet, type SheetLine } from '../../../core/design/sheet'
import { useCourseData } from '../../store/course-store'

const Room = ({ lines }: { readonly lines: readonly SheetLine[] }) =>
  lines.map(({ label }) => (
    <p key={label} className="blank-line">
      {label}
    </p>
  ))

/** Prints when it is drawn, and says when the browser is done with it. */
export function BlankPage({ id, onDone }: { readonly id: string; readonly onDone: () => void }) {
  const sheet = useCourseData((s) => moduleSheet(s.view, id))
  useEffect(() => {
    window.addEventListener('afterprint', onDone, { once: true })
    window.print()
    return () => window.removeEventListener('afterprint', onDone)
  }, [])
  if (!sheet) return null
  return (
    <section className="scroll-area sheet-page blank-page" aria-label={`Blank sheet of ${sheet.number} ${sheet.title}`}>
      <h2>
        {sheet.word} {sheet.number} {sheet.title}
      </h2>
      <div className="blank-head">
        <Room lines={[...sheet.facts, ...sheet.texts]} />
      </div>
      <h2>Objectives</h2>
      <Room lines={sheet.objectives.map((o) => ({ label: o.number, text: '' }))} />
      {sheet.activities.map((a) => (
        <article key={a.id} className="sheet-block">
          <h3>{a.number}</h3>
          <div className="sheet-columns">
            {a.columns.map((c) => (
              <section key={c.title}>
                <h4>{c.title}</h4>
                <Room lines={c.lines} />
              </section>
            ))}
          </div>
        </article>
      ))}
    </section>
  )
}
