/** One activity of the preview: its values, what of them is a guess, what becomes of it in the course. */
import MoreIcon from '@mui/icons-material/MoreVert'
import { memo } from 'react'
import type { ActivityKind } from '../../core/blueprint/kinds/activity'
import type { RowMatch } from '../../core/edits/bring-matches'
import { alikeTo, dueFrom, pathOfRow, type RowAt } from '../../core/intake/correct'
import type { Correction } from '../../core/intake/corrections'
import { readCodes } from '../../core/intake/quantities'
import { type IntakeGuess, MERGES, type Merge, type Understanding, type UnderstoodActivity } from '../../core/intake/understanding'
import { countOf, formatHundredths, listOf, readHundredths, readMinutes } from '../../core/numbers'
import { sizeText } from '../../core/plan/estimate'
import { DraftField } from '../parts/draft-field'
import { SelectInput } from '../parts/input'
import { LineButton } from '../parts/line-button'
import { MenuButton } from '../parts/menu-button'
import type { MenuEntry } from '../parts/menu-items'
import { fieldOptions } from '../parts/options'
import { useModuleWord } from '../store/course-store'
import { named } from './named'
import type { Change } from './preview'

export const ColumnNames = () => (
  <div className="activity-row column-names" aria-hidden>
    <span>Activity</span>
    <span>Kind</span>
    <span>Objectives</span>
    <span className="r">Min</span>
    <span className="r">Points</span>
    <span>Due</span>
    <span />
  </div>
)

type Props = {
  /** The tree as it is now, for what the menu offers. */
  readonly now: () => Understanding
  readonly row: RowAt
  readonly activity: UnderstoodActivity
  readonly guesses: readonly IntakeGuess[]
  readonly match: RowMatch | undefined
  readonly onChange: Change
}

const Drawn = ({ now, row, activity: a, guesses, match, onChange }: Props) => {
  const set = (to: Extract<Correction, { do: 'set' }>['to']) => onChange({ do: 'set', path: pathOfRow(row), to })
  const guess = (field: string) => (guesses.some((g) => g.path.endsWith(`.${field}`)) ? 'guessed' : '')
  /** Splits the title at the caret. */
  const onKeyDown = (e: React.KeyboardEvent) => {
    if (!(e.key === 'Enter' && (e.ctrlKey || e.metaKey)) || !(e.target instanceof HTMLInputElement)) return
    e.preventDefault()
    e.stopPropagation()
    const { value, selectionStart } = e.target
    onChange({ do: 'part', row, first: value.slice(0, selectionStart ?? 0), second: value.slice(selectionStart ?? 0) })
  }
  return (
    <>
      <div className="activity-row" role="group" aria-label={a.title}>
        <span onKeyDown={onKeyDown}>
          <DraftField
            label={`Title of ${a.title}`}
            hideLabel
            boxed={false}
            value={a.title}
            onCommit={(text) => named(text, 'An activity', (title) => set({ title }))}
          />
        </span>
        <span className={guess('kind')}>
          <SelectInput
            label={`Kind of ${a.title}`}
            hideLabel
            boxed={false}
            value={a.kind ?? ''}
            options={fieldOptions('activity', 'kind', { none: '–' })}
            onChoose={(kind) => set({ kind: (kind || null) as ActivityKind | null })}
          />
        </span>
        <span className={guess('objectives')}>
          <DraftField
            label={`Objectives of ${a.title}`}
            hideLabel
            boxed={false}
            value={a.objectives.join(' ')}
            placeholder="–"
            onCommit={(text) => {
              const objectives = readCodes(text)
              if (objectives === null) return 'Codes such as 1a 1b.'
              set({ objectives })
              return null
            }}
          />
        </span>
        <span className={guess('minutes')}>
          <DraftField
            label={`Minutes of ${a.title}`}
            hideLabel
            right
            boxed={false}
            value={a.minutes === null ? '' : String(a.minutes)}
            placeholder="–"
            onCommit={(text) => {
              const minutes = text.trim() === '' ? null : readMinutes(text)
              if (text.trim() !== '' && minutes === null) return 'Write 45, 1.5 h or 1h30.'
              set({ minutes })
              return null
            }}
          />
        </span>
        <span className={guess('points')}>
          <DraftField
            label={`Points of ${a.title}`}
            hideLabel
            right
            boxed={false}
            value={a.points === null ? '' : formatHundredths(a.points)}
            placeholder={a.percent === null ? '–' : `${formatHundredths(a.percent)} %`}
            onCommit={(text) => {
              const points = text.trim() === '' ? null : readHundredths(text)
              if (text.trim() !== '' && points === null) return 'A number of points.'
              set({ points })
              return null
            }}
          />
        </span>
        <span className={guess('due')}>
          <DraftField
            label={`Due date of ${a.title}`}
            hideLabel
            boxed={false}
            value={a.due ?? ''}
            placeholder="–"
            onCommit={(text) => {
              const due = dueFrom(text)
              if (due.due !== null && due.dueAt === null) return 'Write Sun wk 2, Fri or 4 Oct.'
              set({ due: due.due })
              return null
            }}
          />
        </span>
        <span className="row-end">
          {guesses.length > 0 && <Guesses of={a.title} guesses={guesses} onRight={() => onChange({ do: 'right', path: pathOfRow(row) })} />}
          <RowMenu {...{ now, row, activity: a, onChange }} />
        </span>
      </div>
      {a.size && <p className="row-note muted small">{sizeText(a.size)}, as its words say</p>}
      {a.notes !== null && <p className="row-note muted small">{a.notes}</p>}
      {match && <InCourse of={a.title} match={match} chosen={a.merge ?? 'fill'} onChoose={(merge) => set({ merge })} />}
    </>
  )
}

