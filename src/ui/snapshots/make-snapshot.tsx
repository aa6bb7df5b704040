/** Freezing the plan under a name, and giving a snapshot another name or note. */
import { useState } from 'react'
import { FormDialog } from '../parts/form-dialog'
import { TextInput } from '../parts/input'
import { ApiError } from '../store/api'

type Props = {
  readonly heading: string
  readonly yes: string
  readonly begin: { readonly name: string; readonly note: string }
  readonly onSend: (wanted: { readonly name: string; readonly note: string }) => Promise<unknown>
  readonly onClose: () => void
}

export function SnapshotDialog({ heading, yes, begin, onSend, onClose }: Props) {
  const [name, setName] = useState(begin.name)
  const [note, setNote] = useState(begin.note)
  const [problem, setProblem] = useState<string | null>(null)
  const send = async () => {
    if (name.trim() === '') return setProblem('A snapshot needs a name.')
    try {
      await onSend({ name: name.trim(), note: note.trim() })
      onClose()
    } catch (error) {
      setProblem(error instanceof ApiError ? error.problem.title : 'That did not work.')
    }
  }
  return (
    <FormDialog
      heading={heading}
      yes={yes}
      submit={(e) => {
        e.preventDefault()
        void send()
      }}
      onClose={onClose}
    >
      <TextInput
        label="Name"
        autoFocus
        value={name}
        placeholder="Before the review"
        element={{ maxLength: 100 }}
        error={problem ?? undefined}
        onChange={(e) => setName(e.target.value)}
      />
      <TextInput
        label="Note"
        hint="What it is for, for whom. Others in the course read it."
        multiline
        minRows={2}
        value={note}
        element={{ maxLength: 1000 }}
        onChange={(e) => setNote(e.target.value)}
      />
    </FormDialog>
  )
}
