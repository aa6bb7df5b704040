/** What leaves of the frameworks of a course: the mapping of all of them, and one as exchange JSON or as a table. */
import type { Blueprint } from '../blueprint/blueprint'
import { treeOfFramework } from '../frameworks/edits'
import { writeItemsCsv } from '../frameworks/items-table'
import { writeMappingCsv } from '../frameworks/mapping'
import { writeCase } from '../frameworks/write-case'
import { indexFrameworks } from '../plan/framework-index'
import { type ExportedFile, fileStem } from './exports'

export const FRAMEWORK_FORMATS = ['mapping-csv', 'mapping-xlsx', 'case', 'items-csv'] as const
export type FrameworkFormat = (typeof FRAMEWORK_FORMATS)[number]
export const isFrameworkFormat = (text: string): text is FrameworkFormat => (FRAMEWORK_FORMATS as readonly string[]).includes(text)

const CSV = 'text/csv; charset=utf-8'
const LOOKS: Readonly<Record<FrameworkFormat, readonly [ending: string, type: string]>> = {
  'mapping-csv': ['mapping.csv', CSV],
  'mapping-xlsx': ['mapping.xlsx', 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet'],
  case: ['framework.json', 'application/json'],
  'items-csv': ['framework.csv', CSV],
}

/** `stamp`: an ISO instant. `framework`: its id, code or title; null takes the first. */
export type FrameworkExport = { readonly courseId: string; readonly stamp: string; readonly framework: string | null }

/** The file; null where the course does not have the framework that it is of. */
export async function exportFramework(blueprint: Blueprint, format: FrameworkFormat, made: FrameworkExport): Promise<ExportedFile | null> {
  const body = await bodyOf(blueprint, format, made)
  const [ending, type] = LOOKS[format]
  return body === null ? null : { name: `${fileStem(blueprint)}.${ending}`, type, body }
}

async function bodyOf(blueprint: Blueprint, format: FrameworkFormat, made: FrameworkExport): Promise<string | Uint8Array | null> {
  if (format === 'mapping-csv') return writeMappingCsv(blueprint)
  if (format === 'mapping-xlsx') return (await import('./workbook')).writeMappingWorkbook(blueprint, made.stamp)
  const { frameworks } = indexFrameworks(blueprint)
  const wanted = made.framework
  const framework = wanted === null ? frameworks[0] : frameworks.find((f) => [f.id, f.code, f.title].includes(wanted))
  const tree = framework && treeOfFramework(blueprint, framework.id)
  if (!tree) return null
  return format === 'case' ? writeCase(tree, { base: made.courseId, stamp: made.stamp }) : writeItemsCsv(tree.items)
}
