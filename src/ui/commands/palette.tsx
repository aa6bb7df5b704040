/** Every command that may run here, with its keys, and every record by number and name: found by typing, taken with Enter. */
import Autocomplete from '@mui/material/Autocomplete'
import Dialog from '@mui/material/Dialog'
import ListSubheader from '@mui/material/ListSubheader'
import type { PopperProps } from '@mui/material/Popper'
import TextField from '@mui/material/TextField'
import { useQuery } from '@tanstack/react-query'
import { type ReactNode, useMemo, useState } from 'react'
import { type Blueprint, recordMap } from '../../core/blueprint/blueprint'
import { KIND_NAMES, specOf } from '../../core/blueprint/kinds'
import { indexCourse } from '../../core/plan/plan-index'
import type { CourseInList } from '../../server/courses'
import { isSelectable } from '../kind-views'
import { asked } from '../store/api'
import { useCourse, useMay } from '../store/course-store'
import { useGo } from '../store/navigation'
import { queries } from '../store/queries'
import { commandsIn } from '../workspaces'
import { type CommandReach, runsHere } from './command'
import { type Entry, matching, type Shown } from './matching'
import { keepRecent, recentOf } from './recent'

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

/** The list stands in the dialog, below what is typed. */
const InPlace = ({ children }: PopperProps) => <div style={{ marginTop: 8 }}>{children as ReactNode}</div>

export function Palette({ reach, onClose }: { reach: CommandReach; onClose: () => void }) {
  const view = useCourse((s) => s.view)
  const { open } = useGo()
  const { courseId } = reach.store
  const [recent] = useState(() => recentOf(courseId))
  const mayLeave = useMay('plan.read')
  const { data: courses } = useQuery(
    { queryKey: ['courses'], queryFn: () => asked<readonly CourseInList[]>('/api/courses'), enabled: mayLeave },
    queries,
  )
  const entries = useMemo(
    (): Entry[] => [
      ...commandsIn(reach.view)
        .filter((c) => c.id !== 'palette' && runsHere(c, reach))
        .map((command): Entry => ({ sort: 'command', key: command.id, text: command.title, command })),
      ...recordEntries(view),
      ...(courses ?? [])
        .filter((c) => c.id !== courseId)
        .map(({ id, code, title }): Entry => ({ sort: 'course', key: `course ${id}`, text: [code, title].filter(Boolean).join(' '), id })),
    ],
    [reach, view, courses, courseId],
  )
  const [typed, setTyped] = useState('')
  const found = useMemo(() => matching(entries, typed, recent), [entries, typed, recent])
  const take = (entry: Shown | null) => {
    if (!entry) return
    onClose()
    keepRecent(courseId, entry.key)
    if (entry.sort === 'record') open(entry.ref)
    else if (entry.sort === 'command') entry.command.run(reach)
    else window.location.assign(`/courses/${encodeURIComponent(entry.id)}`)
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
        options={found}
        filterOptions={(all) => all}
        inputValue={typed}
        onInputChange={(_, text, reason) => reason === 'input' && setTyped(text)}
        getOptionLabel={(e) => e.text}
        getOptionKey={(e) => e.key}
        groupBy={(e) => e.under}
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
              {entry.sort === 'command' ? (entry.command.keys?.[0] ?? '') : entry.sort === 'record' ? entry.noun : 'course'}
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
