/** The tree of a framework as rows: each can be corrected, moved in or out, or taken out; lines that were not understood become items. */

import RemoveIcon from '@mui/icons-material/DeleteOutlined'
import OutIcon from '@mui/icons-material/FormatIndentDecrease'
import InIcon from '@mui/icons-material/FormatIndentIncrease'
import { IconButton } from '../parts/button'
import { Fold } from '../parts/fold'
import { usePrinting } from '../parts/use-printing'
import '../parts/findings.css'
import './frameworks.css'
import '../bring/bring.css'
import { useVirtualizer } from '@tanstack/react-virtual'
import { memo, useCallback, useEffect, useMemo, useRef, useState } from 'react'
import { fittedText } from '../../core/blueprint/field-text'
import { ITEM_KINDS, type ItemKind } from '../../core/blueprint/kinds/framework'
import { fitted } from '../../core/blueprint/text'
import { codedLine } from '../../core/frameworks/spec-codes'
import { type FrameworkTree, type LeftLine, pathsOfTree, treeItem } from '../../core/frameworks/tree'
import { removeRow, shiftRow, type TreeRow } from '../../core/frameworks/tree-rows'
import { DraftField } from '../parts/draft-field'
import { SelectInput } from '../parts/input'
import { isMoved } from '../parts/is-moved'

type Props = {
  readonly facts: FrameworkTree
  readonly rows: readonly TreeRow[]
  readonly onFacts: (facts: FrameworkTree) => void
  readonly onRows: (rows: readonly TreeRow[]) => void
  /** Path of the item that is looked at, here or in the ledger. */
  readonly lit: string | null
  readonly onLit: (path: string | null) => void
}

export function TreeEditor({ facts, rows, onFacts, onRows, lit, onLit }: Props) {
  const printing = usePrinting()
  const scroller = useRef<HTMLDivElement>(null)
  const latest = useRef({ rows, facts })
  latest.current = { rows, facts }
  const virtualizer = useVirtualizer({
    count: rows.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => 34,
    overscan: printing ? rows.length : 10,
    getItemKey: (i) => rows[i]?.key ?? i,
  })
  const paths = useMemo(() => new Map([...pathsOfTree(facts.items)].map(([item, path]) => [item.at, path])), [facts.items])
  const pathOf = (row: TreeRow) => paths.get(row.item.at) ?? null
  // What is looked at in the ledger is brought into sight here.
  useEffect(() => {
    if (lit === null || scroller.current?.contains(document.activeElement)) return
    const at = rows.findIndex((r) => paths.get(r.item.at) === lit)
    if (at >= 0) virtualizer.scrollToIndex(at, { align: 'auto' })
  }, [lit, rows, paths, virtualizer])
  const change = useCallback(
    (key: string, work: (rows: readonly TreeRow[], at: number) => readonly TreeRow[]) => {
      const at = latest.current.rows.findIndex((r) => r.key === key)
      if (at >= 0) onRows(work(latest.current.rows, at))
    },
    [onRows],
  )
  const set = useCallback(
    (key: string, to: Partial<TreeRow['item']>) =>
      change(key, (list, at) => list.map((r, i) => (i === at ? { ...r, item: { ...r.item, ...to } } : r))),
    [change],
  )
  const remove = useCallback(
    (key: string) => {
      const row = latest.current.rows.find((r) => r.key === key)
      if (!row) return
      change(key, removeRow)
      onFacts({
        ...latest.current.facts,
        notUnderstood: [
          { text: [row.item.code, row.item.statement].filter(Boolean).join(' '), at: 'taken out' },
          ...latest.current.facts.notUnderstood,
        ],
      })
    },
    [change, onFacts],
  )
  const fact = (label: string, field: 'title' | 'code' | 'issuer' | 'version', width: number) => (
    <div style={{ width }}>
      <DraftField
        label={label}
        value={facts[field] ?? ''}
        onCommit={(t) => {
          onFacts({ ...facts, [field]: t.trim() || null })
          return null
        }}
      />
    </div>
  )
  return (
    <>
      <div className="facts-row" style={{ marginBottom: 8 }}>
        {fact('Title', 'title', 300)}
        {fact('Code', 'code', 110)}
        {fact('Issued by', 'issuer', 170)}
        {fact('Version', 'version', 90)}
      </div>
      {facts.problems.length > 0 && (
        <Fold className="finding check" summary={<b>{facts.problems.length} to look at</b>}>
          <ul style={{ margin: 0, paddingLeft: 18, maxHeight: 140, overflow: 'auto' }}>
            {facts.problems.map((p, i) => (
              <li key={i}>
                {p.message} <span className="muted small">{p.at}</span>
              </li>
            ))}
          </ul>
        </Fold>
      )}
      <div ref={scroller} className="tree-rows" role="list" aria-label="Items understood">
        <div style={{ height: virtualizer.getTotalSize(), position: 'relative' }}>
          {virtualizer.getVirtualItems().map((v) => {
            const row = rows[v.index]
            return row ? (
              <div
                key={v.key}
                ref={virtualizer.measureElement}
                data-index={v.index}
                className={`tree-row-place ${lit !== null && pathOf(row) === lit ? 'lit' : ''}`}
                onFocus={() => onLit(pathOf(row))}
                onPointerMove={(e) => isMoved(e) && onLit(pathOf(row))}
                style={{ transform: `translateY(${v.start}px)` }}
              >
                <Row
                  row={row}
                  notesAbove={rows[v.index - 1]?.item.notes ?? null}
                  position={v.index}
                  count={rows.length}
                  onSet={set}
                  onShift={change}
                  onRemove={remove}
                />
              </div>
            ) : null
          })}
        </div>
      </div>
      {facts.notUnderstood.length > 0 && <NotUnderstood facts={facts} rows={rows} onFacts={onFacts} onRows={onRows} />}
    </>
  )
}

