/** What a reading asks: where the pieces disagree, what columns hold, how tables and dates are to be read. */
import type { Answers } from '../../core/intake/answers'
import { isAside } from '../../core/intake/aside'
import { ROLE_SAYS, ROLES, type Role } from '../../core/intake/column-roles'
import { TABLE_FORMS, TABLE_KINDS, type TableKind } from '../../core/intake/table-kind'
import type { IntakeProblem, Understanding, UnderstoodTable } from '../../core/intake/understanding'
import { countOf } from '../../core/numbers'
import { Fold } from '../parts/fold'
import { SelectInput } from '../parts/input'

type Props = {
  readonly tree: Understanding
  readonly answers: Answers
  readonly onAnswer: (answers: Answers, header?: { readonly text: string; readonly role: Role }) => void
}

/** So many of a list are drawn at a time (Cairn default); what more there is, is counted. */
export const MOST_SHOWN = 300

export function Questions({ tree, answers, onAnswer }: Props) {
  const { problems, tables } = tree
  const columns = new Map(tables.flatMap((t) => t.columns.map((c) => [c.at, c] as const)))
  const setColumn = (at: string, role: Role) => {
    const header = columns.get(at)?.header ?? ''
    onAnswer({ ...answers, columns: { ...answers.columns, [at]: role } }, header === '' ? undefined : { text: header, role })
  }
  const openDates = tree.guesses.filter((g) => g.why.endsWith('nothing tells which'))
  return (
    <>
      {(problems.length > 0 || openDates.length > 0) && (
        <section aria-label="Where the pieces disagree" className="finding check" style={{ marginBottom: 12 }}>
          <h2 style={{ fontSize: 15, margin: '0 0 4px' }}>Where it does not agree, or took a guess</h2>
          <ul style={{ margin: 0, paddingLeft: 18 }}>
            {openDates.length > 0 && (
              <li>
                {countOf(openDates.length, 'date')} such as {openDates[0]?.why.split(' may be ')[0]} can be read in two ways.{' '}
                <SelectInput
                  label="How dates are written"
                  hideLabel
                  value={answers.dates ?? ''}
                  options={[
                    { value: '', label: 'as the day first, not sure' },
                    { value: 'day first', label: 'the day first' },
                    { value: 'month first', label: 'the month first' },
                  ]}
                  onChoose={(dates) => onAnswer({ ...answers, dates: dates === '' ? null : dates })}
                />
              </li>
            )}
            {problems.slice(0, MOST_SHOWN).map((p) => (
              <Problem
                key={`${p.code} ${p.message}`}
                problem={p}
                onColumn={setColumn}
                onAside={(at, meant) => onAnswer({ ...answers, aside: { ...answers.aside, [at]: meant } })}
              />
            ))}
            {problems.length > MOST_SHOWN && <li>and {countOf(problems.length - MOST_SHOWN, 'more thing')} like these.</li>}
          </ul>
        </section>
      )}
      {tables.length > 0 && (
        <Fold
          summary={
            <span className="muted small">
              How {countOf(tables.length, 'table')} {tables.length === 1 ? 'was' : 'were'} read
            </span>
          }
        >
          {tables.slice(0, MOST_SHOWN).map((table) => (
            <TableReading
              key={table.at}
              table={table}
              onTable={(kind) => onAnswer({ ...answers, tables: { ...answers.tables, [table.at]: kind } })}
              onColumn={setColumn}
            />
          ))}
        </Fold>
      )}
    </>
  )
}

const roleOptions = ROLES.map((value) => ({ value, label: ROLE_SAYS[value] }))

type ProblemProps = {
  readonly problem: IntakeProblem
  readonly onColumn: (at: string, role: Role) => void
  readonly onAside: (at: string, meant: Answers['aside'][string]) => void
}
function Problem({ problem: { code, message, at }, onColumn, onAside }: ProblemProps) {
  return (
    <li>
      {message} <span className="muted small">{at}</span>
      {isAside(code) && (
        <SelectInput
          label={`What to do: ${message}`}
          hideLabel
          value=""
          options={[
            { value: '', label: 'is it meant?' },
            { value: 'take in', label: 'take it in' },
            { value: 'leave out', label: 'leave it out' },
          ]}
          onChoose={(meant) => meant && onAside(at, meant as 'take in' | 'leave out')}
        />
      )}
      {code === 'unknown-column' && (
        <SelectInput
          label={`What it holds: ${message}`}
          hideLabel
          value=""
          options={[{ value: '', label: 'read it as …' }, ...roleOptions]}
          onChoose={(role) => role && onColumn(at, role as Role)}
        />
      )}
    </li>
  )
}

type TableProps = {
  readonly table: UnderstoodTable
  readonly onTable: (kind: TableKind) => void
  readonly onColumn: (at: string, role: Role) => void
}
function TableReading({ table, onTable, onColumn }: TableProps) {
  const kinds: readonly string[] = [table.as, ...table.others]
  return (
    <div className="table-reading" role="group" aria-label={`Table at ${table.at}`}>
      <p className="muted small">{table.at}</p>
      <SelectInput
        label="Read this table as"
        value={table.as as TableKind}
        options={kinds
          .flatMap((k) => TABLE_KINDS.filter((known) => known === k))
          .map((value) => ({ value, label: TABLE_FORMS[value].says }))}
        onChoose={(kind) => kind && onTable(kind)}
      />
      <div className="facts-row">
        {table.columns.map((c, i) => (
          <div key={c.at} style={{ width: 150 }}>
            <SelectInput
              label={c.header || `Column ${i + 1}`}
              value={c.role as Role}
              options={roleOptions}
              onChoose={(role) => role && onColumn(c.at, role)}
            />
          </div>
        ))}
      </div>
    </div>
  )
}
