/** Activities over purposes and kinds, module by module. */
import type { ReactNode } from 'react'
import { activitySpread } from '../../core/alignment/activity-spread'
import { courseOf } from '../../core/blueprint/blueprint'
import type { Purpose } from '../../core/blueprint/kinds/activity'
import { countOf } from '../../core/numbers'
import { indexCourse } from '../../core/plan/plan-index'
import { HeatChart } from '../parts/chart/heat-chart'
import { StoneShape } from '../parts/marks'
import { useCourse, useModuleWord } from '../store/course-store'
import { useGo } from '../store/navigation'

export function ActivitySpread({ views }: { views: ReactNode }) {
  const view = useCourse((s) => s.view)
  const { open } = useGo()
  const index = indexCourse(view)
  const spread = activitySpread(index)
  const course = courseOf(view)
  const words = useModuleWord()
  const word = words.One
  return (
    <div className="work">
      <div className="bar">
        <h1 className="visually-hidden">Spread of activities</h1>
        {views}
      </div>
      <div className="scroll-area">
        {index.activities.length === 0 ? (
          <p className="empty">There are no activities to count yet. Write the first under {words.Many}.</p>
        ) : (
          <HeatChart
            heading={`Activities by purpose and kind in each ${word.toLowerCase()}`}
            name={`${course.code ?? course.title} spread of activities`}
            rowHead="Purpose or kind"
            columns={index.modules.map((m) => ({ key: m.id, label: index.numberOf(m.id), title: `${index.numberOf(m.id)} ${m.title}` }))}
            rows={spread.map((r, n) => ({
              key: `${r.group} ${r.of}`,
              label: r.of ?? `no ${r.group} yet`,
              ...(r.group === 'purpose' ? { sign: <StoneShape purpose={r.of as Purpose | null} rx={7.8} ry={6.2} /> } : {}),
              counts: r.cells.map((c) => c.length),
              begins: n > 0 && r.group === 'kind' && spread[n - 1]?.group === 'purpose',
            }))}
            says={(r, c) => {
              const [row, module] = [spread[r], index.modules[c]]
              const ids = row?.cells[c] ?? []
              const numbers = ids.map((id) => index.numberOf(id)).join(', ')
              return `${countOf(ids.length, 'activity', 'activities')}, ${row?.of ?? `no ${row?.group}`}, in ${word.toLowerCase()} ${index.numberOf(module?.id ?? '')}${numbers ? `: ${numbers}` : ''}`
            }}
            onOpen={(r, c) => {
              const id = spread[r]?.cells[c]?.[0]
              if (id) open({ kind: 'activity', id })
            }}
            note={
              <p className="muted small">Enter opens the first activity of a cell. An empty cell: the {word.toLowerCase()} has none.</p>
            }
          />
        )}
      </div>
    </div>
  )
}