const Row = memo(function Row({
  row: { key, depth, item },
  notesAbove,
  position,
  count,
  onSet,
  onShift,
  onRemove,
}: {
  row: TreeRow
  /** What stands beside the item above: the same is not said twice. */
  notesAbove: string | null
  position: number
  count: number
  onSet: (key: string, to: Partial<TreeRow['item']>) => void
  onShift: (key: string, work: (rows: readonly TreeRow[], at: number) => readonly TreeRow[]) => void
  onRemove: (key: string) => void
}) {
  const name = item.code ?? `item ${position + 1}`
  return (
    <div
      className="tree-row"
      role="listitem"
      aria-posinset={position + 1}
      aria-setsize={count}
      style={{ paddingLeft: depth * 18 }}
      onKeyDown={(e) => {
        if (!e.altKey || (e.key !== 'ArrowLeft' && e.key !== 'ArrowRight')) return
        e.preventDefault()
        onShift(key, (rows, at) => shiftRow(rows, at, e.key === 'ArrowRight' ? 1 : -1))
      }}
    >
      <div className="tree-line">
        <span style={{ width: 62, flex: 'none' }}>
          <DraftField
            label={`Code of ${name}`}
            hideLabel
            boxed={false}
            value={item.code ?? ''}
            placeholder="–"
            onCommit={(t) => {
              onSet(key, { code: fittedText('frameworkItem', 'code', t) })
              return null
            }}
          />
        </span>
        <span className="grow" style={{ minWidth: 0 }}>
          <DraftField
            label={`Statement of ${name}`}
            hideLabel
            boxed={false}
            value={item.statement}
            onCommit={(t) => {
              if (t.trim() === '') return 'An item needs its words.'
              onSet(key, { statement: t.trim() })
              return null
            }}
          />
        </span>
        <span style={{ width: 184, flex: 'none' }}>
          <SelectInput
            label={`Kind of ${name}`}
            hideLabel
            boxed={false}
            value={item.kind}
            options={ITEM_KINDS.map((k) => ({ value: k, label: k }))}
            onChoose={(kind) => kind && onSet(key, { kind })}
          />
        </span>
        <IconButton name={`Move ${name} out`} onClick={() => onShift(key, (rows, at) => shiftRow(rows, at, -1))}>
          <OutIcon />
        </IconButton>
        <IconButton name={`Move ${name} in`} onClick={() => onShift(key, (rows, at) => shiftRow(rows, at, 1))}>
          <InIcon />
        </IconButton>
        <IconButton name={`Take out ${name}`} onClick={() => onRemove(key)}>
          <RemoveIcon />
        </IconButton>
      </div>
      {item.guess && <p className="muted small tree-note">Guessed: {item.guess}.</p>}
      {item.notes !== null && item.notes !== notesAbove && (
        <div className="tree-note muted">
          <DraftField
            label={`Notes of ${name}`}
            hideLabel
            boxed={false}
            lines={item.notes.includes('\n')}
            value={item.notes}
            onCommit={(t) => {
              onSet(key, { notes: fittedText('frameworkItem', 'notes', t) })
              return null
            }}
          />
        </div>
      )}
    </div>
  )
})

