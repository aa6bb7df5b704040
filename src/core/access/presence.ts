/** Who is where in a course: a message handed on to those who listen, kept by nobody longer than its time to live. */
import { ROLES } from '../roles'
import { z } from '../zod'

/** Longest parts, so that a message of any person stays far under the 8,000 bytes of a notification (Cairn defaults). */
const short = (most: number) => z.string().check(z.maxLength(most))

/** Where a window is. `place` is `kind id` of the record at the cursor, `field` the cell or line of it. */
export const presentAtSchema = z.strictObject({
  window: short(40).check(z.regex(/^[\w-]+$/)),
  view: short(40).check(z.regex(/^[\w-]*$/)),
  place: z.nullable(short(140)),
  field: z.nullable(short(80)),
  /** `here`: again; `hello`: new, and others say where they are; `gone`: left. */
  says: z.enum(['here', 'hello', 'gone']),
  /** Counts what the window said: requests on the way overtake each other, and who left must not come back by an older one. */
  n: z.number().check(z.int(), z.nonnegative()),
})
export type PresentAt = z.infer<typeof presentAtSchema>

export const presenceSchema = z.extend(presentAtSchema, {
  person: short(80),
  name: short(120),
  role: z.enum(ROLES),
  /** Null: the server says it of a window, after all that was heard of it. */
  n: z.nullable(presentAtSchema.shape.n),
})
export type Presence = z.infer<typeof presenceSchema>

/** A window says again where it is this often, and is thought gone when it was not heard for three times as long (Cairn defaults). */
export const PRESENCE_AGAIN_MS = 15_000
export const PRESENCE_TTL_MS = 3 * PRESENCE_AGAIN_MS
/** A moving cursor is told at most this often (Cairn default). */
export const PRESENCE_THROTTLE_MS = 700

/** A window with the time, in milliseconds, when it was last heard of. */
export type Present = Presence & { readonly heard: number }

/**
 * Takes a message into the list of windows; the same list where something newer was heard of that window. Who left stays listed as
 * `gone` for the time to live.
 */
export function hear(present: readonly Present[], message: Presence, now: number): readonly Present[] {
  const others = present.filter((p) => p.window !== message.window)
  const heard = present.find((p) => p.window === message.window)?.n ?? -1
  if (message.n !== null && message.n <= heard) return present
  return [...others, { ...message, n: message.n ?? heard, heard: now }].sort(
    (a, b) => a.name.localeCompare(b.name) || a.window.localeCompare(b.window),
  )
}

/** The windows that were heard of within their time to live; the same list where all were. */
export function stillPresent(present: readonly Present[], now: number): readonly Present[] {
  const left = present.filter((p) => now - p.heard < PRESENCE_TTL_MS)
  return left.length === present.length ? present : left
}

/** The people behind the windows, each once, where they were last: others than `self`. */
export function peoplePresent(present: readonly Present[], self: string): readonly Present[] {
  const people = new Map<string, Present>()
  for (const p of present) {
    const known = people.get(p.person)
    if (p.says !== 'gone' && p.person !== self && (!known || known.heard < p.heard)) people.set(p.person, p)
  }
  return [...people.values()]
}

/** Initials for a small mark: `Tove Rasmussen` is `TR`. */
export const initialsOf = (name: string): string =>
  name
    .split(/\s+/)
    .map((w) => [...w][0] ?? '')
    .join('')
    .slice(0, 2)
    .toUpperCase()
