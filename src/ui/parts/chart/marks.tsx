/**
 * The marks of a chart for hands and ears: one stop for Tab, arrow keys go to the nearest mark in their direction, each says its
 * value at the pointer and at the focus, Enter opens what it stands for.
 */
import { createContext, type KeyboardEvent, type ReactNode, type RefObject, use, useLayoutEffect, useState } from 'react'
import { tip } from '../tip'

type Stop = { readonly current: string | null; readonly go: (id: string) => void }
const StopContext = createContext<Stop>({ current: null, go: () => undefined })

const ARROWS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
}

/** The mark nearest to `from` in the direction of an arrow; what lies aside counts three times (Cairn default). */
function neighbour(marks: readonly SVGGElement[], from: SVGGElement, [dx, dy]: readonly [number, number]): SVGGElement | null {
  const middle = (mark: SVGGElement) => {
    const { left, top, width, height } = mark.getBoundingClientRect()
    return { x: left + width / 2, y: top + height / 2 }
  }
  const own = middle(from)
  let best: SVGGElement | null = null
  let least = Number.POSITIVE_INFINITY
  for (const mark of marks) {
    const at = middle(mark)
    const ahead = (at.x - own.x) * dx + (at.y - own.y) * dy
    const aside = Math.abs((at.x - own.x) * dy) + Math.abs((at.y - own.y) * dx)
    if (mark === from || ahead < 1 || ahead + 3 * aside >= least) continue
    least = ahead + 3 * aside
    best = mark
  }
  return best
}

/** What a chart puts round its marks: `props` for the drawing, `within` for what is drawn in it. */
export function useMarks(svg: RefObject<SVGSVGElement | null>) {
  const [current, go] = useState<string | null>(null)
  const marks = () => [...(svg.current?.querySelectorAll<SVGGElement>('[data-mark]') ?? [])]
  // Whatever is drawn anew, one of the marks is the stop for Tab.
  useLayoutEffect(() => {
    const all = marks()
    if (!all.some((m) => m.dataset['mark'] === current)) go(all[0]?.dataset['mark'] ?? null)
  })
  const onKeyDown = (event: KeyboardEvent) => {
    const direction = ARROWS[event.key]
    const from = (event.target as Element).closest<SVGGElement>('[data-mark]')
    const next = direction && from && neighbour(marks(), from, direction)
    if (!next) return
    event.preventDefault()
    go(next.dataset['mark'] ?? null)
    next.focus()
  }
  return { props: { onKeyDown }, within: (children: ReactNode) => <StopContext value={{ current, go }}>{children}</StopContext> }
}

type MarkProps = {
  readonly id: string
  /** What it says at the pointer, at the focus, and to the ear. */
  readonly says: string
  /** What a click or Enter does; a mark without it is read only. */
  readonly onOpen?: (() => void) | undefined
  readonly onLit?: (lit: boolean) => void
  /** The record that it stands for: `activity 0c3f`. */
  readonly record?: string
  readonly opacity?: number
  readonly children: ReactNode
}

export function Mark({ id, says, onOpen, onLit, record, opacity, children }: MarkProps) {
  const { current, go } = use(StopContext)
  return (
    <g
      data-mark={id}
      data-record={record}
      className="mark"
      role={onOpen ? 'button' : 'img'}
      aria-label={says}
      {...tip(says)}
      tabIndex={id === current ? 0 : -1}
      opacity={opacity}
      onClick={onOpen}
      onFocus={() => {
        go(id)
        onLit?.(true)
      }}
      onBlur={() => onLit?.(false)}
      onMouseEnter={() => onLit?.(true)}
      onMouseLeave={() => onLit?.(false)}
      onKeyDown={(e) => {
        if (!onOpen || (e.key !== 'Enter' && e.key !== ' ')) return
        e.preventDefault()
        onOpen()
      }}
    >
      {children}
    </g>
  )
}
