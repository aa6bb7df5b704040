/** Finding words in all texts of a plan, and replacing them: for names that must be one. */
import { anyRecord, type Blueprint, recordMap } from '../blueprint/blueprint'
import type { PlanEdit } from '../blueprint/edit'
import { readField } from '../blueprint/field-text'
import { type AnyRecord, fieldOf, fieldsOf, KIND_NAMES, type KindName, type RecordRef, specOf } from '../blueprint/kinds'
import type { RichNode, RichText } from '../blueprint/rich-text'
import { placesOf } from '../findings/places'

export type TextQuery = {
  readonly words: string
  /** Only where they stand by themselves, not within a longer word. */
  readonly whole: boolean
  /** Only with capitals as they are written. */
  readonly exact: boolean
  /** Only in what records are called. */
  readonly names: boolean
}

export type TextHit = {
  readonly key: string
  readonly ref: RecordRef
  readonly field: string
  /** The whole text in which it stands: of the field, or of one stretch of a rich text. */
  readonly text: string
  readonly start: number
  readonly end: number
  /** Which stretch of a rich text, counted from its beginning; null where the field is plain text. */
  readonly stretch: number | null
  /** Whether it may be replaced: wording that is prescribed is its owner's. */
  readonly own: boolean
}

/** So many hits are looked for (Cairn default). */
export const MOST_HITS = 5000

const escaped = (words: string): string => words.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')

/** The pattern of a query; null where nothing is asked. Blanks stand for any blanks. */
function patternOf({ words, whole, exact }: TextQuery): RegExp | null {
  if (words.trim() === '') return null
  const body = escaped(words).replace(/\s+/g, '\\s+')
  // Letters, digits and marks of any script belong to a word.
  const [before, after] = whole ? ['(?<![\\p{L}\\p{N}\\p{M}_])', '(?![\\p{L}\\p{N}\\p{M}_])'] : ['', '']
  return new RegExp(`${before}${body}${after}`, exact ? 'gu' : 'giu')
}

/** The texts of a rich text in their order. */
const stretches = (nodes: readonly RichNode[] | undefined): string[] =>
  (nodes ?? []).flatMap((n) => (n.type === 'text' ? [n.text ?? ''] : stretches(n.content)))

const ownWording = (record: AnyRecord, field: string): boolean => field !== 'statement' || (record['origin'] ?? 'own') === 'own'

/** Every place where the words stand, in the order of the plan; at most {@link MOST_HITS}. */
export function findTexts(blueprint: Blueprint, query: TextQuery): readonly TextHit[] {
  const pattern = patternOf(query)
  if (!pattern) return []
  const hits: TextHit[] = []
  for (const kind of KIND_NAMES)
    for (const [field, spec] of fieldsOf(kind)) {
      if ((spec.type !== 'text' && spec.type !== 'rich') || (query.names && specOf(kind).nameField !== field)) continue
      for (const record of recordMap(blueprint, kind).values() as IterableIterator<AnyRecord>) {
        const value = record[field]
        if (value === null || value === undefined) continue
        const texts = spec.type === 'rich' ? stretches((value as RichText).content) : [String(value)]
        for (const [n, text] of texts.entries())
          for (const found of text.matchAll(pattern))
            hits.push({
              key: `${kind} ${record.id} ${field} ${n} ${found.index}`,
              ref: { kind, id: record.id },
              field,
              text,
              start: found.index,
              end: found.index + found[0].length,
              stretch: spec.type === 'rich' ? n : null,
              own: ownWording(record, field),
            })
        if (hits.length >= MOST_HITS) return inPlanOrder(blueprint, hits.slice(0, MOST_HITS))
      }
    }
  return inPlanOrder(blueprint, hits)
}

function inPlanOrder(blueprint: Blueprint, hits: readonly TextHit[]): TextHit[] {
  const placeOf = placesOf(blueprint)
  const places = new Map(hits.map((h) => [h, placeOf(h.ref)]))
  return hits.toSorted((a, b) => (places.get(a) ?? 0) - (places.get(b) ?? 0))
}

/** Replaces from the end, so that the places of the others hold. */
const replaced = (text: string, hits: readonly TextHit[], by: string): string =>
  hits.toSorted((a, b) => b.start - a.start).reduce((t, h) => t.slice(0, h.start) + by + t.slice(h.end), text)

function replacedRich(doc: RichText, hits: readonly TextHit[], by: string): RichText {
  let at = -1
  const walk = (nodes: readonly RichNode[] | undefined): RichNode[] =>
    (nodes ?? []).flatMap((node): RichNode[] => {
      if (node.type !== 'text') return [node.content ? { ...node, content: walk(node.content) } : node]
      at++
      const own = hits.filter((h) => h.stretch === at && h.text === node.text)
      const text = own.length > 0 ? replaced(node.text ?? '', own, by) : (node.text ?? '')
      return text === '' ? [] : [{ ...node, text }]
    })
  return { ...doc, content: walk(doc.content) }
}

/**
 * Puts a text in the place of hits. A text that has changed since it was found, wording that is prescribed, and what the field
 * could not hold afterwards stay as they are. Returns how many were replaced.
 */
export function replaceTexts(edit: PlanEdit, hits: readonly TextHit[], by: string): number {
  const fields = new Map<string, TextHit[]>()
  for (const hit of hits.filter((h) => h.own)) {
    const key = `${hit.ref.kind} ${hit.ref.id} ${hit.field}`
    fields.set(key, [...(fields.get(key) ?? []), hit])
  }
  let n = 0
  for (const own of fields.values()) {
    const { ref, field } = own[0] as TextHit
    const record = anyRecord(edit.now, ref)
    if (!record) continue
    const spec = fieldOf(ref.kind, field)
    const value = record[field]
    if (spec.type === 'rich') {
      if (!value) continue
      edit.set(ref.kind as KindName, ref.id, { [field]: replacedRich(value as RichText, own, by) } as never)
      n += own.length
      continue
    }
    const still = own.filter((h) => h.text === value)
    if (still.length === 0) continue
    const read = readField(spec, replaced(String(value), still, by))
    if (!read.ok) continue
    edit.set(ref.kind as KindName, ref.id, { [field]: read.value } as never)
    n += still.length
  }
  return n
}
