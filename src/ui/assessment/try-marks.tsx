/** Marks tried for one learner: what they come to, and what is still needed. They are in no plan. */
import { capital } from '../../core/blueprint/text'
import { Button } from '../parts/button'
import './assessment.css'
import type { ReactNode } from 'react'
import { courseOf } from '../../core/blueprint/blueprint'
import { type GradedItem, gradeTable } from '../../core/grading/grade-table'
import { roundedPercent } from '../../core/grading/scale'
import { gradeLine, tryMarks } from '../../core/grading/try-marks'
import { formatHundredths, readHundredths } from '../../core/numbers'
import { DraftField } from '../parts/draft-field'
import { useCourse } from '../store/course-store'

/** A mark as typed: points where the work has points, `85 %` always. Null when it is none. */
function markOf(text: string, item: GradedItem): number | null {
  const value = readHundredths(text)
  if (value === null) return null
  if (/%\s*$/.test(text) || item.points === 0) return value <= 100_00 ? value : null
  return value <= item.points ? Math.round((value * 100_00) / item.points) : null
}

export function TryMarks({
  views,
  texts,
  setTexts,
}: {
  views: ReactNode
  texts: ReadonlyMap<string, string>
  setTexts: (texts: ReadonlyMap<string, string>) => void
}) {
  const view = useCourse((s) => s.view)
  const table = gradeTable(view)
  const items = table.rows.flatMap((r) => r.items)
  const marks = new Map(
    items.flatMap((i) => {
      const text = texts.get(i.activity.id)
      const mark = text === undefined ? null : markOf(text, i)
      return mark === null ? [] : [[i.activity.id, mark] as const]
    }),
  )
  const tried = tryMarks(view, marks)
  const fill = (percent: number) => setTexts(new Map(items.map((i) => [i.activity.id, texts.get(i.activity.id) ?? `${percent} %`])))
  return (
    <div className="work">
      <div className="bar">
        <h1 className="visually-hidden">Try marks</h1>
        {views}
        <span className="muted small">for one learner; kept in this tab alone</span>
        <span className="grow" />
        <Button disabled={items.length === 0} onClick={() => fill(75)}>
          Fill the rest with 75 %
        </Button>
        <Button disabled={texts.size === 0} onClick={() => setTexts(new Map())}>
          Clear
        </Button>
      </div>
      <div className="scroll-area">
        {items.length === 0 ? (
          <p className="empty">Once something is graded, marks can be tried here: what they come to, and what is needed for each letter.</p>
        ) : (
          <div className="try-cols">
            <table className="sheet">
              <thead>
                <tr>
                  <th scope="col">Work</th>
                  <th scope="col" className="r" style={{ width: 110 }}>
                    Of the grade
                  </th>
                  <th scope="col" className="r" style={{ width: 150 }}>
                    Mark
                  </th>
                </tr>
              </thead>
              <tbody>
                {table.rows.map((row) => (
                  <Rows
                    key={row.category?.id ?? 'none'}
                    heading={row.category?.title ?? (table.mode === 'by-points' ? 'All graded work' : 'In no category')}
                    items={row.items}
                    dropped={tried.dropped}
                    texts={texts}
                    setTexts={setTexts}
                  />
                ))}
              </tbody>
            </table>
            <Outcome tried={tried} places={courseOf(view).gradePlaces} />
          </div>
        )}
      </div>
    </div>
  )
}

function Rows({
  heading,
  items,
  dropped,
  texts,
  setTexts,
}: {
  heading: string
  items: readonly GradedItem[]
  dropped: readonly string[]
  texts: ReadonlyMap<string, string>
  setTexts: (texts: ReadonlyMap<string, string>) => void
}) {
  return (
    <>
      <tr className="group">
        <th scope="row">{heading}</th>
        <td />
        <td />
      </tr>
      {items.map((item) => {
        const id = item.activity.id
        return (
          <tr key={id} className="item">
            <th scope="row">
              {item.number} {item.activity.title}
              {item.extra !== null && <span className="tag">extra credit</span>}
              {dropped.includes(id) && <span className="tag">dropped</span>}
            </th>
            <td className="r">
              {item.extra === null ? `${formatHundredths(item.effective, 2)} %` : `+ ${formatHundredths(item.extra, 2)} %`}
            </td>
            <td className="r">
              <DraftField
                label={`Mark of ${item.number}`}
                hideLabel
                right
                value={texts.get(id) ?? ''}
                placeholder={item.points > 0 ? `of ${formatHundredths(item.points)}` : '%'}
                onCommit={(text) => {
                  const next = new Map(texts)
                  if (text.trim() === '') next.delete(id)
                  else if (markOf(text, item) === null)
                    return item.points > 0
                      ? `Points up to ${formatHundredths(item.points)}, or a percent such as 85 %.`
                      : 'A percent from 0 to 100.'
                  else next.set(id, text.trim())
                  setTexts(next)
                  return null
                }}
              />
            </td>
          </tr>
        )
      })}
    </>
  )
}

function Outcome({ tried, places }: { tried: ReturnType<typeof tryMarks>; places: number | null }) {
  const percent = (value: number) => `${formatHundredths(Math.round(value), 2)} %`
  return (
    <section className="card" aria-label="What the marks come to" aria-live="polite">
      <h2>{tried.complete ? 'Final grade' : 'So far'}</h2>
      {tried.soFar === null ? (
        <p className="muted">Type marks on the left: points such as 34, or percents such as 85 %.</p>
      ) : (
        <p style={{ margin: '0 0 8px', fontSize: 22, fontWeight: 700 }}>{capital(gradeLine(tried) ?? '')}</p>
      )}
      {tried.complete && places !== null && (
        <p className="muted small">Looked up as {formatHundredths(roundedPercent(tried.least, places), places)} %, rounded half up.</p>
      )}
      {!tried.complete && tried.soFar !== null && (
        <p className="muted">
          Between {percent(tried.least)} with nothing more and {percent(tried.most)} with full marks for the rest.
        </p>
      )}
      {tried.needed.length > 0 && (
        <table className="sheet">
          <thead>
            <tr>
              <th scope="col">For</th>
              <th scope="col" className="r">
                needed on the rest
              </th>
            </tr>
          </thead>
          <tbody>
            {tried.needed.map(({ step, percent: needed }) => (
              <tr key={step.id}>
                <th scope="row">
                  {step.letter} <span className="muted">from {formatHundredths(step.minimum)} %</span>
                </th>
                <td className="r">{needed === null ? 'out of reach' : needed === 0 ? 'reached' : percent(needed)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {tried.needed.length === 0 && !tried.complete && (
        <p className="muted small">With a scale (under Grade) this shows what each letter still needs.</p>
      )}
    </section>
  )
}
