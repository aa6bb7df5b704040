/** What ratings rest on, and whether it is still what it was when they were made. */
import { sha256 } from '@noble/hashes/sha2.js'
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils.js'
import { indexReferrers } from '../blueprint/apply'
import { anyRecord, type Blueprint, refKey } from '../blueprint/blueprint'
import { type AnyRecord, fieldsOf, type KindName, type RecordRef, specOf } from '../blueprint/kinds'
import { takenAlong } from '../blueprint/removal'
import { canonicalJson } from '../blueprint/values'
import { type Analysis, analyse } from '../findings/analyse'
import { perPlan } from '../plan/derive'
import type { Citation, Rating } from './review'

/** A plan as ratings rest on it; what is asked for is worked out once. */
export type PlanBase = {
  readonly has: (ref: RecordRef) => boolean
  /** What a record says with all that belongs to it; null where there is none. The same text: nothing differs. */
  readonly textOf: (ref: RecordRef) => string | null
  /** The same as so few letters that it can be kept with a citation (SHA-256). */
  readonly digestOf: (ref: RecordRef) => string | null
  /** The keys of the findings of a rule, without a day and without those that are kept as they are. */
  readonly keysOf: (code: string) => ReadonlySet<string>
}

/** Which of what a rating rests on differs. */
export type Staleness = {
  readonly changed: readonly RecordRef[]
  readonly removed: readonly RecordRef[]
  /** Keys of findings that came, and that went. */
  readonly appeared: readonly string[]
  readonly gone: readonly string[]
}

/** How a cited record differs; null: it is the same, or not watched. */
type Differs = 'changed' | 'removed' | null

const NO_KEYS: ReadonlySet<string> = new Set()

/** The analysis of a plan on a day, or without one. */
export type AnalysisOf = (plan: Blueprint, day: string | null) => Analysis

/** A plan to rest on. Findings are those of `analysisOf`: who counts them with {@link analyse} loads the table of meanings before. */
export function baseOf(plan: Blueprint, analysisOf: AnalysisOf = analyse): PlanBase {
  const texts = textsIn(plan)
  const textOf = (ref: RecordRef): string | null => {
    const ofKind = texts.get(ref.kind) ?? new Map<string, string | null>()
    texts.set(ref.kind, ofKind)
    const known = ofKind.get(ref.id)
    if (known !== undefined) return known
    const made = anyRecord(plan, ref) ? saidBy(plan, ref) : null
    ofKind.set(ref.id, made)
    return made
  }
  return {
    has: (ref) => anyRecord(plan, ref) !== undefined,
    textOf,
    digestOf: (ref) => {
      const text = textOf(ref)
      return text === null ? null : bytesToHex(sha256(utf8ToBytes(text)))
    },
    keysOf: (code) => liveKeys(analysisOf(plan, null)).get(code) ?? NO_KEYS,
  }
}

type KeysByCode = ReadonlyMap<string, ReadonlySet<string>>
const keysOfAnalyses = new WeakMap<Analysis, KeysByCode>()

function liveKeys(analysis: Analysis): KeysByCode {
  const known = keysOfAnalyses.get(analysis)
  if (known) return known
  const keys = new Map<string, Set<string>>()
  for (const { code, key, accepted } of analysis.findings) {
    if (accepted !== null) continue
    const own = keys.get(code)
    if (own) own.add(key)
    else keys.set(code, new Set([key]))
  }
  keysOfAnalyses.set(analysis, keys)
  return keys
}

/** A record with all that its removal would take along, and an activity with its series: all their fields but their places. */
const referrersIn = perPlan(indexReferrers)
/** What was asked for of a plan: of a snapshot as long as it is kept, of the plan until its next edit. */
const textsIn = perPlan(() => new Map<KindName, Map<string, string | null>>())

function saidBy(plan: Blueprint, ref: RecordRef): string {
  const all = new Map(takenAlong(plan, [ref], referrersIn(plan)))
  for (const { kind, id } of [...all.values()]) {
    const seriesId = kind === 'activity' ? plan.activity.get(id)?.seriesId : null
    if (seriesId) all.set(refKey({ kind: 'series', id: seriesId }), { kind: 'series', id: seriesId })
  }
  const said: string[] = []
  for (const [key, r] of all)
    if (r.id === ref.id || specOf(r.kind).tellsProgress !== true) said.push(`${key} ${recordText(r.kind, anyRecord(plan, r))}`)
  return said.sort().join('\n')
}

