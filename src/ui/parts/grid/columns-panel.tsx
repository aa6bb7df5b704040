/** The list of a table's columns: shown or not, in what order, how wide, which stay in sight; and the sets that keep a choice. */
import PinIcon from '@mui/icons-material/PushPinOutlined'
import './columns-panel.css'
import Checkbox from '@mui/material/Checkbox'
import Popover from '@mui/material/Popover'
import { type KeyboardEvent, useRef, useState } from 'react'
import { type ColumnSet, saveColumnSet } from '../../../core/edits/column-sets'
import { newId, useCourseStore } from '../../store/course-store'
import { Button, IconButton } from '../button'
import { SelectInput, TextInput } from '../input'
import { SortableItems, SortedItem, SortHandle } from '../sortable'
import { columnKey, freezeColumn, listedColumns, putColumnBefore, turnColumn } from './column-moves'
import type { ColumnState } from './use-column-state'

type Props = {
  readonly state: ColumnState
  /** Those that ship, and those that the course keeps. */
  readonly sets: readonly ColumnSet[]
  readonly own: readonly ColumnSet[]
  readonly used: ColumnSet | null
  readonly at: HTMLElement
  readonly onClose: () => void
}

export function ColumnsPanel(props: Props) {
  const { state, at, onClose } = props
  const [typed, setTyped] = useState('')
  const filter = useRef<HTMLInputElement>(null)
  const list = useRef<HTMLDivElement>(null)
  const nameOf = (id: string) => state.byId.get(id)?.header ?? id
  const ids = listedColumns(state).filter((id) => nameOf(id).toLowerCase().includes(typed.trim().toLowerCase()))
  const lineOf = (id: string | undefined) => list.current?.querySelector<HTMLElement>(`[data-column-line="${id}"]`)
  const onKeyDown = (event: KeyboardEvent, id: string) => {
    if (columnKey(state, id, event)) {
      requestAnimationFrame(() => lineOf(id)?.focus())
      return
    }
    const step = { ArrowDown: 1, ArrowUp: -1 }[event.key]
    const next = ids[ids.indexOf(id) + (step ?? 0)]
    if (step) (next === undefined && step < 0 ? filter.current : lineOf(next))?.focus()
    else if (event.key === ' ' || event.key === 'Enter') turnColumn(state, id)
    else if (event.key.length === 1 && !event.ctrlKey && !event.metaKey) {
      // Letters go on looking for a column.
      setTyped((text) => text + event.key)
      filter.current?.focus()
    } else return
    event.preventDefault()
  }
  return (
    <Popover
      open
      anchorEl={at}
      onClose={onClose}
      anchorOrigin={{ vertical: 'bottom', horizontal: 'left' }}
      slotProps={{ paper: { role: 'dialog', 'aria-label': 'Columns', className: 'columns-panel' } }}
    >
      <Sets {...props} />
      <TextInput
        label="Find a column"
        value={typed}
        inputRef={filter}
        autoFocus
        onChange={(e) => setTyped(e.target.value)}
        onKeyDown={(e) => {
          if (e.key !== 'ArrowDown' && e.key !== 'Enter') return
          e.preventDefault()
          lineOf(ids[0])?.focus()
        }}
      />
      <p className="muted small">Space shows or hides · Alt+arrows move · Alt+Shift+arrows size · F keeps in sight</p>
      <div ref={list} className="column-lines">
        <SortableItems
          items={ids.map((id) => ({ id, name: nameOf(id) }))}
          onPlace={(id, place) => {
            const others = ids.filter((o) => o !== id)
            putColumnBefore(state, id, others[place] ?? null)
          }}
        >
          <ul className="sortable" aria-label="Columns in their order">
            {ids.map((id) => (
              <SortedItem key={id} id={id} name={nameOf(id)} as="li">
                <SortHandle />
                <Line state={state} id={id} name={nameOf(id)} isStop={id === ids[0]} onKeyDown={(e) => onKeyDown(e, id)} />
              </SortedItem>
            ))}
          </ul>
        </SortableItems>
        {ids.length === 0 && <p className="muted">No column has “{typed}”.</p>}
      </div>
    </Popover>
  )
}

type LineProps = {
  readonly state: ColumnState
  readonly id: string
  readonly name: string
  readonly isStop: boolean
  readonly onKeyDown: (event: KeyboardEvent) => void
}

function Line({ state, id, name, isStop, onKeyDown }: LineProps) {
  const own = state.table.getColumn(id)
  const column = state.byId.get(id)
  const isShown = own?.getIsVisible() === true
  const isFrozen = own?.getIsPinned() === 'start'
  return (
    <>
      <Checkbox
        size="small"
        checked={isShown}
        onChange={() => turnColumn(state, id)}
        slotProps={{
          input: {
            'aria-label': `${name}${isFrozen ? ', stays in sight' : ''}`,
            'data-column-line': id,
            tabIndex: isStop ? 0 : -1,
            onKeyDown,
          } as object,
        }}
      />
      <span className={isShown ? 'grow' : 'grow muted'}>{name}</span>
      <span className="muted small">{isShown && column ? (state.widthOf(column) ?? 'fills') : ''}</span>
      <IconButton
        name={isFrozen ? `Let ${name} scroll along` : `Keep ${name} in sight`}
        keys="F"
        tabIndex={-1}
        aria-pressed={isFrozen}
        onClick={() => freezeColumn(state, id)}
      >
        <PinIcon fontSize="small" className={isFrozen ? 'pinned' : ''} />
      </IconButton>
    </>
  )
}

/** The sets to take, and the name under which what is shown becomes one of the course. */
function Sets({ state, sets, own, used }: Props) {
  const store = useCourseStore()
  const [name, setName] = useState('')
  const [problem, setProblem] = useState<string | null>(null)
  const all = [...sets, ...own]
  const mine = own.find((s) => s.id === used?.id)
  const save = () => {
    const title = name.trim() || mine?.title || ''
    if (title === '') return setProblem('A set needs a name.')
    setProblem(null)
    store.edit('save-columns', { what: title }, (edit) => {
      const done = saveColumnSet(edit, title, state.chosen, newId)
      if (!done.ok) setProblem(done.error)
    })
    setName('')
  }
  return (
    <>
      <SelectInput
        label="Set of columns"
        value={used?.id ?? ''}
        options={[
          ...(used ? [] : [{ value: '', label: 'own choice' }]),
          ...sets.map((s) => ({ value: s.id, label: s.title })),
          ...own.map((s) => ({ value: s.id, label: s.title, group: 'of the course' })),
        ]}
        onChoose={(id) => {
          const set = all.find((s) => s.id === id)
          if (set) state.show(set.columns)
        }}
      />
      {store.may('columnSet') && (
        <div className="row">
          <TextInput
            label="Keep for the course as"
            value={name}
            error={problem}
            placeholder={mine?.title ?? ''}
            element={{ maxLength: 60 }}
            onChange={(e) => setName(e.target.value)}
            onKeyDown={(e) => {
              if (e.key !== 'Enter') return
              e.preventDefault()
              save()
            }}
          />
          <Button onClick={save}>Keep</Button>
          {mine && (
            <Button
              rank="rest"
              onClick={() => store.edit('remove', { what: mine.title }, (edit) => edit.remove({ kind: 'columnSet', id: mine.id }))}
            >
              Remove
            </Button>
          )}
        </div>
      )}
    </>
  )
}
