/** What is typed into the table of actions: people, days, states, and the records that an action is about. */
import { ACTION_STATES, MOST_CITED, OUTCOMES, type ReviewAction } from '../beside/review-records'
import { anyRecord, type Blueprint, recordMap } from '../blueprint/blueprint'
import { KIND_NAMES, type KindName, type RecordRef } from '../blueprint/kinds'
import { fitted } from '../blueprint/text'
import { longDate, readDate } from '../calendar/plain-date'
import { namesIn, recordName } from '../plan/names'
import { err, ok, type Result } from '../result'

export const ACTION_STATE_WORDS = { open: 'open', doing: 'being done', done: 'done', dropped: 'dropped' } as const
export const OUTCOME_WORDS = { keep: 'it stays as it is', change: 'it was changed' } as const

/** The years that a day can be in, as in every field of a day. */
const [FIRST_YEAR, LAST_YEAR] = [1900, 2200]
/** The kinds that a bare number is looked for in first. */
const FIRST_KINDS: readonly KindName[] = ['activity', 'objective', 'outcome', 'module', 'assessment']

/** The day as it is shown and typed; empty for none. */
export const dayText = (day: string | null): string => (day === null ? '' : longDate(day))

/** Reads a day (`4 Oct`, `4 Oct 2027`, `2027-10-04`), without a year the one nearest to `near`; null for none. */
export function readDay(text: string, near: string): Result<string | null, string> {
  if (text.trim() === '') return ok(null)
  const day = readDate(text, near)
  const year = Number(day?.slice(0, 4))
  return day && year >= FIRST_YEAR && year <= LAST_YEAR
    ? ok(day)
    : err(`“${fitted(text.trim(), 40)}” is no day. Such as 4 Oct 2027, from ${FIRST_YEAR} to ${LAST_YEAR}.`)
}

export type Person = { readonly id: string; readonly name: string }

/** Who is named: a member by the whole name or the one that begins so, else somebody without an account; nobody for none. */
export function readWho(text: string, people: readonly Person[]): Result<Pick<ReviewAction, 'personId' | 'name'>, string> {
  const wanted = text.trim().toLowerCase()
  if (wanted === '') return ok({ personId: null, name: null })
  const same = people.filter((p) => p.name.toLowerCase() === wanted)
  const beginning = same.length > 0 ? same : people.filter((p) => p.name.toLowerCase().startsWith(wanted))
  if (beginning.length > 1) return err(`${beginning.length} people are called so. Choose one of the list.`)
  const [one] = beginning
  if (one) return ok({ personId: one.id, name: null })
  return text.trim().length > 120
    ? err(`At most 120 characters; this has ${text.trim().length}.`)
    : ok({ personId: null, name: text.trim() })
}

function readWord<W extends string>(words: Readonly<Record<W, string>>, values: readonly W[], text: string): W | null {
  const wanted = text.trim().toLowerCase()
  return values.find((v) => v === wanted || words[v] === wanted) ?? null
}

/** Reads how far an action is: its word. */
export function readState(text: string): Result<ReviewAction['state'], string> {
  const state = readWord(ACTION_STATE_WORDS, ACTION_STATES, text)
  return state ? ok(state) : err(`How far it is: ${ACTION_STATES.map((s) => ACTION_STATE_WORDS[s]).join(', ')}.`)
}

/** Reads what came of an action; null for nothing yet. */
export function readOutcome(text: string): Result<ReviewAction['outcome'], string> {
  if (text.trim() === '') return ok(null)
  const outcome = readWord(OUTCOME_WORDS, OUTCOMES, text)
  return outcome ? ok(outcome) : err(`What came of it: ${OUTCOMES.map((o) => OUTCOME_WORDS[o]).join(', or ')}.`)
}

/** The records that an action is about, by name; what is gone is left out. */
export function aboutText(plan: Blueprint, records: ReviewAction['records']): string {
  return records
    .flatMap(({ kind, id }) => {
      const record = KIND_NAMES.some((k) => k === kind) && anyRecord(plan, { kind: kind as KindName, id })
      return record ? recordName(plan, { kind: kind as KindName, id }, record) : []
    })
    .join('; ')
}

/** Reads records by number or name, with `;` or `,` between them; `kinds`: those that can be named. */
export function readAbout(plan: Blueprint, text: string, kinds: readonly KindName[]): Result<readonly RecordRef[], string> {
  const order = [...FIRST_KINDS.filter((k) => kinds.includes(k)), ...kinds.filter((k) => !FIRST_KINDS.includes(k))]
  const found = new Map<string, RecordRef>()
  for (const whole of text.split(/[;\n]/)) {
    // A name may have commas.
    const pieces = whole.trim() === '' ? [] : recordCalled(plan, whole, order) ? [whole] : whole.split(',')
    for (const piece of pieces.filter((p) => p.trim() !== '')) {
      const ref = recordCalled(plan, piece, order)
      if (!ref) return err(`Nothing here is called “${fitted(piece.trim(), 40)}”.`)
      found.set(`${ref.kind} ${ref.id}`, ref)
    }
  }
  return found.size > MOST_CITED ? err(`At most ${MOST_CITED} records; these are ${found.size}.`) : ok([...found.values()])
}

function recordCalled(plan: Blueprint, text: string, kinds: readonly KindName[]): RecordRef | null {
  const wanted = text.trim().toLowerCase()
  for (const kind of kinds) {
    const id = namesIn(plan).find(kind, wanted)
    if (id !== null) return { kind, id }
  }
  for (const kind of kinds)
    for (const record of recordMap(plan, kind).values())
      if (recordName(plan, { kind, id: record.id }, record).toLowerCase() === wanted) return { kind, id: record.id }
  return null
}
