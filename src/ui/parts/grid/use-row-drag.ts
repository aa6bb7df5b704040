/** Rows dragged by their handle: what is dragged, and the edge of the row it would stand at. */
import { type DragEndEvent, type DragMoveEvent, KeyboardSensor, PointerSensor, useSensor, useSensors } from '@dnd-kit/core'
import { useState } from 'react'

/** Pixels that the pointer goes before a press is a drag (Cairn default). */
const DRAG_DISTANCE = 4

export function useRowDrag(onDrop: (key: string, overKey: string, after: boolean) => void) {
  const [dragged, setDragged] = useState<string | null>(null)
  const [over, setOver] = useState<{ readonly key: string; readonly after: boolean } | null>(null)
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: DRAG_DISTANCE } }), useSensor(KeyboardSensor))
  const end = () => {
    setDragged(null)
    setOver(null)
  }
  return {
    dragged,
    dropAt: (key: string): 'before' | 'after' | null => (dragged !== null && over?.key === key ? (over.after ? 'after' : 'before') : null),
    context: {
      sensors,
      onDragStart: ({ active }: { active: { id: string | number } }) => setDragged(String(active.id)),
      onDragMove: ({ over: target, active }: DragMoveEvent) => {
        if (!target) return setOver(null)
        const middle = target.rect.top + target.rect.height / 2
        const at = active.rect.current.translated
        const next = { key: String(target.id), after: at ? at.top + at.height / 2 > middle : true }
        setOver((o) => (o?.key === next.key && o.after === next.after ? o : next))
      },
      onDragEnd: ({ active }: DragEndEvent) => {
        if (over && String(active.id) !== over.key) onDrop(String(active.id), over.key, over.after)
        end()
      },
      onDragCancel: end,
    },
  }
}
