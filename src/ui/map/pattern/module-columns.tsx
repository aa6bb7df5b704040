/** The columns of the modules: their place in the pattern, a column for each part, and the rest of what a module holds. */
import CutIcon from '@mui/icons-material/RemoveCircleOutlined'
import type { Blueprint } from '../../../core/blueprint/blueprint'
import type { Part } from '../../../core/blueprint/kinds'
import { fitted } from '../../../core/blueprint/text'
import { matchOne } from '../../../core/blueprint/types/define-type'
import { movePartIn, setLeftOut, setReason } from '../../../core/design/edit-pattern'
import { type PatternCell, patternOf } from '../../../core/design/pattern'
import { isEmptyCell } from '../../../core/edits/cells'
import type { ColumnSet } from '../../../core/edits/column-sets'
import { readWeeks } from '../../../core/edits/objectives'
import { countOf } from '../../../core/numbers'
import { perPlan } from '../../../core/plan/derive'
import { partsIn } from '../../../core/plan/numbering'
import { indexCourse } from '../../../core/plan/plan-index'
import { weeksText } from '../../../core/syllabus/assemble'
import { fieldColumn, textColumn } from '../../parts/grid/field-column'
import type { GridColumn, GridRow } from '../../parts/grid/types'
import { useCourse, useCourseData } from '../../store/course-store'
import { columnSet } from '../column-sets'
import { listColumn, listsByColumn, richColumn } from '../opening-columns'

const rowsOf = perPlan((plan) => new Map(patternOf(plan).rows.map((r) => [r.moduleId, r])))
const cellOf = (plan: Blueprint, row: GridRow, partId: string): PatternCell | undefined =>
  row.type === 'data'
    ? rowsOf(plan)
        .get(row.id)
        ?.cells.find((c) => c.partId === partId)
    : undefined

export const partColumnId = (partId: string): string => `part_${partId}`

/** The word that leaves a part out where no reason is given. */
const LEFT_OUT = 'left out'

/** A part of the pattern: how much of it a module has. Typing leaves it out of the module, what is typed is the reason. */
function partColumn(part: Part): GridColumn {
  const text = (plan: Blueprint, row: GridRow) => {
    const cell = cellOf(plan, row, part.id)
    if (!cell) return ''
    return cell.state === 'left out' ? (cell.reason ?? LEFT_OUT) : cell.count > 0 ? String(cell.count) : ''
  }
  return textColumn({
    id: partColumnId(part.id),
    header: part.title,
    cell: { name: 'text' },
    width: 118,
    text,
    hint: (plan, row, typed) =>
      (cellOf(plan, row, part.id)?.count ?? 0) > 0
        ? 'It has activities: what is typed is why it stands where it does'
        : isEmptyCell(typed)
          ? 'In again'
          : 'Left out, with this reason',
    write: (edit, row, { text: typed }) => {
      const cell = cellOf(edit.now, row, part.id)
      if (!cell) return 'A group outside the sequence takes no part in the pattern.'
      const isEmpty = isEmptyCell(typed) || typed.trim() === String(cell.count)
      if (cell.count === 0) setLeftOut(edit, row.id, part.id, !isEmpty)
      setReason(edit, row.id, part.id, isEmpty || typed.trim().toLowerCase() === LEFT_OUT ? null : fitted(typed.trim(), 300))
      return null
    },
    Cell: ({ row }) => <PartCell row={row} partId={part.id} />,
  })
}

function PartCell({ row, partId }: { readonly row: GridRow; readonly partId: string }) {
  const cell = useCourseData((s) => cellOf(s.view, row, partId) ?? null)
  const place = useCourse((s) => (rowsOf(s.view).get(row.id)?.ownOrder ? partsIn(s.view, row.id).indexOf(partId) + 1 : 0))
  if (!cell) return null
  const own = place > 0 && <span className="muted small own-place">{place}.</span>
  if (cell.state === 'items')
    return (
      <span data-tip={cell.reason ?? undefined}>
        {own} {countOf(cell.count, 'item')}
      </span>
    )
  if (cell.state === 'empty') return <span className="muted">{own} empty</span>
  return (
    <span className="left-out" data-tip={cell.reason ?? 'Left out, without a reason'}>
      <CutIcon fontSize="inherit" aria-hidden /> {cell.reason ?? LEFT_OUT}
    </span>
  )
}

