/** Two columns that a page's text keeps side by side. */
import { joinText } from './spec-join'

const clean = (cell: string): string => cell.replace(/\s+/g, ' ').trim()

export type Row = { readonly text: string; readonly at: string; readonly furniture: boolean }

/**
 * Two columns that a page's text keeps side by side, as lines one below the other: each element, then its criteria. A region
 * begins where a criterion's number stands far to the right and ends at a line that crosses the gap.
 */
export function unfoldColumns(raw: readonly string[], furniture: readonly boolean[]): Row[] {
  const out: Row[] = []
  const columns = raw.map((l, i) =>
    furniture[i] || l.includes('\t') ? -1 : (/^.*?\S?\s{2,}(?=\d{1,3}\.\d{1,3}\.?\s+\S)/.exec(l)?.[0].length ?? -1),
  )
  const counts = new Map<number, number>()
  for (const c of columns) if (c >= 12) counts.set(c, (counts.get(c) ?? 0) + 1)
  const [column, times] = [...counts].sort((a, b) => b[1] - a[1])[0] ?? [-1, 0]
  const row = (i: number): Row => ({ text: raw[i] as string, at: `line ${i + 1}`, furniture: furniture[i] === true })
  if (times < 2) return raw.map((_, i) => row(i))
  const inColumns = (i: number): boolean => {
    const l = raw[i] as string
    if (l.trim() === '' || l.includes('\t')) return false
    if (Math.abs((columns[i] ?? -1) - column) <= 1) return true
    const gap = l.slice(column - 2, column)
    const [left, right] = [l.slice(0, column).trim(), l.slice(column).trim()]
    return (right !== '' && gap.trim() === '') || (right === '' && left !== '' && l.trimEnd().length <= column - 2 && !HEADING.test(left))
  }
  for (let i = 0; i < raw.length; i++) {
    const starts = !furniture[i] && Math.abs((columns[i] ?? -1) - column) <= 1
    if (!starts) {
      out.push(row(i))
      continue
    }
    let left: { text: string; at: string } | null = null
    const right: { text: string; at: string }[] = []
    const flush = () => {
      if (left) out.push({ ...left, furniture: false })
      for (const r of right) out.push({ ...r, furniture: false })
      left = null
      right.length = 0
    }
    let end = i
    for (let k = i; k < raw.length; k++) {
      const l = raw[k] as string
      if (furniture[k] || l.trim() === '') {
        if (furniture[k]) out.push(row(k))
        continue
      }
      if (!inColumns(k)) break
      const [a, b] = [clean(l.slice(0, column)), clean(l.slice(column))]
      const at = `line ${k + 1}`
      if (a !== '') {
        if (left === null || /^\d{1,3}[.)]?\s/.test(a)) {
          flush()
          left = { text: a, at }
        } else left = { text: joinText((left as { text: string }).text, a), at: (left as { at: string }).at }
      }
      if (b !== '') {
        const last = right.at(-1)
        if (last && !/^\d{1,3}\.\d{1,3}/.test(b)) right[right.length - 1] = { text: joinText(last.text, b), at: last.at }
        else right.push({ text: b, at })
      }
      end = k
    }
    flush()
    i = end
  }
  return out
}

const HEADING = /^(?:foundation skills|performance evidence|knowledge evidence|assessment|range|required|skills?|knowledge|element)/i
