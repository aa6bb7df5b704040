/** What one account may have and write, declared once: the figures are settings, and whoever nears one is told before it bites. */
import { and, eq, ne, sql } from 'drizzle-orm'
import { file } from '../core/beside/file'
import { formatWhole } from '../core/numbers'
import type { Database, Transaction } from './db/client'
import { courseHead, membership } from './db/schema'
import { besideTable } from './db/tables'
import { Refusal } from './problem'
import { getSettings } from './settings'

export type QuotaUse = { readonly used: number; readonly most: number; readonly says: string }
type Quota = {
  readonly most: () => number
  readonly used: (db: Database | Transaction, personId: string) => Promise<number>
  /** In a sentence, as it is told. */
  readonly says: (used: number, most: number) => string
}

const megabytes = (bytes: number): string => `${formatWhole(Math.round(bytes / 1e6))} MB`

/** Bytes of changes that each account sent today (UTC), as this process counts them. */
const written = new Map<string, number>()
let day = ''
function writtenToday(): Map<string, number> {
  const today = new Date().toISOString().slice(0, 10)
  if (today !== day) written.clear()
  day = today
  return written
}

const QUOTAS = {
  courses: {
    most: () => getSettings().quotas.courses,
    used: async (db, personId) => {
      const [row] = await db
        .select({ n: sql<number>`count(*)::int` })
        .from(membership)
        .innerJoin(courseHead, eq(courseHead.id, membership.courseId))
        .where(and(eq(membership.userId, personId), eq(membership.role, 'designer'), ne(courseHead.state, 'removed')))
      return row?.n ?? 0
    },
    says: (used, most) => `You design ${formatWhole(used)} of the ${formatWhole(most)} courses that one account may have here.`,
  },
  files: {
    most: () => getSettings().quotas.fileBytes,
    used: async (db, personId) => {
      const table = besideTable(file as never)
      const { rows } = await db.execute<{ n: number }>(
        sql`select coalesce(sum(bytes), 0)::float8 as n from ${table} where author_id = ${personId}`,
      )
      return rows[0]?.n ?? 0
    },
    says: (used, most) => `Your pictures take ${megabytes(used)} of the ${megabytes(most)} that one account may have here.`,
  },
  writing: {
    most: () => getSettings().quotas.dayBytes,
    used: async (_, personId) => writtenToday().get(personId) ?? 0,
    says: (used, most) => `You wrote ${megabytes(used)} today, of the ${megabytes(most)} that one account may write here in a day.`,
  },
} as const satisfies Readonly<Record<string, Quota>>
export type QuotaName = keyof typeof QUOTAS

/** A share of a quota from which it is told (Cairn default). */
const NEAR = 0.8

/** The quotas that an account has nearly used up, or wholly. */
export async function nearQuotas(db: Database, personId: string): Promise<QuotaUse[]> {
  const all = await Promise.all(
    Object.values(QUOTAS).map(async ({ most, used, says }) => {
      const now = await used(db, personId)
      return { used: now, most: most(), says: says(now, most()) }
    }),
  )
  return all.filter((q) => q.used >= q.most * NEAR)
}

/** Throws the 403 refusal where so much more would be more than an account may have. */
export async function needsRoom(
  db: Database | Transaction,
  personId: string,
  name: Exclude<QuotaName, 'writing'>,
  more = 1,
): Promise<void> {
  const { most, used, says } = QUOTAS[name]
  const now = await used(db, personId)
  if (now + more > most()) throw new Refusal(403, 'quota', `${says(now, most())} Ask whoever runs Cairn for more.`, { quota: name })
}

/** Counts what an account writes. Throws the 429 refusal where it is more than a day's: it waits until tomorrow. */
export function countWriting(personId: string, bytes: number): void {
  if (!getSettings().rateLimit) return
  const today = writtenToday()
  const { most, says } = QUOTAS.writing
  const now = today.get(personId) ?? 0
  if (now + bytes > most()) {
    const midnight = new Date()
    midnight.setUTCHours(24, 0, 0, 0)
    const seconds = Math.ceil((midnight.getTime() - Date.now()) / 1000)
    throw new Refusal(429, 'quota', `${says(now, most())} It goes on tomorrow.`, { quota: 'writing' }, { 'retry-after': String(seconds) })
  }
  today.set(personId, now + bytes)
}
