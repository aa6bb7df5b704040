/** What a design sheet does not say yet: instructions, objectives, overview and closing, recalls, the other way of delivery, parts. */
import { courseOf, recordsOf } from '../../blueprint/blueprint'
import type { Module } from '../../blueprint/kinds'
import { patternOf } from '../../design/pattern'
import { ordersOf } from '../../plan/orders'
import { PARTS } from '../../plan/plan-index'
import { type Context, GRADES, MISSING, NAMES_OF_ACTIVITIES } from '../context'
import { mapRule } from '../rule'

/** Modules of the sequence: groups outside it need none of this. */
const inSequence = (context: Context): readonly Module[] => context.index.modules.filter((m) => m.role === null)
const sequenced = (context: Context) => inSequence(context).flatMap((m) => context.index.activitiesOf(m.id))

export const noInstructions = mapRule('no-instructions', {
  reads: [...NAMES_OF_ACTIVITIES, ...MISSING, ...GRADES, 'activity.instructions'],
  outOf: (context) => context.index.activities.filter((a) => context.grades.effectiveOf(a.id) > 0).length,
  find: (context) =>
    context.index.activities
      .filter((a) => a.instructions === null && context.grades.effectiveOf(a.id) > 0)
      .map((a) => ({
        weight: context.missing(a.moduleId),
        records: [{ kind: 'activity' as const, id: a.id }],
        field: 'instructions',
        named: { activity: context.activityName(a) },
        facts: [],
      })),
})

export const moduleNoObjectives = mapRule('module-no-objectives', {
  reads: [...MISSING, 'module.role', 'module.title', PARTS.lanes],
  outOf: (context) => inSequence(context).length,
  find: (context) =>
    inSequence(context)
      .filter((m) => context.index.objectivesOf(m.id).length === 0)
      .map((m) => ({
        weight: context.missing(m.id),
        records: [{ kind: 'module' as const, id: m.id }],
        named: { module: context.index.numberOf(m.id), title: m.title },
        facts: [],
      })),
})

export const ownOrder = mapRule('own-order', {
  reads: [...NAMES_OF_ACTIVITIES, ...MISSING, 'module.role', 'modulePart', 'part', 'activity.partId'],
  outOf: (context) => inSequence(context).length,
  find: (context) =>
    patternOf(context.blueprint)
      .rows.filter((r) => r.ownOrder !== null)
      .filter((r) => !recordsOf(context.blueprint, 'modulePart').some((p) => p.moduleId === r.moduleId && p.reason !== null))
      .map((r) => ({
        weight: context.missing(r.moduleId),
        records: [{ kind: 'module' as const, id: r.moduleId }],
        named: { module: context.index.numberOf(r.moduleId) },
        facts: [...(r.ownOrder ?? [])],
      })),
})

/** An idea once its module is planned; until then it is only open. */
const idea = (context: Context, moduleId: string) => (context.missing(moduleId) === 'open' ? ('open' as const) : ('idea' as const))

export const noOtherDelivery = mapRule('no-other-delivery', {
  reads: [...NAMES_OF_ACTIVITIES, ...MISSING, 'module.role', 'course.alsoDelivery', 'activity.otherDelivery'],
  outOf: (context) => sequenced(context).length,
  find: (context) =>
    courseOf(context.blueprint).alsoDelivery === null
      ? []
      : sequenced(context)
          .filter((a) => a.otherDelivery === null)
          .map((a) => ({
            weight: idea(context, a.moduleId),
            records: [{ kind: 'activity' as const, id: a.id }],
            field: 'otherDelivery',
            named: { activity: context.activityName(a), delivery: courseOf(context.blueprint).alsoDelivery ?? '' },
            facts: [],
          })),
})

export const noPart = mapRule('no-part', {
  reads: [...NAMES_OF_ACTIVITIES, ...MISSING, 'module.role', 'activity.partId', 'part.title'],
  outOf: (context) => sequenced(context).length,
  find: (context) =>
    context.index.parts.length === 0
      ? []
      : sequenced(context)
          .filter((a) => a.partId === null)
          .map((a) => ({
            weight: idea(context, a.moduleId),
            records: [{ kind: 'activity' as const, id: a.id }],
            named: { activity: context.activityName(a) },
            facts: [],
          })),
})

/** A text that modules of the sequence have none of. */
const moduleWithout = (field: 'overview' | 'closing') => (context: Context) =>
  inSequence(context)
    .filter((m) => m[field] === null)
    .map((m) => ({
      weight: 'open' as const,
      records: [{ kind: 'module' as const, id: m.id }],
      field,
      named: { module: context.index.numberOf(m.id) },
      facts: [],
    }))

export const noOverview = mapRule('no-overview', {
  reads: [ordersOf, 'course.moduleWord', 'module.role', 'module.overview'],
  outOf: (context) => inSequence(context).length,
  find: moduleWithout('overview'),
})
export const noClosing = mapRule('no-closing', {
  reads: [ordersOf, 'course.moduleWord', 'module.role', 'module.closing'],
  outOf: (context) => inSequence(context).length,
  find: moduleWithout('closing'),
})

export const recallNone = mapRule('recall-none', {
  reads: [ordersOf, 'course.moduleWord', 'module.role', 'recallObjective.moduleId', 'recallModule.moduleId'],
  outOf: (context) => Math.max(0, inSequence(context).length - 1),
  find: (context) => {
    const recalling = new Set(
      [...recordsOf(context.blueprint, 'recallObjective'), ...recordsOf(context.blueprint, 'recallModule')].map((r) => r.moduleId),
    )
    // The first has nothing to recall.
    return inSequence(context)
      .slice(1)
      .filter((m) => !recalling.has(m.id))
      .map((m) => ({
        weight: 'open' as const,
        records: [{ kind: 'module' as const, id: m.id }],
        field: 'recallObjective',
        named: { module: context.index.numberOf(m.id) },
        facts: [],
      }))
  },
})
