/**
 * Letters of modules: where all are lettered they are numbered by them; letters beside numbers are groups outside the sequence,
 * those named right before the first at its start, the others all along.
 */
export function settleLetters(draft: Draft): void {
  const isNumbered = draft.modules.some((m) => m.number !== null && !isLettered(m))
  for (const m of draft.modules.filter(isLettered)) {
    if (!isNumbered) m.number = String((m.number as string).charCodeAt(0) - 64)
    else m.role = draft.beforeFirst.has(m) ? 'start' : 'throughout'
  }
}

/** Numbers that the sources give to modules and activities: those that stand twice, are missing or out of order are told. */
import { type Draft, isLettered } from './draft'

export function checkNumbers(draft: Draft): void {
  const modules = draft.modules.flatMap((m) => (m.number === null || m.role ? [] : [Number(m.number)]))
  const missing = missingIn(modules)
  if (missing.length > 0)
    draft.problem('number-missing', `Module numbers run to ${Math.max(...modules)}, without ${missing.join(', ')}.`, '')
  for (const module of draft.modules) {
    const numbers = new Map<string, { title: string; at: string; piece: string }>()
    let last: { number: string; piece: string; order: readonly number[] } | null = null
    for (const { number, title, at, piece } of module.activities) {
      if (number === null || !/^\d{1,3}(?:[.-]\d{1,3})*$/.test(number)) continue
      const twice = numbers.get(`${piece} ${number}`)
      if (twice) draft.problem('number-twice', `Number ${number} stands twice: ${twice.title} and ${title}.`, at)
      numbers.set(`${piece} ${number}`, { title, at, piece })
      const order = number.split(/[.-]/).map(Number)
      if (last && last.piece === piece && isBefore(order, last.order))
        draft.problem('number-order', `${number} ${title} comes after ${last.number}.`, at)
      last = { number, piece, order }
    }
  }
}

const isBefore = (a: readonly number[], b: readonly number[]): boolean => {
  const at = a.findIndex((n, i) => n !== b[i])
  return at >= 0 && b[at] !== undefined && (a[at] as number) < (b[at] as number)
}

/** Whole numbers that are not there between 1 and the highest. */
function missingIn(numbers: readonly number[]): number[] {
  const most = Math.max(0, ...numbers)
  const there = new Set(numbers)
  if (most > 60 || numbers.length < 2) return []
  return Array.from({ length: most }, (_, i) => i + 1).filter((n) => !there.has(n))
}
