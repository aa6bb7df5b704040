/** How far an action is; done, it asks what came of it, and why. */
import { useState } from 'react'
import { ACTION_STATES, OUTCOMES, type ReviewAction } from '../../core/beside/review-records'
import { countOf } from '../../core/numbers'
import { ACTION_STATE_WORDS, OUTCOME_WORDS } from '../../core/review/action-cells'
import { RadioInput } from '../parts/choice-input'
import { FormDialog } from '../parts/form-dialog'
import { SelectInput, TextInput } from '../parts/input'

type Props = { readonly action: ReviewAction; readonly disabled: boolean; readonly onPut: (to: Partial<ReviewAction>) => void }

export function ActionState({ action, disabled, onPut }: Props) {
  const [ending, setEnding] = useState(false)
  return (
    <>
      <SelectInput
        label={`State: ${action.what}`}
        hideLabel
        value={action.state}
        disabled={disabled}
        options={ACTION_STATES.map((s) => ({ value: s, label: ACTION_STATE_WORDS[s] }))}
        onChoose={(state) => (state === 'done' ? setEnding(true) : state && onPut({ state, outcome: null, why: null }))}
      />
      {ending && <Done actions={[action]} onClose={() => setEnding(false)} onDone={onPut} />}
    </>
  )
}

type DoneProps = {
  readonly actions: readonly ReviewAction[]
  readonly onClose: () => void
  readonly onDone: (to: Partial<ReviewAction>) => void
}

/** Asks once what came of what is done. */
export function Done({ actions, onClose, onDone }: DoneProps) {
  const [outcome, setOutcome] = useState<(typeof OUTCOMES)[number]>('change')
  const [why, setWhy] = useState('')
  return (
    <FormDialog
      heading="Done"
      yes="It is done"
      width="xs"
      onClose={onClose}
      submit={(e) => {
        e.preventDefault()
        onDone({ state: 'done', outcome, why: why.trim().slice(0, 4000) || null })
        onClose()
      }}
    >
      <p style={{ marginTop: 0 }}>{actions.length === 1 ? actions[0]?.what : `${countOf(actions.length, 'action')} at once.`}</p>
      <RadioInput
        label="What came of it"
        value={outcome}
        options={OUTCOMES.map((o) => ({ value: o, label: OUTCOME_WORDS[o] }))}
        onChoose={setOutcome}
      />
      <TextInput label="Why" autoFocus multiline minRows={2} value={why} onChange={(e) => setWhy(e.target.value)} />
    </FormDialog>
  )
}
