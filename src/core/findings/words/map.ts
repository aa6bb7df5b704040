import { countOf, formatHundredths } from '../../numbers'
import type { Words } from '../words'

/** `13½`, `8`: hours as people plan them. */
const halves = (hours: number): string => {
  const half = Math.round(hours * 2)
  return half % 2 === 0 ? String(half / 2) : `${Math.floor(half / 2)}½`
}

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
  'activity-serves-nothing': {
    why: 'Learners ask why they do a task; the page they see answers with its objective.',
    summary: (n, of) => `${n} of ${countOf(of, 'activity', 'activities')} ${n === 1 ? 'serves' : 'serve'} no objective yet`,
    says: ({ activity }: { readonly activity: string }) => `${activity} serves no objective.`,
  },
} as const satisfies Words
