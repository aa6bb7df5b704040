/** Whether the page is being drawn for paper: then what is left out on the screen because it is out of sight is there. */
import { useEffect, useState } from 'react'
import { flushSync } from 'react-dom'

export function usePrinting(): boolean {
  const [printing, setPrinting] = useState(false)
  useEffect(() => {
    const paper = window.matchMedia('print')
    // The browser takes the page as it is when this returns.
    const changed = () => flushSync(() => setPrinting(paper.matches))
    const begins = () => flushSync(() => setPrinting(true))
    const ends = () => setPrinting(false)
    paper.addEventListener('change', changed)
    window.addEventListener('beforeprint', begins)
    window.addEventListener('afterprint', ends)
    return () => {
      paper.removeEventListener('change', changed)
      window.removeEventListener('beforeprint', begins)
      window.removeEventListener('afterprint', ends)
    }
  }, [])
  return printing
}
