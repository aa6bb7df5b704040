/** Objectives counted by module and level; a cell opens the list with that filter. */
import { type Spread, spreadOf } from '../../core/alignment/ladder'
import { courseOf } from '../../core/blueprint/blueprint'
import { countOf } from '../../core/numbers'
import { indexCourse } from '../../core/plan/plan-index'
import { HeatChart } from '../parts/chart/heat-chart'
import { useCourse, useModuleWord } from '../store/course-store'

export function ObjectiveSpread({ onShow }: { onShow: (moduleId: string, level: Spread['levels'][number]) => void }) {
  const word = useModuleWord()
  const view = useCourse((s) => s.view)
  const index = indexCourse(view)
  if (index.objectives.length === 0) return <p className="empty">There are no objectives to count yet. Write the first under Lines.</p>
  const { levels, rows, unknown } = spreadOf(index)
  const course = courseOf(view)
  return (
    <HeatChart
      heading={`Objectives by level in each ${word.one}`}
      name={`${course.code ?? course.title} spread of objectives`}
      rowHead={word.One}
      columns={[...levels, ...(unknown > 0 ? ['no level'] : [])].map((l) => ({ key: l, label: l, title: l }))}
      rows={rows.map((r) => ({
        key: r.moduleId,
        label: `${index.numberOf(r.moduleId)} ${view.module.get(r.moduleId)?.title ?? ''}`,
        counts: [...r.counts, ...(unknown > 0 ? [r.unknown] : [])],
      }))}
      foot={`All ${word.many}`}
      says={(r, c) => {
        const row = rows[r]
        const at = levels[c] ? `at ${levels[c]}` : 'without a level'
        return `${countOf((levels[c] ? row?.counts[c] : row?.unknown) ?? 0, 'objective')} ${at} in ${word.one} ${index.numberOf(row?.moduleId ?? '')}`
      }}
      onOpen={(r, c) => {
        const [row, level] = [rows[r], levels[c]]
        if (row && level) onShow(row.moduleId, level)
      }}
      note={
        <p className="muted small">Enter shows the objectives of a cell in the list. Objectives without a level are found by the filter.</p>
      }
    />
  )
}
