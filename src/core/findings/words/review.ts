import { shortDate } from '../../calendar/plain-date'
import { countOf } from '../../numbers'
import type { Words } from '../words'

export const REVIEW_WORDS = {
  'contrast-low': {
    why: 'What stands out too little cannot be read in sunlight, on a poor screen, or by those who see less well.',
    says: (f: { readonly pairs: readonly { readonly pair: string; readonly shown: string; readonly needed: number }[] }) =>
      `The colours of the pages stand out too little: ${f.pairs.map((p) => `${p.pair} ${p.shown}, needed ${p.needed}`).join('; ')}.`,
    fixes: {
      nearest: (f: { readonly colours: readonly string[] }) =>
        `Take the nearest that ${f.colours.length === 1 ? 'does' : 'do'}: ${f.colours.join(', ')}`,
    },
  },
  'action-overdue': {
    why: 'What was promised by a day and is not done either needs doing, another day, or to be let go.',
    says: (f: { readonly actions: readonly { readonly what: string; readonly by: string }[] }) =>
      `${f.actions.map(({ what, by }) => `“${what}” was to be done by ${shortDate(by)}`).join('; ')}.`,
  },
  'review-open': {
    why: 'A round is over when all that it asks is rated.',
    summary: (n) => `${countOf(n, 'point')} of an open review ${n === 1 ? 'is' : 'are'} not rated yet`,
    says: ({ point }: { readonly point: string }) => `${point} is asked in an open review and not rated yet.`,
  },
  'review-stale': {
    why: 'A rating says something of what was there when it was made.',
    summary: (n) => `${countOf(n, 'rating')} of the review ${n === 1 ? 'rests' : 'rest'} on what has changed since`,
    says: ({ point }: { readonly point: string }) => `The rating of ${point} rests on what has changed since.`,
  },
} as const satisfies Words
