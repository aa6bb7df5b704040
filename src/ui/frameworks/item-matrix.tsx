/** Framework items by module: what each module does for each item, gaps shaded. */

import { LineButton } from '../parts/line-button'
import { usePrinting } from '../parts/use-printing'
import './frameworks.css'
import { useVirtualizer } from '@tanstack/react-virtual'
import { useRef } from 'react'
import { STAGE_LETTER } from '../../core/alignment/proposals'
import { STAGES } from '../../core/blueprint/kinds/activity'
import { frameworkCoverage } from '../../core/frameworks/item-coverage'
import { indexFrameworks } from '../../core/plan/framework-index'
import { indexCourse } from '../../core/plan/plan-index'
import { useCourse } from '../store/course-store'
import { useGo } from '../store/navigation'
import { missingWords } from './framework-table'

export function ItemMatrix({ frameworkId, gapsOnly }: { frameworkId: string; gapsOnly: boolean }) {
  const view = useCourse((s) => s.view)
  const { open, select, panel } = useGo()
  const index = indexCourse(view)
  const coverage = frameworkCoverage(view)
  const printing = usePrinting()
  const scroller = useRef<HTMLDivElement>(null)
  const frameworks = indexFrameworks(view)
  const placed = frameworks.itemsOf(frameworkId).flatMap(({ item, depth }) => {
    const found = coverage.of(item.id)
    return found && (!gapsOnly || found.missing.length > 0 || found.short) ? [{ item, depth, found }] : []
  })
  const virtualizer = useVirtualizer({
    count: placed.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => 34,
    overscan: printing ? placed.length : 12,
  })
  const rows = virtualizer.getVirtualItems()
  const [before, after] = [rows[0]?.start ?? 0, virtualizer.getTotalSize() - (rows.at(-1)?.end ?? 0)]
  return (
    <div className="scroll-area" ref={scroller}>
      <table className="sheet item-matrix">
        <caption className="visually-hidden">Framework items by module. I introduces, P practises, A assesses.</caption>
        <thead>
          <tr>
            <th scope="col">Item</th>
            {index.modules.map((m) => (
              <th key={m.id} scope="col" data-tip={m.title}>
                <LineButton className="plain" onClick={() => open({ kind: 'module', id: m.id })}>
                  {index.numberOf(m.id)}
                </LineButton>
              </th>
            ))}
            <th scope="col" style={{ textAlign: 'left' }}>
              Missing
            </th>
          </tr>
        </thead>
        <tbody>
          {before > 0 && (
            <tr aria-hidden="true">
              <td colSpan={index.modules.length + 2} style={{ height: before, padding: 0 }} />
            </tr>
          )}
          {rows.map((row) => {
            const at = placed[row.index]
            if (!at) return null
            const { item, depth, found } = at
            return (
              <tr key={item.id} style={{ height: 34 }}>
                <th scope="row" style={{ paddingLeft: 8 + depth * 16 }}>
                  <LineButton
                    className="plain item-name"
                    tip={item.statement}
                    onClick={() => {
                      select({ kind: 'frameworkItem', id: item.id })
                      panel('details')
                    }}
                  >
                    <b className={item.code ? '' : 'muted'}>{frameworks.codeOf(item.id)}</b> {item.statement}
                  </LineButton>
                </th>
                {index.modules.map((m) => {
                  const stages = STAGES.filter((s) => found.activities[s].some((id) => index.activity(id)?.moduleId === m.id))
                  return <td key={m.id}>{stages.map((s) => STAGE_LETTER[s]).join(' ')}</td>
                })}
                <td>{missingWords(found) && <span className="hole">{missingWords(found)}</span>}</td>
              </tr>
            )
          })}
          {after > 0 && (
            <tr aria-hidden="true">
              <td colSpan={index.modules.length + 2} style={{ height: after, padding: 0 }} />
            </tr>
          )}
        </tbody>
      </table>
    </div>
  )
}
