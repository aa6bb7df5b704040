/**
 * The views of a course, each declared once: strip, addresses, fetching ahead, palette, list of keys and presence read it. Adding a
 * workspace: its key in core/workspaces.ts, its folder, its entry here.
 */

import type { ComponentType } from 'react'
import type { Workspace } from '../core/workspaces'
import { guessSteps } from './bring/guess-steps'
import type { Command, KeyGroup } from './commands/command'
import { everywhere, TABLE_KEYS } from './commands/everywhere'
import { fetched } from './parts/fetched'
import { type Later, later } from './parts/later'
import { Waiting } from './parts/waiting'
import { REVIEW_VIEWS } from './review/views'

type ViewSpec = {
  readonly title: string
  readonly load: () => Promise<ComponentType>
  readonly keys?: readonly KeyGroup[]
  readonly commands?: readonly Command[]
}
export type CourseView = ViewSpec & { readonly key: string; readonly part: Later<object> }

const WAITING = <Waiting lines={8} />

const LINE_KEYS: KeyGroup = {
  title: 'Lines of text',
  keys: [
    { keys: 'Enter', does: 'next line; in the middle of a line it splits an objective' },
    { keys: 'Tab · Shift+Tab', does: 'to the level and the outcomes of an objective, and back' },
    { keys: 'Alt+↑ · Alt+↓', does: 'move the line, over module borders too' },
    { keys: 'Alt+Enter', does: 'take the wording or fix; again for the next wording' },
    { keys: 'Alt+V', does: 'verbs of the same level and of the next ones, with the statement as it would read' },
    { keys: 'Alt+Shift+↑ · ↓', does: 'choose several lines; Esc lets them go' },
    { keys: 'Backspace', does: 'at the start of an objective joins it to the one above; in an empty line removes it' },
    { keys: 'Alt+← · Alt+→', does: 'in the tree of a framework that comes in: move an item out or in' },
  ],
}
const PREVIEW_KEYS: KeyGroup = {
  title: 'What was understood',
  keys: [
    { keys: 'F8', does: 'to the next guess; Enter says that it is right' },
    { keys: 'Ctrl+Enter', does: 'in the title of an activity: parts it in two there' },
  ],
}
const MARKER_KEYS: KeyGroup = {
  title: 'Due dates in the weeks',
  keys: [
    { keys: 'Arrows', does: 'to the next marker' },
    { keys: 'Space', does: 'take up the marker; arrows move it, Enter sets it, Esc takes it back' },
  ],
}

const MAP_KEYS: KeyGroup = {
  title: 'Details, matrix and chains',
  keys: [
    { keys: 'Alt+1 to Alt+9', does: 'to a section of the details' },
    { keys: 'I · P · A', does: 'in the matrix: introduces, practises, assesses, in the cell or the marked range; again takes it off' },
    { keys: 'Shift+arrows · Delete', does: 'in the matrix: mark a range; clear it' },
    { keys: 'Enter on the head of a module', does: 'in the matrix, with ↑ from the first row: folds it to counts' },
    { keys: '← · →', does: 'in the chains: to what it builds on, to what builds on it' },
    { keys: 'B · Delete', does: 'in the chains: builds on another, by its number; cuts the link that was followed' },
  ],
}
const RATE_KEYS: KeyGroup = {
  title: 'Rating',
  keys: [
    { keys: '↑ · ↓ · N', does: 'to the next point; to the next that is not rated' },
    { keys: '1 · 2 · 3 · 4 · 5', does: 'in place, partly, not in place, not applicable, not yet' },
    { keys: 'W · E', does: 'write what was seen; pin evidence' },
    { keys: 'Ctrl+Enter · Esc', does: 'from what is written at a point back to its row' },
    { keys: 'S · I', does: 'mark a strength; an improvement' },
    { keys: 'X', does: 'take the fix of what Cairn found' },
    { keys: 'Enter · Backspace', does: 'to the object beside; back' },
  ],
}
const MAP_VIEWS = ['picture', 'modules', 'sheet', 'matrix', 'chains', 'pattern', 'spread'] as const

