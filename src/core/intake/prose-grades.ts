/** Lines about the grade: entries, sums, letters; and texts of the syllabus. */
import type { Block } from './blocks'
import type { Draft } from './draft'
import { tidy } from './items'
import { readScale, readTextLine } from './pieces'
import type { Became, Place } from './place'
import { readAmount } from './quantities'
import { sectionOf } from './sections'
import { isMeetings, readTerm } from './term'

/** `Requirements: one talk (30 %), term paper (70 %)`: the grade in a line. */
export function readShares(draft: Draft, text: string, at: string, became: Became): boolean {
  const found = /^(\p{L}[\p{L} ]{3,40}?)\s*:\s+(\S.*)$/u.exec(text)
  const parts = (found?.[2] ?? '').split(/;\s+|,\s+(?=\p{L}|\d+ )/u)
  const shares = parts.filter((p) => /\d\s*%/.test(p))
  // "Assessment: quiz, plan 40 %, firing 60 %": what the grade consists of, as it sums to all of it.
  const sum = shares.reduce((all, p) => all + Number(/(\d+(?:[.,]\d+)?)\s*%/.exec(p)?.[1]?.replace(',', '.') ?? 0), 0)
  const isGrade =
    (/^assessments?$/i.test(found?.[1] ?? '') && sum === 100) ||
    sectionOf(found?.[1] ?? '') === 'grading' ||
    /^(?:requirements?|leistung\p{L}*|prüfung\p{L}*)$/iu.test(found?.[1] ?? '')
  if (!isGrade || shares.length < 2 || readScale(text)) return false
  for (const part of shares) readGrade(draft, part, at, became)
  for (const part of parts) if (!shares.includes(part)) draft.leave(part, at)
  return true
}

/** A line that is a piece by itself: the letters of the grade, `Instructor: ...`. */
export function readPiece(draft: Draft, block: Extract<Block, { text: string }>, place: Place, became: Became): boolean {
  const { text, at } = block
  const steps = readScale(text)
  if (steps) {
    const piece = { kind: 'scale' as const, steps, at }
    draft.pieces.push(piece)
    became('grade scale', piece)
    return true
  }
  if (ONE_STEP.test(text)) {
    draft.scaleLines.push({ text, at, became: (piece) => became('grade scale', piece) })
    return true
  }
  const term = place.module === null ? readTerm(text, at, draft.order) : null
  if (term) {
    draft.pieces.push(term)
    became('first and last day', term)
    return true
  }
  if (place.module === null && isMeetings(text)) {
    const piece = { kind: 'text' as const, title: 'Meetings', text, at }
    draft.pieces.push(piece)
    became('text of the syllabus', piece)
    return true
  }
  const own = place.module === null && place.section !== 'other' && !(block.type === 'line' && block.item) ? readTextLine(text) : null
  if (!own) return false
  const piece = { kind: 'text' as const, ...own, at }
  draft.pieces.push(piece)
  became('text of the syllabus', piece)
  return true
}

/** `A = 90-100` alone in a line. */
const ONE_STEP =
  /^(?:[A-F][+−-]?|pass|merit|distinction|fail)\s*[:=–-]?\s*(?:(?:below|under|<)\s*\d{1,3}|\d{1,3}(?:[.,]\d+)?\s*%?\s*(?:(?:-|–|to)\s*\d{1,3}(?:[.,]\d+)?|\+|and (?:above|up)))\s*%?$/i

/** A line of a grade table in prose: `Quizzes (5 x 10 points): 25 %`. */
export function readGrade(draft: Draft, whole: string, at: string, became: Became): void {
  // What late work loses is no entry.
  if (/^late (?:work|submissions?|assignments?|papers?)\b/i.test(whole) && /\d/.test(whole)) {
    const piece = { kind: 'text' as const, title: 'Late work', text: whole, at }
    draft.pieces.push(piece)
    return became('text of the syllabus', piece)
  }
  const { drop, rest: text } = dropIn(whole)
  // "4 at 5 % each, 20 %": the share of all stands last.
  const share = [...text.matchAll(/(\d+(?:[.,]\d+)?)\s*%/g)].at(-1)
  const points = /(\d+(?:[.,]\d+)?)\s*(?:points?|pts)\b/i.exec(text)
  // A number alone behind a name counts points, unless it is part of a scale.
  const alone = share || points || /\d\s*[-–]\s*\d/.test(text) ? null : /^\p{L}.*?[\s.…:–-]\s*(\d{1,4}(?:[.,]\d+)?)$/u.exec(text)
  if (alone) {
    const entry = {
      title: tidy(text.slice(0, -(alone[1] as string).length).replace(/\.{2,}/g, ' ')),
      share: null,
      points: readAmount(alone[1] as string, 'points')?.value.value ?? null,
      count: null,
      at,
    }
    draft.categories.push(entry)
    draft.guess(entry, 'points', 'no unit stands behind the number')
    return became('grade entry', entry)
  }
  if (!share && !points) return
  const { title, count, each } = gradeTitle(withoutCodes(text.replace(share?.[0] ?? '', ' ')))
  if (title === '') return
  const own =
    points && each === null
      ? (readAmount(points[1] as string, 'points')?.value.value ?? null)
      : each !== null && count !== null
        ? each * count
        : each
  const entry = { title, share: share ? (readAmount(share[0], 'percent')?.value.value ?? null) : null, points: own, count, at, ...drop }
  draft.categories.push(entry)
  became('grade entry', entry)
}

