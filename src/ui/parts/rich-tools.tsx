import { useState } from 'react'
import { Button } from './button'

/** The formats of rich text, the same before and after the editor is there. */
export const TOOLS = ['Bold', 'Italic', 'Heading', 'List', 'Numbers'] as const
export type Tool = (typeof TOOLS)[number]

/** One stop for Tab, as toolbars are; arrows lead from tool to tool. */
export function RichTools({ label, on, run }: { label: string; on: (tool: Tool) => boolean; run: (tool: Tool) => void }) {
  const [stop, setStop] = useState(0)
  return (
    <div
      className="row"
      role="toolbar"
      aria-label={`Format of ${label}`}
      style={{ marginBottom: 4, gap: 4, flexWrap: 'wrap' }}
      onKeyDown={(e) => {
        const step = e.key === 'ArrowRight' ? 1 : e.key === 'ArrowLeft' ? -1 : 0
        if (step === 0) return
        e.preventDefault()
        const next = (stop + step + TOOLS.length) % TOOLS.length
        setStop(next)
        e.currentTarget.querySelectorAll('button')[next]?.focus()
      }}
    >
      {TOOLS.map((tool, n) => (
        <Button
          key={tool}
          tabIndex={n === stop ? 0 : -1}
          aria-pressed={on(tool)}
          onMouseDown={(e) => e.preventDefault()}
          onFocus={() => setStop(n)}
          onClick={() => run(tool)}
        >
          {tool}
        </Button>
      ))}
    </div>
  )
}
