/** How far something is that takes a while. */
import LinearProgress from '@mui/material/LinearProgress'

export const Progress = ({ label, done, of }: { label: string; done: number; of: number }) => (
  <LinearProgress variant="determinate" aria-label={label} value={(done / of) * 100} sx={{ width: 140, borderRadius: 1, height: 6 }} />
)
