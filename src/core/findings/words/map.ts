import { countOf, formatHundredths } from '../../numbers'
import type { Words } from '../words'

/** `13½`, `8`: hours as people plan them. */
const halves = (hours: number): string => {
  const half = Math.round(hours * 2)
  return half % 2 === 0 ? String(half / 2) : `${Math.floor(half / 2)}½`
}

/** `12:40`: minutes and seconds. */
const clock = (seconds: number): string => `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`

export const MAP_WORDS = {
  'summative-before-practice': {
    why: 'Learners should meet a task once with feedback before it counts.',
    says: (f: { readonly activity: string; readonly share: number; readonly objectives: readonly string[] }) =>
      `${f.activity} counts ${formatHundredths(f.share)} % and assesses ${f.objectives.join(', ')} before anything practises ${f.objectives.length === 1 ? 'it' : 'them'}.`,
  },
  'same-title': {
    why: 'Learners who are told to open one of them will open the other.',
    says: (f: { readonly activities: readonly string[]; readonly title: string }) =>
      `${f.activities.slice(0, -1).join(', ')} and ${f.activities.at(-1)} have one name: ${f.title}.`,
  },
  'hours-over-target': {
    why: 'Learners plan their weeks by the hours they were told; what does not fit in is skipped.',
    says: (f: { readonly module: string; readonly hours: number; readonly least: number | null; readonly most: number }, word) =>
      `${word.One} ${f.module} asks for about ${halves(f.hours)} hours a week; the target is ${
        f.least === null ? 'up to' : `${formatHundredths(f.least)} to`
      } ${formatHundredths(f.most)}.`,
  },
  'recall-later': {
    why: 'What learners have not met yet cannot be recalled.',
    says: (f: { readonly module: string; readonly recalled: string }, word) =>
      `${word.One} ${f.module} recalls ${f.recalled}, which comes later.`,
    fixes: { 'no-recall': ({ recalled }: { readonly recalled: string }) => `Recall ${recalled} no more` },
  },
  'builds-on-loop': {
    why: 'Work that builds on itself in the end has no beginning.',
    says: ({ activities }: { readonly activities: readonly string[] }) => `${activities.join(', ')} build on one another in a circle.`,
  },
  'media-too-long': {
    why: 'Learners stop watching before a long recording ends.',
    summary: (n, of) => `${n} of ${countOf(of, 'activity', 'activities')} ${n === 1 ? 'has' : 'have'} a recording that is too long`,
    says: (f: { readonly activity: string; readonly seconds: number; readonly target: number; readonly isEstimate: boolean }) =>
      `${f.activity} runs ${f.isEstimate ? 'about ' : ''}${clock(f.seconds)}; at most ${clock(f.target)} is wanted.`,
  },
  'part-empty': {
    why: 'A pattern that every module keeps saves learners from finding their way anew each time.',
    summary: (n) => `${countOf(n, 'place')} where a part that every module should have is empty`,
    says: (f: { readonly module: string; readonly part: string }, word) => `${word.One} ${f.module} has nothing in “${f.part}”.`,
  },
  'series-missing': {
    why: 'What comes in every module is missed where it does not.',
    summary: (n) => `${countOf(n, 'place')} where work that every module should have is missing`,
    says: (f: { readonly module: string; readonly series: string }, word) => `${word.One} ${f.module} has none of “${f.series}”.`,
  },
  'no-instructions': {
    why: 'Work that counts is done as its text says; where there is none, each learner does something else.',
    summary: (n, of) => `${n} of ${countOf(of, 'graded activity', 'graded activities')} ${n === 1 ? 'has' : 'have'} no instructions yet`,
    says: ({ activity }: { readonly activity: string }) => `${activity} counts for the grade and has no instructions.`,
  },
  'module-no-objectives': {
    why: 'What a module is for is what learners can do after it.',
    summary: (n) => `${countOf(n, 'place')} in the sequence without objectives yet`,
    says: (f: { readonly module: string; readonly title: string }, word) => `${word.One} ${f.module} ${f.title} has no objectives.`,
  },
  'own-order': {
    why: 'Who finds the parts in another order asks why; the reason helps whoever changes it next.',
    summary: (n) => `${countOf(n, 'place')} where parts stand in another order, without a reason`,
    says: (f: { readonly module: string }, word) => `${word.One} ${f.module} has its parts in another order, without a reason.`,
  },
  'no-other-delivery': {
    why: 'What nobody planned for the other way of delivery is made up on the day.',
    summary: (n, of) =>
      `${n} of ${countOf(of, 'activity', 'activities')} ${n === 1 ? 'does' : 'do'} not say how ${n === 1 ? 'it runs' : 'they run'} in the other way of delivery`,
    says: (f: { readonly activity: string; readonly delivery: string }) => `${f.activity} does not say how it runs ${f.delivery}.`,
  },
  'no-part': {
    why: 'Learners look for the next step where it stood in the last module.',
    summary: (n, of) => `${n} of ${countOf(of, 'activity', 'activities')} ${n === 1 ? 'is' : 'are'} in no part`,
    says: ({ activity }: { readonly activity: string }) => `${activity} is in no part of the pattern.`,
  },
  'no-overview': {
    why: 'A short overview tells learners what to look for and how long it takes.',
    summary: (n, of) => `${n} of ${of} in the sequence ${n === 1 ? 'has' : 'have'} no overview yet`,
    says: (f: { readonly module: string }, word) => `${word.One} ${f.module} has no overview.`,
  },
  'no-closing': {
    why: 'A closing ties what was done to what comes next.',
    summary: (n, of) => `${n} of ${of} in the sequence ${n === 1 ? 'has' : 'have'} no closing yet`,
    says: (f: { readonly module: string }, word) => `${word.One} ${f.module} has no closing.`,
  },
  'recall-none': {
    why: 'What is met once and not taken up again is forgotten.',
    summary: (n, of) => `${n} of ${of} in the sequence ${n === 1 ? 'recalls' : 'recall'} nothing earlier yet`,
    says: (f: { readonly module: string }, word) => `${word.One} ${f.module} recalls nothing from earlier.`,
  },
  'activity-serves-nothing': {
    why: 'Learners ask why they do a task; the page they see answers with its objective.',
    summary: (n, of) => `${n} of ${countOf(of, 'activity', 'activities')} ${n === 1 ? 'serves' : 'serve'} no objective yet`,
    says: ({ activity }: { readonly activity: string }) => `${activity} serves no objective.`,
  },
} as const satisfies Words
