/** A cell of a table that stands for one field of one record: written from text, as typed or pasted. */
import { anyRecord } from '../blueprint/blueprint'
import type { PlanEdit } from '../blueprint/edit'
import { readField } from '../blueprint/field-text'
import { fieldOf, type RecordRef, specOf } from '../blueprint/kinds'
import { article, capital, cleanText } from '../blueprint/text'
import { namesIn } from '../plan/names'
import type { Refused } from '../result'

/** Whether a cell's text stands for nothing: empty, or the dash by which an empty cell is shown. */
export const isEmptyCell = (text: string): boolean => /^\s*[–-]?\s*$/.test(text)

/** Writes a field from text, read by its type in the names of the plan. A sentence comes back where it cannot be. */
export function writeFieldText(edit: PlanEdit, { kind, id }: RecordRef, name: string, text: string): Refused {
  const { noun, nameField } = specOf(kind)
  if (!anyRecord(edit.now, { kind, id })) return `This ${noun} is gone.`
  const field = fieldOf(kind, name)
  if (name === nameField && cleanText(text, true) === null)
    return `${capital(article(noun))} needs its ${name}. To remove it, use Ctrl+Delete.`
  const read = readField(field, (field.type !== 'text' || field.optional) && isEmptyCell(text) ? '' : text, namesIn(edit.now))
  if (!read.ok) return read.error
  edit.set(kind, id, { [name]: read.value })
  return null
}
