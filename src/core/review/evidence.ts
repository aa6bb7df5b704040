/** What Cairn itself found about a point: the findings whose codes are bound to it. */
import { type Blueprint, recordMap } from '../blueprint/blueprint'
import { type KindName, specOf } from '../blueprint/kinds'
import type { Analysis } from '../findings/analyse'
import type { Rule } from '../findings/context'
import { WEIGHTS, type Weight } from '../findings/finding'
import { ruleWeights } from '../findings/profiles'
import { RULES } from '../findings/registry'

export type Evidence = {
  /** none: no codes are bound; partly: nothing found, but not all was looked for; empty: there is nothing to look at; clear. */
  readonly state: 'none' | 'found' | 'partly' | 'empty' | 'clear'
  readonly kept: number
  /** Bound codes that no rule here has, and that the course has switched off. */
  readonly unknown: readonly string[]
  readonly off: readonly string[]
} & Readonly<Record<Weight, number>>

const BY_CODE: ReadonlyMap<string, Rule> = new Map(RULES.map((r) => [r.code, r]))
/** The kinds that a rule reads, without those of which every course has one. */
function kindsRead(rule: Rule): ReadonlySet<KindName> {
  const known = KINDS_READ.get(rule)
  if (known) return known
  const all = rule.reads.flatMap((r) => (typeof r === 'string' ? [r] : r.reads)).map((r) => r.split('.')[0] as KindName)
  const kinds = new Set(all.filter((kind) => specOf(kind).single !== true))
  KINDS_READ.set(rule, kinds)
  return kinds
}
const KINDS_READ = new Map<Rule, ReadonlySet<KindName>>()

/** Evidence for points of a plan, one after the other. It proposes nothing by itself. */
export function evidenceIn(plan: Blueprint, analysis: Analysis): (codes: readonly string[]) => Evidence {
  const weightOf = ruleWeights(plan)
  const found = new Map<string, { kept: number } & Record<Weight, number>>()
  for (const { code, weight, accepted } of analysis.findings) {
    const counts = found.get(code) ?? { kept: 0, fix: 0, check: 0, idea: 0, open: 0 }
    found.set(code, counts)
    counts[accepted === null ? weight : 'kept']++
  }
  return (bound) => {
    const codes = [...new Set(bound)]
    const sum = (of: Weight | 'kept') => codes.reduce((n, c) => n + (found.get(c)?.[of] ?? 0), 0)
    const unknown = codes.filter((c) => !BY_CODE.has(c))
    const off = codes.filter((c) => BY_CODE.has(c) && weightOf(c) === 'off')
    const rules = codes.flatMap((c) => BY_CODE.get(c) ?? [])
    const isEmpty = rules.every((rule) => [...kindsRead(rule)].every((kind) => recordMap(plan, kind).size === 0))
    const live = WEIGHTS.some((w) => sum(w) > 0)
    const state = codes.length === 0 ? 'none' : live ? 'found' : unknown.length + off.length > 0 ? 'partly' : isEmpty ? 'empty' : 'clear'
    return { state, fix: sum('fix'), check: sum('check'), idea: sum('idea'), open: sum('open'), kept: sum('kept'), unknown, off }
  }
}
