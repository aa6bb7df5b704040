/** What can be done with a column: sort and filter by it, its width and place, and which columns are shown at all. */
import { Button } from '../button'
import './grid.css'
import Checkbox from '@mui/material/Checkbox'
import FormControlLabel from '@mui/material/FormControlLabel'
import FormGroup from '@mui/material/FormGroup'
import FormLabel from '@mui/material/FormLabel'
import Popover from '@mui/material/Popover'
import Stack from '@mui/material/Stack'
import TextField from '@mui/material/TextField'
import ToggleButton from '@mui/material/ToggleButton'
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup'
import { useState } from 'react'
import { moveColumn } from './column-moves'
import type { GridColumn } from './types'
import { type ColumnState, NARROWEST, WIDEST } from './use-column-state'

type DialogProps = { readonly column: GridColumn; readonly state: ColumnState; readonly at: HTMLElement; readonly onClose: () => void }

export function ColumnDialog({ column, state, at, onClose }: DialogProps) {
  const { table } = state
  const own = table.getColumn(column.id)
  if (!own) return null
  return (
    <Popover
      open
      anchorEl={at}
      onClose={onClose}
      anchorOrigin={{ vertical: 'bottom', horizontal: 'left' }}
      slotProps={{ paper: { role: 'dialog', 'aria-label': `Column ${column.header}`, sx: { p: 1.5, width: 340 } } }}
    >
      <Stack spacing={1.5}>
        <TextField
          size="small"
          label={`Rows where ${column.header} has`}
          autoFocus
          value={String(own.getFilterValue() ?? '')}
          onChange={(e) => own.setFilterValue(e.target.value || undefined)}
          onKeyDown={(e) => {
            if (e.key !== 'Enter') return
            // The key ends here: it would press the button that the focus goes back to.
            e.preventDefault()
            onClose()
          }}
        />
        <ToggleButtonGroup
          exclusive
          size="small"
          fullWidth
          aria-label="Order of the rows"
          value={own.getIsSorted() || 'plan'}
          onChange={(_, to: 'asc' | 'desc' | 'plan' | null) =>
            to === 'asc' || to === 'desc' ? own.toggleSorting(to === 'desc') : own.clearSorting()
          }
        >
          <ToggleButton value="plan">As planned</ToggleButton>
          <ToggleButton value="asc">Rising</ToggleButton>
          <ToggleButton value="desc">Falling</ToggleButton>
        </ToggleButtonGroup>
        <Place column={column} state={state} />
        <ShownColumns state={state} />
      </Stack>
    </Popover>
  )
}

function Place({ column, state }: Pick<DialogProps, 'column' | 'state'>) {
  const { table, shown } = state
  const own = table.getColumn(column.id)
  const at = shown.indexOf(column)
  const move = (step: 1 | -1) =>
    moveColumn(
      state,
      column.id,
      step,
      shown.map((c) => c.id),
    )
  return (
    <>
      <Stack direction="row" spacing={1}>
        <Width
          value={Math.round(own?.getSize() ?? 0)}
          onWidth={(width) => table.setColumnSizing((all) => ({ ...all, [column.id]: width }))}
        />
        <Button rank="rest" disabled={at <= 0} onClick={() => move(-1)}>
          To the left
        </Button>
        <Button rank="rest" disabled={at >= shown.length - 1} onClick={() => move(1)}>
          To the right
        </Button>
      </Stack>
      <FormControlLabel
        control={
          <Checkbox size="small" checked={own?.getIsPinned() === 'start'} onChange={(e) => own?.pin(e.target.checked ? 'start' : false)} />
        }
        label="Stays in sight when the table scrolls sideways"
      />
    </>
  )
}

function Width({ value, onWidth }: { readonly value: number; readonly onWidth: (pixels: number) => void }) {
  const [typed, setTyped] = useState(String(value))
  const fits = (text: string) => Number(text) >= NARROWEST && Number(text) <= WIDEST
  return (
    <TextField
      size="small"
      type="number"
      label="Width"
      value={typed}
      error={!fits(typed)}
      slotProps={{ htmlInput: { min: NARROWEST, max: WIDEST, step: 10 } }}
      onChange={(e) => {
        setTyped(e.target.value)
        if (fits(e.target.value)) onWidth(Number(e.target.value))
      }}
    />
  )
}

function ShownColumns({ state }: Pick<DialogProps, 'state'>) {
  const { table, shown, byId } = state
  return (
    <FormGroup role="group" aria-label="Columns that are shown">
      <FormLabel component="span" sx={{ fontSize: 13 }}>
        Columns that are shown
      </FormLabel>
      <div className="column-choice">
        {table.getAllLeafColumns().map((c) => (
          <FormControlLabel
            key={c.id}
            control={
              <Checkbox
                size="small"
                checked={c.getIsVisible()}
                disabled={shown.length === 1 && c.getIsVisible()}
                onChange={(e) => c.toggleVisibility(e.target.checked)}
              />
            }
            label={byId.get(c.id)?.header}
          />
        ))}
      </div>
      <Button rank="rest" onClick={state.showFirst}>
        As they were at first
      </Button>
    </FormGroup>
  )
}
