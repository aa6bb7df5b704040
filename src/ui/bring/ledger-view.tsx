/** The source, line by line and cell by cell, with what became of each: what is looked at here is lit in the reading, and back. */
import { useVirtualizer } from '@tanstack/react-virtual'
import { useEffect, useMemo, useRef, useState } from 'react'
import type { Fate, LedgerLine } from '../../core/intake/ledger'
import { countOf } from '../../core/numbers'
import { isMoved } from '../parts/is-moved'
import { LineButton } from '../parts/line-button'
import { Segments } from '../parts/segments'
import { Waiting } from '../parts/waiting'

const SHOWN = [
  { value: 'all', label: 'All' },
  { value: 'read', label: 'Read' },
  { value: 'question', label: 'Asked' },
  { value: 'not understood', label: 'Left' },
  { value: 'decoration', label: 'Says nothing' },
] as const satisfies readonly { readonly value: Fate | 'all'; readonly label: string }[]
type Shown = (typeof SHOWN)[number]['value']
const SAYS: Readonly<Record<Fate, string>> = {
  read: '',
  decoration: 'says nothing: ',
  question: 'asked: ',
  'not understood': 'not understood',
}

type Props = {
  /** Null while it is made. */
  readonly ledger: readonly LedgerLine[] | null
  readonly lit: string | null
  readonly onLit: (path: string | null) => void
}

export function LedgerView({ ledger, lit, onLit }: Props) {
  const [shown, setShown] = useState<Shown>('all')
  const lines = useMemo(() => (ledger ?? []).filter((l) => shown === 'all' || l.fate === shown), [ledger, shown])
  const scroller = useRef<HTMLDivElement>(null)
  const virtualizer = useVirtualizer({
    count: lines.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => 40,
    overscan: 12,
  })
  // What is looked at in the reading is brought into sight here.
  useEffect(() => {
    if (lit === null || scroller.current?.contains(document.activeElement)) return
    const at = lines.findIndex((l) => l.paths.some((p) => belongs(p, lit)))
    if (at >= 0) virtualizer.scrollToIndex(at, { align: 'auto' })
  }, [lit, lines, virtualizer])
  if (ledger === null) return <Waiting lines={6} />
  return (
    <div className="ledger">
      <Segments label="Which of them" value={shown} options={SHOWN} onChoose={setShown} />
      <p className="muted small">{countOf(lines.length, 'place')} of the source. What you look at is lit on the other side.</p>
      <div className="ledger-lines" ref={scroller} role="region" aria-label="What became of it" tabIndex={0}>
        <ul style={{ height: virtualizer.getTotalSize() }}>
          {virtualizer.getVirtualItems().map((item) => {
            const line = lines[item.index] as LedgerLine
            return (
              <li
                key={item.index}
                ref={virtualizer.measureElement}
                data-index={item.index}
                className={line.paths.some((p) => belongs(p, lit)) ? 'lit' : ''}
                style={{ transform: `translateY(${item.start}px)` }}
              >
                <Line line={line} onLit={onLit} />
              </li>
            )
          })}
        </ul>
      </div>
    </div>
  )
}

const belongs = (path: string, lit: string | null): boolean => lit !== null && (path === lit || path.startsWith(`${lit}.`))

function Line({ line: { text, at, fate, what, paths }, onLit }: { line: LedgerLine; onLit: Props['onLit'] }) {
  const [path] = paths
  const light = () => onLit(path ?? null)
  return (
    <LineButton className="ledger-line" onFocus={light} onPointerMove={(e) => isMoved(e) && light()}>
      <span className="ledger-text">{text}</span>
      <span className={`small ${fate === 'question' || fate === 'not understood' ? 'weight check' : 'muted'}`}>
        {SAYS[fate]}
        {what} <span className="muted">· {at}</span>
      </span>
    </LineButton>
  )
}
