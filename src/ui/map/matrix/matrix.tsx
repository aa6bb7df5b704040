/** Objectives, outcomes or framework items by activities: what each does is typed as letters; sums and gaps stay in sight. */
import { type ReactNode, useMemo, useRef } from 'react'
import { Link } from 'wouter'
import { type Blueprint, recordsOf } from '../../../core/blueprint/blueprint'
import type { Stage } from '../../../core/blueprint/kinds/activity'
import { type MatrixCell, readStages, setMatrixCell, turnStage } from '../../../core/design/edit-matrix'
import { type MatrixOf, matrixOf } from '../../../core/design/matrix'
import { countOf, formatWhole } from '../../../core/numbers'
import { indexFrameworks } from '../../../core/plan/framework-index'
import { indexCourse } from '../../../core/plan/plan-index'
import { Button } from '../../parts/button'
import { CheckInput } from '../../parts/choice-input'
import { SelectInput } from '../../parts/input'
import { useCourse, useCourseStore, useModuleWord } from '../../store/course-store'
import { useChoice, useGo, useParam } from '../../store/navigation'
import { type MatrixColumn, matrixColumns } from './matrix-columns'
import { MatrixGrid, type NamedRow } from './matrix-grid'
import { gapOf, gapWords, lettersOf } from './matrix-parts'
import { useMatrixCursor } from './use-matrix-cursor'

const SORTED: readonly string[] = ['none', 'unpractised', 'unassessed', 'whole']

/** What the rows are, from the address: `objectives`, `outcomes`, or the id of a framework. */
const rowsOf = (plan: Blueprint, named: string): MatrixOf =>
  named === 'outcomes' ? 'outcomes' : plan.framework.has(named) ? { frameworkId: named } : 'objectives'

function nameOf(plan: Blueprint, of: MatrixOf, id: string): { readonly name: string; readonly depth: number } {
  const statement = plan.objective.get(id)?.statement ?? plan.outcome.get(id)?.statement ?? plan.frameworkItem.get(id)?.statement ?? ''
  const depth =
    typeof of === 'string'
      ? 0
      : indexFrameworks(plan)
          .itemsOf(of.frameworkId)
          .find((i) => i.item.id === id)?.depth
  return { name: statement, depth: depth ?? 0 }
}

