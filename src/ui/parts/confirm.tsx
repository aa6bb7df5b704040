/** A question before something that cannot be taken back, or that others see at once: it names what goes, and how many. */
import Dialog from '@mui/material/Dialog'
import DialogActions from '@mui/material/DialogActions'
import DialogContent from '@mui/material/DialogContent'
import DialogTitle from '@mui/material/DialogTitle'
import { type ReactNode, useId } from 'react'
import { Button } from './button'

type Props = {
  readonly heading: string
  readonly yes: string
  readonly no?: string
  /** Whether it can be said yes to yet. */
  readonly ready?: boolean
  readonly onYes: () => void
  readonly onClose: () => void
  readonly children: ReactNode
}

export function Confirm({ heading, yes, no = 'Not now', ready = true, onYes, onClose, children }: Props) {
  const id = useId()
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="xs" aria-labelledby={id}>
      <DialogTitle id={id}>{heading}</DialogTitle>
      <DialogContent>{children}</DialogContent>
      <DialogActions>
        <Button rank="rest" autoFocus onClick={onClose}>
          {no}
        </Button>
        <Button
          rank="main"
          disabled={!ready}
          onClick={() => {
            onClose()
            onYes()
          }}
        >
          {yes}
        </Button>
      </DialogActions>
    </Dialog>
  )
}
