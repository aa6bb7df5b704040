/** Every command that may run here, with its keys, and every record by number and name: found by typing, taken with Enter. */
import Autocomplete from '@mui/material/Autocomplete'
import Dialog from '@mui/material/Dialog'
import ListSubheader from '@mui/material/ListSubheader'
import type { PopperProps } from '@mui/material/Popper'
import TextField from '@mui/material/TextField'
import { type ReactNode, useMemo } from 'react'
import { type Blueprint, recordMap } from '../../core/blueprint/blueprint'
import { KIND_NAMES, type RecordRef, specOf } from '../../core/blueprint/kinds'
import { indexCourse } from '../../core/plan/plan-index'
import { isSelectable } from '../kind-views'
import { useCourse } from '../store/course-store'
import { useGo } from '../store/navigation'
import { commandsIn } from '../workspaces'
import { type Command, type CommandReach, runsHere } from './command'

export type Entry =
  | { readonly sort: 'command'; readonly key: string; readonly text: string; readonly command: Command }
  | { readonly sort: 'record'; readonly key: string; readonly text: string; readonly noun: string; readonly ref: RecordRef }

/** So many are shown at once (Cairn default). */
const SHOWN = 60

/** Records that can be gone to, with what they are found by. */
function recordEntries(view: Blueprint): Entry[] {
  const index = indexCourse(view)
  return KIND_NAMES.flatMap((kind) => {
    const spec = specOf(kind)
    if (!isSelectable(kind) || !spec.nameField) return []
    return [...recordMap(view, kind).values()].map((record): Entry => {
      const text = [index.numberOf(record.id), String(record[spec.nameField as string] ?? '')].filter(Boolean).join(' ')
      return { sort: 'record', key: `${kind} ${record.id}`, text, noun: spec.noun, ref: { kind, id: record.id } }
    })
  })
}

/** Entries in which all typed words stand: what the typed stands for first, then those that begin with it. */
export function matching(entries: readonly Entry[], typed: string): Entry[] {
  const words = typed.toLowerCase().split(/\s+/).filter(Boolean)
  const isMeant = (e: Entry) => e.sort === 'command' && e.command.short !== undefined && e.command.short === typed.trim()
  const begins = (e: Entry) => words[0] !== undefined && e.text.toLowerCase().startsWith(words[0])
  const rank = (e: Entry) => (isMeant(e) ? 0 : begins(e) ? 1 : 2)
  const hits = entries.filter((e) => isMeant(e) || words.every((w) => e.text.toLowerCase().includes(w)))
  // Each sort stands together, the one with the best of all first.
  const best = (sort: Entry['sort']) => Math.min(...hits.filter((e) => e.sort === sort).map(rank), Number.MAX_VALUE)
  const [commands, records] = [best('command'), best('record')]
  const group = (e: Entry) => ((e.sort === 'command') === commands <= records ? 0 : 1)
  return hits.toSorted((a, b) => group(a) - group(b) || rank(a) - rank(b)).slice(0, SHOWN)
}

/** The list stands in the dialog, below what is typed. */
const InPlace = ({ children }: PopperProps) => <div style={{ marginTop: 8 }}>{children as ReactNode}</div>

export function Palette({ reach, onClose }: { reach: CommandReach; onClose: () => void }) {
  const view = useCourse((s) => s.view)
  const { open } = useGo()
  const entries = useMemo(
    (): Entry[] => [
      ...commandsIn(reach.view)
        .filter((c) => c.id !== 'palette' && runsHere(c, reach))
        .map((command): Entry => ({ sort: 'command', key: command.id, text: command.title, command })),
      ...recordEntries(view),
    ],
    [reach, view],
  )
  const take = (entry: Entry | null) => {
    if (!entry) return
    onClose()
    if (entry.sort === 'record') open(entry.ref)
    else entry.command.run(reach)
  }
  return (
    <Dialog
      open
      onClose={onClose}
      fullWidth
      maxWidth="sm"
      slotProps={{ paper: { 'aria-label': 'Find a command or a place', 'aria-labelledby': undefined } }}
      sx={{ '& .MuiDialog-container': { alignItems: 'flex-start' } }}
    >
      <Autocomplete
        open
        autoHighlight
        options={entries}
        filterOptions={(all, { inputValue }) => matching(all, inputValue)}
        getOptionLabel={(e) => e.text}
        getOptionKey={(e) => e.key}
        groupBy={(e) => (e.sort === 'command' ? 'Commands' : 'In this course')}
        noOptionsText="Nothing of that name"
        onChange={(_, entry) => take(entry)}
        onClose={(_, reason) => reason === 'escape' && onClose()}
        renderInput={(params) => <TextField {...params} autoFocus label="Command, number or name; a digit for a workspace" />}
        renderGroup={({ key, group, children }) => (
          <li key={key} role="presentation">
            <ListSubheader component="div" aria-hidden className="MuiAutocomplete-groupLabel">
              {group}
            </ListSubheader>
            <ul role="group" aria-label={group} style={{ padding: 0 }}>
              {children}
            </ul>
          </li>
        )}
        renderOption={({ key, ...props }, entry) => (
          <li key={key} {...props}>
            <span style={{ flex: 1, minWidth: 0, overflow: 'hidden', textOverflow: 'ellipsis', whiteSpace: 'nowrap' }}>{entry.text}</span>
            <span className="muted small" style={{ marginLeft: 12, whiteSpace: 'nowrap' }}>
              {entry.sort === 'command' ? (entry.command.keys?.[0] ?? '') : entry.noun}
            </span>
          </li>
        )}
        slots={{ popper: InPlace }}
        slotProps={{ paper: { elevation: 0 }, listbox: { style: { maxHeight: '60vh' } } }}
        style={{ padding: 12 }}
      />
    </Dialog>
  )
}
