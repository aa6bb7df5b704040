/** Objectives per module and level, as a table; a cell opens the list with that filter. */
import { LineButton } from '../parts/line-button'
import './outcomes.css'
import { type Spread, spreadOf } from '../../core/alignment/ladder'
import { indexCourse } from '../../core/plan/plan-index'
import { useCourse, useModuleWord } from '../store/course-store'

export function SpreadTable({ onShow }: { onShow: (moduleId: string, level: Spread['levels'][number]) => void }) {
  const word = useModuleWord()
  const view = useCourse((s) => s.view)
  const index = indexCourse(view)
  const spread = spreadOf(index)
  const most = Math.max(1, ...spread.rows.flatMap((r) => r.counts))
  if (index.objectives.length === 0) return <p className="empty">There are no objectives to count yet. Write the first under Lines.</p>
  return (
    <table className="sheet spread">
      <caption className="visually-hidden">Objectives per module and level</caption>
      <thead>
        <tr>
          <th scope="col">{word.One}</th>
          {spread.levels.map((l) => (
            <th key={l} scope="col" className="r">
              {l}
            </th>
          ))}
          <th scope="col" className="r">
            no level
          </th>
        </tr>
      </thead>
      <tbody>
        {spread.rows.map((row) => (
          <tr key={row.moduleId}>
            <th scope="row">
              {index.numberOf(row.moduleId)} {view.module.get(row.moduleId)?.title}
            </th>
            {row.counts.map((count, i) => {
              const level = spread.levels[i] as Spread['levels'][number]
              return (
                <td key={level} className="r">
                  {count > 0 && (
                    <LineButton
                      className="level-count"
                      style={{ ['--part' as string]: `${Math.round((count / most) * 100)}%` }}
                      aria-label={`${count} at ${level} in module ${index.numberOf(row.moduleId)}: show`}
                      onClick={() => onShow(row.moduleId, level)}
                    >
                      {count}
                    </LineButton>
                  )}
                </td>
              )
            })}
            <td className="r">{row.unknown || ''}</td>
          </tr>
        ))}
      </tbody>
      <tfoot>
        <tr>
          <th scope="row">All {word.many}</th>
          {spread.totals.map((n, i) => (
            <td key={spread.levels[i]} className="r">
              {n}
            </td>
          ))}
          <td className="r">{spread.unknown}</td>
        </tr>
      </tfoot>
    </table>
  )
}
