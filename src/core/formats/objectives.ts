/** What is read of statements, as JSON for other programs: one object for each line. */
import { rewordings, splitPerformances } from '../objectives/rewrite'
import { isSame } from '../objectives/similar'
import { readStatement, type Span, thinkingLevel } from '../objectives/statement'

/** One statement as plain data. `level` is on the six-step scale of thinking; `domainLevel` on that of its learning domain. */
export function objectiveOf(text: string) {
  const read = readStatement(text)
  const words = (span: Span | undefined | null) => (span ? text.slice(span.start, span.end) : null)
  const split = splitPerformances(text)
  return {
    text,
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
  }
}

/** A pair of statements, split by a tab; null where the line is no pair. */
export function pairOf(line: string) {
  const parts = line.split('\t')
  const [first, second] = parts
  if (parts.length !== 2 || first === undefined || second === undefined) return null
  return { first, second, same: isSame(first, second) }
}
