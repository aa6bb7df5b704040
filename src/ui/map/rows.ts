/** The rows of the working table. */
import { useMemo, useState } from 'react'
import type { Blueprint } from '../../core/blueprint/blueprint'
import type { Activity, Module, Part } from '../../core/blueprint/kinds'
import { dateSpan } from '../../core/calendar/plain-date'
import { type Schedule, scheduleOf } from '../../core/calendar/schedule'
import { type CourseIndex, indexCourse } from '../../core/plan/plan-index'
import { weeksText } from '../../core/syllabus/assemble'
import type { GridRow } from '../parts/grid/types'

export type Item =
  | {
      readonly at: 'activity'
      readonly activity: Activity
      readonly view: Blueprint
      readonly index: CourseIndex
      readonly schedule: Schedule | null
    }
  | { readonly at: 'new'; readonly moduleId: string; readonly partId: string | null }
  | {
      readonly at: 'module'
      readonly module: Module
      readonly number: string
      readonly summary: string
      readonly minutes: number
      readonly points: number
      readonly hours: string | null
    }
  | { readonly at: 'part'; readonly part: Part | null }
  | { readonly at: 'add-module' }

/** The activity of a row that shows one. */
export const isActivity = (row: GridRow<Item>): Activity | null => (row.item.at === 'activity' ? row.item.activity : null)

/** Rows keep their identity while nothing they show has changed, so that they are not drawn again. */
export function useRows(view: Blueprint): readonly GridRow<Item>[] {
  const cache = useState(() => new Map<string, { row: GridRow<Item>; signature: unknown[] }>())[0]
  return useMemo(() => {
    const index = indexCourse(view)
    const schedule = scheduleOf(view)
    const keep = (key: string, signature: unknown[], make: () => GridRow<Item>): GridRow<Item> => {
      const known = cache.get(key)
      if (known && known.signature.length === signature.length && known.signature.every((v, i) => v === signature[i])) return known.row
      const row = make()
      cache.set(key, { row, signature })
      return row
    }
    const rows: GridRow<Item>[] = []
    for (const module of index.modules) {
      const activities = index.activitiesOf(module.id)
      const minutes = activities.reduce((sum, a) => sum + (a.minutes ?? 0), 0)
      const points = activities.reduce((sum, a) => sum + (index.assessmentOf(a.id)?.points ?? 0), 0)
      const span = schedule?.spanOf(module.id)
      const weeks = module.firstWeek === null ? 0 : (module.lastWeek ?? module.firstWeek) - module.firstWeek + 1
      const summary = [
        module.subtitle,
        module.firstWeek === null ? 'no weeks yet' : weeksText(module.firstWeek, module.lastWeek),
        span ? dateSpan(span.first, span.last) : null,
        module.planning === 'sketch' ? 'sketch' : null,
      ]
        .filter(Boolean)
        .join(' · ')
      const hours = weeks > 0 && minutes > 0 ? `${(minutes / 60 / weeks).toFixed(1)} h a week` : null
      const number = index.numberOf(module.id)
      rows.push(
        keep(`head ${module.id}`, [module, number, summary, minutes, points], () => ({
          key: `head ${module.id}`,
          type: 'head',
          item: { at: 'module', module, number, summary, minutes, points, hours },
        })),
      )
      for (const part of [...index.parts, null]) {
        const own = activities.filter((a) => a.partId === (part?.id ?? null))
        if (own.length === 0 && part === null) continue
        if (own.length > 0) {
          const key = `part ${module.id} ${part?.id ?? ''}`
          rows.push(keep(key, [part], () => ({ key, type: 'label', item: { at: 'part', part } })))
        }
        for (const activity of own) {
          const links = index.alignmentsOf(activity.id)
          const due = schedule?.dueOf(activity.id)
          const assessment = index.assessmentOf(activity.id)
          const category = assessment?.categoryId ? view.gradeCategory.get(assessment.categoryId) : undefined
          const signature = [
            activity,
            index.numberOf(activity.id),
            part,
            due?.date,
            due?.time,
            assessment,
            category,
            ...links,
            links.map((l) => index.numberOf(l.objectiveId)).join(),
          ]
          rows.push(
            keep(activity.id, signature, () => ({
              key: activity.id,
              type: 'data',
              item: { at: 'activity', activity, view, index, schedule },
            })),
          )
        }
      }
      const last = activities.at(-1)?.partId ?? index.parts[0]?.id ?? null
      const key = `new ${module.id}`
      rows.push(keep(key, [last], () => ({ key, type: 'new', item: { at: 'new', moduleId: module.id, partId: last } })))
    }
    rows.push(keep('add-module', [], () => ({ key: 'add-module', type: 'new', item: { at: 'add-module' } })))
    return rows
  }, [view, cache])
}