const titles = (plan: Blueprint, ids: readonly string[]): string => ids.map((id) => plan.part.get(id)?.title ?? '').join(', ')

/** The parts in the order of the module, where that is its own. */
const ownOrder = textColumn({
  id: 'ownOrder',
  header: 'Own order',
  cell: { name: 'text' },
  width: 170,
  text: (plan, row) => {
    const own = row.type === 'data' ? rowsOf(plan).get(row.id)?.ownOrder : null
    return own ? titles(plan, own) : ''
  },
  hint: (plan) =>
    `Parts in the order of this module: ${titles(
      plan,
      indexCourse(plan).parts.map((p) => p.id),
    )}`,
  write: (edit, row, { text }) => {
    const { parts } = indexCourse(edit.now)
    const named = isEmptyCell(text) ? [] : text.split(/[,;]+/).map((t) => t.trim())
    const ids: string[] = []
    for (const name of named) {
      const title = matchOne(
        parts.map((p) => p.title),
        name,
      )
      const id = parts.find((p) => p.title === title)?.id
      if (!id) return `There is no part “${name}”.`
      if (!ids.includes(id)) ids.push(id)
    }
    const wanted = [...ids, ...parts.flatMap((p) => (ids.includes(p.id) ? [] : p.id))]
    // Each to its place, from the first on.
    wanted.forEach((id, place) => {
      for (let at = partsIn(edit.now, row.id).indexOf(id); at > place; at--) movePartIn(edit, row.id, id, -1)
    })
    return null
  },
})

const number = textColumn({
  id: 'number',
  header: 'No.',
  cell: { name: 'number' },
  width: 62,
  text: (plan, row) => (row.type === 'data' ? indexCourse(plan).numberOf(row.id) : ''),
  Cell: ({ row }) => <span className="number">{useCourse((s) => number.text(s.view, row))}</span>,
})

const title = fieldColumn('module', 'title', {
  header: 'Title',
  Cell: ({ row }) => {
    const text = useCourse((s) => s.view.module.get(row.id)?.title ?? '')
    return row.type === 'new' ? <span className="muted">Type a title to add one</span> : <span data-tip={text}>{text}</span>
  },
})

const weeks = textColumn({
  id: 'weeks',
  header: 'Weeks',
  cell: { name: 'text' },
  width: 76,
  hidden: true,
  text: (plan, row) => {
    const module = plan.module.get(row.id)
    return !module || module.firstWeek === null ? '' : weeksText(module.firstWeek, module.lastWeek).replace(/^weeks? /, '')
  },
  write: (edit, row, { text }) => {
    const read = readWeeks(isEmptyCell(text) ? '' : text)
    if (!read) return 'Write 5 or 5–6.'
    edit.set('module', row.id, read)
    return null
  },
})

const plain = (field: string, width = 160): GridColumn => fieldColumn('module', field, { width, hidden: true })

/** All columns, with one for each part of this course. */
export const moduleColumns = (parts: readonly Part[]): readonly GridColumn[] => [
  number,
  title,
  ...parts.map(partColumn),
  ownOrder,
  weeks,
  plain('subtitle'),
  plain('planning', 92),
  plain('role', 110),
  richColumn('module', 'overview', 'Overview'),
  plain('whatIsNew', 200),
  richColumn('module', 'closing', 'Closing'),
  ...[...listsByColumn('module')].flatMap(([id, list]) => (list.kind === 'modulePart' ? [] : [listColumn(id, list)])),
  plain('unlockJoin', 92),
  plain('pictureShows'),
  plain('pictureAlt'),
  plain('pictureAddress'),
  plain('problemFirst', 92),
]

/** The sets that ship, with the parts of this course (Cairn defaults). */
export const moduleSets = (parts: readonly Part[]): readonly ColumnSet[] => [
  columnSet('pattern', ...parts.map((p) => partColumnId(p.id)), 'ownOrder'),
  columnSet('texts', 'overview', 'whatIsNew', 'closing', 'pictureShows', 'pictureAlt'),
  columnSet('frame', 'weeks', 'role', 'planning', 'sessions', 'recallObjectives', 'recallModules', 'unlockTerms', 'problemFirst'),
]
