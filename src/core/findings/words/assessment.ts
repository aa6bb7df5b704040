import { shortDate } from '../../calendar/plain-date'
import { countOf, formatHundredths } from '../../numbers'
import type { Words } from '../words'

/** Hundredths of a percent to a tenth. */
const tenths = (hundredths: number) => `${formatHundredths(Math.round(hundredths / 10) * 10)} %`

export const ASSESSMENT_WORDS = {
  'shares-not-100': {
    why: 'The final grade is the sum of the shares, so learners must be able to add them up to 100.',
    says: ({ total, missing }: { readonly total: number; readonly missing: number }) =>
      `The category shares sum to ${formatHundredths(total)} %, ${
        missing > 0 ? `${formatHundredths(missing)} % short of` : `${formatHundredths(-missing)} % more than`
      } 100 %.`,
    fixes: {
      'set-share': (f: { readonly category: string; readonly share: number }) => `Set ${f.category} to ${formatHundredths(f.share)} %`,
      'scale-shares': () => 'Scale all to 100 %',
    },
  },
  'rubric-sum-differs': {
    why: 'Learners add the criteria up; the sum must be what the assessment says.',
    says: (f: {
      readonly rubric: string
      readonly percent: boolean
      readonly total: number
      readonly wanted: number
      /** The first that is marked with it; null where none is at hand. */ readonly activity: string | null
    }) =>
      f.percent
        ? `The weights of ${f.rubric} sum to ${formatHundredths(f.total)} %, not 100.`
        : `The criteria of ${f.rubric} sum to ${formatHundredths(f.total)} points; ${f.activity ?? 'the assessment'} has ${formatHundredths(f.wanted)}.`,
    fixes: {
      'scale-criteria': (f: { readonly wanted: number; readonly percent: boolean }) =>
        `Scale the criteria to ${formatHundredths(f.wanted)}${f.percent ? ' %' : ''}`,
      'set-points': (f: { readonly assessments: number; readonly points: number }) =>
        `Give ${countOf(f.assessments, 'assessment')} ${formatHundredths(f.points)} points`,
    },
  },
  'rubric-levels-order': {
    why: 'Each level must be worth more than the one before, and full work must be able to reach the full mark.',
    says: (
      f:
        | { readonly rubric: string; readonly levels: readonly { readonly title: string; readonly value: number }[] }
        | { readonly rubric: string; readonly top: number },
    ) =>
      'levels' in f
        ? `The levels of ${f.rubric} are not in order: ${f.levels.map((l) => `${l.title} ${formatHundredths(l.value)}`).join(', ')}.`
        : `The top level of ${f.rubric} gives ${formatHundredths(f.top)} %: nobody can reach the full mark.`,
    fixes: { 'top-level': ({ level }: { readonly level: string }) => `Let ${level} count 100 %` },
  },
  'criterion-cites-other': {
    why: 'The rubric and the map must say the same about what the work gives evidence of.',
    says: (f: { readonly criterion: string; readonly objective: string; readonly activity: string }) =>
      `“${f.criterion}” judges ${f.objective}, but ${f.activity} does not assess ${f.objective}.`,
    fixes: {
      'assess-objective': (f: { readonly activity: string; readonly objective: string }) => `Let ${f.activity} assess ${f.objective}`,
      'unlink-criterion': ({ objective }: { readonly objective: string }) => `Unlink ${objective} from the criterion`,
    },
  },
  'assesses-without-assessment': {
    why: 'A task that is said to assess needs to say how: graded or not, and what for.',
    says: (f: { readonly activity: string; readonly objectives: readonly string[] }) =>
      `${f.activity} is linked as assessing ${f.objectives.join(', ')}, but is no assessment.`,
    fixes: {
      'make-assessment': (f: { readonly function: string }) => `Make it a ${f.function} assessment`,
      'set-stages': () => 'Count it as practice',
    },
  },
  'assessment-without-objective': {
    why: 'A grade for something the course does not ask for is hard to defend.',
    says: (f: { readonly activity: string; readonly share: number }) =>
      `${f.activity} counts ${formatHundredths(f.share)} % of the grade and assesses no objective.`,
    fixes: { 'set-stages': (f: { readonly objectives: readonly string[] }) => `Let it assess ${f.objectives.join(', ')}` },
  },
  'assessment-without-category': {
    why: 'Points outside every category count nothing in a grade made of shares.',
    says: (f: { readonly activity: string; readonly points: number }) =>
      `${f.activity} has ${formatHundredths(f.points)} points and is in no category, so it counts nothing.`,
    fixes: { 'set-category': ({ category }: { readonly category: string }) => `Put it in ${category}` },
  },
  'category-empty': {
    why: 'A share that nothing earns cannot be reached by any learner.',
    says: (f: { readonly category: string; readonly share: number }) =>
      `${f.category} counts ${formatHundredths(f.share)} % and holds no assessment.`,
  },
  'assesses-without-criterion': {
    why: 'What no criterion looks at is not assessed, whatever the map says.',
    says: (f: { readonly activity: string; readonly objective: string }) =>
      `${f.activity} is said to assess ${f.objective}, but no criterion of its rubric does.`,
  },
  'criterion-unlinked': {
    why: 'A criterion that judges something no objective names asks for what was never promised.',
    says: (f: { readonly criterion: string; readonly rubric: string }) =>
      `“${f.criterion}” in ${f.rubric} serves no objective and is not marked general.`,
    fixes: {
      'link-criterion': ({ objective }: { readonly objective: string }) => `Link it with ${objective}`,
      'mark-general': () => 'Mark it general',
    },
  },
  'criteria-same': {
    why: 'What is asked twice counts twice.',
    says: (f: { readonly criterion: string; readonly rubric: string }) => `“${f.criterion}” stands twice in ${f.rubric}.`,
  },
  'descriptor-vague': {
    why: 'Two markers agree on what they can see, not on what they call good.',
    says: (f: { readonly criterion: string /** A cell that says nothing; null: two differ by a word. */; readonly text: string | null }) =>
      f.text === null
        ? `The levels of “${f.criterion}” differ by one judging word; say what is seen at each.`
        : `“${f.text}” in “${f.criterion}” names nothing that can be seen in the work.`,
  },
  'descriptor-empty': {
    why: 'An empty cell is filled in by each marker in their own way.',
    summary: (n) => `${countOf(n, 'criterion has', 'criteria have')} empty cells`,
    says: (f: { readonly criterion: string; readonly rubric: string; readonly levels: readonly string[] }) =>
      `“${f.criterion}” in ${f.rubric} says nothing for ${f.levels.join(', ')}.`,
  },
  'rubric-too-large': {
    why: 'More than a marker can hold in mind is not applied evenly.',
    says: (f: {
      readonly rubric: string
      readonly criteria: number
      readonly mostCriteria: number
      readonly levels: number
      readonly mostLevels: number
    }) => {
      const parts = [
        f.criteria > f.mostCriteria ? `${f.criteria} criteria (up to ${f.mostCriteria} are usual)` : [],
        f.levels > f.mostLevels ? `${f.levels} levels (up to ${f.mostLevels})` : [],
      ].flat()
      return `${f.rubric} has ${parts.join(' and ')}.`
    },
  },
  'criterion-double': {
    why: 'Work can meet one half and miss the other; then no level fits.',
    says: (f: { readonly criterion: string; readonly rubric: string }) => `“${f.criterion}” in ${f.rubric} may ask two things.`,
  },
  'feedback-too-late': {
    why: 'Feedback helps when there is still time to use it.',
    says: (f: { readonly earlier: string; readonly back: string; readonly activity: string; readonly due: string }) =>
      `Feedback on ${f.earlier} is promised by ${shortDate(f.back)}, too late to use in ${f.activity}, due ${shortDate(f.due)}.`,
  },
  'marking-over-available': {
    why: 'A promise that cannot be kept teaches learners not to wait for feedback.',
    says: (f: {
      readonly available: number
      readonly weeks: readonly { readonly number: number | null; readonly title: string | null; readonly hours: number }[]
    }) =>
      `Marking needs more than the ${formatHundredths(f.available)} h a week that are there for it: ${f.weeks
        .map((w) => `${w.number === null ? w.title : `week ${w.number}`} ${w.hours.toFixed(1)} h`)
        .join(', ')}.`,
  },
  'share-differs': {
    why: 'Learners give their time to what counts; where that differs from what was intended, one of the two should move.',
    says: (f: { readonly outcome: string; readonly graded: number; readonly intended: number }) =>
      `${tenths(f.graded)} of the grade assesses ${f.outcome}; ${tenths(f.intended)} was intended.`,
  },
} as const satisfies Words
