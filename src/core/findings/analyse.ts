/** The whole analysis: every rule over one blueprint. Linear, and rules are run again only where something that they read differs. */

import { type Blueprint, recordsOf } from '../blueprint/blueprint'
import type { Decision } from '../blueprint/kinds'
import { readAsTaught, taggerVersion } from '../objectives/tagging'
import { derive, type Read, sameStamps, stampsOf } from '../plan/derive'
import { type ModuleWord, moduleWordOf } from '../plan/module-word'
import { WORKSPACES, type Workspace } from '../workspaces'
import { type BesideFacts, NOTHING_BESIDE } from './beside-facts'
import { type Context, contextOf, type Rule } from './context'
import { type AnyRuleFinding, type Finding, findingKey, WEIGHTS, type Weight } from './finding'
import { sameButCommas } from './kept'
import { loadMeanings } from './load-tagger'
import { placesOf } from './places'
import { type RuleWeight, ruleWeights } from './profiles'
import { RULES } from './registry'
import { type RuleWords, whyOf } from './words'

export type Counts = Readonly<Record<Weight, number>>
export type Analysis = {
  /** By weight, then workspace in working order, then place in the plan. */
  readonly findings: readonly Finding[]
  /** Quiet sentences for what is not planned yet, by rule. */
  readonly open: readonly {
    readonly code: string
    readonly workspace: Workspace
    readonly message: string
    readonly keys: readonly string[]
  }[]
  readonly counts: Counts
  /** Fix findings by workspace, for the strip. */
  readonly fixes: Readonly<Record<Workspace, number>>
}

const acceptedOf = derive(
  ['decision'],
  (blueprint): ReadonlyMap<string, Decision> =>
    new Map(recordsOf(blueprint, 'decision').flatMap((d) => (d.kind === 'finding accepted' && d.findingKey ? [[d.findingKey, d]] : []))),
)

/** A finding with its sentence, as it is kept until something that its rule read differs. */
type Told = Omit<Finding, 'code' | 'workspace' | 'accepted'>

type Run = {
  readonly stamps: readonly unknown[]
  readonly found: readonly Told[]
  /** The findings made of it, and by which weight and decisions. */
  shown: { readonly weight: RuleWeight | null; readonly accepted: unknown; readonly findings: readonly Finding[] } | null
}

const READS: ReadonlyMap<Rule, readonly Read[]> = new Map(
  RULES.map((rule) => [rule, [...new Set(rule.reads.flatMap((r) => (typeof r === 'string' ? [r] : r.reads)))]]),
)

/** Analyses one plan after the other; what the one before found stands where nothing that it rests on differs. */
export class Analyser {
  /** The last runs of each rule: of the plan, and of one that was tried. */
  private readonly runs = new Map<Rule, readonly Run[]>()
  /** The codes of the rules that the last analysis ran, for tests. */
  ran: readonly string[] = []

  /** Accepted findings stay in the list, marked, and leave the counts. `today` is an ISO date or null. */
  analyse(blueprint: Blueprint, today: string | null, beside: BesideFacts = NOTHING_BESIDE): Analysis {
    readAsTaught(recordsOf(blueprint, 'taughtVerb'))
    const context = contextOf(blueprint, today, beside)
    const accepted = acceptedOf(blueprint)
    const weightOf = ruleWeights(blueprint)
    const ran: string[] = []
    const findings = RULES.flatMap((rule) => {
      const weight = weightOf(rule.code)
      if (weight === 'off') return []
      const run = this.runOf(rule, context, today, ran)
      if (run.shown?.weight !== weight || run.shown?.accepted !== accepted)
        run.shown = { weight, accepted, findings: run.found.map((f) => shownAs(rule, f, weight, accepted)) }
      return run.shown.findings
    })
    this.ran = ran
    return summed(inOrder(findings, blueprint), context)
  }

  private runOf(rule: Rule, context: Context, today: string | null, ran: string[]): Run {
    const stamps = [today, taggerVersion(), rule.readsBeside ? context.beside : null, ...stampsOf(context.blueprint, READS.get(rule) ?? [])]
    const before = this.runs.get(rule) ?? []
    const same = before.find((r) => sameStamps(r.stamps, stamps))
    if (same) return same
    ran.push(rule.code)
    const run: Run = { stamps, found: rule.find(context).map((f) => told(rule, f, moduleWordOf(context.blueprint))), shown: null }
    this.runs.set(rule, [run, ...before].slice(0, 2))
    return run
  }
}

/** Analyses one plan by itself, with the tagger where it is loaded. Callers that count use {@link analyseCourse}. */
export const analyse = (blueprint: Blueprint, today: string | null, beside?: BesideFacts): Analysis =>
  new Analyser().analyse(blueprint, today, beside)

/** The analysis that everybody gets: list of courses, course, command line. `today`: the day of {@link dayOfCourse}. */
export async function analyseCourse(blueprint: Blueprint, today: string | null, beside?: BesideFacts): Promise<Analysis> {
  await loadMeanings()
  return analyse(blueprint, today, beside)
}

type AnyWords = RuleWords<unknown, Readonly<Record<string, (facts: unknown, word: ModuleWord) => string>>>

/** Puts what a rule found into the words of its workspace. */
function told(rule: Rule, finding: AnyRuleFinding, word: ModuleWord): Told {
  // What is declared with the words of its code has the facts that they name.
  const { says, fixes } = rule.words as AnyWords
  const { weight, records, named, field = null, cell = null, span = null, facts } = finding
  return {
    key: findingKey(rule.code, records),
    weight,
    records,
    message: says(named, word),
    why: whyOf(rule.words, word),
    field,
    cell,
    span,
    facts: JSON.stringify(facts),
    fixes: (finding.fixes ?? []).map((fix) => ({
      code: fix.code,
      label: fixes?.[fix.code]?.(fix.named, word) ?? fix.code,
      steps: fix.steps,
    })),
  }
}

function shownAs(rule: Rule, found: Told, weight: RuleWeight | null, accepted: ReadonlyMap<string, Decision>): Finding {
  const decision = accepted.get(found.key)
  return {
    ...found,
    code: rule.code,
    workspace: rule.workspace,
    // What is not planned yet stays quiet, however loud its rule is set.
    weight: found.weight === 'open' ? 'open' : ((weight as Weight | null) ?? found.weight),
    accepted:
      decision && sameButCommas(decision.facts ?? '', found.facts)
        ? { decisionId: decision.id, reason: decision.reason, author: decision.author }
        : null,
  }
}

/** By weight, then workspace in working order, then place in the plan; else as the rules found them. */
function inOrder(findings: readonly Finding[], blueprint: Blueprint): readonly Finding[] {
  const placeOf = placesOf(blueprint)
  const keys = new Map(
    findings.map((f) => [f, [WEIGHTS.indexOf(f.weight), WORKSPACES.indexOf(f.workspace), placeOf(f.records[0])] as const]),
  )
  return findings.toSorted((a, b) => {
    const [x, y] = [keys.get(a), keys.get(b)]
    return x && y ? x[0] - y[0] || x[1] - y[1] || x[2] - y[2] : 0
  })
}

function summed(findings: readonly Finding[], context: Context): Analysis {
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
    const summary = rule.words.summary
    if (!summary || !keys) return []
    const message = `${summary(keys.length, rule.outOf?.(context) ?? keys.length)}.`
    return [{ code: rule.code, workspace: rule.workspace, message, keys }]
  })
  return { findings, open, counts, fixes }
}
