/** Correcting which column each pasted one goes to, and what was taken for their names. */
import Dialog from '@mui/material/Dialog'
import DialogActions from '@mui/material/DialogActions'
import DialogContent from '@mui/material/DialogContent'
import DialogTitle from '@mui/material/DialogTitle'
import { useState } from 'react'
import { type Pasted, type PasteInto, readPasted } from '../../../core/edits/pasted'
import { countOf } from '../../../core/numbers'
import { Button } from '../button'
import { CheckInput } from '../choice-input'
import { SelectInput } from '../input'

type Props = {
  readonly text: string
  readonly into: PasteInto
  readonly onPaste: (pasted: Pasted) => void
  readonly onClose: () => void
}

/** So many values of a column are shown (Cairn default). */
const SHOWN = 3

export function PasteDialog({ text, into, onPaste, onClose }: Props) {
  const [pasted, setPasted] = useState(() => readPasted(text, into))
  const { header, lines, places } = pasted
  const setPlace = (at: number, id: string | null) =>
    // A column takes one of the pasted ones.
    setPasted({ ...pasted, places: places.map((p, k) => (k === at ? id : p === id ? null : p)) })
  const options = [{ value: '', label: 'left out' }, ...into.all.filter((c) => c.isWritten).map((c) => ({ value: c.id, label: c.header }))]
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="md" aria-labelledby="paste-title">
      <DialogTitle id="paste-title">Where the pasted columns go</DialogTitle>
      <DialogContent>
        <CheckInput
          label="The first line names the columns"
          checked={header !== null}
          onCheck={(on) => setPasted(readPasted(text, into, on))}
        />
        <table className="sheet">
          <thead>
            <tr>
              <th scope="col">Pasted column</th>
              <th scope="col">Its first values</th>
              <th scope="col" style={{ width: 200 }}>
                Goes to
              </th>
            </tr>
          </thead>
          <tbody>
            {places.map((place, k) => {
              const name = header?.[k] || `Column ${k + 1}`
              const values = lines.flatMap((l) => (l[k] ? [l[k]] : []))
              return (
                <tr key={`${k} ${name}`}>
                  <th scope="row">{name}</th>
                  <td className="muted">
                    {values.slice(0, SHOWN).join(' · ') || 'empty'}
                    {values.length > SHOWN && ` · ${values.length - SHOWN} more`}
                  </td>
                  <td>
                    <SelectInput
                      label={`${name} goes to`}
                      hideLabel
                      value={place ?? ''}
                      options={options}
                      onChoose={(id) => setPlace(k, id || null)}
                    />
                  </td>
                </tr>
              )
            })}
          </tbody>
        </table>
      </DialogContent>
      <DialogActions>
        <Button rank="rest" onClick={onClose}>
          Leave it as it is
        </Button>
        <Button rank="main" disabled={places.every((p) => p === null)} onClick={() => onPaste(pasted)}>
          Paste {countOf(lines.length, 'row')} so
        </Button>
      </DialogActions>
    </Dialog>
  )
}
