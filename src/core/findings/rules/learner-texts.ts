/** Texts that learners read: one rule for each problem, whatever text it is in; a finding names a record and all its texts. */
import { anyRecord, recordMap } from '../../blueprint/blueprint'
import { type AnyRecord, fieldsOf, KIND_NAMES, type KindName, specOf } from '../../blueprint/kinds'
import type { RichText } from '../../blueprint/rich-text'
import { isMendable } from '../../learner-pages/mend-text'
import { type TextProblem, textProblems } from '../../learner-pages/text-access'
import { TEXT_CODES, type TextCode } from '../../learner-pages/text-codes'
import { derive, type Read } from '../../plan/derive'
import { shortName } from '../../plan/names'
import { ordersOf } from '../../plan/orders'
import { type Context, MISSING, type Rule } from '../context'
import type { Weight } from '../finding'
import { syllabusRule } from '../rule'

type LearnerField = { readonly kind: KindName; readonly field: string }
/** The fields that learners read, as their kinds declare. */
export const learnerFields = (): readonly LearnerField[] =>
  KIND_NAMES.flatMap((kind) => fieldsOf(kind).flatMap(([field, f]) => (f.type === 'rich' && f.learners === true ? [{ kind, field }] : [])))

export type LearnerText = LearnerField & { readonly id: string; readonly problems: readonly TextProblem[] }

/** The problems of a text, kept as long as the text is the same. */
const known = new WeakMap<RichText, readonly TextProblem[]>()
function problemsOf(doc: RichText): readonly TextProblem[] {
  const found = known.get(doc) ?? textProblems(doc)
  known.set(doc, found)
  return found
}

const TEXT_READS = learnerFields().map(({ kind, field }) => `${kind}.${field}` as Read)

/** Every text that learners read and that has problems, in the order of kinds and records. */
export const learnerTexts = derive<readonly LearnerText[]>(TEXT_READS, (plan) =>
  learnerFields().flatMap(({ kind, field }) =>
    [...recordMap(plan, kind).values()].flatMap((record) => {
      const doc = record[field] as RichText | null | undefined
      const problems = doc ? problemsOf(doc) : []
      return problems.length > 0 ? [{ kind, field, id: record.id, problems }] : []
    }),
  ),
)

const WEIGHTS: Readonly<Partial<Record<TextCode, Weight>>> = {
  'image-decorative-alt': 'fix',
  'table-layout': 'idea',
  'table-merged': 'idea',
  'image-alt-long': 'idea',
  'sensory-only': 'idea',
}

/** In a module that is a sketch, what is no Fix stays open. */
function weightIn({ missing }: Context, record: AnyRecord, kind: KindName, code: TextCode): Weight {
  const own = WEIGHTS[code] ?? 'check'
  const moduleId = kind === 'module' ? record.id : typeof record['moduleId'] === 'string' ? record['moduleId'] : null
  return own === 'fix' || moduleId === null || missing(moduleId) !== 'open' ? own : 'open'
}

const READS = [...MISSING, ordersOf, learnerTexts, 'syllabusSection.title', 'course.moduleWord'] as const

/** What a field is called within a sentence: `instructions`, `text`. */
const fieldWord = ({ kind, field }: LearnerField): string => specOf(kind).called?.[field] ?? field

function ruleOf(code: TextCode): Rule {
  return syllabusRule(code, {
    reads: READS,
    find: (context) => {
      const { blueprint } = context
      /** The texts of one record are one finding: it is kept, and counted, as one. */
      const byRecord = new Map<string, LearnerText[]>()
      for (const text of learnerTexts(blueprint)) {
        if (!text.problems.some((p) => p.code === code)) continue
        const key = `${text.kind} ${text.id}`
        byRecord.set(key, [...(byRecord.get(key) ?? []), text])
      }
      return [...byRecord.values()].flatMap((texts) => {
        const [first] = texts
        const record = first && anyRecord(blueprint, first)
        if (!first || !record) return []
        const spots = texts.flatMap(({ field, problems }) => problems.filter((p) => p.code === code).map((p) => ({ ...p, field })))
        const { kind, id } = first
        return [
          {
            weight: weightIn(context, record, kind, code),
            records: [{ kind, id }],
            field: first.field,
            named: {
              text: `${fieldWord(first)} of ${shortName(blueprint, first, record)}`,
              words: spots[0]?.words ?? '',
              n: spots.length,
            },
            ...(isMendable(code)
              ? { fixes: [{ code: 'mend', steps: texts.map(({ field }) => ({ do: 'mend-text' as const, kind, id, field, code })) }] }
              : {}),
            facts: spots.flatMap(({ field, at, words }) => [field, at, words]),
          },
        ]
      })
    },
  })
}

export const LEARNER_TEXT_RULES: readonly Rule[] = TEXT_CODES.map(ruleOf)
