/** Fresh ids, and ids made of what they belong to. Chance is an argument. */
import { ID_PATTERN } from './id-pattern'
import { type AnyRecord, type KindName, specOf } from './kinds'

const ALPHABET = '0123456789ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz'

/** Gives a fresh id at each call. */
export type NewId = () => string

/** Ids of 12 characters (71 bits) from `random`, which gives numbers in [0, 1). */
export const idSource =
  (random: () => number): NewId =>
  () =>
    Array.from({ length: 12 }, () => ALPHABET[Math.floor(random() * ALPHABET.length)]).join('')

/**
 * The id of a link record, made of its ends so that two people who tick the same cell make the same record.
 * Ends too long to stand side by side, or with characters no id may have, are hashed (two 32-bit FNV-1a runs, Cairn default).
 */
export function linkId(ends: readonly string[], suffix = ''): string {
  const joined = [...ends, ...(suffix ? [suffix] : [])].join('--')
  const plain = ID_PATTERN.test(joined) && ends.every((e) => !e.includes('--') && !e.startsWith('-') && !e.endsWith('-'))
  if (plain) return joined
  const text = [...ends, suffix].join(' ')
  return `h-${[0x811c9dc5, 0x1b873593, 0x9e3779b9].map((seed) => fnv1a(text, seed).toString(36)).join('-')}`
}

function fnv1a(text: string, seed: number): number {
  let hash = seed
  for (let i = 0; i < text.length; i++) hash = Math.imul(hash ^ text.charCodeAt(i), 0x01000193) >>> 0
  return hash
}

/** The only id a record of this kind may have, or null where any id will do. */
export function fixedId(kind: KindName, record: Readonly<Record<string, unknown>>): string | null {
  const spec = specOf(kind)
  if (spec.single) return kind
  if (!spec.ends) return null
  const ends = spec.ends.map((field) => String(record[field]))
  return linkId(ends, spec.ends.length === 1 ? kind : '')
}

/** Gives a record its fixed id where its kind has one. */
export function withFixedId(kind: KindName, record: AnyRecord): AnyRecord {
  const id = fixedId(kind, record)
  return id === null ? record : { ...record, id }
}
