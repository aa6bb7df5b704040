/** What is read of statements, as JSON for other programs: one object for each line. */

import { around } from '../objectives/in-list'
import { rewordings, splitPerformances } from '../objectives/rewrite'
import { isSame } from '../objectives/similar/similar'
import { type Around, readStatement, type Span, thinkingLevel, weightsOf } from '../objectives/statement'

/** One statement as plain data. `level` is on the six-step scale of thinking; `domainLevel` on that of its learning domain. */
export function objectiveOf(text: string, around: Around | null = null) {
  const read = readStatement(text, around)
  const words = (span: Span | undefined | null) => (span ? text.slice(span.start, span.end) : null)
  const split = splitPerformances(text)
  return {
    text,
    subject: words(read.subject),
    heading: read.heading,
    verbs: read.verbs.map((v) => v.entry.lemma),
    level: thinkingLevel(read.level),
    alternatives: read.alternatives.flatMap((l) => thinkingLevel(l) ?? []),
    uncertain: read.uncertain,
    domain: read.domain,
    domainLevel: read.level,
    knowledge: read.knowledge,
    object: words(read.object),
    condition: words(read.conditions[0]),
    criterion: words(read.criteria[0]),
    aim: words(read.aim),
    findings: read.flaws.map((f) => f.code),
    spans: {
      verbs: read.verbs.map(({ start, end }) => ({ start, end })),
      conditions: read.conditions,
      criteria: read.criteria,
      aim: read.aim,
      findings: read.flaws.map(({ code, span }) => ({ code, ...span })),
    },
    suggestions: split ?? rewordings(text),
    why: weightsOf(text),
  }
}

/** Statements as plain data, line by line: lines that stand together are one list, and those that may be headings are read as the others are. */
export function objectivesOf(lines: readonly string[]): ReturnType<typeof objectiveOf>[] {
  const read = lines.map((line) => objectiveOf(line))
  const listOf = (at: number): readonly number[] => {
    let [from, to] = [at, at]
    while (from > 0 && lines[from - 1]?.trim() !== '') from--
    while (to < lines.length - 1 && lines[to + 1]?.trim() !== '') to++
    return Array.from({ length: to - from + 1 }, (_, i) => from + i)
  }
  return read.map((one, at) => {
    if (one.heading !== 'perhaps') return one
    const list = listOf(at)
    const rest = around(
      list.map((i) => lines[i] as string),
      list.indexOf(at),
    )
    return rest === null ? one : objectiveOf(one.text, rest)
  })
}

/** A pair of statements, split by a tab; null where the line is no pair. */
export function pairOf(line: string) {
  const parts = line.split('\t')
  const [first, second] = parts
  if (parts.length !== 2 || first === undefined || second === undefined) return null
  return { first, second, same: isSame(first, second) }
}
