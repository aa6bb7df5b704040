/** The columns of the table of actions: a row is an action, which stands beside the plan. */
import { isOpenAction, type ReviewAction } from '../../core/beside/review-records'
import type { Blueprint } from '../../core/blueprint/blueprint'
import { KIND_NAMES } from '../../core/blueprint/kinds'
import { cleanText } from '../../core/blueprint/text'
import type { Refused, Result } from '../../core/result'
import {
  ACTION_STATE_WORDS,
  aboutText,
  dayText,
  OUTCOME_WORDS,
  type Person,
  readAbout,
  readDay,
  readOutcome,
  readState,
  readWho,
} from '../../core/review/action-cells'
import { isSelectable } from '../kind-views'
import { type BesideKeeper, shownIn } from '../parts/grid/beside-rows'
import { textColumn } from '../parts/grid/field-column'
import type { Flag, GridColumn, GridRow, Written } from '../parts/grid/types'
import { NOT_CITED } from './evidence-field'

type Wanted = {
  readonly keeper: BesideKeeper<ReviewAction>
  readonly people: readonly Person[]
  /** Points of the course's sets, by id: what they are called. */
  readonly codes: ReadonlyMap<string, string>
  readonly day: string
  /** Whether somebody may write an action as a whole; whoever does it says how far it is. */
  readonly mayWrite: boolean
  readonly me: string
  /** Asks what came of an action that is done. */
  readonly onDone: (id: string) => void
}

const OVERDUE: Flag = { weight: 'check', message: 'overdue' }
const CITED = KIND_NAMES.filter((kind) => isSelectable(kind) && !NOT_CITED.has(kind))
const choices = <W extends string>(words: Readonly<Record<W, string>>) => ({
  name: 'choice' as const,
  choices: () => (Object.keys(words) as W[]).map((value) => ({ value, label: words[value] })),
})

/** Reads text of at most so many letters; null for none. */
function readWords(text: string, most: number): Result<string | null, string> {
  const words = cleanText(text, true)
  if (words !== null && words.length > most) return { ok: false, error: `At most ${most} characters; this has ${words.length}.` }
  return { ok: true, value: words }
}

export function actionColumns({ keeper, people, codes, day, mayWrite, me, onDone }: Wanted): readonly GridColumn[] {
  const of = (row: GridRow) => shownIn<ReviewAction>(row)
  /** A column whose text is read into fields of the action. `tells`: whoever does the action may write it as well. */
  const column = (
    more: Pick<GridColumn, 'id' | 'header' | 'cell'> & Partial<GridColumn>,
    text: (a: ReviewAction, plan: Blueprint) => string,
    read: (written: Written, row: GridRow, plan: Blueprint) => Result<Partial<ReviewAction> | null, string>,
    tells = false,
  ): GridColumn =>
    textColumn({
      text: (plan, row) => {
        const action = of(row)
        return action ? text(action, plan) : ''
      },
      write: (edit, row, written): Refused => {
        if (!mayWrite && !(tells && of(row)?.personId === me)) return 'Only who plans the course, or does it, changes this.'
        const to = read(written, row, edit.now)
        if (!to.ok) return to.error
        if (to.value) keeper.set(row.id, to.value)
        return null
      },
      ...more,
    })
  const plain = <F extends keyof ReviewAction>(field: F, read: Result<ReviewAction[F], string>): Result<Partial<ReviewAction>, string> =>
    read.ok ? { ok: true, value: { [field]: read.value } as Partial<ReviewAction> } : read
  return [
    column(
      {
        ...{ id: 'point', header: 'Point', width: 76 },
        cell: { name: 'choice', choices: () => [...codes].map(([value, label]) => ({ value, label })) },
        chosen: (_, row) => of(row)?.pointId ?? null,
      },
      (a) => (a.pointId && codes.get(a.pointId)) ?? '',
      ({ text, chosen }) => {
        if (text.trim() === '') return { ok: true, value: { pointId: null } }
        const pointId =
          typeof chosen === 'string' ? chosen : [...codes].find(([, code]) => code.toLowerCase() === text.trim().toLowerCase())?.[0]
        return pointId ? { ok: true, value: { pointId } } : { ok: false, error: `No point has the code “${text.trim().slice(0, 20)}”.` }
      },
    ),
    column(
      {
        ...{ id: 'what', header: 'What', cell: { name: 'text', lines: true }, width: 280 },
        kept: () => true,
        Cell: ({ row }) => (row.type === 'new' ? <span className="muted">Type to add an action</span> : of(row)?.what),
      },
      (a) => a.what,
      ({ text }) => {
        const read = readWords(text, 2000)
        if (!read.ok) return read
        return read.value === null ? { ok: false, error: 'It says what is to be done.' } : { ok: true, value: { what: read.value } }
      },
    ),
    column(
      { id: 'about', header: 'About', cell: { name: 'text' }, width: 170, opens: true },
      (a, plan) => aboutText(plan, a.records),
      ({ text }, _, plan) => {
        const read = readAbout(plan, text, CITED)
        return read.ok ? { ok: true, value: { records: [...read.value] } } : read
      },
    ),
    column(
      {
        ...{ id: 'who', header: 'Who', width: 140 },
        cell: { name: 'choice', choices: () => people.map(({ id, name }) => ({ value: id, label: name })) },
        chosen: (_, row) => of(row)?.personId ?? null,
      },
      (a) => a.name ?? people.find((p) => p.id === a.personId)?.name ?? '',
      ({ text, chosen }) => (typeof chosen === 'string' ? { ok: true, value: { personId: chosen, name: null } } : readWho(text, people)),
    ),
    column(
      {
        ...{ id: 'by', header: 'By', cell: { name: 'date' }, width: 124 },
        hint: (_, __, text) => {
          const read = readDay(text, day)
          return read.ok ? dayText(read.value) || null : read.error
        },
        flag: (_, row) => {
          const action = of(row)
          return action && isOpenAction(action) && action.by !== null && action.by < day ? OVERDUE : null
        },
      },
      (a) => dayText(a.by),
      ({ text }) => plain('by', readDay(text, day)),
    ),
    column(
      { id: 'state', header: 'State', cell: choices(ACTION_STATE_WORDS), width: 96, kept: () => true },
      (a) => ACTION_STATE_WORDS[a.state],
      ({ text }, row) => {
        const read = readState(text)
        if (!read.ok) return read
        if (read.value !== 'done') return { ok: true, value: { state: read.value, outcome: null, why: null } }
        if (of(row)?.state !== 'done') onDone(row.id)
        return { ok: true, value: null }
      },
      true,
    ),
    column(
      { id: 'outcome', header: 'What came of it', cell: choices(OUTCOME_WORDS), width: 132 },
      (a) => (a.outcome ? OUTCOME_WORDS[a.outcome] : ''),
      ({ text }) => {
        const read = readOutcome(text)
        if (!read.ok) return read
        // What came of it is said of what is done.
        return { ok: true, value: { outcome: read.value, ...(read.value ? { state: 'done' } : {}) } }
      },
      true,
    ),
    column(
      { id: 'why', header: 'Why', cell: { name: 'text', lines: true }, width: 200 },
      (a) => a.why ?? '',
      ({ text }) => plain('why', readWords(text, 4000)),
      true,
    ),
  ]
}
