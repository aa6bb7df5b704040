/** Values by chance for every field type: a type that is not here does not compile. */
import type { Field, FieldTypeName } from '../../src/core/blueprint/field'
import { keysBetween } from '../../src/core/blueprint/order'

type Make = (field: never, random: () => number, ids: (kind: string) => readonly string[]) => unknown

const pick = <T>(list: readonly T[], random: () => number): T | undefined => list[Math.floor(random() * list.length)]
const between = (min: number, max: number, random: () => number) => min + Math.floor(random() * (Math.min(max, min + 40) - min + 1))
const WORDS = [
  'Measure flow',
  'Explain why',
  'Labs',
  'Lab 2',
  'Review and revise',
  'Know it',
  '3 < 4 & “5”',
  'Füße',
  'Draw the section within 10 %',
]

const MAKE = {
  text: (f: { max: number; schemes?: readonly string[] }, random) =>
    f.schemes
      ? `${pick(f.schemes, random)}://pages.example/${Math.floor(random() * 4)}`
      : `${pick(WORDS, random)} ${Math.floor(random() * 4)}`.slice(0, f.max).trim(),
  rich: (_, random) => ({ type: 'doc', content: [{ type: 'paragraph', content: [{ type: 'text', text: pick(WORDS, random) }] }] }),
  int: (f: { min: number; max: number }, random) => between(f.min, f.max, random),
  hundredths: (f: { min: number; max: number }, random) =>
    pick([f.min, f.max, Math.floor((f.min + f.max) / 2), between(f.min, f.max, random)], random),
  bool: (_, random) => random() < 0.5,
  date: (_, random) => `2027-${String(1 + Math.floor(random() * 12)).padStart(2, '0')}-15`,
  time: (_, random) => `${10 + Math.floor(random() * 13)}:30`,
  colour: (_, random) => pick(['#000000', '#20282b', '#7a7a7a', '#ffffff'], random),
  zone: (_, random) => pick(['UTC', 'Europe/London', 'Pacific/Auckland'], random),
  enum: (f: { values: readonly string[] }, random) => pick(f.values, random),
  list: (f: { values: readonly string[] }, random) => f.values.filter(() => random() < 0.5),
  'line list': (f: { max: number }, random) =>
    ['heading-skips', 'alt text', 'Füße'].filter(() => random() < 0.5).map((text) => text.slice(0, f.max)),
  ref: (f: { to: string }, random, ids) => pick(ids(f.to), random),
  order: (_, random) => pick(keysBetween(null, null, 9), random),
  object: (f: { of: Record<string, Field> }, random, ids) =>
    Object.fromEntries(Object.entries(f.of).map(([name, part]) => [name, valueFor(part, random, ids)])),
  'object list': (f: { of: Record<string, Field> }, random, ids) =>
    Array.from({ length: Math.floor(random() * 3) }, () =>
      Object.fromEntries(Object.entries(f.of).map(([name, part]) => [name, valueFor(part, random, ids)])),
    ),
} satisfies Record<FieldTypeName, Make>

/** A value that the field may hold, null among them where it is optional; undefined where there is none (a reference to nothing). */
export function valueFor(field: Field, random: () => number, ids: (kind: string) => readonly string[]): unknown {
  if (field.optional && random() < 0.25) return null
  const value = (MAKE[field.type] as Make)(field as never, random, ids)
  return value === undefined && field.optional ? null : value
}
