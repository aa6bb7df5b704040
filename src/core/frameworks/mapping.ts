/** The mapping of a framework for those who must hand it in: a row for each item and evidence point. */

import type { Blueprint } from '../blueprint/blueprint'
import { csvText } from '../csv'
import { indexFrameworks } from '../plan/framework-index'
import { indexCourse } from '../plan/plan-index'
import { frameworkCoverage } from './item-coverage'

export const MAPPING_HEADER = [
  'Item',
  'Statement',
  'Kind',
  'Required',
  'Evidence',
  'Method',
  'Assessment',
  'Occasions planned',
  'Occasions required',
  'Taught in',
  'Practised in',
  'Assessed in',
  'Missing',
] as const
export type MappingCell = string | number | null

const MISSING_WORD = { introduces: 'not taught', practises: 'not practised', assesses: 'not assessed' } as const

/** The rows of one framework, in its order. An item without evidence has one row that says what is missing. */
export function mappingRows(blueprint: Blueprint, frameworkId: string): MappingCell[][] {
  const index = indexCourse(blueprint)
  const coverage = frameworkCoverage(blueprint)
  const named = (ids: readonly string[]) => ids.map((id) => `${index.numberOf(id)} ${index.activity(id)?.title ?? ''}`.trim()).join('; ')
  return indexFrameworks(blueprint)
    .itemsOf(frameworkId)
    .flatMap(({ item }): MappingCell[][] => {
      const found = coverage.of(item.id)
      if (!found) return []
      const parts = indexFrameworks(blueprint).partsOf(item.id).length > 0
      const missing = [...found.missing.map((s) => MISSING_WORD[s]), ...(found.short ? ['too few occasions'] : [])].join(', ')
      const head = [indexFrameworks(blueprint).codeOf(item.id), item.statement, item.kind, item.required ? 'yes' : 'no']
      const tail = [
        found.needs.includes('assesses') ? found.wanted : null,
        named(found.activities.introduces),
        named(found.activities.practises),
        named(found.activities.assesses),
        missing || null,
      ]
      // The evidence of its parts stands at the parts.
      const own = parts ? [] : found.evidence
      if (own.length === 0) return [[...head, null, null, null, parts ? null : 0, ...tail]]
      return own.map((e) => [
        ...head,
        e.title,
        e.method,
        `${index.numberOf(e.activityId)} ${index.activity(e.activityId)?.title ?? ''}`,
        e.occasions,
        ...tail,
      ])
    })
}

/** The mapping of every framework of the course as CSV (RFC 4180), or of one. */
export function writeMappingCsv(blueprint: Blueprint, frameworkId: string | null = null): string {
  const frameworks = indexFrameworks(blueprint).frameworks.filter((f) => frameworkId === null || f.id === frameworkId)
  const data = frameworks.flatMap((f) =>
    mappingRows(blueprint, f.id).map((row) => [f.title, ...row].map((c) => (c === null ? '' : String(c)))),
  )
  return csvText(['Framework', ...MAPPING_HEADER], data)
}
