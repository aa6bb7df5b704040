/** Times as people write them: in numbers, words, fractions, ranges, sums and multiples. */
import { cleaned, type Read, readWith } from './quantities'

type Unit = 'minutes' | 'hours' | 'seconds'

/**
 * Minutes from `45 min`, `1.5 h`, `1h30`, `1:30`, `45'`, `2 x 45 min`, `20 min + 15 min`, `three quarters of an hour`, `1 h 1/4`,
 * `1O min`; of a range the most. A bare number counts in `unit`. Null where it tells no time.
 */
export function readDuration(text: string, unit: Unit): Read<number> | null {
  const plain = spelledOut(cleaned(text))
  const range = /^between (.+?) and (.+)$/.exec(plain) ?? /^(.+?)\s*(?:[-–—]|\bto\b|\bbis\b)\s*(.+)$/.exec(plain)
  if (range) {
    const unitOf = (t: string) => /[a-z'’′]+\.?$/.exec(t)?.[0] ?? ''
    const to = range[2] as string
    // "1-2 h": what counts the upper end counts the lower one.
    const from = unitOf(range[1] as string) ? (range[1] as string) : `${range[1]} ${unitOf(to)}`
    const [low, high] = [durationOf(from, unit), durationOf(to, unit)]
    if (low !== null && high !== null)
      return low < high ? { value: high, guess: `“${text.trim()}” read as ${high} min, the most of it` } : null
  }
  return readWith(plain, (t) => durationOf(t, unit), text)
}

const HOUR = String.raw`(?:h|hrs?|hours?|std|stunden?|heures?|horas?|or[ae]|uur|tim|timm?ar|timer|godz)\b\.?`
const MINUTE = String.raw`(?:m|mn|mins?|minutes?|minuten?|minut(?:os?|[ioer]+)?)\b\.?|['’′]`
const NUMBER = String.raw`(\d{1,5}(?:[.,]\d{1,3})?)`
const number = (text: string): number => Number(text.replace(',', '.'))

function durationOf(text: string, unit: Unit): number | null {
  const t = text.trim().replace(/^pt(?=\d)/, '')
  const sum = t.split(/\s*\+\s*/)
  if (sum.length > 1) {
    const parts = sum.map((part) => durationOf(part, unit))
    return parts.every((p) => p !== null) ? parts.reduce((a, b) => a + b, 0) : null
  }
  const times = /^(\d{1,2})\s*(?:[x×*]|times|mal|fois|veces)\s*(.+)$/.exec(t) ?? swapped(/^(.+?)\s*(?:each)?\s*[x×*]\s*(\d{1,2})$/.exec(t))
  if (times) {
    const each = durationOf(times[2] as string, unit)
    return each === null ? null : each * Number(times[1])
  }
  const clock = /^(\d{1,4}):([0-5]\d)(?:\s*(?:h|hrs?|hours?|std)\b\.?)?$/.exec(t)
  if (clock) return Number(clock[1]) * 60 + Number(clock[2])
  const bare = new RegExp(`^${NUMBER}$`).exec(t)
  if (bare) return wholeMinutes(number(bare[1] as string) * MINUTES_IN[unit])
  const minutes = new RegExp(`^${NUMBER}\\s*(?:${MINUTE})$`).exec(t)
  if (minutes) return Math.round(number(minutes[1] as string))
  // "1 h 30", "1 h and 20 min", "1 h 0.25": a part below one is one of an hour.
  const seconds = new RegExp(`^${NUMBER}\\s*(?:s|secs?|seconds?|sekunden?)\\b\\.?$`).exec(t)
  if (seconds) return wholeMinutes(number(seconds[1] as string) / 60)
  const hours = new RegExp(`^${NUMBER}\\s*(?:${HOUR}|h(?=\\d))(?:\\s*(?:and|und|et|y)?\\s*${NUMBER}\\s*(?:${MINUTE})?)?$`).exec(t)
  if (!hours) return null
  const rest = number(hours[2] ?? '0')
  return Math.round(number(hours[1] as string) * 60 + (rest < 1 ? rest * 60 : rest))
}

const MINUTES_IN = { minutes: 1, hours: 60, seconds: 1 / 60 } as const
/** Rounded, and never less than one where it takes any time. */
const wholeMinutes = (n: number): number => (n > 0 ? Math.max(1, Math.round(n)) : 0)

const swapped = (match: RegExpExecArray | null): readonly string[] | null => match && [match[0], match[2] as string, match[1] as string]

const SMALL =
  'zero one two three four five six seven eight nine ten eleven twelve thirteen fourteen fifteen sixteen seventeen eighteen nineteen'
const TENS = 'twenty thirty forty fifty sixty seventy eighty ninety'
const VALUES = new Map<string, number>([
  ...SMALL.split(' ').map((word, i): [string, number] => [word, i]),
  ...TENS.split(' ').map((word, i): [string, number] => [word, 20 + 10 * i]),
])
const SPELLED = new RegExp(
  `\\b(?:(${TENS.replaceAll(' ', '|')})[- ](one|two|three|four|five|six|seven|eight|nine)|(${[...VALUES.keys()].join('|')}))\\b`,
  'g',
)
const GLYPHS: Readonly<Record<string, number>> = { '¼': 0.25, '½': 0.5, '¾': 0.75, '⅓': 1 / 3, '⅔': 2 / 3 }
const written = (n: number): string => String(Math.round(n * 1000) / 1000)

/** Halves and quarters as words, of one hour and beside whole hours. */
const HOUR_WORD = '(?:hours?|hrs?|h|stunden?|heures?|horas?)'
const FRACTIONS: readonly (readonly [RegExp, string])[] = [
  [new RegExp(String.raw`\b3[- ]quarters?(?: of an?)? ${HOUR_WORD}\b|\bdreiviertel ?stunde\b|\btrois quarts d[’']heure\b`, 'g'), '0.75 h'],
  [
    new RegExp(
      String.raw`\b(?:an? |1 )?half(?: of)?(?: an?)? ${HOUR_WORD}\b|\b(?:eine )?halbe stunde\b|\b(?:une )?demi[- ]heure\b|\bmedia hora\b`,
      'g',
    ),
    '0.5 h',
  ],
  [
    new RegExp(
      String.raw`\b(?:an? |1 )?quarter(?: of)?(?: an?)? ${HOUR_WORD}\b|\b(?:eine )?viertelstunde\b|\b(?:un )?quart d[’']heure\b|\b(?:un )?cuarto de hora\b`,
      'g',
    ),
    '0.25 h',
  ],
]

/** A time with its words written in digits: `one and a half hours` is `1.5 hours`. */
function spelledOut(text: string): string {
  const PART = { half: 0.5, quarter: 0.25 } as const
  const plus = (n: string, part: string) => written((/\d/.test(n) ? Number(n) : 1) + PART[part as keyof typeof PART])
  let t = text
    .toLowerCase()
    .replace(/\s+/g, ' ')
    .trim()
    .replace(SPELLED, (_, ten?: string, unit?: string, alone?: string) =>
      String(alone === undefined ? (VALUES.get(ten ?? '') ?? 0) + (VALUES.get(unit ?? '') ?? 0) : VALUES.get(alone)),
    )
    .replace(new RegExp(`\\b(\\d+|an?) and a (half|quarter) (${HOUR_WORD})\\b`, 'g'), (_, n, part, hour) => `${plus(n, part)} ${hour}`)
    .replace(new RegExp(`\\b(\\d+|an?) (${HOUR_WORD}) and a (half|quarter)\\b`, 'g'), (_, n, hour, part) => `${plus(n, part)} ${hour}`)
  for (const [words, digits] of FRACTIONS) t = t.replace(words, digits)
  return t
    .replace(new RegExp(`\\b(?:an?|eine?|une|una) (?=${HOUR_WORD}\\b)`, 'g'), '1 ')
    .replace(/(\d+)?\s*([¼½¾⅓⅔])/g, (_, whole: string | undefined, glyph: string) => written(Number(whole ?? 0) + (GLYPHS[glyph] ?? 0)))
    .replace(/(?:\b(\d+) )?\b(\d)\/([2-8])\b/g, (_, whole: string | undefined, top: string, bottom: string) =>
      written(Number(whole ?? 0) + Number(top) / Number(bottom)),
    )
}
