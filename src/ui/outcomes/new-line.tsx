import { useEffect, useRef, useState } from 'react'
import { TextLine } from '../parts/text-line'

/** The empty line at the end of a list: what is typed becomes a record at Enter, and the line is empty again. */
export function NewLine({
  label,
  placeholder,
  onAdd,
  onLeaveUp,
  first,
}: {
  label: string
  placeholder: string
  onAdd: (lines: readonly string[]) => void
  onLeaveUp: (field: HTMLTextAreaElement) => void
  /** Where an empty view begins: it has the focus, unless something else has. */
  first?: boolean
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
    if (lines.every((l) => l.trim() === '')) return
    onAdd(lines)
    refocus.current = stay
    setRound((n) => n + 1)
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
        onPasteLines={(lines) => add(lines, true)}
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
          return false
        }}
      />
    </div>
  )
}
