/** Activities over purposes and kinds, module by module. */
import type { ReactNode } from 'react'
import { activitySpread } from '../../core/alignment/activity-spread'
import { courseOf } from '../../core/blueprint/blueprint'
import type { Purpose } from '../../core/blueprint/kinds/activity'
import { mixRows } from '../../core/design/mix'
import { countOf, formatWhole } from '../../core/numbers'
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
  const mix = mixRows(view)
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
        {index.activities.length > 0 && (
          <HeatChart
            heading={`How learners work in each ${word.toLowerCase()}`}
            name={`${course.code ?? course.title} how learners work`}
            rowHead="With whom, when, where"
            columns={index.modules.map((m) => ({ key: m.id, label: index.numberOf(m.id), title: `${index.numberOf(m.id)} ${m.title}` }))}
            rows={mix.map((r, n) => ({
              key: `${r.group} ${r.value}`,
              label: r.value === 'open' ? `${r.group}: open` : r.value,
              counts: r.cells.map((c) => c.ids.length),
              begins: n > 0 && mix[n - 1]?.group !== r.group,
            }))}
            says={(r, c) => {
              const [row, module] = [mix[r], index.modules[c]]
              const cell = row?.cells[c]
              return `${countOf(cell?.ids.length ?? 0, 'activity', 'activities')}, ${formatWhole(cell?.minutes ?? 0)} min, ${row?.group} ${row?.value}, in ${word.toLowerCase()} ${index.numberOf(module?.id ?? '')}`
            }}
            onOpen={(r, c) => {
              const id = mix[r]?.cells[c]?.ids[0]
              if (id) open({ kind: 'activity', id })
            }}
            note={
              <p className="muted small">Only what somebody has said is counted; what a kind proposes is open until it is confirmed.</p>
            }
          />
        )}
      </div>
    </div>
  )
}
