/** What is opened when somebody wants more of it. Its content is made when it is first opened. */
import ExpandIcon from '@mui/icons-material/ExpandMore'
import Accordion from '@mui/material/Accordion'
import AccordionDetails from '@mui/material/AccordionDetails'
import AccordionSummary from '@mui/material/AccordionSummary'
import { type ReactNode, useState } from 'react'
import './fold.css'

type Props = { readonly summary: ReactNode; readonly open?: boolean; readonly className?: string; readonly children: ReactNode }

export function Fold({ summary, open = false, className = '', children }: Props) {
  const [seen, setSeen] = useState(open)
  return (
    <Accordion
      className={`fold ${className}`}
      disableGutters
      elevation={0}
      defaultExpanded={open}
      onChange={(_, now) => now && setSeen(true)}
      slotProps={{ heading: { component: 'div' }, region: { role: 'group' } }}
    >
      <AccordionSummary expandIcon={<ExpandIcon />}>{summary}</AccordionSummary>
      <AccordionDetails>{seen && children}</AccordionDetails>
    </Accordion>
  )
}
