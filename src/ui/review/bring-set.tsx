/** A set comes in: pasted or as a file; what was understood is told, and where the course has it already, what differs. */
import Dialog from '@mui/material/Dialog'
import DialogActions from '@mui/material/DialogActions'
import DialogContent from '@mui/material/DialogContent'
import DialogTitle from '@mui/material/DialogTitle'
import { useId, useState } from 'react'
import { countOf } from '../../core/numbers'
import { problemText } from '../../core/result'
import { planSets } from '../../core/review/plan-sets'
import type { ReadSet } from '../../core/review/read-set'
import { addSet, differencesOf, sizeOf, takeDifferences } from '../../core/review/set-edits'
import { readSetPiece } from '../../workers/tasks'
import { Button } from '../parts/button'
import { CheckInput } from '../parts/choice-input'
import { Fold } from '../parts/fold'
import { SelectInput } from '../parts/input'
import { PieceBox, usePieceReader } from '../parts/piece-box'
import { newId, useCourse, useCourseStore } from '../store/course-store'

type Props = { readonly onClose: () => void; readonly onChoose: (setId: string) => void }

export function BringSet({ onClose, onChoose }: Props) {
  const id = useId()
  const reader = usePieceReader(readSetPiece, 'Pasted points', {})
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="md" aria-labelledby={id}>
      <DialogTitle id={id}>Bring in a set of points</DialogTitle>
      <DialogContent>
        <PieceBox
          reader={reader}
          prompt="Paste points: a row a point, with a first row of names (code, area, statement, priority …), or JSON"
          formats="CSV, XLSX, JSON"
          accept=".json,.csv,.tsv,.xlsx,.txt"
          filesLabel="File of points"
        >
          {reader.value && <Understood read={reader.value} onClose={onClose} onChoose={onChoose} />}
        </PieceBox>
      </DialogContent>
      <DialogActions>
        <Button rank="rest" onClick={onClose}>
          Close
        </Button>
      </DialogActions>
    </Dialog>
  )
}

function Understood({ read: { set, problems }, onClose, onChoose }: Props & { readonly read: ReadSet }) {
  const store = useCourseStore()
  const plan = useCourse((s) => s.view)
  const like = planSets(plan).find((s) => (set.key !== null ? s.record.key === set.key : s.record.title === set.title))
  const [into, setInto] = useState<string>(like?.record.id ?? '')
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set())
  const differences = into === '' ? [] : differencesOf(plan, into, set)
  const chosen = differences.filter((d) => !left.has(d.code))
  const target = planSets(plan).find((s) => s.record.id === into)
  const points = set.areas.reduce((sum, a) => sum + a.points.length, 0)
  const done = (setId: string) => {
    onChoose(setId)
    onClose()
  }
  const add = () => {
    let made = ''
    if (store.edit('add-set', { what: set.title }, (edit) => void (made = addSet(edit, set, newId)))) done(made)
  }
  const takeOver = () => {
    const facts = { what: target?.record.title ?? set.title, n: chosen.length }
    if (store.edit('take-newer', facts, (edit) => void takeDifferences(edit, into, set, chosen, newId))) done(into)
  }
  return (
    <section aria-label="What was understood" className="set-read">
      <p role="status">
        <b>{set.title}</b>
        {set.version && `, ${set.version}`}: {sizeOf(set.areas.length, points)}.
      </p>
      {problems.length > 0 && (
        <Fold summary={countOf(problems.length, 'remark')} open={problems.length < 6}>
          <ul className="plain-list">
            {problems.map((p, i) => (
              <li key={`${p.at} ${p.code} ${i}`}>{problemText(p)}</li>
            ))}
          </ul>
        </Fold>
      )}
      <SelectInput
        label="Goes in as"
        value={into}
        options={[
          { value: '', label: 'a set of its own' },
          ...planSets(plan).map((s) => ({ value: s.record.id, label: `a newer ${s.record.title}` })),
        ]}
        onChoose={setInto}
      />
      {into !== '' &&
        (differences.length === 0 ? (
          <p>Nothing differs.</p>
        ) : (
          <table className="sheet">
            <caption className="visually-hidden">What differs, point by point</caption>
            <thead>
              <tr>
                <th scope="col">Take over</th>
                <th scope="col">What</th>
                <th scope="col">Point</th>
              </tr>
            </thead>
            <tbody>
              {differences.map((d) => (
                <tr key={d.code}>
                  <td>
                    <CheckInput
                      label={`Take over ${d.code}`}
                      hideLabel
                      checked={!left.has(d.code)}
                      onCheck={(on) => setLeft(new Set([...[...left].filter((c) => c !== d.code), ...(on ? [] : [d.code])]))}
                    />
                  </td>
                  <td>{d.change === 'differs' ? `differs: ${d.fields.join(', ')}` : d.change === 'gone' ? 'not in the file' : 'new'}</td>
                  <th scope="row">
                    {d.code} {d.newer?.statement ?? (d.id && plan.reviewPoint.get(d.id)?.statement)}
                  </th>
                </tr>
              ))}
            </tbody>
          </table>
        ))}
      <div className="row">
        {into === '' ? (
          <Button rank="main" onClick={add}>
            Add the set
          </Button>
        ) : (
          <Button rank="main" disabled={chosen.length === 0} onClick={takeOver}>
            Take over {countOf(chosen.length, 'point')}
          </Button>
        )}
      </div>
    </section>
  )
}
