/**
 * How much one person, or one address, may ask in a while. Counted in this process: with several processes the limits are as
 * many times higher. All figures are Cairn defaults.
 */
import { RateLimiterMemory, type RateLimiterRes } from 'rate-limiter-flexible'
import { Refusal } from './problem'
import { getSettings } from './settings'

/** `points` requests in `duration` seconds. A queue kept over a day away is some hundred changes, sent one after the other. */
const LIMITS = {
  /** Changes of a plan, and where a cursor is. */
  change: { points: 600, duration: 20 },
  presence: { points: 60, duration: 20 },
  /** Courses made, roles changed, syllabi published. */
  write: { points: 120, duration: 60 },
  /** Mails sent. */
  invite: { points: 50, duration: 3600 },
  /** Links of seats opened from one address. */
  link: { points: 60, duration: 900 },
  /** Tries to sign in or up from one address: refused before anything is looked at (scripts/server.mjs). */
  door: { points: 30, duration: 10 },
  /** Accounts made from one address: as many as the settings say. */
  signUp: { points: () => getSettings().signUps, duration: 86_400 },
  /** Tries at the password of one account, from anywhere. */
  password: { points: 20, duration: 900 },
} as const
export type LimitName = keyof typeof LIMITS

const limiters = new Map<LimitName, RateLimiterMemory>()
const limiterOf = (name: LimitName): RateLimiterMemory => {
  const known = limiters.get(name)
  if (known) return known
  const { points, duration } = LIMITS[name]
  const made = new RateLimiterMemory({ keyPrefix: name, duration, points: typeof points === 'function' ? points() : points })
  limiters.set(name, made)
  return made
}

/** Counts requests of `key`. Throws the 429 refusal, with the seconds to wait, where there are too many. */
export async function limit(name: LimitName, key: string, points = 1): Promise<void> {
  if (!getSettings().rateLimit) return
  try {
    await limiterOf(name).consume(key, points)
  } catch (rejected) {
    const seconds = Math.ceil(((rejected as RateLimiterRes).msBeforeNext ?? 1000) / 1000)
    throw new Refusal(429, 'too-many', 'Too much at once. It goes on in a little while.', {}, { 'retry-after': String(seconds) })
  }
}
