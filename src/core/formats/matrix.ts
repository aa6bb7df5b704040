/** The matrix of a course as plain data: minutes to two places, shares in percent to four. */

import type { Blueprint } from '../blueprint/blueprint'
import { STAGES } from '../blueprint/kinds/activity'
import { frameworkByCode, type Matrix, type MatrixOf, matrixOf } from '../design/matrix'
import { err, ok, type Result } from '../result'

const places = (value: number, n: number): number => Math.round(value * 10 ** n) / 10 ** n

/** The matrix that `rows` names: objectives, outcomes or the code of a framework; one sentence where there is none. */
export function matrixNamed(blueprint: Blueprint, rows: string): Result<Matrix, string> {
  const of = rowsOf(blueprint, rows)
  return of === null
    ? err(`There is no framework “${rows}” in this course; rows are objectives, outcomes or the code of one.`)
    : ok(matrixOf(blueprint, of))
}

function rowsOf(blueprint: Blueprint, rows: string): MatrixOf | null {
  if (rows === 'objectives' || rows === 'outcomes') return rows
  const frameworkId = frameworkByCode(blueprint, rows)
  return frameworkId === null ? null : { frameworkId }
}

export const matrixJson = (matrix: Matrix) => ({
  rows: matrix.rows.map((r) => ({ ...r, minutes: places(r.minutes, 2), share: places(r.share / 100, 4) })),
  columns: matrix.columns,
  cells: matrix.cells,
  practised: matrix.practised === null ? null : places(matrix.practised, 2),
  assessed: matrix.assessed === null ? null : places(matrix.assessed, 2),
})

const LETTER = { introduces: 'I', practises: 'P', assesses: 'A' } as const

/** A line for each row: its number, what is done for it where, and what it lacks. */
export function matrixText(matrix: Matrix): string {
  const { rows, columns, cells, practised, assessed } = matrix
  if (rows.length === 0) return 'no objectives yet\n'
  const numberOf = new Map(columns.map((c) => [c.id, c.number]))
  const lines = rows.map((row) => {
    const own = cells.filter((c) => c.row === row.id && c.stages.length > 0)
    const said = own.map((c) => `${numberOf.get(c.column)} ${STAGES.flatMap((s) => (c.stages.includes(s) ? LETTER[s] : [])).join('')}`)
    const gap = row.gap.length === 0 ? '' : `  lacks ${row.gap.map((s) => LETTER[s]).join(', ')}`
    return `${row.number.padEnd(6)} ${row.state.padEnd(10)} ${said.join(', ') || 'nothing'}${gap}`
  })
  return `${lines.join('\n')}\npractised ${places(practised ?? 0, 1)} %, assessed ${places(assessed ?? 0, 1)} %\n`
}
