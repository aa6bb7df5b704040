/**
 * What a heading of a specification opens. Institutions call the same parts by many names; a line is a heading where it holds
 * nothing but words that name a part, and words that say nothing of their own ("What the candidate must know").
 */
import type { ItemKind } from '../blueprint/kinds/framework'

/**
 * `elements`: elements and criteria; `range`: what a criterion covers; `prose`: text about the unit, which no item comes from;
 * `unknown`: below a heading that Cairn does not know.
 */
export type Section = 'elements' | 'skills' | 'performance' | 'knowledge' | 'conditions' | 'range' | 'prose' | 'unknown'
export type ListSection = 'skills' | 'performance' | 'knowledge' | 'conditions'

export const KIND_OF: Readonly<Record<ListSection, ItemKind>> = {
  skills: 'foundation skill',
  performance: 'performance evidence',
  knowledge: 'knowledge evidence',
  conditions: 'assessment condition',
}
export const LIST_KINDS = ['foundation skill', 'performance evidence', 'knowledge evidence', 'assessment condition'] as const
/** The section whose items are of a kind. */
export const sectionOfKind = (kind: ItemKind): Section =>
  (Object.keys(KIND_OF) as ListSection[]).find((s) => KIND_OF[s] === kind) ?? 'elements'
export const isList = (section: Section | null): section is ListSection => section !== null && section in KIND_OF

/** Words that name a part, strongest first: of several in a heading the first decides. */
const NAMES: readonly (readonly [Section, RegExp])[] = [
  ['elements', /^(?:elements?|criteri(?:on|a)|standards?|outcomes?|duty|duties|tasks?|competenc(?:e|y|ies)|indicators?|units?)$/],
  ['knowledge', /^(?:know(?:s|ledge)?|understand(?:s|ing)?)$/],
  ['conditions', /^(?:conditions?|gathering|assessors?|context|environment|guidelines?)$/],
  ['performance', /^(?:evidence|show[ns]?|demonstrat(?:e|ed|es|ion)|proof|perform(?:s|ed|ance)?|aspects)$/],
  ['skills', /^skills?$/],
  ['conditions', /^(?:assess(?:ed|ment)?|resources?)$/],
  ['range', /^(?:range|scope|variables?|cover(?:s|ing)?|includ(?:e|es|ing)|appl(?:y|ies)|examples?|notes?)$/],
]
/** Words of which a heading may hold any number. */
const SAYS_NOTHING =
  /^(?:an?|the|of|and|or|for|to|in|on|by|at|from|with|as|which|what|who|how|where|when|it|is|are|be|been|you|your|must|may|can|will|should|needs?|needed|have|has|able|do|does|done|candidates?|learners?|persons?|people|students?|trainees?|each|every|all|require[ds]?|requirements?|essential|core|key|general|generic|foundation|employability|transferable|underpinning|background|technical|practical|product|critical|specific|main|minimum|mandatory|list|statements?|guide|guidance|arrangements?|methods?|strategy|details?|section|this|these|that|those|they|their|judged|learning|occupational|work|about|including|attributes)$/
/** Whole headings that say otherwise than their words. */
const WHOLE: readonly (readonly [Section, RegExp])[] = [
  ['skills', /^(?:key )?competenc(?:y|ies)$|^foundation skills\b.{0,60}$|^(?:required )?skills and knowledge$/],
  ['elements', /^(?:what )?you must be able to(?: do)?$/],
  ['conditions', /^(?:range statement|range|range of conditions|conditions? (?:of|for) assessment|assessment requirements?)$/],
  ['performance', /^(?:critical aspects.{0,60}|performance requirements?|performance tasks?|evidence required.{0,60})$/],
  [
    'prose',
    /^(?:(?:unit\s+)?(?:application|descriptor|description|overview|summary|purpose|sector|mapping(?:\s+information)?|details)(?:\s+of (?:the )?(?:unit|competency|award))?|introduction|background|scope|about this (?:unit|standard|specification)|pre-?requisites?(?:\s+units?)?|co-?requisites?|licensing.{0,60}|links?|modification history|release(?: history)?|competency field|unit sector|glossary|notes?|references?|related (?:units|documents|standards)|version(?: history)?|contents?|table of contents|copyright|credits|who (?:it|this) is for|relationship to .{1,60}|further information|document control|revision history)$/,
  ],
]

const bare = (text: string): string =>
  text
    .toLowerCase()
    .replace(/^(?:section\s+)?(?:\d{1,2}|[a-z]|[ivx]{1,4})[.):]\s+/, '')
    .replace(/[:.\-–—\s]+$/, '')
    .replace(/\s*\((?:continued|cont(?:inue)?d?\.?|ctd\.?)\)$/, '')
    .replace(/\s+/g, ' ')
    .trim()

/** Every part that the words of a heading name; empty where the line is no heading. */
export function namesIn(text: string): readonly Section[] {
  if (text.length > 90 || /[,;]$/.test(text)) return []
  const words = bare(text).match(/[\p{L}\p{N}']+/gu) ?? []
  if (words.length === 0 || words.length > 10) return []
  const named = words.map((w) => NAMES.find(([, shape]) => shape.test(w))?.[0] ?? null)
  if (!words.every((w, i) => named[i] !== null || SAYS_NOTHING.test(w))) return []
  return [...new Set(NAMES.filter(([, shape]) => words.some((w) => shape.test(w))).map(([section]) => section))]
}

/** The section that a line heads, or null. */
export function sectionOf(text: string): Section | null {
  if (text.length > 90 || /[,;]$/.test(text)) return null
  const word = bare(text)
  return WHOLE.find(([, shape]) => shape.test(word))?.[0] ?? namesIn(text)[0] ?? null
}

/** `PERFORMANCE EVIDENCE: The candidate ...`, `Title: Inspect`: a name and what it introduces in one line. */
export function labelled(text: string): { readonly name: string; readonly rest: string } | null {
  const found = /^(\p{L}[\p{L} /&-]{2,40}?)\s*(?::|\s[–—-])\s+(\S.*)$/u.exec(text)
  return found ? { name: found[1] as string, rest: found[2] as string } : null
}

/** Words by which a sentence opens a list rather than naming a part: "Evidence must include:". */
const OPENS =
  /\b(?:must|will|shall|should|can|could|needs?|has to|have to|is|are|be|includ(?:e|es|ed|ing)|following|understands?|explains?|shows?)\b|\b(?:of|to|that|about)\s*[:…]$/i
/** Whether a line is a sentence that opens what stands below it. */
export const opensList = (text: string): boolean => /[:…]$/.test(text)
export const isSentence = (text: string): boolean => opensList(text) && OPENS.test(text)
