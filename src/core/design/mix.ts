/** How work is spread over what learners are active with, when, where and with whom: by module, only what somebody said. */
import { type Blueprint, recordsOf } from '../blueprint/blueprint'
import type { Activity } from '../blueprint/kinds'
import { indexCourse } from '../plan/plan-index'

export type Amount = { readonly activities: number; readonly minutes: number }
/** By the values that occur, and what says none. */
export type Spread = Readonly<Record<string, Amount>>
export type ModuleMix = {
  readonly moduleId: string
  readonly interactions: Spread
  readonly timing: Spread
  readonly setting: Spread
  readonly grouping: Spread
  readonly required: Spread
}

/** Nobody has said. */
const OPEN = 'open'

/** The mix of each module, modules by id; the minutes of an activity go equally over its interactions. */
export function mixOf(blueprint: Blueprint): ModuleMix[] {
  const { activities } = indexCourse(blueprint)
  const ids = recordsOf(blueprint, 'module')
    .map((m) => m.id)
    .sort()
  return ids.map((moduleId) => {
    const own = activities.filter((a) => a.moduleId === moduleId)
    const by = (name: MixName) => spread(own, MIX_VALUES[name])
    return {
      moduleId,
      interactions: by('interactions'),
      timing: by('timing'),
      setting: by('setting'),
      grouping: by('grouping'),
      required: by('required'),
    }
  })
}

const one = (value: string | null) => [value ?? OPEN]
/** What is counted, and the values that an activity has of it. */
const MIX_VALUES = {
  interactions: (a: Activity) => (a.interactions.length > 0 ? a.interactions : [OPEN]),
  timing: (a: Activity) => one(a.timing),
  setting: (a: Activity) => one(a.setting),
  grouping: (a: Activity) => one(a.grouping),
  required: (a: Activity) => [a.isOptional ? 'optional' : 'required'],
} as const satisfies Readonly<Record<string, (a: Activity) => readonly string[]>>
type MixName = keyof typeof MIX_VALUES

export type MixRow = {
  readonly group: MixName
  readonly value: string
  /** By module, in their order: the activities of the value, and their minutes. */
  readonly cells: readonly { readonly ids: readonly string[]; readonly minutes: number }[]
}

/** The mix as rows of a table: each value that occurs, by module; what nobody has said comes last in its group. */
export function mixRows(blueprint: Blueprint): MixRow[] {
  const { activities, modules } = indexCourse(blueprint)
  return (Object.keys(MIX_VALUES) as MixName[]).flatMap((group) => {
    const values = [...new Set(activities.flatMap((a): readonly string[] => MIX_VALUES[group](a)))]
    const ordered = [...values.filter((v) => v !== OPEN), ...values.filter((v) => v === OPEN)]
    return ordered.map((value) => ({
      group,
      value,
      cells: modules.map((m) => {
        const own = activities.filter((a) => a.moduleId === m.id && (MIX_VALUES[group](a) as readonly string[]).includes(value))
        return {
          ids: own.map((a) => a.id),
          minutes: own.reduce((sum, a) => sum + (a.minutes ?? 0) / MIX_VALUES[group](a).length, 0),
        }
      }),
    }))
  })
}

function spread(activities: readonly Activity[], valuesOf: (a: Activity) => readonly string[]): Spread {
  const sums = new Map<string, { activities: number; minutes: number }>([[OPEN, { activities: 0, minutes: 0 }]])
  for (const activity of activities) {
    const values = valuesOf(activity)
    for (const value of values) {
      const sum = sums.get(value) ?? { activities: 0, minutes: 0 }
      sums.set(value, { activities: sum.activities + 1, minutes: sum.minutes + (activity.minutes ?? 0) / values.length })
    }
  }
  return Object.fromEntries(sums)
}
