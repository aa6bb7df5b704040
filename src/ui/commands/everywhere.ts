/** Commands that are there in every view of a course. */
import { courseFormats } from '../../core/formats/formats'
import { toRegion, toWork } from '../frame/regions'
import { download } from '../parts/download'
import { exportAddress } from '../store/export-address'
import type { PanelTab } from '../store/navigation'
import { type Command, type CommandReach, defineCommand, type KeyGroup } from './command'

/** Opens a part of the panel and goes into it; from within it, back to the work. */
const showPanel =
  (tab: PanelTab) =>
  ({ panel }: CommandReach) => {
    const inPanel = document.activeElement?.closest('.panel') !== null && document.getElementById(`tab-${tab}`)?.ariaSelected === 'true'
    if (inPanel) return toWork()
    panel(tab)
    // The panel is there with the next frame.
    requestAnimationFrame(() => document.getElementById('panel-body')?.focus())
  }

export const everywhere = (): readonly Command[] => [
  defineCommand({
    id: 'undo',
    title: 'Undo',
    keys: ['Ctrl+Z'],
    may: ({ store }) => store.state.session.undo.length > 0,
    run: ({ store }) => store.undo(),
  }),
  defineCommand({
    id: 'redo',
    title: 'Redo',
    keys: ['Ctrl+Shift+Z', 'Ctrl+Y'],
    may: ({ store }) => store.state.session.redo.length > 0,
    run: ({ store }) => store.redo(),
  }),
  defineCommand({ id: 'palette', title: 'Find a command or a place', keys: ['Ctrl+K'], run: ({ dialog }) => dialog('palette') }),
  defineCommand({ id: 'find', title: 'Find and replace in the course', keys: ['Ctrl+F'], run: ({ dialog }) => dialog('find') }),
  defineCommand({ id: 'keys', title: 'List of keys', keys: ['?'], run: ({ dialog }) => dialog('keys') }),
  defineCommand({ id: 'help', title: 'Help', run: ({ navigate }) => navigate('/help') }),
  defineCommand({ id: 'next-region', title: 'To the next part of the window', keys: ['F6'], run: () => toRegion(1) }),
  defineCommand({ id: 'last-region', title: 'To the part before', keys: ['Shift+F6'], run: () => toRegion(-1) }),
  defineCommand({ id: 'details', title: 'Details of what is selected', keys: ['Ctrl+Alt+D'], run: showPanel('details') }),
  defineCommand({ id: 'findings', title: 'Findings', keys: ['Ctrl+Alt+F'], run: showPanel('findings') }),
  defineCommand({ id: 'comments', ability: 'comment.read', title: 'Comments', keys: ['Ctrl+Alt+M'], run: showPanel('comments') }),
  defineCommand({ id: 'people', ability: 'plan.read', title: 'People and roles', run: ({ dialog }) => dialog('people') }),
  defineCommand({ id: 'history', ability: 'plan.read', title: 'History', run: ({ navigate }) => navigate('/history') }),
  defineCommand({ id: 'snapshots', ability: 'plan.read', title: 'Snapshots', run: ({ navigate }) => navigate('/snapshots') }),
  defineCommand({
    id: 'make-snapshot',
    title: 'Make a snapshot',
    ability: 'snapshot.make',
    run: ({ navigate }) => navigate('/snapshots?make=1'),
  }),
  defineCommand({ id: 'bring', title: 'Bring in files or text', writes: 'activity', run: ({ navigate }) => navigate('/bring') }),
  defineCommand({
    id: 'copy-in',
    title: 'Copy from another course',
    writes: 'activity',
    run: ({ navigate }) => navigate('/bring?show=course'),
  }),
  ...courseFormats().map((format) =>
    defineCommand({
      id: `save-${format.key}`,
      title: format.title,
      ability: 'plan.read',
      run: ({ store }) => download(exportAddress(store, format.key)),
    }),
  ),
]

/** Keys of what stands in several workspaces. */
export const TABLE_KEYS: KeyGroup = {
  title: 'Tables',
  keys: [
    { keys: 'Arrows · Home · End', does: 'move; with Shift a range' },
    { keys: 'Enter · F2 · typing', does: 'edit the cell; Enter commits and goes down, Tab to the right, Esc takes it back' },
    { keys: 'Ctrl+C · Ctrl+V', does: 'copy and paste, also from a spreadsheet; past the last row new rows are made' },
    { keys: 'Ctrl+Enter', does: 'to what can be opened in the cell; ← and → go among it, Enter opens it, Esc goes back' },
    { keys: 'Ctrl+D', does: 'fill down' },
    { keys: 'Delete · Ctrl+Delete', does: 'clear cells; remove rows' },
    { keys: 'Alt+↑ · Alt+↓', does: 'move the row' },
    { keys: 'Alt+Enter', does: 'confirm what the marked cells propose' },
    { keys: 'Enter in a list', does: 'opens its rows under the line, or a long text; Esc closes them' },
    {
      keys: '↑ in the first row',
      does: 'to the names of the columns; Enter sorts and filters, Alt+← → move one, with Shift size it, F keeps it in sight',
    },
  ],
}
