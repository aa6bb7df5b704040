/** What a design sheet leaves open or gets wrong: recalls, loops of work, lengths, parts and series that a module lacks. */
import { recordsOf } from '../../blueprint/blueprint'
import type { Module } from '../../blueprint/kinds'
import { plannedLengths } from '../../design/length'
import { loopsOf } from '../../design/loops'
import { ordersOf } from '../../plan/orders'
import { MISSING, NAMES_OF_ACTIVITIES } from '../context'
import { mapRule } from '../rule'

export const recallLater = mapRule('recall-later', {
  reads: [ordersOf, 'recallObjective', 'recallModule', 'objective.moduleId', 'module.title'],
  find: ({ blueprint, index }) => {
    const place = new Map(index.modules.map((m, i) => [m.id, i]))
    const isLater = (moduleId: string, recalledId: string) => (place.get(recalledId) ?? 0) >= (place.get(moduleId) ?? 0)
    const objectives = recordsOf(blueprint, 'recallObjective').flatMap((r) => {
      const recalled = blueprint.objective.get(r.objectiveId)
      return recalled && isLater(r.moduleId, recalled.moduleId)
        ? [{ kind: 'recallObjective' as const, id: r.id, moduleId: r.moduleId, what: index.numberOf(r.objectiveId) }]
        : []
    })
    const modules = recordsOf(blueprint, 'recallModule').flatMap((r) =>
      isLater(r.moduleId, r.recalledId)
        ? [{ kind: 'recallModule' as const, id: r.id, moduleId: r.moduleId, what: index.numberOf(r.recalledId) }]
        : [],
    )
    return [...objectives, ...modules].map(({ kind, id, moduleId, what }) => ({
      weight: 'fix' as const,
      records: [
        { kind: 'module' as const, id: moduleId },
        { kind, id },
      ],
      named: { module: index.numberOf(moduleId), recalled: what },
      facts: [what],
      fixes: [{ code: 'no-recall' as const, named: { recalled: what }, steps: [{ do: 'remove' as const, kind, id }] }],
    }))
  },
})

export const buildsOnLoop = mapRule('builds-on-loop', {
  reads: [...NAMES_OF_ACTIVITIES, 'buildsOn'],
  find: ({ blueprint, index }) =>
    loopsOf(recordsOf(blueprint, 'buildsOn').map((l) => ({ from: l.activityId, to: l.earlierId })))
      .map((loop) => [...loop].sort((a, b) => index.positionOf(a) - index.positionOf(b)))
      .map((loop) => ({
        weight: 'fix' as const,
        records: loop.map((id) => ({ kind: 'activity' as const, id })),
        named: { activities: loop.map((id) => index.numberOf(id)) },
        facts: loop.map((id) => index.numberOf(id)),
      })),
})

export const mediaTooLong = mapRule('media-too-long', {
  reads: [...NAMES_OF_ACTIVITIES, ...MISSING, 'storyRow', 'course.videoMinutes'],
  outOf: ({ index }) => index.activities.length,
  find: (context) =>
    plannedLengths(context.blueprint).flatMap(({ activityId, seconds, target, isEstimate }) => {
      const activity = context.blueprint.activity.get(activityId)
      if (!activity || seconds <= target) return []
      return [
        {
          weight: context.missing(activity.moduleId),
          records: [{ kind: 'activity' as const, id: activityId }],
          named: { activity: context.activityName(activity), seconds, target, isEstimate },
          facts: [seconds, target],
        },
      ]
    }),
})

/** Modules of the sequence: groups outside it take no part in the pattern. */
const inSequence = (modules: readonly Module[]): readonly Module[] => modules.filter((m) => m.role === null)

export const partEmpty = mapRule('part-empty', {
  reads: [ordersOf, ...MISSING, 'module.role', 'part.required', 'part.title', 'modulePart'],
  outOf: ({ index }) => inSequence(index.modules).length,
  find: ({ blueprint, index, missing }) =>
    inSequence(index.modules).flatMap((module) =>
      index.parts
        .filter((part) => part.required)
        .filter((part) => !recordsOf(blueprint, 'modulePart').some((p) => p.moduleId === module.id && p.partId === part.id && p.leftOut))
        .filter((part) => !index.activitiesOf(module.id).some((a) => a.partId === part.id))
        .map((part) => ({
          weight: missing(module.id),
          records: [
            { kind: 'module' as const, id: module.id },
            { kind: 'part' as const, id: part.id },
          ],
          named: { module: index.numberOf(module.id), part: part.title },
          facts: [part.title],
        })),
    ),
})

export const seriesMissing = mapRule('series-missing', {
  reads: [ordersOf, ...MISSING, 'module.role', 'series.everyModule', 'series.title', 'activity.seriesId'],
  outOf: ({ index }) => inSequence(index.modules).length,
  find: ({ index, missing }) =>
    inSequence(index.modules).flatMap((module) =>
      index.series
        .filter((s) => s.everyModule && !index.membersOf(s.id).some((a) => a.moduleId === module.id))
        .map((s) => ({
          weight: missing(module.id),
          records: [
            { kind: 'module' as const, id: module.id },
            { kind: 'series' as const, id: s.id },
          ],
          named: { module: index.numberOf(module.id), series: s.title },
          facts: [s.title],
        })),
    ),
})
