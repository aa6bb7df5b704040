/** The colours of the pages that learners get: what a course sets, each pair in its colours, and what stands out too little. */
import { courseOf } from '../../core/blueprint/blueprint'
import { capital } from '../../core/blueprint/text'
import { fieldTitle } from '../../core/history/describe'
import { COLOUR_FIELDS, coloursOf, type JudgedPair, PAGE_COLOURS, paletteOf } from '../../core/learner-pages/palette'
import { Button } from '../parts/button'
import { PlanField } from '../parts/plan-field'
import { useCourse, useCourseStore } from '../store/course-store'
import './colours.css'

export function Colours() {
  const course = useCourse((s) => courseOf(s.view))
  const store = useCourseStore()
  const may = store.may('course', 'colourInk')
  return (
    <section className="card" aria-labelledby="colours">
      <h2 id="colours">Colours of the pages</h2>
      {coloursOf(course) === null && (
        <p className="muted small">
          Open: learners get Cairn’s own colours, light or dark as their system is. One colour set makes the page the same by day and night.
        </p>
      )}
      <div className="colours">
        {COLOUR_FIELDS.map((field) => (
          <div key={field} className="colour-control">
            <span className="swatch" style={{ background: course[field] ?? PAGE_COLOURS[field] }} aria-hidden="true" />
            <PlanField
              kind="course"
              record={course}
              field={field}
              label={capital(fieldTitle(field, 'course'))}
              placeholder={PAGE_COLOURS[field]}
            />
          </div>
        ))}
      </div>
      <table className="sheet pairs">
        <caption className="visually-hidden">Pairs of colours</caption>
        <thead>
          <tr>
            <th scope="col">Pair</th>
            <th scope="col" className="r">
              Has
            </th>
            <th scope="col" className="r">
              Needs
            </th>
          </tr>
        </thead>
        <tbody>
          {paletteOf(course).map((p) => (
            <Pair key={p.pair} pair={p} onTake={may ? () => takeNearest(p) : undefined} />
          ))}
        </tbody>
      </table>
    </section>
  )

  function takeNearest({ field, nearest }: JudgedPair) {
    if (nearest)
      store.edit('set-field', { what: fieldTitle(field, 'course') }, (edit) => edit.set('course', 'course', { [field]: nearest.colour }))
  }
}

function Pair({ pair: p, onTake }: { readonly pair: JudgedPair; readonly onTake?: (() => void) | undefined }) {
  const sample = p.use === 'shape' ? { background: p.on, borderColor: p.colour } : { background: p.on, color: p.colour, borderColor: p.on }
  return (
    <tr>
      <th scope="row">
        {/* What it looks like is shown to those who see it; how much it stands out is told beside it. */}
        <span className="sample" style={sample} aria-hidden="true">
          {p.use === 'shape' ? '\u00a0' : 'Measure twice'}
        </span>
        {capital(p.pair)}
      </th>
      <td className="r">{p.shown}</td>
      <td className="r">{p.needed}</td>
      {!p.passes && (
        <td>
          <b className="too-low">Too low</b>
          {p.nearest && onTake && <Button onClick={onTake}>{`Take ${p.nearest.colour}`}</Button>}
        </td>
      )}
    </tr>
  )
}
