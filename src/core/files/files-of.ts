/** Which files of a course a plan shows. */
import { type Blueprint, courseOf, recordsOf } from '../blueprint/blueprint'
import { type AnyRecord, fieldsOf, KIND_NAMES } from '../blueprint/kinds'
import { filesIn, type RichText } from '../blueprint/rich-text'

/** The ids of all files that a plan shows, each once: the cover, and pictures in whatever text. */
export function filesOf(plan: Blueprint): readonly string[] {
  const cover = plan.course.size > 0 ? courseOf(plan).coverFileId : null
  const inTexts = KIND_NAMES.flatMap((kind) => {
    const fields = fieldsOf(kind).flatMap(([name, field]) => (field.type === 'rich' ? [name] : []))
    if (fields.length === 0) return []
    return (recordsOf(plan, kind) as unknown as AnyRecord[]).flatMap((r) => fields.flatMap((f) => filesIn(r[f] as RichText | null)))
  })
  return [...new Set([...(cover ? [cover] : []), ...inTexts])]
}
