/**
 * The 1,025 statements of the development set, by discipline: a third of the disciplines is kept aside from whoever works on the
 * analysis, and told apart. Levels count on the scale of thinking, for statements without a flaw.
 */
import { readFileSync } from 'node:fs'
import type { Level } from '../../../src/core/blueprint/kinds/levels'
import { readStatement, type Span, STATEMENT_FLAWS, type StatementFlaw, thinkingLevel } from '../../../src/core/objectives/statement'

import { labelled } from './labelled'

type Labelled = {
  readonly kind: string
  readonly text: string
  readonly discipline: string
  readonly set: number
  readonly level: Level | null
  readonly alsoOk: readonly Level[]
  readonly flaws: readonly StatementFlaw[]
  readonly verbs: readonly string[]
  readonly condition: string | readonly string[] | null
  readonly criterion: string | readonly string[] | null
}

const LINES = readFileSync(new URL('../../fixtures/objectives/development.jsonl', import.meta.url), 'utf8')
  .trim()
  .split('\n')
  .map((line) => JSON.parse(line) as Labelled)
  .filter((line) => line.kind === 'statement')
const DISCIPLINES = [...new Set(LINES.map((l) => l.discipline))].sort()
/** Every third discipline by name. */
const isAside = (line: Labelled): boolean => DISCIPLINES.indexOf(line.discipline) % 3 === 2

type Count = { expected: number; found: number; right: number }
const rate = ({ expected, found, right }: Count) => ({
  expected,
  found,
  precision: found === 0 ? 1 : right / found,
  recall: expected === 0 ? 1 : right / expected,
})
const listOf = (value: Labelled['condition']): readonly string[] => (value === null || value === undefined ? [] : [value].flat())
const among = (wanted: readonly string[], found: readonly string[]): number =>
  wanted.filter((w) => found.some((f) => w.includes(f) || f.includes(w))).length

/** The statements that were written and labelled last, before anything read them. */
const last = (): readonly Labelled[] => labelled('written-last').map((l) => ({ ...l, kind: 'statement', set: 0, alsoOk: [] }))

/** How the analysis compares with the labels: of the disciplines that were looked at, of those kept aside, or of the lines written last. */
export function evaluateDevelopment(which: 'seen' | 'aside' | 'last') {
  const lines = which === 'last' ? last() : LINES.filter((l) => isAside(l) === (which === 'aside'))
  const rows = lines.map((label) => ({ label, read: readStatement(label.text) }))
  const flawless = rows.filter(({ label }) => label.flaws.length === 0)
  const levelled = flawless.filter(({ label }) => label.level !== null && label.set !== 4)
  const right = levelled.filter(({ label, read }) =>
    [label.level, ...label.alsoOk].some((l) => thinkingLevel(l) === thinkingLevel(read.level) && read.level !== null),
  )
  const verbs = rows.filter(({ label }) => label.verbs.length > 0)
  const flaws = Object.fromEntries(
    STATEMENT_FLAWS.map((code) => {
      const has = ({ read }: (typeof rows)[number]) => read.flaws.some((f) => f.code === code)
      const wanted = rows.filter(({ label }) => label.flaws.includes(code))
      return [code, rate({ expected: wanted.length, found: rows.filter(has).length, right: wanted.filter(has).length })]
    }),
  ) as Record<StatementFlaw, ReturnType<typeof rate>>
  const clause = (name: 'condition' | 'criterion', of: (row: (typeof rows)[number]) => readonly Span[]) => {
    let [expected, found, hit, apt] = [0, 0, 0, 0]
    for (const row of rows) {
      const wanted = listOf(row.label[name])
      const got = of(row).map(({ start, end }) => row.label.text.slice(start, end))
      expected += wanted.length
      found += got.length
      hit += among(wanted, got)
      apt += among(got, wanted)
    }
    return { expected, found, recall: hit / expected, precision: apt / found }
  }
  return {
    statements: rows.length,
    disciplines: new Set(lines.map((l) => l.discipline)).size,
    level: right.length / levelled.length,
    unsure: levelled.filter(({ read }) => read.uncertain).length / levelled.length,
    verb: verbs.filter(({ label, read }) => read.verbs.map((v) => v.text).join('|') === label.verbs.join('|')).length / verbs.length,
    clean: flawless.filter(({ read }) => read.flaws.length === 0).length / flawless.length,
    flaws,
    condition: clause('condition', ({ read }) => read.conditions),
    criterion: clause('criterion', ({ read }) => read.criteria),
  }
}
