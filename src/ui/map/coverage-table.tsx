/** The course picture as a table: what serves each outcome in each module. */
import './map.css'
import { coverageOf } from '../../core/alignment/coverage'
import { STAGES } from '../../core/blueprint/kinds/activity'
import { formatHundredths, formatWhole } from '../../core/numbers'
import { indexCourse } from '../../core/plan/plan-index'
import { Chip } from '../parts/marks'
import { useCourse } from '../store/course-store'
import { useGo } from '../store/navigation'

export function CoverageTable() {
  const view = useCourse((s) => s.view)
  const { open } = useGo()
  const index = indexCourse(view)
  const coverage = coverageOf(view)
  return (
    <table className="sheet coverage">
      <caption className="visually-hidden">
        Activities that serve each outcome, by module, with their minutes and what they count of the grade
      </caption>
      <thead>
        <tr>
          <th scope="col">Outcome</th>
          {index.modules.map((m) => (
            <th key={m.id} scope="col">
              {index.numberOf(m.id)} {m.title}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {index.lanes.map((o) => (
          <tr key={o.id}>
            <th scope="row">
              <b>{index.numberOf(o.id)}</b> {o.statement}
            </th>
            {index.modules.map((m) => {
              const cell = coverage.cellOf(o.id, m.id)
              return (
                <td key={m.id}>
                  {cell && (
                    <>
                      <div className="row" style={{ gap: 3, flexWrap: 'wrap' }}>
                        {cell.activityIds.map((id) => (
                          <Chip key={id} kind="activity" number={index.numberOf(id)} onOpen={() => open({ kind: 'activity', id })} />
                        ))}
                      </div>
                      <div className="small muted">
                        <span className="nowrap">{formatWhole(cell.minutes)} min</span>
                        {cell.share > 0 && <span className="nowrap"> · {formatHundredths(Math.round(cell.share))} %</span>}
                      </div>
                      <div className="small muted">
                        {STAGES.filter((s) => cell.stages[s] > 0)
                          .map((s) => `${s} ${cell.stages[s]}`)
                          .join(', ')}
                      </div>
                    </>
                  )}
                </td>
              )
            })}
          </tr>
        ))}
      </tbody>
    </table>
  )
}
