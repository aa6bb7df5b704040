/** Every rule, once. Adding a finding: its rule in rules/, its line here, its test. */
import type { Rule } from './context'
import { assessesWithoutAssessment, assessmentWithoutCategory, assessmentWithoutObjective, categoryEmpty } from './rules/assessment-links'
import { contrastLow } from './rules/contrast-low'
import { assessesWithoutCriterion, criterionCitesOther, criterionUnlinked } from './rules/criterion-links'
import {
  moduleNoObjectives,
  noClosing,
  noInstructions,
  noOtherDelivery,
  noOverview,
  noPart,
  ownOrder,
  recallNone,
} from './rules/design-gaps'
import { buildsOnLoop, mediaTooLong, partEmpty, recallLater, seriesMissing } from './rules/design-sheet'
import { dueOutsideModule } from './rules/due-outside-module'
import { dueOutsideTerm } from './rules/due-outside-term'
import { dueWhileClosed } from './rules/due-while-closed'
import { evidenceShort, itemNotAssessed, itemNotPractised, itemNotTaught } from './rules/framework-items'
import { hoursOverTarget } from './rules/hours-over-target'
import { LEARNER_TEXT_RULES } from './rules/learner-texts'
import { feedbackTooLate, markingOverAvailable } from './rules/marking'
import { activityServesNothing, objectiveNotAssessed, objectiveWithoutOutcome, outcomeWithoutObjective } from './rules/missing-links'
import { moduleWeeksOutside } from './rules/module-weeks'
import { objectiveAboveOutcome, outcomeLevelNotReached } from './rules/outcome-level'
import { actionOverdue, reviewOpen, reviewStale } from './rules/review'
import {
  criteriaSame,
  criterionDouble,
  descriptorEmpty,
  descriptorVague,
  rubricLevelsOrder,
  rubricSumDiffers,
  rubricTooLarge,
} from './rules/rubrics'
import { sameTitle } from './rules/same-title'
import { shareDiffers } from './rules/share-differs'
import { sharesNot100 } from './rules/shares-not-100'
import { similarObjectives } from './rules/similar-objectives'
import { summativeBeforePractice } from './rules/summative-before-practice'
import { tooManyDue } from './rules/too-many-due'
import { totalOffCredits } from './rules/total-off-credits'
import {
  doublePerformance,
  noCondition,
  noHowWell,
  noVerb,
  passive,
  taskNotResult,
  teacherCentred,
  tooLong,
  unobservableVerb,
} from './rules/wording'

export const RULES: readonly Rule[] = [
  sharesNot100,
  rubricSumDiffers,
  rubricLevelsOrder,
  criterionCitesOther,
  moduleWeeksOutside,
  recallLater,
  buildsOnLoop,
  dueOutsideTerm,
  unobservableVerb,
  noVerb,
  teacherCentred,
  taskNotResult,
  passive,
  doublePerformance,
  similarObjectives,
  dueWhileClosed,
  dueOutsideModule,
  tooManyDue,
  summativeBeforePractice,
  assessesWithoutAssessment,
  assessmentWithoutObjective,
  assessmentWithoutCategory,
  categoryEmpty,
  assessesWithoutCriterion,
  criterionUnlinked,
  criteriaSame,
  descriptorVague,
  sameTitle,
  mediaTooLong,
  noInstructions,
  moduleNoObjectives,
  partEmpty,
  seriesMissing,
  ownOrder,
  outcomeLevelNotReached,
  objectiveAboveOutcome,
  feedbackTooLate,
  markingOverAvailable,
  totalOffCredits,
  hoursOverTarget,
  shareDiffers,
  tooLong,
  noOtherDelivery,
  noPart,
  rubricTooLarge,
  criterionDouble,
  objectiveNotAssessed,
  objectiveWithoutOutcome,
  outcomeWithoutObjective,
  activityServesNothing,
  descriptorEmpty,
  evidenceShort,
  itemNotAssessed,
  itemNotPractised,
  itemNotTaught,
  noOverview,
  noClosing,
  recallNone,
  noCondition,
  noHowWell,
  contrastLow,
  actionOverdue,
  reviewOpen,
  reviewStale,
  ...LEARNER_TEXT_RULES,
]
