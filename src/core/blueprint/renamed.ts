/**
 * What version 4 of the format renamed: the words for how closely one reads and how hard a text is, and what writing is
 * estimated with (minutes for 250 words became words an hour). One record, or some of its fields, at a time.
 */

type Fields = Readonly<Record<string, unknown>>
export type Lifted = { readonly id: unknown; readonly fields: Fields }

/** Words of a field of activities, old and new. */
const ACTIVITY_WORDS: Readonly<Record<string, Readonly<Record<string, string>>>> = {
  pace: { study: 'learn' },
  difficulty: { normal: 'ordinary', dense: 'hard' },
}

/** The largest value of an assumption then and now. */
const MOST_OF_AN_ASSUMPTION = 100_000

const same = (value: number): number => value
/** Minutes for 250 words as words an hour, to the hundredth. Nothing at all becomes as many as can be said. */
const wordsAnHour = (minutes: number): number =>
  minutes <= 0 ? MOST_OF_AN_ASSUMPTION : Math.min(MOST_OF_AN_ASSUMPTION, Math.round((250 * 60 * 100) / minutes) / 100)

/** Names of assumptions, old and new, and what becomes of their value. */
const ASSUMPTION_NAMES: Readonly<Record<string, readonly [name: string, value: (v: number) => number]>> = {
  study: ['learn', same],
  dense: ['hard', same],
  'page-words': ['textbook', same],
  'reflection-250': ['reflection-words', wordsAnHour],
  'report-250': ['report-words', wordsAnHour],
  'argued-250': ['argued-words', wordsAnHour],
}
const SUFFIX = '--assumption'
/** Reads a table by a word from outside. */
const found = <T>(table: Readonly<Record<string, T>>, word: unknown): T | undefined =>
  typeof word === 'string' && Object.hasOwn(table, word) ? table[word] : undefined

function liftActivity(fields: Fields): Fields {
  const changed = Object.entries(ACTIVITY_WORDS).flatMap(([field, words]) => {
    const word = found(words, fields[field])
    return word === undefined ? [] : [[field, word] as const]
  })
  return changed.length === 0 ? fields : { ...fields, ...Object.fromEntries(changed) }
}

function liftAssumption(id: unknown, fields: Fields, hundredths: boolean): Lifted {
  const byId = typeof id === 'string' && id.endsWith(SUFFIX) ? id.slice(0, -SUFFIX.length) : undefined
  const renamed = found(ASSUMPTION_NAMES, fields['name'] ?? byId)
  if (!renamed) return { id, fields }
  const [name, value] = renamed
  const stored = (v: number) => (hundredths ? Math.round(value(v / 100) * 100) : value(v))
  return {
    id: byId === undefined ? id : `${name}${SUFFIX}`,
    fields: {
      ...fields,
      ...('name' in fields ? { name } : {}),
      ...(typeof fields['value'] === 'number' ? { value: stored(fields['value']) } : {}),
    },
  }
}

/**
 * A record, or some of its fields, of version 1 to 3 as version 4 writes it. What was not renamed stays the same object. Values
 * are in hundredths, as they are stored, or as a native file has them.
 */
export function toVersion4(kind: string, id: unknown, fields: Fields, hundredths = true): Lifted {
  if (kind === 'activity') return { id, fields: liftActivity(fields) }
  return kind === 'assumption' ? liftAssumption(id, fields, hundredths) : { id, fields }
}
