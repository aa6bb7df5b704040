/**
 * A list that is ordered by hand: each line has a handle that is dragged, or taken up with Space and moved with the arrow keys.
 */

import { closestCenter, DndContext, type DragEndEvent, KeyboardSensor, PointerSensor, useSensor, useSensors } from '@dnd-kit/core'
import { SortableContext, sortableKeyboardCoordinates, useSortable, verticalListSortingStrategy } from '@dnd-kit/sortable'
import { CSS } from '@dnd-kit/utilities'
import DragIcon from '@mui/icons-material/DragIndicator'
import { createContext, type ReactNode, useContext } from 'react'
import { IconButton } from './button'
import './sortable.css'

type Named = { readonly id: string; readonly name: string }
type ItemsProps = {
  readonly items: readonly Named[]
  /** Puts an item at a place among the others, counted from 0. */
  readonly onPlace: (id: string, place: number) => void
  readonly children: ReactNode
}

/** Pixels that the pointer goes before a press is a drag (Cairn default). */
const DRAG_DISTANCE = 4

/** Around what is ordered: groups of a table, lines of a list; each of them is a {@link SortedItem}. */
export function SortableItems({ items, onPlace, children }: ItemsProps) {
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
        {children}
      </SortableContext>
    </DndContext>
  )
}

const Taken = createContext<{ readonly name: string; readonly sorted: ReturnType<typeof useSortable> } | null>(null)

/** One of what is ordered, as the element it is; its handle stands somewhere in it. */
export function SortedItem({ id, name, as: Element, children }: Named & { readonly as: 'li' | 'tbody'; readonly children: ReactNode }) {
  const sorted = useSortable({ id })
  return (
    <Element
      ref={sorted.setNodeRef}
      className={sorted.isDragging ? 'dragged' : ''}
      style={{ transform: CSS.Translate.toString(sorted.transform), transition: sorted.transition ?? undefined }}
    >
      <Taken.Provider value={{ name, sorted }}>{children}</Taken.Provider>
    </Element>
  )
}

/** What an item is dragged by, or taken up with Space. */
export function SortHandle() {
  const taken = useContext(Taken)
  if (!taken) return null
  const { setActivatorNodeRef, attributes, listeners } = taken.sorted
  return (
    <IconButton name={`Move ${taken.name}`} ref={setActivatorNodeRef} className="handle" {...attributes} {...listeners}>
      <DragIcon />
    </IconButton>
  )
}

type ListProps = Omit<ItemsProps, 'children' | 'items'> & {
  readonly label: string
  readonly items: readonly (Named & { readonly line: ReactNode })[]
  /** Whether the order may be changed. */
  readonly may: boolean
}

export const SortableList = ({ label, items, may, onPlace }: ListProps) => (
  <SortableItems items={items} onPlace={onPlace}>
    <ul className="sortable" aria-label={label}>
      {items.map(({ id, name, line }) => (
        <SortedItem key={id} id={id} name={name} as="li">
          {may && <SortHandle />}
          {line}
        </SortedItem>
      ))}
    </ul>
  </SortableItems>
)
