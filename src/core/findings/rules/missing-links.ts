import { purposeOf } from '../../alignment/proposals'
import { countOf } from '../../numbers'
import { ordersOf } from '../../plan/orders'
import { PARTS } from '../../plan/plan-index'
import { KINDS_OF_ACTIVITIES, MISSING, NAMES_OF_ACTIVITIES, type Rule } from '../context'

export const objectiveNotAssessed: Rule = {
  code: 'objective-not-assessed',
  workspace: 'outcomes',
  reads: [...MISSING, 'objective.statement', PARTS.alignments],
  why: 'Without evidence nobody knows whether learners reach it.',
  summary: (n, { index }) => `${n} of ${countOf(index.objectives.length, 'objective')} ${n === 1 ? 'has' : 'have'} no assessment yet`,
  find: ({ index, missing }) =>
    index.objectives
      .filter((o) => !index.alignmentsFor(o.id).some((a) => a.stages.includes('assesses')))
      .map((o) => ({
        weight: missing(o.moduleId),
        records: [{ kind: 'objective', id: o.id }],
        message: `Nothing assesses ${index.numberOf(o.id)} ${o.statement}`,
        facts: [],
      })),
}

export const objectiveWithoutOutcome: Rule = {
  code: 'objective-without-outcome',
  workspace: 'outcomes',
  reads: [...MISSING, PARTS.lanes],
  why: 'An objective that supports no outcome takes time from those that do.',
  summary: (n, { index }) => `${n} of ${countOf(index.objectives.length, 'objective')} ${n === 1 ? 'supports' : 'support'} no outcome yet`,
  find: ({ index, missing }) =>
    index.objectives
      .filter((o) => index.lanesOf(o.id).length === 0)
      .map((o) => ({
        weight: missing(o.moduleId),
        records: [{ kind: 'objective', id: o.id }],
        message: `${index.numberOf(o.id)} ${index.lanes[0]?.kind === 'frameworkItem' ? 'serves no element of the framework that the plan hangs on' : 'supports no outcome'}.`,
        facts: [],
      })),
}

export const outcomeWithoutObjective: Rule = {
  code: 'outcome-without-objective',
  workspace: 'outcomes',
  reads: [ordersOf, PARTS.support, 'module.planning'],
  why: 'An outcome is reached in steps; without objectives the course promises it and does not lead there.',
  summary: (n, { index }) => `${n} of ${countOf(index.outcomes.length, 'outcome')} ${n === 1 ? 'has' : 'have'} no objective yet`,
  find: ({ index }) =>
    index.outcomes
      .filter((o) => index.objectivesFor(o.id).length === 0)
      .map((o) => ({
        weight: index.modules.length > 0 && index.modules.every((m) => m.planning === 'planned') ? 'check' : 'open',
        records: [{ kind: 'outcome', id: o.id }],
        message: `No objective leads to ${index.numberOf(o.id)}.`,
        facts: [],
      })),
}

/** Kinds that need not serve an objective. */
const EXEMPT = new Set(['survey', 'announcement'])

export const activityServesNothing: Rule = {
  code: 'activity-serves-nothing',
  workspace: 'map',
  reads: [...NAMES_OF_ACTIVITIES, ...KINDS_OF_ACTIVITIES, ...MISSING, PARTS.alignments],
  why: 'Learners ask why they do a task; the page they see answers with its objective.',
  summary: (n, { index }) =>
    `${n} of ${countOf(index.activities.length, 'activity', 'activities')} ${n === 1 ? 'serves' : 'serve'} no objective yet`,
  find: (context) =>
    context.index.activities
      .filter((a) => context.index.alignmentsOf(a.id).length === 0 && purposeOf(a) !== 'orient' && !EXEMPT.has(a.kind ?? ''))
      .map((a) => ({
        weight: context.missing(a.moduleId),
        records: [{ kind: 'activity', id: a.id }],
        field: 'objectives',
        message: `${context.activityName(a)} serves no objective.`,
        facts: [],
      })),
}
