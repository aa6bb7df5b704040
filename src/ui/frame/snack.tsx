/** What was just done, with what can be done about it; it goes by itself, later where there is something to decide. */
import Snackbar from '@mui/material/Snackbar'
import { LineButton } from '../parts/line-button'
import type { CourseState } from '../store/course-store'
import { toWork } from './regions'
import './frame.css'

/** How long it is shown, in milliseconds (Cairn default); the time stands still while it is pointed at or has the focus. */
const SHOWN = { done: 5000, refused: 12_000, offer: 30_000 }

type Props = { readonly notice: NonNullable<CourseState['notice']>; readonly onClose: () => void }

export function Snack({ notice: { text, alert, actions }, onClose }: Props) {
  return (
    <Snackbar
      open
      autoHideDuration={actions.length > 0 ? SHOWN.offer : alert ? SHOWN.refused : SHOWN.done}
      onClose={(_, why) => why !== 'clickaway' && onClose()}
      anchorOrigin={{ vertical: 'bottom', horizontal: 'center' }}
      slotProps={{ clickAwayListener: { mouseEvent: false, touchEvent: false } }}
    >
      {/* F6 leads here where there is something to decide. */}
      <div className="notice" {...(actions.length > 0 ? { 'data-region': 'notice' } : {})}>
        <span>{text}</span>
        {actions.map(({ label, run }) => (
          <LineButton
            key={label}
            onClick={() => {
              onClose()
              // The work goes on where it was; a dialog that opens comes back to it.
              toWork()
              run()
            }}
          >
            {label}
          </LineButton>
        ))}
        <LineButton
          onClick={(e) => {
            const hadFocus = e.currentTarget.matches(':focus-visible')
            onClose()
            if (hadFocus) toWork()
          }}
        >
          Close
        </LineButton>
      </div>
    </Snackbar>
  )
}
