/** Stands where something will stand that is on its way: so many lines of text, or a word. */
import Skeleton from '@mui/material/Skeleton'

export const Waiting = ({ lines = 3 }: { lines?: number }) => (
  <div className="waiting" role="status" aria-label="Loading">
    {Array.from({ length: lines }, (_, n) => (
      <Skeleton key={n} variant="text" animation={false} width={`${90 - ((n * 17) % 40)}%`} />
    ))}
  </div>
)

/** The same in a cell or a line. */
export const WaitingWord = () => <Skeleton component="span" variant="text" animation={false} width={36} sx={{ display: 'inline-block' }} />
