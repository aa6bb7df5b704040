/** A form in a dialog: it ends with Cancel and the one thing that the dialog is for. */
import Dialog from '@mui/material/Dialog'
import DialogActions from '@mui/material/DialogActions'
import DialogContent from '@mui/material/DialogContent'
import DialogTitle from '@mui/material/DialogTitle'
import { type ReactNode, useId } from 'react'
import { Button } from './button'
import { Form, FormProblem } from './form'

type Props = {
  readonly heading: ReactNode
  /** What the main button says: what is made or done. */
  readonly yes: string
  readonly submit: (event: { preventDefault: () => void }) => void
  readonly onClose: () => void
  /** What is wrong and belongs to no field. */
  readonly problem?: string | null
  readonly width?: 'xs' | 'sm'
  readonly children: ReactNode
}

export function FormDialog({ heading, yes, submit, onClose, problem, width = 'sm', children }: Props) {
  const id = useId()
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth={width} aria-labelledby={id}>
      <Form submit={submit}>
        <DialogTitle id={id}>{heading}</DialogTitle>
        <DialogContent>
          {children}
          <FormProblem>{problem}</FormProblem>
        </DialogContent>
        <DialogActions>
          <Button rank="rest" onClick={onClose}>
            Cancel
          </Button>
          <Button rank="main" type="submit">
            {yes}
          </Button>
        </DialogActions>
      </Form>
    </Dialog>
  )
}