/** So many lines are listed; the others are counted. */
const MOST_LINES = 200

function NotUnderstood({ facts, rows, onFacts, onRows }: Omit<Props, 'lit' | 'onLit'>) {
  const [made, setMade] = useState(0)
  const headings = new Set(facts.notUnderstood.flatMap((l) => l.under ?? []))
  const isHeading = (line: LeftLine) => line.under === undefined && headings.has(line.text)
  const use = (chosen: LeftLine, kind: ItemKind) => {
    // A heading stands for all that is below it.
    const taken = isHeading(chosen) ? facts.notUnderstood.filter((l) => l.under === chosen.text) : [chosen]
    const gone = new Set([chosen, ...taken])
    onFacts({
      ...facts,
      notUnderstood: facts.notUnderstood.filter((l) => !gone.has(l)),
      problems: facts.problems.filter((p) => !(p.code === 'heading-unknown' && p.at === chosen.at)),
    })
    const depth = kind === 'performance criterion' && rows.length > 0 ? 1 : 0
    onRows([...rows, ...taken.map((line, i) => ({ key: `made ${made} ${i} ${line.at} ${rows.length}`, depth, item: itemOf(line, kind) }))])
    setMade(made + 1)
  }
  return (
    <Fold
      className="not-understood"
      open={rows.length === 0 || headings.size > 0}
      summary={<span className="muted">{facts.notUnderstood.length} not understood</span>}
    >
      <ul className="pieces" style={{ maxHeight: 180, overflow: 'auto' }}>
        {facts.notUnderstood.slice(0, MOST_LINES).map((line, i) => (
          <li key={`${i} ${line.at} ${line.text}`} className="row" style={{ paddingLeft: line.under === undefined ? 0 : 18 }}>
            <span className="grow">
              {isHeading(line) ? <b>{line.text}</b> : line.text} <span className="muted small">{line.at}</span>
            </span>
            <SelectInput
              label={isHeading(line) ? `Use all below “${fitted(line.text, 40)}” as` : `Use “${fitted(line.text, 40)}” as`}
              hideLabel
              value=""
              options={[
                { value: '', label: isHeading(line) ? 'leave all of it out' : 'leave out' },
                ...ITEM_KINDS.map((k) => ({ value: k, label: k })),
              ]}
              onChoose={(kind) => kind && use(line, kind)}
            />
          </li>
        ))}
        {facts.notUnderstood.length > MOST_LINES && <li className="muted">and {facts.notUnderstood.length - MOST_LINES} more</li>}
      </ul>
    </Fold>
  )
}

/** A line that was not understood as an item. */
function itemOf(line: LeftLine, kind: ItemKind): TreeRow['item'] {
  const coded = codedLine(line.text)
  const { children: _, ...item } = treeItem({
    code: coded && coded.rest !== '' ? coded.code : null,
    statement: fittedText('frameworkItem', 'statement', coded?.rest || line.text) ?? '',
    kind,
    at: line.at,
  })
  return item
}
