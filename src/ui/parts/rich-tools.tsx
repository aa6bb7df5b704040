import BoldIcon from '@mui/icons-material/FormatBold'
import ItalicIcon from '@mui/icons-material/FormatItalic'
import ListIcon from '@mui/icons-material/FormatListBulleted'
import NumbersIcon from '@mui/icons-material/FormatListNumbered'
import PictureIcon from '@mui/icons-material/ImageOutlined'
import TableIcon from '@mui/icons-material/TableChartOutlined'
import HeadingIcon from '@mui/icons-material/Title'
import { type ReactNode, useState } from 'react'
import { IconButton } from './button'

/** The formats of rich text, the same before and after the editor is there. */
export const TOOLS = ['Bold', 'Italic', 'Heading', 'List', 'Numbers', 'Table', 'Picture'] as const
export type Tool = (typeof TOOLS)[number]
const ICONS = {
  Bold: BoldIcon,
  Italic: ItalicIcon,
  Heading: HeadingIcon,
  List: ListIcon,
  Numbers: NumbersIcon,
  Table: TableIcon,
  Picture: PictureIcon,
} as const

/** One stop for Tab, as toolbars are; arrows lead from tool to tool. */
type RichToolsProps = {
  readonly label: string
  readonly on: (tool: Tool) => boolean
  readonly run: (tool: Tool) => void
  /** What belongs to where the caret is. */
  readonly more?: ReactNode
}

export function RichTools({ label, on, run, more }: RichToolsProps) {
  const [stop, setStop] = useState(0)
  return (
    <div
      className="rich-tools"
      role="toolbar"
      aria-label={`Format of ${label}`}
      onKeyDown={(e) => {
        const step = e.key === 'ArrowRight' ? 1 : e.key === 'ArrowLeft' ? -1 : 0
        if (step === 0) return
        e.preventDefault()
        const next = (stop + step + TOOLS.length) % TOOLS.length
        setStop(next)
        e.currentTarget.querySelectorAll('button')[next]?.focus()
      }}
    >
      {TOOLS.map((tool, n) => {
        const Icon = ICONS[tool]
        return (
          <IconButton
            key={tool}
            name={tool}
            tabIndex={n === stop ? 0 : -1}
            aria-pressed={on(tool)}
            onMouseDown={(e) => e.preventDefault()}
            onFocus={() => setStop(n)}
            onClick={() => run(tool)}
          >
            <Icon />
          </IconButton>
        )
      })}
      {more}
    </div>
  )
}
