import { article, capital } from '../../blueprint/text'
import { dateSpan, shortDate } from '../../calendar/plain-date'
import type { Words } from '../words'

type Day = { readonly date: string }
const move = ({ date }: Day) => `Move to ${shortDate(date)}`

export const CALENDAR_WORDS = {
  'module-weeks-outside': {
    why: (word) => `${capital(article(word.one))} without weeks in the term has no dates, and neither has anything in it.`,
    says: (f: { readonly module: string; readonly first: number; readonly end: number; readonly last: number }, word) =>
      f.end < f.first
        ? `${word.One} ${f.module} ends in week ${f.end}, before it begins in week ${f.first}.`
        : `${word.One} ${f.module} runs to week ${f.end}; the term has ${f.last} weeks.`,
    fixes: { 'set-weeks': ({ last }: { readonly last: number }) => `End it in week ${last}` },
  },
  'due-outside-term': {
    why: 'What is due when no term is running cannot be handed in.',
    says: (
      f: {
        readonly activity: string
        readonly due: string | null
        readonly week: number | null
        readonly first: string
        readonly last: string
      },
      word,
    ) =>
      f.due === null
        ? `${f.activity} is due in week ${f.week} of its ${word.one}, a week the term does not have.`
        : `${f.activity} is due ${shortDate(f.due)}, outside the term (${shortDate(f.first)} to ${shortDate(f.last)}).`,
    fixes: { 'move-due': move },
  },
  'due-while-closed': {
    why: 'On a closed day nobody answers questions and no help desk is open.',
    says: (f: { readonly activity: string; readonly due: string; readonly closed: string; readonly isBreak: boolean }) =>
      `${f.activity} is due ${shortDate(f.due)}, ${f.isBreak ? 'during the break' : 'a closed day'} (${f.closed}).`,
    fixes: { 'move-due': move },
  },
  'due-outside-module': {
    why: (word) => `Learners look for the work of ${article(word.one)} within its weeks.`,
    says: (f: { readonly activity: string; readonly due: string; readonly first: string; readonly last: string }, word) =>
      `${f.activity} is due ${shortDate(f.due)}, after its ${word.one} ends (${dateSpan(f.first, f.last)}).`,
    fixes: { 'move-due': move },
  },
  'too-many-due': {
    why: 'Work that falls due together is done in a hurry, or late.',
    says: (f: { readonly activities: readonly string[]; readonly first: string; readonly last: string; readonly most: number }) =>
      `${f.activities.length} graded pieces are due ${
        f.first === f.last ? `on ${shortDate(f.first)}` : `in the week ${dateSpan(f.first, f.last)}`
      } (${f.activities.join(', ')}); ${f.most} a ${f.first === f.last ? 'day' : 'week'} is what most learners manage.`,
  },
  'total-off-credits': {
    why: 'Credits are a promise about time, to learners and to those who recognise them.',
    says: (f: { readonly hours: number; readonly least: number; readonly most: number }) =>
      `The plan takes ${f.hours.toFixed(0)} h; its credits ask for ${f.least === f.most ? f.least : `${f.least} to ${f.most}`} h.`,
  },
} as const satisfies Words