export function MatrixView({ views }: { readonly views: ReactNode }) {
  const store = useCourseStore()
  const word = useModuleWord()
  const plan = useCourse((s) => s.view)
  const { select, panel } = useGo()
  const [named, setNamed] = useParam('rows')
  const [sorted, setSorted] = useChoice('order', ['plan', 'gap'])
  const [shown, setShown] = useChoice('rowsShown', ['all', 'gaps'])
  const [foldedText, setFolded] = useParam('folded')
  const folded = useMemo(() => new Set(foldedText.split('.').filter(Boolean)), [foldedText])
  const of = useMemo(() => rowsOf(plan, named), [plan.framework, named])
  const matrix = useMemo(() => matrixOf(plan, of), [plan, of])
  // The same list while no activity or module comes, goes or moves.
  const kept = useRef<readonly MatrixColumn[]>([])
  const columns = useMemo(() => {
    const next = matrixColumns(plan, folded)
    const isSame =
      next.length === kept.current.length && next.every((c, i) => c.id === kept.current[i]?.id && c.moduleId === kept.current[i]?.moduleId)
    kept.current = isSame ? kept.current : next
    return kept.current
  }, [plan, folded])
  const rows = useMemo(() => {
    const all = matrix.rows.map((r): NamedRow => ({ ...r, ...nameOf(plan, of, r.id) }))
    const some = shown === 'gaps' ? all.filter((r) => gapOf(r) !== 'whole') : all
    return sorted === 'plan' ? some : some.toSorted((a, b) => SORTED.indexOf(gapOf(a)) - SORTED.indexOf(gapOf(b)))
  }, [matrix, of, shown, sorted])
  const cursor = useMatrixCursor(rows.length, columns.length)
  const { box, current } = cursor
  const isReadOnly = !store.may(typeof of === 'string' ? 'alignment' : 'activityItem')

  const cells = (): MatrixCell[] =>
    rows
      .slice(box.top, box.bottom + 1)
      .flatMap((r) => columns.slice(box.left, box.right + 1).flatMap((c) => (c.type === 'activity' ? [{ row: r.id, column: c.id }] : [])))
  const change = (
    n: number,
    work: Parameters<typeof store.edit>[2] extends (edit: infer E) => void ? (edit: E) => readonly string[] : never,
  ) => {
    if (isReadOnly) return store.say('Your part in this course does not write here.', true)
    if (n === 0) return store.say(`A folded ${word.one} shows counts; Enter on its head opens it.`, false)
    let told: readonly string[] = []
    store.edit('set-stages', { n }, (edit) => {
      told = work(edit)
    })
    const once = [...new Set(told)]
    if (once.length > 0) store.say(`${once.slice(0, 2).join(' ')}${once.length > 2 ? ` And ${once.length - 2} more.` : ''}`, true)
  }
  const onLetter = (stage: Stage) => change(cells().length, (edit) => turnStage(edit, of, cells(), stage))
  const onClear = () => change(cells().length, (edit) => cells().flatMap((cell) => setMatrixCell(edit, of, cell, []) ?? []))
  const onPaste = (text: string) => {
    const lines = text
      .replace(/\r?\n$/, '')
      .split(/\r?\n/)
      .map((l) => l.split('\t'))
    const single = lines.length === 1 && lines[0]?.length === 1
    const wanted = single ? cells().map((cell) => ({ cell, text })) : pasted(lines)
    const unread = wanted.filter((w) => readStages(w.text) === null)
    if (unread.length > 0)
      return store.say(`Not pasted: “${unread[0]?.text.trim().slice(0, 40)}” holds other letters than I, P and A.`, true)
    change(wanted.length, (edit) => wanted.flatMap((w) => setMatrixCell(edit, of, w.cell, readStages(w.text) ?? []) ?? []))
  }
  const pasted = (lines: readonly (readonly string[])[]) =>
    lines.flatMap((line, i) =>
      line.flatMap((text, k) => {
        const [row, column] = [rows[box.top + i], columns[box.left + k]]
        return row && column?.type === 'activity' ? [{ cell: { row: row.id, column: column.id }, text }] : []
      }),
    )
  const [row, column] = [rows[current.row], columns[current.column]]
  const frameworks = recordsOf(plan, 'framework')
  const percent = (n: number | null) => (n === null ? '–' : `${formatWhole(n)} %`)
  return (
    <div className="work">
      <div className="bar">
        <h1 className="visually-hidden">Matrix</h1>
        {views}
        <SelectInput
          label="Rows"
          width={170}
          value={named === '' ? 'objectives' : named}
          options={[
            { value: 'objectives', label: 'Objectives' },
            { value: 'outcomes', label: 'Outcomes' },
            ...frameworks.map((f) => ({ value: f.id, label: f.code ?? f.title })),
          ]}
          onChoose={(v) => setNamed(v === 'objectives' ? '' : v)}
        />
        <CheckInput label="Gaps first" checked={sorted === 'gap'} onCheck={(on) => setSorted(on ? 'gap' : 'plan')} />
        <CheckInput label="Gaps only" checked={shown === 'gaps'} onCheck={(on) => setShown(on ? 'gaps' : 'all')} />
        <span className="grow" />
        <span className="muted small">
          {countOf(matrix.rows.length, 'row')} · practised {percent(matrix.practised)} · assessed {percent(matrix.assessed)}
        </span>
      </div>
      {rows.length === 0 || columns.length === 0 ? (
        <p className="empty">
          {emptyWords(plan, of, matrix.rows.length > 0)}{' '}
          {matrix.rows.length === 0 ? (
            <Link href="/outcomes">To Outcomes</Link>
          ) : (
            columns.length === 0 && <Link href="/map">To the table</Link>
          )}
        </p>
      ) : (
        <>
          <MatrixGrid
            label={
              typeof of === 'string' ? (of === 'objectives' ? 'Objectives by activity' : 'Outcomes by activity') : 'Framework by activity'
            }
            rows={rows}
            columns={columns}
            folded={folded}
            matrix={matrix}
            cursor={cursor}
            onFold={(id) => setFolded([...(folded.has(id) ? [...folded].filter((f) => f !== id) : [...folded, id])].join('.'))}
            onLetter={onLetter}
            onClear={onClear}
            onPaste={onPaste}
            onOpen={() => {
              if (column) select({ kind: column.type, id: column.id })
              panel('details')
            }}
          />
          <div className="mx-status row">
            <span className="row" role="group" aria-label="What the marked cells do">
              {(['introduces', 'practises', 'assesses'] as const).map((stage) => (
                <Button key={stage} tabIndex={-1} disabled={isReadOnly} onClick={() => onLetter(stage)}>
                  {lettersOf([stage])} {stage}
                </Button>
              ))}
            </span>
            <span aria-live="polite">{row && column && cellWords(plan, matrix, row, column)}</span>
          </div>
        </>
      )}
    </div>
  )
}

/** The cell that one is in, in words: what meets there, what stands there, what the row lacks. */
function cellWords(
  plan: Blueprint,
  matrix: ReturnType<typeof matrixOf>,
  row: NamedRow,
  column: { readonly id: string; readonly type: 'activity' | 'module' },
): string {
  const index = indexCourse(plan)
  const title = column.type === 'activity' ? index.activity(column.id)?.title : plan.module.get(column.id)?.title
  const stages = matrix.cells.find((c) => c.row === row.id && c.column === column.id)?.stages ?? []
  const does = column.type === 'module' ? '' : `: ${stages.length > 0 ? stages.join(', ') : 'nothing yet'}`
  const lacks = gapWords(row)
  return `${row.number} × ${index.numberOf(column.id)} ${title ?? ''}${does}.${lacks ? ` ${row.number}: ${lacks}.` : ''}`
}

function emptyWords(plan: Blueprint, of: MatrixOf, hasRows: boolean): string {
  if (hasRows && plan.activity.size > 0) return 'No row has a gap.'
  if (!hasRows && of === 'objectives') return 'There are no objectives yet: they are written in Outcomes, and are the rows here.'
  if (!hasRows) return 'There is nothing here yet that activities could serve.'
  return 'There are no activities yet: they are added in the table of modules, and are the columns here.'
}
