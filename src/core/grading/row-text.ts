/** A row of the grade table in words. */

import { formatHundredths } from '../numbers'
import type { CourseIndex } from '../plan/plan-index'
import { ORDINAL } from '../plan/whole-activity'
import type { GradeRow } from './grade-table'

/** `Practice set 1–8; 1.8 Annotated hydrograph. The lowest 2 do not count.`: members of a series stand together. */
export function rowText(index: CourseIndex, row: GradeRow): string {
  const seen = new Set<string>()
  const names = row.items.flatMap((i) => {
    const series = index.series.find((s) => s.id === i.activity.seriesId)
    const extra = i.extra === null ? '' : ' (extra credit)'
    if (!series) return [`${i.number} ${i.activity.title}${extra}`]
    if (seen.has(series.id)) return []
    seen.add(series.id)
    const count = row.items.filter((x) => x.activity.seriesId === series.id).length
    return [`${series.title.replaceAll(ORDINAL, count > 1 ? `1–${count}` : '1')}${extra}`]
  })
  const dropped = row.items.filter((i) => i.exact > 0).length - row.kept
  const rules = [
    dropped > 0 ? `The lowest ${dropped === 1 ? 'result does' : `${dropped} results do`} not count.` : null,
    row.category?.hurdle != null ? `${formatHundredths(row.category.hurdle)} % are needed to pass.` : null,
  ].filter((t) => t !== null)
  return `${names.join('; ')}${rules.length > 0 && names.length > 0 ? '. ' : ''}${rules.join(' ')}`
}
