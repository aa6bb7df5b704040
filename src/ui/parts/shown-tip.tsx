import Paper from '@mui/material/Paper'
import Popper from '@mui/material/Popper'

/** A tip at what it is about. Screen readers have its words from the button itself. */
export const ShownTip = ({ at, text }: { readonly at: HTMLElement; readonly text: string }) => (
  <Popper open anchorEl={at} placement="bottom" sx={{ zIndex: 1500, pointerEvents: 'none' }} aria-hidden>
    <Paper sx={{ mt: 0.75, px: 1, py: 0.5, maxWidth: 320, fontSize: 13, bgcolor: 'var(--ink)', color: 'var(--paper)', border: 0 }}>
      {text}
    </Paper>
  </Popper>
)
