/** The whole analysis: every rule over one blueprint. Pure, linear, fast enough to run at each keystroke. */
import { type Blueprint, recordsOf } from '../blueprint/blueprint'
import { contextOf } from './context'
import { type Finding, findingKey, WEIGHTS, type Weight, WORKSPACES, type Workspace } from './finding'
import { ruleWeights } from './profiles'
import { RULES } from './registry'

export type Analysis = {
  readonly findings: readonly Finding[]
  /** Quiet sentences for what is not planned yet, by rule. */
  readonly open: readonly {
    readonly code: string
    readonly workspace: Workspace
    readonly message: string
    readonly keys: readonly string[]
  }[]
  readonly counts: Readonly<Record<Weight, number>>
  /** Fix findings by workspace, for the strip. */
  readonly fixes: Readonly<Record<Workspace, number>>
}

/** Runs every rule. Accepted findings stay in the list, marked, and leave the counts. `today` is an ISO date or null. */
export function analyse(blueprint: Blueprint, today: string | null): Analysis {
  const context = contextOf(blueprint, today)
  const accepted = new Map(
    recordsOf(blueprint, 'decision').flatMap((d) => (d.kind === 'finding accepted' && d.findingKey ? [[d.findingKey, d] as const] : [])),
  )
  const weightOf = ruleWeights(blueprint)
  const findings = RULES.flatMap((rule) => {
    const set = weightOf(rule.code)
    if (set === 'off') return []
    return rule.find(context).map((found): Finding => {
      const key = findingKey(rule.code, found.records)
      const facts = JSON.stringify(found.facts)
      const decision = accepted.get(key)
      return {
        key,
        code: rule.code,
        workspace: rule.workspace,
        why: rule.why,
        // What is not planned yet stays quiet, however loud its rule is set.
        weight: found.weight === 'open' ? 'open' : (set ?? found.weight),
        records: found.records,
        message: found.message,
        field: found.field ?? null,
        span: found.span ?? null,
        facts,
        fixes: found.fixes ?? [],
        accepted:
          decision && decision.facts === facts ? { decisionId: decision.id, reason: decision.reason, author: decision.author } : null,
      }
    })
  })
  const quiet = new Map<string, string[]>()
  const counts = Object.fromEntries(WEIGHTS.map((w) => [w, 0])) as Record<Weight, number>
  const fixes = Object.fromEntries(WORKSPACES.map((w) => [w, 0])) as Record<Workspace, number>
  for (const { accepted, weight, workspace, code, key } of findings) {
    if (accepted) continue
    counts[weight]++
    if (weight === 'fix') fixes[workspace]++
    if (weight !== 'open') continue
    const keys = quiet.get(code)
    if (keys) keys.push(key)
    else quiet.set(code, [key])
  }
  const open = RULES.flatMap((rule) => {
    const keys = quiet.get(rule.code)
    return rule.summary && keys
      ? [{ code: rule.code, workspace: rule.workspace, message: `${rule.summary(keys.length, context)}.`, keys }]
      : []
  })
  return { findings, open, counts, fixes }
}
