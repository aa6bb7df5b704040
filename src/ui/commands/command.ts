/** What people can do, declared once: menus, palette, key list and the keys themselves follow. */
import type { Ability } from '../../core/access/abilities'
import type { KindName } from '../../core/blueprint/kinds'
import type { CourseStore } from '../store/course-store'
import type { PanelTab } from '../store/navigation'

/** What a command can reach. */
export type CommandReach = {
  readonly store: CourseStore
  /** Leads to a view of the course, such as `/outcomes` or `/history?day=...`. */
  readonly navigate: (to: string) => void
  /** The view that is open, such as `outcomes`. */
  readonly view: string
  readonly dialog: (name: 'keys' | 'people' | 'palette' | 'find') => void
  /** Opens the panel, or closes it. */
  readonly panel: (tab: PanelTab | null) => void
}

export type Command = {
  readonly id: string
  readonly title: string
  /** Keys that run it, such as `Ctrl+Shift+Z`; on a Mac Cmd stands for Ctrl. */
  readonly keys?: readonly string[]
  /** What finds it at once when it is typed alone in the palette. */
  readonly short?: string
  /** Whether it may run here and now; always where nothing is said. */
  readonly may?: (reach: CommandReach) => boolean
  /** A kind that must be this person's to write. */
  readonly writes?: KindName
  /** An ability that this person must have here. */
  readonly ability?: Ability
  readonly run: (reach: CommandReach) => void
}

/** Keys that belong to a sort of place, told in the list of keys. */
export type KeyHint = { readonly keys: string; readonly does: string }
export type KeyGroup = { readonly title: string; readonly keys: readonly KeyHint[] }

export const defineCommand = (command: Command): Command => command

/** Whether a command can run where one is. */
export const runsHere = (command: Command, reach: CommandReach): boolean =>
  (command.writes === undefined || reach.store.may(command.writes)) &&
  (command.ability === undefined || reach.store.has(command.ability)) &&
  (command.may?.(reach) ?? true)

type Pressed = Pick<KeyboardEvent, 'key' | 'ctrlKey' | 'metaKey' | 'shiftKey' | 'altKey'>

/** Whether a key event is one of a command's keys. Signs such as `?` are typed with whatever keys they need. */
export function pressedKeys(command: Command, event: Pressed): boolean {
  return (command.keys ?? []).some((keys) => {
    const parts = keys.split('+')
    const key = (parts.pop() ?? '').toLowerCase()
    const control = parts.includes('Ctrl')
    const sign = key.length === 1 && !/[a-z0-9]/.test(key)
    return (
      event.key.toLowerCase() === key &&
      control === (event.ctrlKey || event.metaKey) &&
      parts.includes('Alt') === event.altKey &&
      (sign || parts.includes('Shift') === event.shiftKey)
    )
  })
}
