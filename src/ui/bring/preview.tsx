/** The tree that was understood, every part of it to correct before it is stored. Only the rows in sight are drawn. */
import '../parts/findings.css'
import './bring.css'
import { useVirtualizer } from '@tanstack/react-virtual'
import { type RefObject, useCallback, useEffect, useMemo, useRef } from 'react'
import type { RowMatch } from '../../core/edits/bring-matches'
import type { Correction } from '../../core/intake/corrections'
import type { IntakeGuess, Understanding, UnderstoodActivity } from '../../core/intake/understanding'
import { isMoved } from '../parts/is-moved'
import { ActivityRow, ColumnNames } from './activity-row'
import { CategoryRow, ModuleRow, ObjectiveRow, OutcomeRow, PieceRow } from './other-rows'
import { type PreviewRow, previewRows } from './preview-rows'

export type Change = (step: Correction) => void
export type PreviewProps = {
  readonly tree: Understanding
  readonly onChange: Change
  /** Rows that the course has already. */
  readonly matches: ReadonlyMap<UnderstoodActivity, RowMatch>
  /** The thing that somebody looks at, here or in the source. */
  readonly lit: string | null
  readonly onLit: (path: string | null) => void
  readonly scroller: RefObject<HTMLElement | null>
  /** Goes to the next row with a guess, from the one where somebody is. */
  readonly nextGuess: RefObject<() => void>
}

/** Lists with fewer rows are drawn whole (Cairn default). */
const WHOLE_BELOW = 150

export function Preview({ tree, onChange, matches, lit, onLit, scroller, nextGuess }: PreviewProps) {
  const rows = useMemo(() => previewRows(tree), [tree])
  const guesses = useMemo(() => guessesByRow(tree.guesses), [tree.guesses])
  const list = useRef<HTMLDivElement>(null)
  const latest = useRef(tree)
  latest.current = tree
  const now = useCallback(() => latest.current, [])
  const whole = rows.length < WHOLE_BELOW
  const virtualizer = useVirtualizer({
    count: rows.length,
    getScrollElement: () => scroller.current,
    estimateSize: (i) => (rows[i]?.kind === 'module' ? 46 : 32),
    overscan: whole ? rows.length : 12,
    scrollMargin: list.current?.offsetTop ?? 0,
    getItemKey: (i) => rows[i]?.path ?? i,
  })
  const show = useCallback(
    (at: number, focus: string | null) => {
      virtualizer.scrollToIndex(at, { align: 'auto' })
      if (focus === null) return
      // The row is drawn by the next frame or the one after it.
      let tries = 0
      const find = () => {
        const found = list.current?.querySelector<HTMLElement>(`[data-index="${at}"] ${focus}`)
        if (found) found.focus()
        else if (tries++ < 10) requestAnimationFrame(find)
      }
      requestAnimationFrame(find)
    },
    [virtualizer],
  )
  useEffect(() => {
    nextGuess.current = () => {
      const here = Number(document.activeElement?.closest<HTMLElement>('[data-index]')?.dataset['index'] ?? -1)
      const guessed = (i: number) => guesses.has(rows[i]?.path ?? '')
      const order = [...rows.keys()].map((i) => (here + 1 + i) % rows.length)
      const next = order.find(guessed)
      if (next !== undefined) show(next, '[data-guess]')
    }
  }, [rows, guesses, show, nextGuess])
  // What is looked at in the source is brought into sight here.
  useEffect(() => {
    if (lit === null || list.current?.contains(document.activeElement)) return
    const at = rows.findIndex((r) => r.path === lit)
    if (at >= 0) show(at, null)
  }, [lit, rows, show])
  return (
    <div ref={list} className="understood" style={{ position: 'relative', height: virtualizer.getTotalSize() }}>
      {virtualizer.getVirtualItems().map((item) => {
        const row = rows[item.index] as PreviewRow
        return (
          <div
            key={item.key}
            ref={virtualizer.measureElement}
            data-index={item.index}
            className={`preview-row ${lit === row.path ? 'lit' : ''}`}
            style={{ transform: `translateY(${item.start - virtualizer.options.scrollMargin}px)` }}
            onFocus={() => onLit(row.path)}
            onPointerMove={(e) => isMoved(e) && onLit(row.path)}
          >
            <RowOf row={row} tree={tree} now={now} onChange={onChange} matches={matches} guesses={guesses.get(row.path) ?? NONE} />
          </div>
        )
      })}
    </div>
  )
}

const NONE: readonly IntakeGuess[] = []

type RowProps = Pick<PreviewProps, 'tree' | 'onChange' | 'matches'> & {
  readonly now: () => Understanding
  readonly row: PreviewRow
  readonly guesses: readonly IntakeGuess[]
}

function RowOf({ row, tree, now, onChange, matches, guesses }: RowProps) {
  switch (row.kind) {
    case 'heading':
      return <h2 className="understood-head">{row.text}</h2>
    case 'title':
      return <p className="muted">Of “{row.text}”</p>
    case 'outcome':
      return <OutcomeRow {...{ tree, onChange, guesses }} at={row.at} />
    case 'piece':
      return <PieceRow tree={tree} at={row.at} onChange={onChange} />
    case 'category':
      return <CategoryRow {...{ tree, onChange, guesses }} at={row.at} />
    case 'module':
      return <ModuleRow {...{ tree, onChange, guesses }} at={row.at} />
    case 'columns':
      return <ColumnNames />
    case 'objective':
      return <ObjectiveRow tree={tree} row={row.row} onChange={onChange} guesses={guesses} />
    case 'activity': {
      const activity = tree.modules[row.row.module]?.activities[row.row.at]
      return activity ? <ActivityRow {...{ now, row: row.row, onChange, guesses, activity }} match={matches.get(activity)} /> : null
    }
  }
}

/** Guesses by the path of the row that they are of. */
function guessesByRow(guesses: readonly IntakeGuess[]): ReadonlyMap<string, readonly IntakeGuess[]> {
  const rows = new Map<string, IntakeGuess[]>()
  for (const guess of guesses) {
    const path = guess.path.replace(/\.[a-zA-Z]+$/, '')
    const known = rows.get(path)
    if (known) known.push(guess)
    else rows.set(path, [guess])
  }
  return rows
}
