/** How the objectives of an outcome climb: steps over the modules by level, a band for each learning domain. */
import type { Objective } from '../blueprint/kinds'
import { DOMAINS, type Domain, domainOf, LEVELS, LEVELS_OF, type Level, rankOf } from '../blueprint/kinds/levels'
import { levelOf } from '../objectives/level'
import type { ModuleWord } from '../plan/module-word'
import type { CourseIndex } from '../plan/plan-index'

export type Step = { readonly id: string; readonly number: string; readonly module: number; readonly level: Level; readonly rank: number }
export type Band = { readonly domain: Domain; readonly levels: readonly Level[]; readonly steps: readonly Step[]; readonly course: Course }
/** `climbs`: each module reaches as high as those before, without a leap; `flat`: one level all along. */
export type Course = 'climbs' | 'flat' | 'jumps' | 'sinks'
export type Ladder = {
  readonly bands: readonly Band[]
  /** What the outcome itself asks for. */
  readonly wanted: Level | null
  /** Objectives whose level nothing says. */
  readonly unknown: number
  readonly words: string
}

/** Levels that one step may rise above the highest so far before it counts as a jump (Cairn default). */
export const LONGEST_RISE = 2

/**
 * The ladder of an outcome, of a framework item that the plan hangs on, or of all objectives where `laneId` is null.
 * `word`: what the course calls a module.
 */
export function ladderOf(index: CourseIndex, laneId: string | null, word: ModuleWord): Ladder {
  const lane = index.lanes.some((l) => l.id === laneId)
  const objectives = laneId === null ? index.objectives : lane ? index.objectivesIn(laneId) : index.objectivesFor(laneId)
  const outcome = index.outcomes.find((o) => o.id === laneId)
  const module = new Map(index.modules.map((m, i) => [m.id, i]))
  const steps = objectives.flatMap((o: Objective): Step[] => {
    const level = levelOf(o)
    return level === null
      ? []
      : [{ id: o.id, number: index.numberOf(o.id), module: module.get(o.moduleId) ?? 0, level, rank: rankOf(level) }]
  })
  const bands = DOMAINS.flatMap((domain): Band[] => {
    const own = steps.filter((s) => domainOf(s.level) === domain)
    return own.length === 0 ? [] : [{ domain, levels: LEVELS_OF[domain], steps: own, course: courseOfSteps(own).course }]
  })
  const wanted = outcome ? levelOf(outcome) : null
  const unknown = objectives.length - steps.length
  return { bands, wanted, unknown, words: wordsOf(bands, wanted, unknown, word) }
}

type Climb = { readonly course: Course; readonly from: Step; readonly to: Step }

/** Whether the highest step of each module climbs over the modules, and between which two steps it does not. */
function courseOfSteps(steps: readonly Step[]): Climb {
  const highest = new Map<number, Step>()
  for (const s of steps) if ((highest.get(s.module)?.rank ?? -1) < s.rank) highest.set(s.module, s)
  const line = [...highest.values()].sort((a, b) => a.module - b.module)
  const [first] = line as [Step, ...Step[]]
  const last = line.at(-1) as Step
  const top = line.reduce((best, s) => (s.rank > best.rank ? s : best))
  let peak = first
  for (const s of line.slice(1)) {
    if (s.rank - peak.rank > LONGEST_RISE) return { course: 'jumps', from: peak, to: s }
    if (s.rank > peak.rank) peak = s
  }
  if (last.rank < top.rank) return { course: 'sinks', from: top, to: last }
  return { course: last.rank > first.rank ? 'climbs' : 'flat', from: first, to: last }
}

function wordsOf(bands: readonly Band[], wanted: Level | null, unknown: number, word: ModuleWord): string {
  const parts = bands.map((band) => {
    const { course, from, to } = courseOfSteps(band.steps)
    const at = (s: Step) => `${s.level} in ${word.one} ${s.module + 1}`
    if (course === 'climbs') return `climbs from ${from.level} to ${to.level}`
    if (course === 'flat') return `stays at ${from.level}`
    if (course === 'jumps') return `jumps from ${from.level} to ${at(to)}`
    return `sinks from ${at(from)} to ${at(to)}`
  })
  const short = wanted !== null && !bands.some((b) => b.domain === domainOf(wanted) && b.steps.some((s) => s.rank >= rankOf(wanted)))
  if (parts.length === 0) return unknown > 0 ? 'no level known' : 'no objectives yet'
  return `${parts.join('; ')}${short && wanted ? `; ${wanted} is not reached` : ''}`
}

export type Spread = {
  /** Levels that occur, lowest first within each domain. */
  readonly levels: readonly Level[]
  readonly rows: readonly { readonly moduleId: string; readonly counts: readonly number[]; readonly unknown: number }[]
  readonly unknown: number
}

/** Objectives per module and level. The six thinking levels are always there, those of other domains when they occur. */
export function spreadOf(index: CourseIndex): Spread {
  const occurring = new Set(index.objectives.map(levelOf))
  const levels = LEVELS.filter((l) => domainOf(l) === 'cognitive' || occurring.has(l))
  const rows = index.modules.map((m) => {
    const own = index.objectivesOf(m.id).map(levelOf)
    return { moduleId: m.id, counts: levels.map((l) => own.filter((x) => x === l).length), unknown: own.filter((x) => x === null).length }
  })
  return {
    levels,
    rows,
    unknown: rows.reduce((sum, r) => sum + r.unknown, 0),
  }
}
