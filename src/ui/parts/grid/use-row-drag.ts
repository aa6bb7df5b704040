/** Rows dragged by their handle: which is held, and the edge of the row it would stand at. */
import { type PointerEvent, useCallback, useEffect, useRef, useState } from 'react'

/** A handle that is pressed, and how it was. */
export type Held = { readonly key: string; readonly handle: HTMLElement; readonly pressed: PointerEvent }
/** Presses the handle of a row. */
export type Lift = (key: string, pressed: PointerEvent<HTMLElement>) => void

export function useRowDrag(onDrop: (key: string, overKey: string, after: boolean) => void) {
  const [held, setHeld] = useState<Held | null>(null)
  const [isDragged, setIsDragged] = useState(false)
  const [over, setOver] = useState<{ readonly key: string; readonly after: boolean } | null>(null)
  const now = useRef(held)
  now.current = held
  const end = useCallback(() => {
    setHeld(null)
    setIsDragged(false)
    setOver(null)
  }, [])
  // Let go before it was a drag, or before what drags was here: nothing happens.
  useEffect(() => {
    if (!held) return
    window.addEventListener('pointerup', end)
    window.addEventListener('pointercancel', end)
    return () => {
      window.removeEventListener('pointerup', end)
      window.removeEventListener('pointercancel', end)
    }
  }, [held, end])
  return {
    held,
    lift: useCallback<Lift>((key, pressed) => setHeld({ key, handle: pressed.currentTarget, pressed }), []),
    isHeld: useCallback(() => now.current !== null, []),
    isDragged: (key: string) => isDragged && held?.key === key,
    dropAt: (key: string): 'before' | 'after' | null => (isDragged && over?.key === key ? (over.after ? 'after' : 'before') : null),
    on: {
      onDragged: () => setIsDragged(true),
      onOver: (next: { readonly key: string; readonly after: boolean } | null) =>
        setOver((o) => (o?.key === next?.key && o?.after === next?.after ? o : next)),
      onDropped: () => {
        if (held && over && held.key !== over.key) onDrop(held.key, over.key, over.after)
        end()
      },
      onCancel: end,
    },
  }
}
