/** What differs between two states of the plan, in words, and setting some of it or all of it back. */
import { useMemo, useState } from 'react'
import { anyRecord, type Blueprint, refKey } from '../../core/blueprint/blueprint'
import { nounsOf, type RecordRef, specOf } from '../../core/blueprint/kinds'
import { capital } from '../../core/blueprint/text'
import { fieldTitle, wholeValueText } from '../../core/history/describe'
import { type ChangedRecord, type Differences, differencesOf, type NamedRecord } from '../../core/history/differences'
import { restoreSome } from '../../core/history/restore-some'
import { countOf, listOf } from '../../core/numbers'
import { groupBy } from '../../core/plan/group-by'
import { Button } from '../parts/button'
import { CheckInput } from '../parts/choice-input'
import { Confirm } from '../parts/confirm'
import { useGrowing } from '../parts/use-growing'
import { useCourseStore } from '../store/course-store'

const WHAT = ['added', 'changed', 'moved', 'removed'] as const
type What = (typeof WHAT)[number]
/** What becomes of each when it is set back. */
const SET_BACK: Readonly<Record<What, string>> = {
  added: 'goes',
  changed: 'is as it was',
  moved: 'stands where it stood',
  removed: 'comes back',
}

type Props = {
  /** The earlier state, and what it is called. */
  readonly from: Blueprint
  readonly fromName: string
  readonly to: Blueprint
  /** Where `to` is the plan as it is now, its records can be set back. */
  readonly restores: boolean
}

type Row = { readonly what: What; readonly record: NamedRecord | ChangedRecord; readonly head: string | null }

/** One row a difference; the first of each sort and kind has their count above it. */
const rowsOf = (differences: Differences): readonly Row[] =>
  WHAT.flatMap((what) =>
    [...groupBy<NamedRecord>(differences[what], (r) => r.kind).values()].flatMap((records) =>
      records.map((record, i): Row => {
        const kind = record.kind
        return { what, record, head: i === 0 ? capital(`${what} ${countOf(records.length, specOf(kind).noun, nounsOf(kind))}`) : null }
      }),
    ),
  )

const keyOf = ({ what, record }: Row): string => `${what} ${refKey(record)}`

export function Comparison({ from, fromName, to, restores }: Props) {
  const store = useCourseStore()
  const rows = useMemo(() => rowsOf(differencesOf(from, to)), [from, to])
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set())
  const [asking, setAsking] = useState<readonly Row[] | null>(null)
  const drawn = useGrowing(rows.length)
  const mine = rows.filter((r) => chosen.has(keyOf(r)))
  const may = restores && rows.every((r) => store.may(r.record.kind))
  if (rows.length === 0) return <p className="empty">Nothing differs.</p>
  const restore = (of: readonly Row[]) => {
    const refs = [...new Map(of.map(({ record: { kind, id } }) => [`${kind} ${id}`, { kind, id }])).values()] as RecordRef[]
    store.restore(
      { what: of.length === rows.length ? fromName : `${countOf(refs.length, 'record')} of ${fromName}` },
      restoreSome(store.state.view, from, refs),
      'Restored',
    )
    setChosen(new Set())
  }
  return (
    <>
      <div className="row comparison-bar">
        <span role="status">
          {listOf(
            WHAT.flatMap((what) => {
              const n = rows.filter((r) => r.what === what).length
              return n === 0 ? [] : [`${n} ${what}`]
            }),
          )}
        </span>
        <span className="grow" />
        {may && (
          <>
            <Button disabled={mine.length === 0} onClick={() => setAsking(mine)}>
              Set back {mine.length === 0 ? 'what is chosen' : countOf(mine.length, 'difference')}…
            </Button>
            <Button onClick={() => setAsking(rows)}>Set all back…</Button>
          </>
        )}
      </div>
      {rows.slice(0, drawn).map((row) => (
        <Difference
          key={keyOf(row)}
          row={row}
          from={from}
          to={to}
          chosen={may ? chosen.has(keyOf(row)) : null}
          onChoose={(on) => setChosen(new Set(on ? [...chosen, keyOf(row)] : [...chosen].filter((k) => k !== keyOf(row))))}
        />
      ))}
      {asking && (
        <Confirm
          heading={`Set ${asking.length === rows.length ? 'all' : countOf(asking.length, 'difference')} back to ${fromName}?`}
          yes="Set back"
          onYes={() => restore(asking)}
          onClose={() => setAsking(null)}
        >
          <ul>
            {asking.slice(0, 8).map((r) => (
              <li key={keyOf(r)}>
                {r.record.name} {SET_BACK[r.what]}
              </li>
            ))}
            {asking.length > 8 && <li className="muted">and {countOf(asking.length - 8, 'more difference')}</li>}
          </ul>
          <p>What was removed comes back with what it belongs to. One step: Ctrl+Z takes it back.</p>
        </Confirm>
      )}
    </>
  )
}

type DifferenceProps = {
  readonly row: Row
  readonly from: Blueprint
  readonly to: Blueprint
  /** Null where nothing is chosen here. */
  readonly chosen: boolean | null
  readonly onChoose: (on: boolean) => void
}

function Difference({ row: { what, record, head }, from, to, chosen, onChoose }: DifferenceProps) {
  const fields = 'fields' in record ? record.fields : []
  const said = (plan: Blueprint, field: string) => wholeValueText(plan, record.kind, field, anyRecord(plan, record)?.[field])
  return (
    <>
      {head && <h3 className={`difference-head ${what}`}>{head}</h3>}
      <div className="difference">
        {chosen === null ? (
          <span className="name">{record.name}</span>
        ) : (
          <CheckInput label={record.name} checked={chosen} onCheck={onChoose} />
        )}
        {fields.map(({ field }) => (
          <p key={field} className="small">
            <span className="muted">{fieldTitle(field)}:</span> <del>{said(from, field)}</del> <ins>{said(to, field)}</ins>
          </p>
        ))}
      </div>
    </>
  )
}
