/** A row dragged by its handle. It comes when a pointer does, and stands beside the table: rows know nothing of it. */
import { DndContext, type DragMoveEvent, PointerSensor, useDraggable, useDroppable, useSensor, useSensors } from '@dnd-kit/core'
import { type RefObject, useEffect, useLayoutEffect } from 'react'
import type { Held } from './use-row-drag'

/** Pixels that the pointer goes before a press is a drag (Cairn default). */
const DRAG_DISTANCE = 4

type Props = {
  readonly held: Held
  readonly table: RefObject<HTMLTableElement | null>
  /** The rows that are drawn, by key. */
  readonly rows: readonly string[]
  readonly onDragged: () => void
  readonly onOver: (over: { readonly key: string; readonly after: boolean } | null) => void
  readonly onDropped: () => void
  readonly onCancel: () => void
}

export function RowDrag({ held, table, rows, onDragged, onOver, onDropped, onCancel }: Props) {
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: DRAG_DISTANCE } }))
  const onDragMove = ({ over, active }: DragMoveEvent) => {
    if (!over) return onOver(null)
    const middle = over.rect.top + over.rect.height / 2
    const at = active.rect.current.translated
    onOver({ key: String(over.id), after: at ? at.top + at.height / 2 > middle : true })
  }
  return (
    <DndContext sensors={sensors} onDragStart={onDragged} onDragMove={onDragMove} onDragEnd={onDropped} onDragCancel={onCancel}>
      {rows.map((key) => (
        <Place key={key} row={key} table={table} />
      ))}
      <Handle held={held} />
    </DndContext>
  )
}

/** A row as a place to drop at. */
function Place({ row, table }: { readonly row: string; readonly table: Props['table'] }) {
  const { setNodeRef } = useDroppable({ id: row })
  useLayoutEffect(
    () => setNodeRef(table.current?.querySelector<HTMLElement>(`[data-row="${CSS.escape(row)}"]`) ?? null),
    [row, table, setNodeRef],
  )
  return null
}

/** The handle that is held: its press is taken up as soon as this is here. */
function Handle({ held }: { readonly held: Held }) {
  const { setNodeRef, listeners } = useDraggable({ id: held.key })
  useLayoutEffect(() => setNodeRef(held.handle), [held, setNodeRef])
  useEffect(() => listeners?.['onPointerDown']?.(held.pressed), [held])
  return null
}
