/**
 * A list that is ordered by hand: each line has a handle that is dragged, or taken up with Space and moved with the arrow keys.
 */

import { closestCenter, DndContext, type DragEndEvent, KeyboardSensor, PointerSensor, useSensor, useSensors } from '@dnd-kit/core'
import { SortableContext, sortableKeyboardCoordinates, useSortable, verticalListSortingStrategy } from '@dnd-kit/sortable'
import { CSS } from '@dnd-kit/utilities'
import DragIcon from '@mui/icons-material/DragIndicator'
import type { ReactNode } from 'react'
import { IconButton } from './button'
import './sortable.css'

type Item = { readonly id: string; readonly name: string; readonly line: ReactNode }
type Props = {
  readonly label: string
  readonly items: readonly Item[]
  /** Whether the order may be changed. */
  readonly may: boolean
  /** Puts an item at a place among the others, counted from 0. */
  readonly onPlace: (id: string, place: number) => void
}

/** Pixels that the pointer goes before a press is a drag (Cairn default). */
const DRAG_DISTANCE = 4

export function SortableList({ label, items, may, onPlace }: Props) {
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: DRAG_DISTANCE } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  )
  const ids = items.map((i) => i.id)
  const nameOf = (id: string | number | undefined): string => items.find((i) => i.id === id)?.name ?? ''
  const drop = ({ active, over }: DragEndEvent) => {
    if (over && active.id !== over.id) onPlace(String(active.id), ids.indexOf(String(over.id)))
  }
  const place = (id: string | number | undefined): string => `place ${ids.indexOf(String(id)) + 1} of ${ids.length}`
  return (
    <DndContext
      sensors={sensors}
      collisionDetection={closestCenter}
      onDragEnd={drop}
      accessibility={{
        screenReaderInstructions: {
          draggable: 'Space takes it up, arrow keys move it, Space puts it down, Escape leaves it where it was.',
        },
        announcements: {
          onDragStart: ({ active }) => `${nameOf(active.id)} taken up, ${place(active.id)}.`,
          onDragOver: ({ active, over }) => (over ? `${nameOf(active.id)} over ${place(over.id)}.` : undefined),
          onDragEnd: ({ active, over }) => (over ? `${nameOf(active.id)} put at ${place(over.id)}.` : undefined),
          onDragCancel: ({ active }) => `${nameOf(active.id)} left where it was.`,
        },
      }}
    >
      <SortableContext items={ids} strategy={verticalListSortingStrategy}>
        <ul className="sortable" aria-label={label}>
          {items.map((item) => (
            <Line key={item.id} item={item} may={may} />
          ))}
        </ul>
      </SortableContext>
    </DndContext>
  )
}

function Line({ item, may }: { item: Item; may: boolean }) {
  const { attributes, listeners, setNodeRef, setActivatorNodeRef, transform, transition, isDragging } = useSortable({ id: item.id })
  return (
    <li
      ref={setNodeRef}
      className={isDragging ? 'dragged' : ''}
      style={{ transform: CSS.Translate.toString(transform), transition: transition ?? undefined }}
    >
      {may && (
        <IconButton name={`Move ${item.name}`} ref={setActivatorNodeRef} className="handle" {...attributes} {...listeners}>
          <DragIcon />
        </IconButton>
      )}
      {item.line}
    </li>
  )
}
