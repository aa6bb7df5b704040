import { useEffect, useRef, useState } from 'react'
import { TextLine } from '../parts/text-line'

/** The empty line at the end of a list: what is typed becomes a record at Enter, and the line is empty again. */
export function NewLine({
  label,
  placeholder,
  onAdd,
  onLeaveUp,
  first,
  tabTo,
}: {
  label: string
  placeholder: string
  /** Makes a record of each line; gives the id of the last, or null. */
  onAdd: (lines: readonly string[]) => string | null
  onLeaveUp: (field: HTMLTextAreaElement) => void
  /** Where an empty view begins: it has the focus, unless something else has. */
  first?: boolean
  /** Where Tab leads from a line that was written: to what else is said of the record just made. */
  tabTo?: (id: string) => void
}) {
  const [round, setRound] = useState(0)
  const refocus = useRef(false)
  const box = useRef<HTMLDivElement>(null)
  useEffect(() => {
    if (refocus.current) box.current?.querySelector('textarea')?.focus()
    refocus.current = false
  }, [round])
  useEffect(() => {
    if (first && document.activeElement === document.body) box.current?.querySelector('textarea')?.focus()
  }, [])
  const add = (lines: readonly string[], stay: boolean) => {
    if (lines.every((l) => l.trim() === '')) return null
    const id = onAdd(lines)
    refocus.current = stay
    setRound((n) => n + 1)
    return id
  }
  const added = useRef(false)
  return (
    <div ref={box}>
      <TextLine
        key={round}
        label={label}
        value=""
        placeholder={placeholder}
        readOnly={false}
        saveWhileTyping={false}
        onDraft={() => undefined}
        onCommit={(text) => {
          if (!added.current) add([text], document.activeElement === box.current?.querySelector('textarea'))
          added.current = false
        }}
        onPasteLines={(lines) => void add(lines, true)}
        onKey={(e, text) => {
          if (e.key === 'ArrowUp' || (e.key === 'Backspace' && text === '')) {
            onLeaveUp(e.currentTarget)
            return true
          }
          if (e.key === 'Enter') {
            added.current = text.trim() !== ''
            add([text], true)
            return true
          }
          if (e.key === 'Tab' && !e.shiftKey && tabTo && text.trim() !== '') {
            added.current = true
            const id = add([text], false)
            if (id) tabTo(id)
            return id !== null
          }
          return false
        }}
      />
    </div>
  )
}
