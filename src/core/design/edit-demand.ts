/** The levels that links ask of learners, as the text of one cell: `1a apply, 2b analyse`. */
import type { PlanEdit } from '../blueprint/edit'
import { LEVELS } from '../blueprint/kinds/levels'
import { matchOne } from '../blueprint/types/define-type'
import { isEmptyCell } from '../edits/cells'
import { indexCourse } from '../plan/plan-index'
import type { Refused } from '../result'

/** Sets the level of each link that is named; links that are not named say none. Nothing is written where a piece is not understood. */
export function writeDemands(edit: PlanEdit, activityId: string, text: string): Refused {
  const index = indexCourse(edit.now)
  const links = index.alignmentsOf(activityId)
  const said = new Map<string, (typeof LEVELS)[number]>()
  for (const piece of isEmptyCell(text) ? [] : text.split(/[,;\n]+/)) {
    const [, number = '', word = ''] = /^\s*(\S+)\s+(.+?)\s*$/.exec(piece) ?? []
    const level = matchOne(LEVELS, word)
    const link = links.find((a) => index.numberOf(a.objectiveId).toLowerCase() === number.toLowerCase())
    if (!link) return number === '' ? `“${piece.trim()}” is no level: write 1a apply.` : `It does not serve ${number}.`
    if (!level) return `“${word}” is none of: ${LEVELS.join(', ')}.`
    said.set(link.id, level)
  }
  for (const link of links) edit.set('alignment', link.id, { demand: said.get(link.id) ?? null })
  return null
}
