import { purposeOf } from '../../alignment/proposals'
import { ordersOf } from '../../plan/orders'
import { PARTS } from '../../plan/plan-index'
import { KINDS_OF_ACTIVITIES, MISSING, NAMES_OF_ACTIVITIES } from '../context'
import { mapRule, outcomesRule } from '../rule'

export const objectiveNotAssessed = outcomesRule('objective-not-assessed', {
  reads: [...MISSING, 'objective.statement', PARTS.alignments],
  outOf: ({ index }) => index.objectives.length,
  find: ({ index, missing }) =>
    index.objectives
      .filter((o) => !index.alignmentsFor(o.id).some((a) => a.stages.includes('assesses')))
      .map((o) => ({
        weight: missing(o.moduleId),
        records: [{ kind: 'objective', id: o.id }],
        named: { objective: index.numberOf(o.id), statement: o.statement },
        facts: [],
      })),
})

export const objectiveWithoutOutcome = outcomesRule('objective-without-outcome', {
  reads: [...MISSING, PARTS.lanes],
  outOf: ({ index }) => index.objectives.length,
  find: ({ index, missing }) =>
    index.objectives
      .filter((o) => index.lanesOf(o.id).length === 0)
      .map((o) => ({
        weight: missing(o.moduleId),
        records: [{ kind: 'objective', id: o.id }],
        named: { objective: index.numberOf(o.id), byFramework: index.lanes[0]?.kind === 'frameworkItem' },
        facts: [],
      })),
})

export const outcomeWithoutObjective = outcomesRule('outcome-without-objective', {
  reads: [ordersOf, PARTS.support, 'module.planning'],
  outOf: ({ index }) => index.outcomes.length,
  find: ({ index }) =>
    index.outcomes
      .filter((o) => index.objectivesFor(o.id).length === 0)
      .map((o) => ({
        weight: index.modules.length > 0 && index.modules.every((m) => m.planning === 'planned') ? 'check' : 'open',
        records: [{ kind: 'outcome', id: o.id }],
        named: { outcome: index.numberOf(o.id) },
        facts: [],
      })),
})

/** Kinds that need not serve an objective. */
const EXEMPT = new Set(['survey', 'announcement'])

export const activityServesNothing = mapRule('activity-serves-nothing', {
  reads: [...NAMES_OF_ACTIVITIES, ...KINDS_OF_ACTIVITIES, ...MISSING, PARTS.alignments],
  outOf: ({ index }) => index.activities.length,
  find: (context) =>
    context.index.activities
      .filter((a) => context.index.alignmentsOf(a.id).length === 0 && purposeOf(a) !== 'orient' && !EXEMPT.has(a.kind ?? ''))
      .map((a) => ({
        weight: context.missing(a.moduleId),
        records: [{ kind: 'activity', id: a.id }],
        field: 'objectives',
        named: { activity: context.activityName(a) },
        facts: [],
      })),
})
