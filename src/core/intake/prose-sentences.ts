/** Sentences: paragraphs that begin with a part, the first line of a syllabus, what somebody can do then. */
import type { Block } from './blocks'
import type { Draft } from './draft'
import { readStatement, tidy } from './items'
import { PIECE_SAYS } from './pieces'
import type { Became, Place } from './place'
import { isMeetings, readTerm } from './term'

/** The sentences of a paragraph that begins with the name of a part; null for any other line. */
export function paragraphOf(draft: Draft, block: Extract<Block, { text: string }>): readonly string[] | null {
  const sentences = block.text.split(/(?<=[.!?])\s+(?=\p{Lu})/u)
  const [first = ''] = sentences
  if (block.type !== 'line' || sentences.length < 3 || block.text.length < LEAST_PARAGRAPH) return null
  return draft.head(first) ? sentences : null
}
/** Shorter lines are read as one (Cairn default). */
const LEAST_PARAGRAPH = 100

/** "Seminar: Old Letters. Autumn term, 2 September to 20 October 2030. Tuesdays 14:00-16:00.": the first line, as a whole. */
export function readMasthead(draft: Draft, text: string, at: string, became: Became): boolean {
  const sentences = text.split(/(?<=[.!])\s+(?=\p{Lu})/u).map((s) => s.replace(/\.$/, ''))
  const [title = '', ...rest] = sentences
  const terms = rest.map((s) => readTerm(s, at, draft.order))
  if (draft.title !== null || draft.modules.length > 0 || title.length > 100) return false
  if (!rest.some((s, i) => terms[i] !== null || isMeetings(s))) return false
  draft.title = tidy(title.replace(/^(?:course|seminar|class|workshop|training)\s*:\s*/i, ''))
  became('title', draft)
  rest.forEach((s, i) => {
    const piece = terms[i] ?? (isMeetings(s) ? { kind: 'text' as const, title: 'Meetings', text: s, at } : null)
    if (piece === null) return draft.leave(s, at)
    draft.pieces.push(piece)
    became(PIECE_SAYS[piece.kind][0], piece)
  })
  return true
}

/** "In this seminar you will learn to read a hand, to date a letter, and to write": what somebody can do then, in a sentence. */
export function readInlineAbilities(draft: Draft, text: string, place: Place, at: string, became: Became): boolean {
  const found =
    /^(?:(?:in|by|after|on|at)\b[^.:]{0,60}?\b)?(?:you|they|students|learners|participants|trainees)\s+(?:will|can|should|must)?\s*(?:learn(?: how)?|be able)\s+to\s+([^.]+)\.?$/i.exec(
      text,
    )
  const parts = (found?.[1] ?? '').split(/(?:,\s*(?:and\s+)?|\s+and\s+)(?:how\s+)?to\s+/)
  if (!found || parts.some((p) => p.trim().split(/\s+/).length < 2)) return false
  for (const part of parts) {
    const statement = readStatement(part)
    if (place.module) became('objective', draft.objective(place.module, statement, at))
    else became('outcome', draft.outcome(statement))
  }
  return true
}
