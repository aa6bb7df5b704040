/** One point of a set as it came, from a row or from JSON: what of it is taken, and what is told about the rest. */
import { isKindName, KIND_NAMES, nounsOf, specOf } from '../blueprint/kinds'
import { ACTIVITY_KINDS } from '../blueprint/kinds/activity'
import { MOST, POINT_TAGS, PRIORITIES, WEIGHT_LIMITS } from '../blueprint/kinds/review-set'
import { listOf } from '../numbers'
import type { Problem } from '../result'
import type { PointTag, SetPoint } from './review-set'

/** A point before it is judged: values as they came, open ones left out, and the place of each. */
export type RawPoint = {
  readonly area: string
  /** The place of the area. */
  readonly place: number
  readonly values: Readonly<Partial<Record<keyof SetPoint, unknown>>>
  /** The place of a value, or of the point. */
  readonly at: (field: keyof SetPoint) => string
}
/** A point that comes in; its code is null where none was given. */
export type TakenPoint = Omit<SetPoint, 'code'> & { readonly code: string | null } & Pick<RawPoint, 'area' | 'place' | 'at'>

type Tell = (problem: Problem) => void
const TEXTS = ['why', 'where', 'basis', 'asLearner'] as const
const LISTS = ['tags', 'findings', 'looksAt'] as const

const isTexts = (value: unknown): value is readonly string[] => Array.isArray(value) && value.every((v) => typeof v === 'string')
const textOf = (value: unknown): string | null => (typeof value === 'string' && value.trim() !== '' ? value.trim() : null)

/** Why a point cannot come in at all; null where it can. */
function refusalOf({ values, at }: RawPoint): Problem | null {
  for (const field of ['statement', 'code', 'priority', ...TEXTS] as const) {
    const value = values[field]
    if (value !== undefined && value !== null && typeof value !== 'string')
      return { code: 'value-wrong', message: `${field} is no text: the point is left out`, at: at(field) }
    const most = field === 'statement' ? MOST.statement : MOST.text
    if (typeof value === 'string' && value.trim().length > most)
      return { code: 'too-long', message: `${field} has more than ${most} letters: the point is left out`, at: at(field) }
  }
  for (const field of LISTS) {
    const value = values[field]
    if (value !== undefined && value !== null && !isTexts(value))
      return { code: 'value-wrong', message: `${field} is no list of texts: the point is left out`, at: at(field) }
  }
  if (textOf(values.statement) !== null) return null
  return { code: 'statement-missing', message: 'this point says nothing: it is left out', at: at('statement') }
}

/** Takes a point, or tells why it is left out and gives null. */
export function takePoint(raw: RawPoint, isRule: (code: string) => boolean, tell: Tell): TakenPoint | null {
  const refused = refusalOf(raw)
  if (refused) {
    tell(refused)
    return null
  }
  const { values, at } = raw
  const list = (field: (typeof LISTS)[number]): readonly string[] =>
    ((values[field] as readonly string[] | null | undefined) ?? []).map((v) => v.trim()).filter((v) => v !== '')
  /** The known ones of a list, each once; the others are told. */
  const known = <T extends string>(field: 'tags' | 'looksAt', code: string, find: (value: string) => T | null): readonly T[] => [
    ...new Set(
      list(field).flatMap((value) => {
        const found = find(value)
        if (found === null) tell({ code, message: `“${value}” is not known here: it is left out`, at: at(field) })
        return found === null ? [] : [found]
      }),
    ),
  ]
  const findings = [...new Set(list('findings'))]
  const taken = {
    code: codeOf(raw),
    statement: textOf(values.statement) as string,
    priority: priorityOf(raw, tell),
    ...(Object.fromEntries(TEXTS.map((field) => [field, textOf(values[field])])) as Record<(typeof TEXTS)[number], string | null>),
    weight: weightOf(raw, tell),
    tags: known('tags', 'tag-unknown', tagOf),
    findings,
    looksAt: known('looksAt', 'looks-at-unknown', looksAtOf),
  }
  for (const code of findings)
    if (!isRule(code)) tell({ code: 'finding-unknown', message: `no rule here is called ${code}: it is kept`, at: at('findings') })
  return { ...taken, area: raw.area, place: raw.place, at }
}

/** The code as it was given; one that no field can hold is as none. */
function codeOf({ values }: RawPoint): string | null {
  const code = textOf(values.code)
  return code !== null && code.length <= MOST.code ? code : null
}

function priorityOf({ values, at }: RawPoint, tell: Tell): SetPoint['priority'] {
  const given = textOf(values.priority)
  const known = PRIORITIES.find((p) => p === given?.toLowerCase())
  if (known) return known
  if (given === null) tell({ code: 'priority-missing', message: 'no priority is given: should', at: at('priority') })
  else tell({ code: 'priority-unknown', message: `“${given}” is not one of ${listOf(PRIORITIES)}: should`, at: at('priority') })
  return 'should'
}

/** A number, or a text with a decimal point or comma. */
function weightOf({ values, at }: RawPoint, tell: Tell): number | null {
  const given = values.weight
  if (given === undefined || given === null) return null
  const text = typeof given === 'string' ? given.trim().replace(',', '.') : ''
  const weight = typeof given === 'number' ? given : /^\d*\.?\d+$|^\d+\.$/.test(text) ? Number(text) : Number.NaN
  if (weight >= WEIGHT_LIMITS.least && weight <= WEIGHT_LIMITS.most) return weight
  const { least, most } = WEIGHT_LIMITS
  tell({ code: 'weight-unknown', message: `the weight is not between ${least} and ${most}: 1`, at: at('weight') })
  return 1
}

/** By its name, or as it is shown. */
function tagOf(text: string): PointTag | null {
  const folded = text.toLowerCase().replace(/\s+/g, ' ')
  return POINT_TAGS.find((t) => t === folded) ?? (folded === 'action and expression' ? 'action' : null)
}

const folded = (text: string): string => text.toLowerCase().replace(/[\s_-]+/g, '')
/** A kind of record, or a kind of activity: `activity:lab`; however it is spaced. */
export function looksAtOf(text: string): string | null {
  const [kind = '', ...rest] = text.split(':')
  if (rest.length === 0)
    return isKindName(text)
      ? text
      : (KIND_NAMES.find((k) => [k, specOf(k).noun, nounsOf(k)].some((name) => folded(name) === folded(text))) ?? null)
  const of = ACTIVITY_KINDS.find((k) => folded(k) === folded(rest.join(':')))
  return folded(kind) === 'activity' && of ? `activity:${of}` : null
}
