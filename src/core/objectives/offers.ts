/** Verbs of a level with the statement as it would read with each. */
import type { Level } from '../blueprint/kinds/levels'
import { capital } from '../blueprint/text'
import { inflectedEntry } from './lexicon'
import { nearVerbs, verbsFor, verbsOf } from './offered'
import { withVerb } from './rewrite'
import { readStatement } from './statement'
import { tagger } from './tagging'

export type Offer = { readonly verb: string; readonly statement: string }

/** Whether the first word may be a verb: then the line may not be a heading after all. */
const startsAsVerb = (text: string): boolean => {
  const first = /^\P{L}*([\p{L}-]+)/u.exec(text)?.[1] ?? ''
  return inflectedEntry(first) !== undefined || (tagger?.verb(first) ?? null) !== null
}

/**
 * Verbs of a level with the statement as it would read with each: the near-synonyms of its own verb first. What was written stays. A
 * condition behind the verb and how well belong to the verb that was there: then only what stands for it is offered.
 */
export function offersAt(text: string, level: Level): readonly Offer[] {
  const read = readStatement(text)
  const [verb] = read.verbs
  if (!verb) {
    const object = text.trim().replace(/^\p{Lu}(?=\p{Ll})/u, (letter) => letter.toLowerCase())
    // An empty line may begin with any of them.
    if (object === '') return verbsOf(level).map((v) => ({ verb: v, statement: `${capital(v)} ` }))
    if (read.heading !== 'yes' || startsAsVerb(text)) return []
    return verbsFor(level, object, 0).map((v) => ({ verb: v, statement: `${capital(v)} ${object}` }))
  }
  if (read.flaws.some((f) => f.code === 'teacher-centred'))
    return verbsFor(level, text, verb.end).map((v) => ({ verb: v, statement: capital(v) + text.slice(verb.end) }))
  if (read.verbs.length > 1 || read.flaws.some((f) => f.code === 'passive')) return []
  const isHeld =
    read.criteria.length > 0 ||
    read.conditions.some((c) => c.start > verb.end || /^(?:us(?:e|ing)|with|on|by)\b/i.test(text.slice(c.start, c.end))) ||
    /\bto\s*$/.test(text.slice(0, verb.start))
  if (isHeld)
    return level === read.level
      ? nearVerbs(level, text, verb.end, verb.entry.lemma).map((v) => ({ verb: v, statement: withVerb(text, verb, v) }))
      : []
  return verbsFor(level, text, verb.end, verb.entry.lemma).map((v) => ({ verb: v, statement: withVerb(text, verb, v) }))
}