/** Drawn anew only when the row itself is another: of ten thousand rows one changes at a time. */
export const ActivityRow = memo(
  Drawn,
  (a, b) =>
    a.activity === b.activity &&
    a.onChange === b.onChange &&
    a.row.module === b.row.module &&
    a.row.at === b.row.at &&
    JSON.stringify([a.guesses, a.match]) === JSON.stringify([b.guesses, b.match]),
)

/** How many values of a row are guesses, and why; pressed, they are right. */
export function Guesses({ of, guesses, onRight }: { of: string; guesses: readonly IntakeGuess[]; onRight: () => void }) {
  const why = guesses.map((g) => `${g.path.split('.').at(-1)}: ${g.why}`).join('. ')
  return (
    <LineButton
      className="chip proposed"
      data-guess
      aria-label={`${countOf(guesses.length, 'guess', 'guesses')} in ${of}. ${why}. Press: it is right`}
      tip={`${why}. Press it if that is right.`}
      onClick={(e) => {
        // The mark goes: its row keeps the focus, and F8 goes on from there.
        e.currentTarget.closest('[data-index]')?.querySelector('input')?.focus()
        onRight()
      }}
    >
      {guesses.length}?
    </LineButton>
  )
}

const MERGE_SAYS: Readonly<Record<Merge, string>> = {
  fill: 'fill what is open',
  overwrite: 'take these values',
  add: 'add it beside that one',
  leave: 'leave the course as it is',
}

/** What becomes of a row of which the course has one of the same name. */
function InCourse({ of, match, chosen, onChoose }: { of: string; match: RowMatch; chosen: Merge; onChoose: (merge: Merge) => void }) {
  const { fills, differs } = match
  const says =
    fills.length + differs.length === 0
      ? 'the same'
      : [
          ...(fills.length > 0 ? [`fills ${listOf(fills)}`] : []),
          ...differs.map((d) => `${d.field} ${d.came}, the course has ${d.has}`),
        ].join('; ')
  return (
    <p className="row-note small">
      <span className="chip">in the course</span> <span className={differs.length > 0 ? 'weight check' : 'muted'}>{says}</span>
      <SelectInput
        label={`What becomes of ${of}`}
        hideLabel
        boxed={false}
        value={chosen}
        options={MERGES.map((value) => ({ value, label: MERGE_SAYS[value] }))}
        onChoose={(merge) => onChoose((merge || 'fill') as Merge)}
      />
    </p>
  )
}

type MenuProps = Pick<Props, 'now' | 'row' | 'activity' | 'onChange'>
function RowMenu({ now, row, activity: a, onChange }: MenuProps) {
  const word = useModuleWord()
  const entries = (): MenuEntry[] => {
    const tree = now()
    const alike = alikeTo(tree, a)
    const mark = /^(.+?)(?:\s*[;/&]\s*|\s+and\s+|,\s+)(.+)$/.exec(a.title)
    return [
      { key: 'objective', label: 'It is an objective', run: () => onChange({ do: 'swap', row }) },
      ...(mark
        ? [
            {
              key: 'split',
              label: `Part it: “${mark[1]}” and “${mark[2]}”`,
              run: () => onChange({ do: 'part', row, first: mark[1] as string, second: mark[2] as string }),
            },
          ]
        : []),
      ...(row.at > 0 ? [{ key: 'join', label: 'Join it to the one before', run: () => onChange({ do: 'join', row }) }] : []),
      ...(a.kind !== null && alike.length > 0
        ? [
            {
              key: 'alike',
              label: `${countOf(alike.length, 'other')} called alike: ${a.kind} too`,
              run: () => onChange({ do: 'set alike', row, to: { kind: a.kind } }),
            },
          ]
        : []),
      ...tree.modules.flatMap((m, k) =>
        k === row.module
          ? []
          : [{ key: `to ${k}`, label: `Move to ${word.one} ${m.number} ${m.title}`, run: () => onChange({ do: 'move', row, module: k }) }],
      ),
      { key: 'out', label: 'Take it out', run: () => onChange({ do: 'take out', path: pathOfRow(row), text: a.title }) },
    ]
  }
  return (
    <MenuButton className="plain more" aria-label={`More about ${a.title}`} entries={entries}>
      <MoreIcon fontSize="small" />
    </MenuButton>
  )
}
