/** What people bring beside outcomes, modules and work: rubrics, the letters of the grade, texts of the syllabus. */
import { readHundredths } from '../numbers'
import { tidy } from './items'
import { readAmount, readCodes } from './quantities'
import { type DateOrder, datesIn } from './when'

export type UnderstoodLevel = {
  readonly title: string /** Hundredths of a percent of the full mark; open: evenly spaced. */
  readonly value: number | null
}
export type UnderstoodCriterion = {
  readonly title: string
  /** Hundredths of points or of a percent. */
  readonly weight: number | null
  readonly general: boolean
  /** Codes as they were written. */
  readonly objectives: readonly string[]
  /** A text for each level; null for none. */
  readonly texts: readonly (string | null)[]
}
export type UnderstoodPiece =
  | {
      readonly kind: 'rubric'
      readonly title: string
      readonly scale: 'points' | 'percent'
      readonly levels: readonly UnderstoodLevel[]
      readonly criteria: readonly UnderstoodCriterion[]
      readonly at: string
    }
  | { readonly kind: 'scale'; readonly steps: readonly { readonly letter: string; readonly minimum: number }[]; readonly at: string }
  | {
      readonly kind: 'closed'
      readonly title: string
      /** `2027-10-04`, or `--10-04` where no year is known. */
      readonly first: string
      readonly last: string
      /** As it was written. */
      readonly text: string
      readonly at: string
    }
  | {
      readonly kind: 'term'
      /** What it is called; empty where no name is given. */
      readonly title: string
      /** `2027-10-04`. */
      readonly first: string | null
      readonly last: string | null
      readonly text: string
      readonly at: string
    }
  | { readonly kind: 'text'; readonly title: string; readonly text: string; readonly at: string }

/** What each kind of piece is called. */
export const PIECE_SAYS: Readonly<Record<UnderstoodPiece['kind'], readonly [one: string, many: string]>> = {
  rubric: ['rubric', 'rubrics'],
  scale: ['grade scale', 'grade scales'],
  closed: ['day without classes', 'days without classes'],
  term: ['first and last day', 'first and last days'],
  text: ['text of the syllabus', 'texts of the syllabus'],
}
/** A piece in one line. */
export function pieceText(piece: UnderstoodPiece): string {
  if (piece.kind === 'rubric')
    return `${piece.title}: ${piece.criteria.map((c) => c.title).join(', ')} (${piece.levels.map((l) => l.title).join(', ')})`
  if (piece.kind === 'scale') return piece.steps.map((s) => `${s.letter} from ${s.minimum / 100} %`).join(', ')
  if (piece.kind === 'closed' || piece.kind === 'term') return piece.text
  return `${piece.title}: ${piece.text.replace(/\s+/g, ' ')}`
}