/** The workspaces, in the strip. */
const SPECS = {
  brief: {
    title: 'Brief',
    load: fetched(
      () => import('./brief/brief'),
      (m) => m.Brief,
    ),
  },
  outcomes: {
    title: 'Outcomes',
    load: fetched(
      () => import('./outcomes/outcomes'),
      (m) => m.Outcomes,
    ),
    keys: [LINE_KEYS, TABLE_KEYS],
  },
  map: {
    title: 'Map',
    load: fetched(
      () => import('./map/map'),
      (m) => m.CourseMap,
    ),
    keys: [TABLE_KEYS, MAP_KEYS],
    commands: MAP_VIEWS.map((show) => ({
      id: `map-${show}`,
      title: `Map: ${show}`,
      run: ({ navigate }) => navigate(show === 'modules' ? '/map' : `/map?show=${show}`),
    })),
  },
  assessment: {
    title: 'Assessment',
    load: fetched(
      () => import('./assessment/assessment'),
      (m) => m.AssessmentWorkspace,
    ),
    keys: [TABLE_KEYS],
  },
  calendar: {
    title: 'Calendar',
    load: fetched(
      () => import('./calendar/calendar'),
      (m) => m.CalendarWorkspace,
    ),
    keys: [MARKER_KEYS],
  },
  syllabus: {
    title: 'Syllabus',
    load: fetched(
      () => import('./syllabus/syllabus'),
      (m) => m.SyllabusWorkspace,
    ),
  },
  review: {
    title: 'Review',
    load: fetched(
      () => import('./review/review'),
      (m) => m.ReviewWorkspace,
    ),
    keys: [RATE_KEYS, TABLE_KEYS],
    commands: REVIEW_VIEWS.map(({ key, title }) => ({
      id: `review-${key}`,
      title: `Review: ${title.toLowerCase()}`,
      run: ({ navigate }) => navigate(`/review?show=${key}`),
    })),
  },
} satisfies Readonly<Record<Workspace, ViewSpec>>

/** Views beside the strip. */
const BESIDE = {
  help: {
    title: 'Help',
    load: fetched(
      () => import('./help/help'),
      (m) => m.Help,
    ),
  },
  bring: {
    title: 'Bring in',
    keys: [PREVIEW_KEYS],
    commands: [{ id: 'next-guess', title: 'To the next guess', keys: ['F8'], run: () => guessSteps.next.current() }],
    load: fetched(
      () => import('./bring/bring'),
      (m) => m.Bring,
    ),
  },
  history: {
    title: 'History',
    load: fetched(
      () => import('./history/history'),
      (m) => m.History,
    ),
  },
  snapshots: {
    title: 'Snapshots',
    load: fetched(
      () => import('./snapshots/snapshots'),
      (m) => m.Snapshots,
    ),
  },
} satisfies Readonly<Record<string, ViewSpec>>

const withPart = ([key, spec]: [string, ViewSpec]): CourseView => ({ ...spec, key, part: later(spec.load, WAITING) })

export const STRIP: readonly CourseView[] = Object.entries<ViewSpec>(SPECS).map(withPart)
export const VIEWS: readonly CourseView[] = [...STRIP, ...Object.entries<ViewSpec>(BESIDE).map(withPart)]

/** What a workspace is called. */
export const titleOf = (workspace: Workspace): string => SPECS[workspace].title

/** The view with a key; undefined for none. */
export const viewOf = (key: string): CourseView | undefined => VIEWS.find((v) => v.key === key)

/** Every command that there is where one is: of the frame, and of the view that is open. */
export const commandsIn = (view: string): readonly Command[] => [
  ...STRIP.map(
    ({ key, title }, i): Command => ({
      id: `go-${key}`,
      title: `Go to ${title}`,
      keys: [`Ctrl+Alt+${i + 1}`],
      short: String(i + 1),
      run: ({ navigate }) => navigate(`/${key}`),
    }),
  ),
  ...everywhere(),
  ...(viewOf(view)?.commands ?? []),
]

/** The groups of keys to tell, those of the open view first. */
export const keyGroups = (view: string): readonly KeyGroup[] => {
  const own = viewOf(view)?.keys ?? []
  return [...new Set([...own, ...VIEWS.flatMap((v) => v.keys ?? [])])]
}