const SMALL = ['zero', 'one', 'two', 'three', 'four', 'five']
const DROP =
  /\s*[,;([–-]?\s*(?:drop(?:s|ped|ping)?\s+(?:the\s+)?lowest(?:\s+(\d|one|two|three|four|five))?|(?:the\s+)?lowest(?:\s+(\d|one|two|three|four|five))?\s+(?:is\s+|are\s+|will be\s+)?dropped)\s*[)\]]?/i

/** "Quizzes (5), lowest two dropped": how many are left out, and the text without it. */
export function dropIn(text: string): { readonly drop: { readonly drop?: number }; readonly rest: string } {
  const found = DROP.exec(text)
  if (!found) return { drop: {}, rest: text }
  const word = (found[1] ?? found[2] ?? '1').toLowerCase()
  return { drop: { drop: SMALL.includes(word) ? SMALL.indexOf(word) : Number(word) }, rest: text.replace(found[0], ' ').trim() }
}

/** "The lowest quiz is dropped" below the grade table: said of the entry that it names; false where there is none. */
export function readDrop(draft: Draft, text: string, became: Became): boolean {
  const found =
    /^(?:the\s+|your\s+)?lowest(?:\s+(\d|one|two|three|four|five))?\s+(\p{L}{3,}?)(?:zes|s)?(?:\s+(?:grades?|scores?|marks?|results?))?\s+(?:is|are|will be)\s+dropped\.?$/iu.exec(
      text,
    )
  const entry =
    found && draft.categories.find((c) => c.share !== null && c.title.toLowerCase().includes((found[2] as string).toLowerCase()))
  if (!found || !entry) return false
  const word = (found[1] ?? '1').toLowerCase()
  Object.assign(entry, { drop: SMALL.includes(word) ? SMALL.indexOf(word) : Number(word) })
  became('drop rule', entry)
  return true
}

/** A grade entry without the outcomes that it names: "Essay – LO1, LO2". */
const withoutCodes = (text: string): string =>
  text.replace(/(?:\s*[,;–—-]\s*)+(?:[CMPSI]?LOs?|outcomes?|objectives?)\s*\d[\d\s.,;&LOCMPSI]*$/i, ' ')

/** The title of a grade entry and the count in it: `Quizzes (5)`, `5 quizzes`, `Labs, 3 x 40 points`. */
export function gradeTitle(text: string): { readonly title: string; readonly count: number | null; readonly each: number | null } {
  let rest = text
  let count: number | null = null
  let each: number | null = null
  const multiplied = /[([,:–-]?\s*(\d{1,2})\s*(?:[x×@]|at)\s*(?:(\d+(?:[.,]\d+)?)\s*(?:points?|pts|%)?(?:\s*each)?)?\s*[)\]]?/i.exec(rest)
  if (multiplied) {
    count = Number(multiplied[1])
    each = multiplied[2] === undefined ? null : (readAmount(multiplied[2], 'points')?.value.value ?? null)
    rest = rest.replace(multiplied[0], ' ')
  } else {
    const counted = /[([]\s*(\d{1,2})\s*(?:in all|total|of them|quizzes|labs|items|weekly)?\s*[)\]]|^\s*(\d{1,2})\s+(?=[a-z])/i.exec(rest)
    if (counted) {
      count = Number(counted[1] ?? counted[2])
      rest = rest.replace(counted[0], ' ')
    }
  }
  rest = rest.replace(/\b\d+(?:[.,]\d+)?\s*(?:points?|pts)\b(?:\s*each)?/gi, ' ').replace(/\bworth\b|\btotal of\b/gi, ' ')
  return { title: tidy(rest.replace(/[([]\s*[,;]?\s*[)\]]/g, ' ').replace(/\.{3,}/g, ' ')), count, each }
}

const TOTAL = /^(?:grand\s+|sub-?)?(?:totals?|sum|in all|gesamt|summe)\b/i

export const isTotal = (text: string): boolean => TOTAL.test(text.trim()) || /\b(?:sub)?totals?\s*:?$/i.test(text.trim())

/** `Total: 250 points`, `Total 100 %`. */
export function readTotal(draft: Draft, text: string, place: Place, at: string): boolean {
  const match = /^(?:grand\s+)?(?:total|sum|in all)\b[^\d]{0,40}(\d[\d.,]*)\s*(%|points?|pts|minutes?|min|hours?|h)?/i.exec(text)
  if (!match) return false
  const unit = (match[2] ?? '').toLowerCase()
  const value = readAmount(match[1] as string, 'points')?.value.value
  if (value === undefined) return false
  const what = unit === '%' ? 'percent' : unit.startsWith('m') || unit.startsWith('h') ? 'minutes' : 'points'
  draft.totals.push({
    what,
    value: what === 'minutes' ? Math.round((value / 100) * (unit.startsWith('h') ? 60 : 1)) : value,
    module: place.section === 'grading' ? null : place.module,
    part: /^sub/i.test(text),
    ofGrades: place.section === 'grading',
    piece: place.piece,
    at,
  })
  return true
}
