/** How long an activity takes, from how much there is to read, hear, write or answer. */
import type { Activity } from '../blueprint/kinds'
import type { SizeUnit } from '../blueprint/kinds/activity'
import { countOf } from '../numbers'
import type { Assume } from './assumptions'

export type Estimate = {
  /** Not rounded. */
  readonly minutes: number
  /** `17 pages of 450 words at 238 words a minute` */
  readonly how: string
}

type Sized = Pick<Activity, 'kind' | 'size' | 'pace' | 'difficulty'>

/** The estimate of an activity, or null where its size is open. Rates: core/hours/assumptions.ts. */
export function estimateOf(activity: Sized, assume: Assume): Estimate | null {
  const { size } = activity
  if (!size) return null
  switch (size.unit) {
    case 'pages':
      return reading(
        size.amount * assume('page-words'),
        `${countOf(size.amount, 'page')} of ${assume('page-words')} words`,
        activity,
        assume,
      )
    case 'words':
      return reading(size.amount, countOf(size.amount, 'word'), activity, assume)
    case 'minutes':
      return running(size.amount, activity, assume)
    case 'words written':
      return writing(size.amount, activity, assume)
    case 'items': {
      const [item, attempts] = [assume('quiz-item'), assume('quiz-attempts')]
      return {
        minutes: size.amount * item * attempts,
        how: `${countOf(size.amount, 'item')} at ${item} min${attempts === 1 ? '' : `, ${attempts} attempts`}`,
      }
    }
    case 'replies': {
      const [post, reply, read, posts] = [assume('first-post'), assume('reply'), assume('post-read'), assume('posts-read')]
      return {
        minutes: post + size.amount * reply + posts * read,
        how: `a post of ${post} min, ${countOf(size.amount, 'reply', 'replies')} of ${reply} min, ${posts} posts read`,
      }
    }
    case 'reviews':
      return { minutes: size.amount * assume('peer-review'), how: `${countOf(size.amount, 'review')} of ${assume('peer-review')} min` }
  }
}

function reading(words: number, what: string, { pace, difficulty }: Sized, assume: Assume): Estimate {
  const factor = difficulty === 'easy' || difficulty === 'dense' ? assume(difficulty) : 1
  const rate = assume(pace ?? 'read') * factor
  return { minutes: words / rate, how: `${what} at ${Math.round(rate)} words a minute${factor === 1 ? '' : ` (${difficulty})`}` }
}

function running(minutes: number, { kind }: Sized, assume: Assume): Estimate {
  const factor = kind === 'video' || kind === 'audio' || kind === 'slides' ? assume('playing') : 1
  return { minutes: minutes * factor, how: factor === 1 ? `${minutes} min long` : `${minutes} min long, times ${factor}` }
}

function writing(words: number, { kind }: Sized, assume: Assume): Estimate {
  const per = assume(kind === 'reflection' ? 'reflection-250' : kind === 'project' || kind === 'case' ? 'argued-250' : 'report-250')
  return { minutes: (words / 250) * per, how: `${countOf(words, 'word')} to write at ${per} min per 250` }
}

const UNIT_OF_WORD: readonly (readonly [RegExp, SizeUnit])[] = [
  [/^(pages?|pp?\.?|seiten?)$/, 'pages'],
  [/^words?$/, 'words'],
  [/^(min|mins|minutes?|m)\.?$/, 'minutes'],
  [/^(words? (written|to write)|written words?)$/, 'words written'],
  [/^(items?|questions?)$/, 'items'],
  [/^(replies|reply)$/, 'replies'],
  [/^reviews?$/, 'reviews'],
]

/** Reads `17 pages`, `2400 words`, `9 min`, `500 words written`, `10 items`, `2 replies`, `3 reviews`; null when it is none. */
export function readSize(text: string): NonNullable<Activity['size']> | null {
  const match = /^(\d{1,7})\s*([a-z. ]+)$/.exec(
    text
      .trim()
      .toLowerCase()
      .replace(/(\d),(\d{3})/g, '$1$2'),
  )
  const unit = match && UNIT_OF_WORD.find(([pattern]) => pattern.test(match[2] as string))?.[1]
  return match && unit && Number(match[1]) <= 1_000_000 ? { unit, amount: Number(match[1]) } : null
}

export const sizeText = (size: NonNullable<Activity['size']>): string => `${size.amount} ${size.unit === 'minutes' ? 'min' : size.unit}`

/** The size that a title tells: `pp. 3–19` is 17 pages, `(9 min)` 9 minutes of a film. Null where it tells none. */
export function sizeInTitle(activity: Pick<Activity, 'title' | 'kind'>): NonNullable<Activity['size']> | null {
  const pages = /\bpp?\.?\s*(\d{1,4})\s*[–-]\s*(\d{1,4})\b/.exec(activity.title)
  if (pages && Number(pages[2]) >= Number(pages[1])) return { unit: 'pages', amount: Number(pages[2]) - Number(pages[1]) + 1 }
  const minutes = /\((\d{1,3})\s*min\)/.exec(activity.title)
  return minutes && (activity.kind === 'video' || activity.kind === 'audio' || activity.kind === 'live session')
    ? { unit: 'minutes', amount: Number(minutes[1]) }
    : null
}
