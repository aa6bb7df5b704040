/** What nobody sends by accident: numbers, dates, texts of all planes, shapes; and values put into a JSON document by chance. */
export const pick = <T>(list: readonly T[], random: () => number): T => list[Math.floor(random() * list.length)] as T

const deep = (levels: number): unknown => JSON.parse('['.repeat(levels) + ']'.repeat(levels))

/** A letter of any plane, halves of letters and NUL among them. */
const letter = (random: () => number): string => {
  const plane = Math.floor(random() * 17)
  const code = plane * 0x10000 + Math.floor(random() * 0x10000)
  return random() < 0.1 ? String.fromCharCode(0xd800 + Math.floor(random() * 0x800)) : String.fromCodePoint(code)
}

const TEXTS = [
  '',
  ' ',
  'a\u0000b',
  '\ud800',
  '\u202eabc',
  '\u{e0041}\u{e0042}',
  '\u0001',
  '\ufffe',
  "' or 1=1 --",
  '<img src=x onerror=alert(1)>',
  '../../etc',
  '__proto__',
  'constructor',
  'null',
  '1e400',
  '%00',
]
const DATES = [
  '0000-01-01',
  '0001-01-01',
  '1899-12-31',
  '2201-01-01',
  '9999-12-31',
  '10000-01-01',
  '2027-02-30',
  '-000001-01-01',
  '2027-13-01',
  '275760-09-14',
]
const NUMBERS = [0, -0, -1, 0.1, 1e-9, 2 ** 31, -(2 ** 31) - 1, 2 ** 53, 1e21, 1e308, -1e308]

export function nastyValue(random: () => number): unknown {
  const kind = Math.floor(random() * 9)
  if (kind < 2) return pick(TEXTS, random)
  if (kind === 2) return Array.from({ length: 1 + Math.floor(random() * 12) }, () => letter(random)).join('')
  if (kind === 3) return pick(DATES, random)
  if (kind === 4) return pick(NUMBERS, random)
  if (kind === 5) return pick([null, true, false, [], {}, [null], { id: null }, [[]], JSON.parse('{"__proto__": {"x": 1}}')], random)
  if (kind === 6) return 'x'.repeat(pick([301, 2001, 5000, 100_001], random))
  if (kind === 7) return deep(pick([30, 300, 3000], random))
  return Array.from({ length: pick([41, 400, 4000], random) }, (_, i) => i)
}

/** The document with something nasty in one place, taken out of it, or in its stead. */
export function spoiled(value: unknown, random: () => number): unknown {
  if (random() < 0.15 || typeof value !== 'object' || value === null) return nastyValue(random)
  const keys = Object.keys(value)
  if (keys.length === 0 || random() < 0.1)
    return Array.isArray(value) ? [...value, nastyValue(random)] : { ...value, [String(pick(TEXTS, random))]: nastyValue(random) }
  const key = pick(keys, random)
  const own = (value as Record<string, unknown>)[key]
  const next = random() < 0.6 ? spoiled(own, random) : nastyValue(random)
  if (Array.isArray(value)) return value.map((v, i) => (String(i) === key ? next : v))
  if (random() < 0.1) return Object.fromEntries(Object.entries(value).filter(([k]) => k !== key))
  return { ...value, [key]: next }
}
