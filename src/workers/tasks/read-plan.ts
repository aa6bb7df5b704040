/** Reads Cairn's own file. */
import type { Records } from '../../core/blueprint/blueprint'
import { recordsOf } from '../../core/blueprint/blueprint'
import { KIND_NAMES } from '../../core/blueprint/kinds'
import { readPlanFile } from '../../core/formats/plan-file'
import { ok } from '../../core/result'
import type { TaskWork } from '../task'
import type { readPlan } from '../tasks'

export const work: TaskWork<typeof readPlan> = ({ name, content }) => {
  const read = readPlanFile(name, typeof content === 'string' ? new TextEncoder().encode(content) : content)
  if (!read.ok) return read
  const { blueprint, text, files } = read.value
  const records = Object.fromEntries(KIND_NAMES.map((kind) => [kind, recordsOf(blueprint, kind)])) as unknown as Records
  return ok({ records, text, files })
}
