/** How long an activity takes, from how much there is to read, hear, write or answer. */
import type { Activity } from '../blueprint/kinds'
import type { SizeUnit, Writing } from '../blueprint/kinds/activity'
import { countOf } from '../numbers'
import type { Assume } from './assumptions'

export type Estimate = {
  /** Not rounded. */
  readonly minutes: number
  /** `17 pages of 450 words at 238 words a minute` */
  readonly how: string
  /** It rests on a page that nobody counted. */
  readonly guess: boolean
}

type Sized = Pick<Activity, 'kind' | 'size' | 'pace' | 'difficulty' | 'pageWords' | 'pageSet' | 'writing'>
type Sum = Omit<Estimate, 'guess'>

/**
 * The estimate of an activity, or null where its size is open or a rate of the course is nothing. Rates, and where they come
 * from: core/plan/assumptions.ts.
 */
export function estimateOf(activity: Sized, assume: Assume): Estimate | null {
  const { size } = activity
  if (!size) return null
  const sum = sumOf(activity, size, assume)
  return Number.isFinite(sum.minutes) ? { ...sum, guess: size.unit === 'pages' && activity.pageWords === null } : null
}

function sumOf(activity: Sized, { unit, amount }: NonNullable<Activity['size']>, assume: Assume): Sum {
  switch (unit) {
    case 'pages': {
      const { words, how } = wordsOfPage(activity, assume)
      return reading(amount * words, `${countOf(amount, 'page')} of ${words} words${how}`, activity, assume)
    }
    case 'words':
      return reading(amount, countOf(amount, 'word'), activity, assume)
    case 'minutes':
      return running(amount, activity, assume)
    case 'words written':
      return writing(amount, activity, assume)
    case 'items': {
      const [item, attempts] = [assume('quiz-item'), assume('quiz-attempts')]
      return {
        minutes: amount * item * attempts,
        how: `${countOf(amount, 'item')} at ${item} min${attempts === 1 ? '' : `, ${attempts} attempts`}`,
      }
    }
    case 'replies': {
      const [post, reply, read, posts] = [assume('first-post'), assume('reply'), assume('post-read'), assume('posts-read')]
      return {
        minutes: post + amount * reply + posts * read,
        how: `a post of ${post} min, ${countOf(amount, 'reply', 'replies')} of ${reply} min, ${posts} posts read`,
      }
    }
    case 'reviews':
      return { minutes: amount * assume('peer-review'), how: `${countOf(amount, 'review')} of ${assume('peer-review')} min` }
  }
}

/** Words of one page: counted, else guessed from how the pages are set. */
function wordsOfPage({ pageWords, pageSet }: Sized, assume: Assume): { readonly words: number; readonly how: string } {
  if (pageWords !== null) return { words: pageWords, how: '' }
  const set = pageSet ?? 'textbook'
  return { words: assume(set), how: ` (a guess: ${PAGE_WORDS[set]})` }
}
/** How pages are set, in words. */
export const PAGE_WORDS = { paperback: 'a paperback', textbook: 'a textbook', 'close-set': 'close-set' } as const

function reading(words: number, what: string, { pace, difficulty }: Sized, assume: Assume): Sum {
  const factor = difficulty === 'easy' || difficulty === 'hard' ? assume(difficulty) : 1
  const rate = assume(pace ?? 'read') * factor
  return { minutes: words / rate, how: `${what} at ${Math.round(rate)} words a minute${factor === 1 ? '' : ` (${difficulty})`}` }
}

function running(minutes: number, { kind }: Sized, assume: Assume): Sum {
  const factor = kind === 'video' || kind === 'audio' || kind === 'slides' ? assume('playing') : 1
  return { minutes: minutes * factor, how: factor === 1 ? `${minutes} min long` : `${minutes} min long, times ${factor}` }
}

/** What is written where nobody has said it: a reflection, what a project or a case argues, else a report. */
export const writingOf = ({ kind, writing }: Pick<Activity, 'kind' | 'writing'>): Writing =>
  writing ?? (kind === 'reflection' ? 'reflection' : kind === 'project' || kind === 'case' ? 'argued' : 'report')

function writing(words: number, activity: Sized, assume: Assume): Sum {
  const rate = assume(`${writingOf(activity)}-words`)
  return { minutes: (words / rate) * 60, how: `${countOf(words, 'word')} to write at ${rate} an hour` }
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

const UNIT_OF_KIND: Partial<Readonly<Record<NonNullable<Activity['kind']>, SizeUnit>>> = {
  video: 'minutes',
  audio: 'minutes',
  'live session': 'minutes',
  assignment: 'words written',
  project: 'words written',
  case: 'words written',
  reflection: 'words written',
  quiz: 'items',
  exam: 'items',
  survey: 'items',
  discussion: 'replies',
  'peer review': 'reviews',
}
/** What the size of an activity of a kind is most often counted in (Cairn defaults). */
export const proposedUnit = (kind: Activity['kind']): SizeUnit => (kind === null ? undefined : UNIT_OF_KIND[kind]) ?? 'pages'

/** Reads the words of one page: `352`, or lines by words in a line, `32 x 11`; null when it is neither. */
export function readPageWords(text: string): number | null {
  const [lines, inLine = '1', ...more] = text.trim().split(/\s*[x×*]\s*/i)
  if (more.length > 0 || !/^\d{1,4}$/.test(lines ?? '') || !/^\d{1,4}$/.test(inLine)) return null
  const words = Number(lines) * Number(inLine)
  return words >= 1 && words <= 5000 ? words : null
}

export const sizeText = (size: NonNullable<Activity['size']>): string => `${size.amount} ${size.unit === 'minutes' ? 'min' : size.unit}`