const NO_RECORD = {}
const recordTexts = new WeakMap<object, string>()
/** What is set in the fields of a record but its place, as one line; kept as long as the record. */
function recordText(kind: KindName, record: AnyRecord | undefined): string {
  const known = recordTexts.get(record ?? NO_RECORD)
  if (known !== undefined || !record) return known ?? ''
  const said = fieldsOf(kind).flatMap(([name, { type }]) => {
    const value = record[name]
    if (type === 'order' || value === null || value === undefined) return []
    return [`${name}:${typeof value === 'object' ? canonicalJson(value) : JSON.stringify(value)}`]
  })
  const text = said.sort().join(',')
  recordTexts.set(record, text)
  return text
}

/** Records that a rating cites and that are not in the plan that it was made on: they cannot be watched. */
export const unheld = (rating: Rating, base: PlanBase | null): readonly RecordRef[] =>
  rating.evidence.flatMap((c) => (c.type === 'record' && c.digest === null && !base?.has(c.ref) ? [c.ref] : []))

type Keys = { readonly appeared: readonly string[]; readonly gone: readonly string[] }

/**
 * Compares what ratings rest on in two states of a plan: the one that they were made on, null where that is not kept (then what was
 * cited with a digest is watched, and findings are not), and the one now. Returns what differs of a rating with the bound codes of its
 * point; null where nothing does.
 */
export function watching(base: PlanBase | null, now: PlanBase): (rating: Rating, codes: readonly string[]) => Staleness | null {
  const found = new Map<string, Keys>()
  const keysOf = (code: string): Keys => {
    const known = found.get(code)
    if (known || base === null) return known ?? { appeared: [], gone: [] }
    const [was, is] = [base.keysOf(code), now.keysOf(code)]
    const made = { appeared: [...is].filter((k) => !was.has(k)), gone: [...was].filter((k) => !is.has(k)) }
    found.set(code, made)
    return made
  }
  /** What came and went since a rating was made, by the keys that it keeps. */
  const since = (was: ReadonlySet<string>, codes: readonly string[]): Keys => {
    const is = new Set([...new Set(codes)].flatMap((code) => [...now.keysOf(code)]))
    return { appeared: [...is].filter((k) => !was.has(k)), gone: [...was].filter((k) => !is.has(k)) }
  }
  /** Many cite the same: texts are held against each other once for each record. */
  const compared = new Map<KindName, Map<string, Differs>>()
  const differsFrom = (was: string | null, is: string | null): Differs =>
    was === null ? null : is === null ? 'removed' : is === was ? null : 'changed'
  const differs = ({ ref, digest }: Extract<Citation, { readonly type: 'record' }>): Differs => {
    if (digest !== null) return differsFrom(digest, now.digestOf(ref))
    const ofKind = compared.get(ref.kind) ?? new Map<string, Differs>()
    compared.set(ref.kind, ofKind)
    const known = ofKind.get(ref.id)
    if (known !== undefined) return known
    const made = differsFrom(base?.textOf(ref) ?? null, now.textOf(ref))
    ofKind.set(ref.id, made)
    return made
  }
  /** All ratings of a point have the same codes. */
  const bound = new WeakMap<readonly string[], Keys>()
  const boundTo = (codes: readonly string[]): Keys => {
    const known = bound.get(codes)
    if (known) return known
    const keys = [...new Set(codes)].map(keysOf)
    const made = { appeared: keys.flatMap((k) => k.appeared), gone: keys.flatMap((k) => k.gone) }
    bound.set(codes, made)
    return made
  }
  return (rating, codes) => {
    const refs = { changed: [] as RecordRef[], removed: [] as RecordRef[] }
    for (const cited of rating.evidence) {
      const how = cited.type === 'record' ? differs(cited) : null
      if (how && cited.type === 'record' && !refs[how].some((r) => sameRef(r, cited.ref))) refs[how].push(cited.ref)
    }
    const { appeared, gone } = rating.findings === null ? boundTo(codes) : since(new Set(rating.findings), codes)
    return refs.changed.length + refs.removed.length + appeared.length + gone.length === 0 ? null : { ...refs, appeared, gone }
  }
}

const sameRef = (a: RecordRef, b: RecordRef): boolean => a.kind === b.kind && a.id === b.id
