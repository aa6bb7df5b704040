/** What of the history is shown: by words, person, day and object. All of it stands in the address. */
import { Button } from '../parts/button'
import './history.css'
import Autocomplete, { createFilterOptions } from '@mui/material/Autocomplete'
import TextField from '@mui/material/TextField'
import { type ReactNode, useEffect, useMemo, useState } from 'react'
import { useLocation } from 'wouter'
import { anyRecord, type Blueprint, refKey } from '../../core/blueprint/blueprint'
import { type AnyRecord, KIND_NAMES, type KindName, type RecordRef, specOf } from '../../core/blueprint/kinds'
import { countOf } from '../../core/numbers'
import { recordName } from '../../core/plan/names'
import type { HistoryContents } from '../../server/history'
import { SelectInput, TextInput } from '../parts/input'
import { useCourse } from '../store/course-store'
import { useGo, useParam, useSelected } from '../store/navigation'
import { dayOf, dayTitle, useContents, type Wanted } from './use-history'

/** What the address asks of the history. */
export function useWanted(): Wanted {
  const [who] = useParam('who')
  const [asked] = useParam('day')
  const day = /^\d{4}-\d\d-\d\d$/.test(asked) ? asked : ''
  const [words] = useParam('words')
  const selected = useSelected()
  const key = selected ? `${selected.kind} ${selected.id}` : ''
  return useMemo(() => ({ who, day, words, record: selected }), [who, day, words, key])
}

/** The pause in typing after which the log is looked through. */
const PAUSE_MS = 250

export function HistoryBar({ newest, children }: { newest: number; children: ReactNode }) {
  const contents = useContents(newest)
  const { who, day, words, record } = useWanted()
  const [, setWho] = useParam('who')
  const [, setDay] = useParam('day')
  const [, setWords] = useParam('words')
  const { select } = useGo()
  const [cleared, setCleared] = useState(0)
  const [, navigate] = useLocation()
  return (
    <div className="bar history-bar">
      <h1>History</h1>
      <Button rank="rest" onClick={() => navigate('/snapshots')}>
        Snapshots
      </Button>
      <search className="row" aria-label="Find in the history">
        <WordsField key={cleared} words={words} onWords={setWords} />
        <SelectInput
          label="Person"
          hideLabel
          value={who}
          options={[{ value: '', label: 'Everybody' }, ...(contents?.people ?? []).map((p) => ({ value: p.id, label: p.name }))]}
          onChoose={setWho}
        />
        <SelectInput label="Day" hideLabel value={day} options={daysOf(contents, day)} onChoose={setDay} />
        <ObjectField contents={contents} record={record} onChoose={select} />
        {(who || day || words || record) && (
          <Button
            onClick={() => {
              setWho('')
              setDay('')
              setWords('')
              select(null)
              setCleared(cleared + 1)
            }}
          >
            Show all
          </Button>
        )}
      </search>
      <span className="grow" />
      {children}
    </div>
  )
}

/** Days on which something was changed, newest first, with how much; the chosen one also where nothing was. */
function daysOf(contents: HistoryContents | null, chosen: string): { value: string; label: string }[] {
  const changes = new Map<string, number>(chosen ? [[chosen, 0]] : [])
  for (const { at, changes: n } of contents?.times ?? []) changes.set(dayOf(at), (changes.get(dayOf(at)) ?? 0) + n)
  return [
    { value: '', label: 'Every day' },
    ...[...changes]
      .sort(([a], [b]) => (a < b ? 1 : -1))
      .map(([day, n]) => ({ value: day, label: `${dayTitle(day)}${n > 0 ? ` · ${countOf(n, 'change')}` : ''}` })),
  ]
}

function WordsField({ words, onWords }: { words: string; onWords: (words: string) => void }) {
  const [typed, setTyped] = useState(words)
  useEffect(() => {
    if (typed === words) return
    const timer = setTimeout(() => onWords(typed), PAUSE_MS)
    return () => clearTimeout(timer)
  })
  return (
    <TextInput
      type="search"
      width={180}
      label="Find words in the history"
      hideLabel
      placeholder="Find words or a number"
      value={typed}
      onChange={(e) => setTyped(e.target.value)}
    />
  )
}

type NamedRecord = RecordRef & { readonly name: string; readonly sort: string }

/** Links and what hangs on one record are found through it. */
const THINGS: readonly KindName[] = KIND_NAMES.filter((k) => !specOf(k).ends)

/** What a removed record was called; its number went with it. */
const removedName = (record: AnyRecord): string =>
  String(record['title'] ?? record['statement'] ?? record['text'] ?? record['term'] ?? record['letter'] ?? record.id)

function thingsOf(view: Blueprint, contents: HistoryContents | null): NamedRecord[] {
  const here = THINGS.flatMap((kind) =>
    [...(view[kind] as ReadonlyMap<string, AnyRecord>).values()].map((record) => {
      const ref = { kind, id: record.id }
      return { ...ref, name: recordName(view, ref, record), sort: specOf(kind).noun }
    }),
  )
  const gone = (contents?.removed ?? [])
    .filter(({ kind, record }) => !anyRecord(view, { kind, id: record.id }))
    .map(({ kind, record }) => ({ kind, id: record.id, name: removedName(record), sort: `${specOf(kind).noun}, removed` }))
  return [...here, ...gone]
}

const fewOf = createFilterOptions<NamedRecord>({ limit: 60 })

/** Any record of the plan, and those that were removed from it. */
function ObjectField({
  contents,
  record,
  onChoose,
}: {
  contents: HistoryContents | null
  record: RecordRef | null
  onChoose: (record: RecordRef | null) => void
}) {
  const view = useCourse((s) => s.view)
  const things = useMemo(() => thingsOf(view, contents), [view, contents])
  const here = record && anyRecord(view, record)
  const chosen =
    record &&
    (things.find((t) => t.kind === record.kind && t.id === record.id) ?? {
      ...record,
      name: here ? recordName(view, record, here) : 'something removed',
      sort: '',
    })
  return (
    <Autocomplete
      size="small"
      sx={{ width: 250 }}
      options={things}
      filterOptions={fewOf}
      value={chosen}
      disablePortal
      slotProps={{
        popper: { className: 'object-list', style: { width: 400 }, placement: 'bottom-start' },
        listbox: { 'aria-label': 'Objects', 'aria-labelledby': undefined },
      }}
      renderOption={({ key, ...props }, thing) => (
        <li key={key} {...props}>
          <span className="grow">{thing.name}</span> <span className="muted small">{thing.sort}</span>
        </li>
      )}
      getOptionLabel={(t) => t.name}
      getOptionKey={refKey}
      isOptionEqualToValue={(a, b) => refKey(a) === refKey(b)}
      noOptionsText="Nothing is called that, now or before it was removed."
      onChange={(_, thing) => onChoose(thing && { kind: thing.kind, id: thing.id })}
      renderInput={(params) => (
        <TextField
          {...params}
          placeholder="Every object"
          slotProps={{ ...params.slotProps, htmlInput: { ...params.slotProps?.htmlInput, 'aria-label': 'Object' } }}
        />
      )}
    />
  )
}
