/** Reads the labelled statements and compares the analysis with them. Used by the tests and by the bench. */
import { readFileSync } from 'node:fs'
import type { Level } from '../../../src/core/blueprint/kinds/levels'
import { readStatement, type Span, type StatementFlaw } from '../../../src/core/objectives/statement'

const LEVEL_OF: Readonly<Record<string, Level>> = {
  R: 'remember',
  U: 'understand',
  A: 'apply',
  N: 'analyse',
  E: 'evaluate',
  C: 'create',
  pi: 'imitate',
  pm: 'manipulate',
  pp: 'precise',
  pa: 'articulated',
  pn: 'natural',
  ar: 'receive',
  as: 'respond',
  av: 'value',
  ao: 'organise',
  ac: 'characterise',
}
const FLAW_OF: Readonly<Record<string, StatementFlaw>> = {
  u: 'unobservable-verb',
  d: 'double-performance',
  n: 'no-verb',
  t: 'teacher-centred',
  k: 'task-not-result',
  p: 'passive',
  l: 'too-long',
}

export type Labelled = {
  readonly text: string
  readonly discipline: string
  readonly level: Level | null
  readonly flaws: readonly StatementFlaw[]
  readonly verbs: readonly string[]
  readonly condition: string | null
  readonly criterion: string | null
  /** Kept out of sight while the analysis was tuned. */
  readonly aside: boolean
}

const verbsIn = (phrase: string, flaws: string): readonly string[] =>
  (flaws === 'u' && !/^understand and/.test(phrase)) || !phrase.includes(' ') ? [phrase] : phrase.replace(/^critically /, '').split(' and ')

/** The labelled statements in the order of the file; `fresh` holds those written when the analysis stood. */
export function labelled(file: 'labelled' | 'fresh' | 'written-last' = 'labelled'): readonly Labelled[] {
  const lines = readFileSync(new URL(`../../fixtures/objectives/${file}.txt`, import.meta.url), 'utf8').split('\n')
  const out: Labelled[] = []
  let discipline = ''
  for (const line of lines) {
    if (line.startsWith('## ')) discipline = line.slice(3)
    const found = /^(\S+) ([.udntkpl]+) (.+)$/.exec(line)
    if (line.startsWith('#') || !found) continue
    const [, level, flaws, marked] = found as unknown as [string, string, string, string]
    const inside = (shape: RegExp): string | null =>
      shape
        .exec(marked)?.[1]
        ?.replace(/[*{}[\]]/g, '')
        .replace(/,$/, '') ?? null
    out.push({
      text: marked.replace(/[*{}[\]]/g, ''),
      discipline,
      level: LEVEL_OF[level] ?? null,
      flaws: [...flaws].flatMap((f) => FLAW_OF[f] ?? []),
      // A line about the teacher has none that counts.
      verbs: flaws === 't' ? [] : [...marked.matchAll(/\*([^*]+)\*/g)].flatMap((m) => verbsIn(m[1] as string, flaws)),
      condition: inside(/\[([^\]]+)\]/),
      criterion: inside(/\{([^}]+)\}/),
      aside: out.length % 3 === 2,
    })
  }
  return out
}

type Rate = {
  readonly expected: number
  readonly found: number
  readonly right: number
  readonly precision: number
  readonly recall: number
}
export type Evaluation = {
  readonly statements: number
  readonly levels: { readonly counted: number; readonly first: number; readonly within: number; readonly uncertain: number }
  readonly flaws: Readonly<Record<string, Rate>>
  readonly verbs: Rate
  readonly condition: Rate
  readonly criterion: Rate
  /** What came out otherwise, in words. */
  readonly missed: readonly string[]
}

/** How the analysis compares with the labels: of those tuned on, of those kept aside, or of those written afterwards. */
export function evaluate(which: 'tuned' | 'aside' | 'fresh'): Evaluation {
  const statements = which === 'fresh' ? labelled('fresh') : labelled().filter((l) => l.aside === (which === 'aside'))
  const rows = statements.map((label) => ({ label, read: readStatement(label.text) }))
  const missed: string[] = []
  const rate = (name: string, expects: (r: (typeof rows)[number]) => boolean, finds: (r: (typeof rows)[number]) => boolean): Rate => {
    let [expected, found, right] = [0, 0, 0]
    for (const r of rows) {
      const [e, f] = [expects(r), finds(r)]
      expected += e ? 1 : 0
      found += f ? 1 : 0
      right += e && f ? 1 : 0
      if (e !== f) missed.push(`${name} ${e ? 'missed' : 'wrong'}: ${r.label.text}`)
    }
    return { expected, found, right, precision: found === 0 ? 1 : right / found, recall: expected === 0 ? 1 : right / expected }
  }
  const levelled = rows.filter((r) => r.label.level !== null && r.label.flaws.length === 0)
  const first = levelled.filter((r) => r.read.level === r.label.level)
  const within = levelled.filter((r) => [r.read.level, ...r.read.alternatives].includes(r.label.level))
  for (const r of levelled)
    if (r.read.level !== r.label.level)
      missed.push(`level ${r.label.level}, read ${r.read.level} [${r.read.alternatives}]: ${r.label.text}`)
  const words = (r: (typeof rows)[number], spans: readonly Span[]) => spans.map((s) => r.label.text.slice(s.start, s.end))
  const overlaps = (wanted: string | null, found: readonly string[]) =>
    wanted !== null && found.some((f) => wanted.includes(f) || f.includes(wanted))
  for (const r of rows) {
    const read = r.read.verbs.map((v) => v.text).join('|')
    if (read !== r.label.verbs.join('|')) missed.push(`verbs ${r.label.verbs}, read ${read}: ${r.label.text}`)
  }
  const clause = (name: 'condition' | 'criterion', of: (r: (typeof rows)[number]) => readonly Span[]): Rate => {
    let [expected, found, right] = [0, 0, 0]
    for (const r of rows) {
      const spans = words(r, of(r))
      expected += r.label[name] === null ? 0 : 1
      found += spans.length > 0 ? 1 : 0
      right += overlaps(r.label[name], spans) ? 1 : 0
      if ((r.label[name] !== null || spans.length > 0) && !overlaps(r.label[name], spans))
        missed.push(`${name} ${r.label[name]}, read ${spans}: ${r.label.text}`)
    }
    return { expected, found, right, precision: found === 0 ? 1 : right / found, recall: expected === 0 ? 1 : right / expected }
  }
  const verbs = rows.filter((r) => r.label.verbs.length > 0)
  const rightVerbs = verbs.filter((r) => r.read.verbs.map((v) => v.text).join('|') === r.label.verbs.join('|'))
  return {
    statements: rows.length,
    levels: {
      counted: levelled.length,
      first: first.length / levelled.length,
      within: within.length / levelled.length,
      uncertain: levelled.filter((r) => r.read.uncertain).length / levelled.length,
    },
    flaws: Object.fromEntries(
      Object.values(FLAW_OF).map((code) => [
        code,
        rate(
          code,
          (r) => r.label.flaws.includes(code),
          (r) => r.read.flaws.some((f) => f.code === code),
        ),
      ]),
    ),
    verbs: {
      expected: verbs.length,
      found: verbs.length,
      right: rightVerbs.length,
      precision: rightVerbs.length / verbs.length,
      recall: rightVerbs.length / verbs.length,
    },
    condition: clause('condition', (r) => r.read.conditions),
    criterion: clause('criterion', (r) => r.read.criteria),
    missed,
  }
}