/** A day or days without classes, from the words that tell them; null where no date does. */
export function readClosed(text: string, at: string, order: DateOrder): Extract<UnderstoodPiece, { kind: 'closed' }> | null {
  const { dates, rest } = datesIn(text, order)
  const [first, last = first] = dates
  if (first === undefined || last === undefined || dates.length > 2) return null
  const title = tidy(rest.replace(/[·]|\s[–—-]\s|\b(?:from|to|on)\b\s*(?=$|[(,.])/gi, ' '))
  return { kind: 'closed', title: title || 'No classes', first, last, text, at }
}

const GRADE = String.raw`[A-F][+−-]?|pass|merit|distinction|credit|fail|\d(?:[.,]\d)?`
const STEP = new RegExp(
  String.raw`(?<![\p{L}\d])(${GRADE})\s*[:=–-]?\s*\(?(?:(?:below|under|less than|<)\s*(\d{1,3}(?:[.,]\d+)?)|(\d{1,3}(?:[.,]\d+)?)\s*%?\s*(?:-|–|to|bis)\s*(\d{1,3}(?:[.,]\d+)?)|(?:≥|>=|from)\s*(\d{1,3}(?:[.,]\d+)?)|(\d{1,3}(?:[.,]\d+)?)\s*%?\s*(?:\+|and (?:above|over|up)))\s*%?\)?`,
  'giu',
)
/** Letters of a scale at least (Cairn default): fewer may be anything. */
const LEAST_STEPS = 3

/** `A 93-100, B 85-92, C 75-84, F below 75`: the lowest percent of each letter; null where a text is no such scale. */
export function readScale(text: string): readonly { readonly letter: string; readonly minimum: number }[] | null {
  const steps = [...text.matchAll(STEP)].map(([, letter = '', below, low, high, from, plus]) => ({
    letter,
    minimum:
      below !== undefined
        ? 0
        : Math.min(...[low, high, from, plus].flatMap((n) => (n === undefined ? [] : [readHundredths(n) ?? Number.NaN]))),
  }))
  const falls = steps.every((s, i) => i === 0 || s.minimum < (steps[i - 1]?.minimum ?? 0))
  const differ = new Set(steps.map((s) => s.letter.toLowerCase())).size === steps.length
  if (steps.length < LEAST_STEPS || !falls || !differ || steps.some((s) => Number.isNaN(s.minimum) || s.minimum > 100_00)) return null
  // What is left says nothing of its own.
  const rest = text.replace(STEP, ' ').replace(/\b(?:letter|grades?|grading|scale|is|are|percent|and)\b|[\s,;:.|/%()=]+/gi, '')
  return rest.length <= text.length * 0.2 ? steps : null
}

const WEIGHT = /^(?:points?|pts|marks?|max\.?|weight(?:ing)?|%|percent|share|worth|out of)\b|^%$/i
const OBJECTIVES = /\b(?:objectives?|outcomes?|los?|clos?|mlos?|aligned)\b/i

/** A rubric from its header and rows; null where no level stands between. */
export function readRubric(
  title: string,
  header: readonly string[],
  rows: readonly (readonly string[])[],
  at: string,
): UnderstoodPiece | null {
  const heads = header.map((h) => h.trim())
  const columns = heads.map((_, x) => x).slice(1)
  const weightAt = columns.find((x) => WEIGHT.test(heads[x] as string)) ?? -1
  const linksAt = columns.find((x) => OBJECTIVES.test(heads[x] as string)) ?? -1
  const levelsAt = columns.filter((x) => x !== weightAt && x !== linksAt && heads[x] !== '')
  if (levelsAt.length < 2) return null
  const criteria = rows.flatMap((row): UnderstoodCriterion[] => {
    const cell = (x: number) => (row[x] ?? '').trim()
    if (cell(0) === '' || /^(?:total|sum)\b/i.test(cell(0))) return []
    const weight = weightAt < 0 ? null : readAmount(cell(weightAt), 'points')
    const named = linksAt < 0 ? '' : cell(linksAt)
    return [
      {
        title: cell(0),
        weight: weight?.value.value ?? null,
        general: /^general$/i.test(named),
        objectives: readCodes(named) ?? [],
        texts: levelsAt.map((x) => cell(x) || null),
      },
    ]
  })
  if (criteria.length === 0) return null
  const isPercent = weightAt >= 0 && (/%|percent/i.test(heads[weightAt] as string) || rows.some((r) => (r[weightAt] ?? '').includes('%')))
  return {
    kind: 'rubric',
    title,
    scale: isPercent ? 'percent' : 'points',
    levels: levelsOf(levelsAt.map((x) => heads[x] as string)),
    criteria,
    at,
  }
}

/** `Strong 100`, `Excellent (4 pts)`: levels with what they count, the highest as all of it. */
function levelsOf(heads: readonly string[]): UnderstoodLevel[] {
  const read = heads.map((head) => {
    const found = /^(.*?)[\s(:–-]*(\d{1,3}(?:[.,]\d+)?)\s*(?:%|p(?:oin)?ts?\.?)?\)?$/i.exec(head)
    const number = found ? readHundredths(found[2] as string) : null
    return { title: tidy(found && number !== null ? (found[1] as string) : head) || head, number }
  })
  const numbers = read.flatMap((l) => (l.number === null ? [] : [l.number]))
  const top = Math.max(...numbers)
  const known = numbers.length === read.length && top > 0 && new Set(numbers).size === numbers.length
  return read.map(({ title, number }, i) => ({
    title: known ? title : (heads[i] as string),
    value: known ? Math.round(((number as number) / top) * 100_00) : null,
  }))
}

/** Words before a colon, or in a heading, of what a syllabus says beside its work. */
const TEXT_LABEL =
  /^(?:instructors?|leads?|led by|coordinators?|hosts?|presenters?|teachers?|tutors?|trainers?|facilitators?|professors?|lecturers?|module leader|course leader|teaching assistants?|contact|e-?mail|phone|office(?: hours)?|hours|location|room|meets|class (?:time|meets|meetings)|meeting times?|where|when|who|audience|prerequisites?|credits?|required(?: (?:texts?|books?|materials?))?|recommended|text ?books?|books?|materials needed|technology|late (?:work|submissions?|penalt(?:y|ies))|make-?up work|attendance|academic integrity|accessibility|accommodations?|polic(?:y|ies)|communication|support)$/i
/** What a catalogue says of a course, a label and a value. */
const DETAIL =
  /^(?:(?:course|module|unit) )?(?:code|level|credit value|credits?|ects|total study time|study time|learning hours|contact hours|mode of (?:delivery|study)|language|pre-?requisites?|co-?requisites?)\s*:\s+\S/i
/** `Instructor: Odile Brandt`: a text of the syllabus and its title; null where a line is none. */
export function readTextLine(line: string): { readonly title: string; readonly text: string } | null {
  if (DETAIL.test(line)) return { title: 'Course details', text: line }
  const found = /^(\p{L}[\p{L} -]{2,30}?)\s*:\s+(\S.*)$/u.exec(line) ?? /^(\p{L}+)\s+(\p{Lu}.*\S@\S.*)$/u.exec(line)
  return found && TEXT_LABEL.test((found[1] as string).trim()) ? { title: found[1] as string, text: found[2] as string } : null
}
