/** A module as one page, to read and to write: its head and texts, its objectives, and a block for each activity. */
import './sheet.css'
import { memo, type ReactNode, useState } from 'react'
import { Link } from 'wouter'
import { anyRecord } from '../../../core/blueprint/blueprint'
import { activityFacts, gradeFacts, moduleSheet } from '../../../core/design/sheet'
import { SHEET_COLUMNS, sheetSectionsOf } from '../../../core/design/sheet-sections'
import { countOf } from '../../../core/numbers'
import { recordName } from '../../../core/plan/names'
import { indexCourse } from '../../../core/plan/plan-index'
import { Button } from '../../parts/button'
import { CheckInput } from '../../parts/choice-input'
import { downloadBlob } from '../../parts/download'
import type { GridColumn } from '../../parts/grid/types'
import { SelectInput } from '../../parts/input'
import { LineButton } from '../../parts/line-button'
import { MenuButton } from '../../parts/menu-button'
import { PlanField } from '../../parts/plan-field'
import { useCourse, useCourseData, useCourseStore, useModuleWord } from '../../store/course-store'
import { useChoice, useGo, useParam, useSelected } from '../../store/navigation'
import { ACTIVITY_COLUMNS } from '../columns'
import { BlankPage } from './blank-page'
import { LearnerPage } from './learner-page'
import { QuietColumn, QuietField, QuietList } from './quiet'

/** What an activity is, as the columns of the table write it. */
const COLUMN_OF_FACT: Readonly<Record<string, GridColumn | undefined>> = Object.fromEntries(
  Object.entries({
    Kind: 'kind',
    Purpose: 'purpose',
    Minutes: 'minutes',
    Due: 'due',
    Objectives: 'objectives',
    Points: 'points',
    Category: 'category',
    'Level asked': 'demand',
  }).map(([label, id]) => [label, ACTIVITY_COLUMNS.find((c) => c.id === id)]),
)

/** What is said of late work for one assessment. */
const LATE_COLUMNS = ACTIVITY_COLUMNS.filter((c) => /^late[A-Z]/.test(c.id))

export function SheetView({ views }: { readonly views: ReactNode }) {
  const store = useCourseStore()
  const word = useModuleWord()
  const modules = useCourse((s) => indexCourse(s.view).modules)
  const numberOf = useCourse((s) => indexCourse(s.view).numberOf)
  const selected = useSelected()
  const fromSelected = useCourse((s) =>
    selected?.kind === 'module' ? selected.id : selected?.kind === 'activity' ? (s.view.activity.get(selected.id)?.moduleId ?? '') : '',
  )
  const [given, setGiven] = useParam('module')
  const [printsBlank, setPrintsBlank] = useState(false)
  const [read, setRead] = useChoice('as', ['written', 'read'])
  const at = modules.findIndex((m) => m.id === (given || fromSelected))
  const module = modules[Math.max(0, at)]
  const go = (step: number) => {
    const next = modules[Math.max(0, at) + step]
    if (next) setGiven(next.id)
  }
  const save = async (moduleIds: readonly string[], blank: boolean) => {
    const { writeSheets } = await import('../../../core/formats/sheet-docx')
    const bytes = await writeSheets(store.state.view, { moduleIds, blank })
    if (bytes) downloadBlob(new Blob([bytes as BlobPart]), `${blank ? 'blank-' : ''}sheet.docx`)
  }
  return (
    <div className="work">
      <div className="bar">
        <h1 className="visually-hidden">Design sheet</h1>
        {views}
        {module && (
          <>
            <SelectInput
              label={word.One}
              width={280}
              value={module.id}
              options={modules.map((m) => ({ value: m.id, label: `${numberOf(m.id)} ${m.title}` }))}
              onChoose={(id) => id && setGiven(id)}
            />
            <Button disabled={at <= 0} onClick={() => go(-1)}>
              Before
            </Button>
            <Button disabled={Math.max(0, at) >= modules.length - 1} onClick={() => go(1)}>
              Next
            </Button>
            <CheckInput label="As learners read it" checked={read === 'read'} onCheck={(on) => setRead(on ? 'read' : 'written')} />
            <span className="grow" />
            <MenuButton
              className="btn"
              entries={() => [
                { key: 'print', label: 'Print this sheet', run: () => window.print() },
                { key: 'print-blank', label: 'Print this sheet, blank', run: () => setPrintsBlank(true) },
                { key: 'docx', label: 'This sheet as DOCX', run: () => void save([module.id], false) },
                { key: 'blank', label: 'This sheet as DOCX, blank', run: () => void save([module.id], true) },
                { key: 'all', label: 'All sheets as DOCX', run: () => void save([], false) },
              ]}
            >
              Print and save
            </MenuButton>
          </>
        )}
      </div>
      {!module ? (
        <p className="empty">
          {word.Many} are read and written here a page each. There are none yet: the first is added in the{' '}
          <Link href="/map">table of {word.many}</Link>.
        </p>
      ) : printsBlank ? (
        <BlankPage id={module.id} onDone={() => setPrintsBlank(false)} />
      ) : read === 'read' ? (
        <LearnerPage id={module.id} />
      ) : (
        <ModulePage key={module.id} id={module.id} />
      )}
    </div>
  )
}

function ModulePage({ id }: { readonly id: string }) {
  const record = useCourse((s) => s.view.module.get(id))
  const what = useCourse((s) => (record ? recordName(s.view, { kind: 'module', id }, record) : ''))
  const sheet = useCourseData((s) => moduleSheet(s.view, id))
  const activities = useCourse((s) => indexCourse(s.view).activitiesOf(id))
  const { open } = useGo()
  if (!record || !sheet) return null
  const [texts, ...others] = sheetSectionsOf('module')
  const dates = sheet.facts.filter((f) => f.label === 'Weeks' || f.label === 'Dates')
  return (
    <div className="scroll-area sheet-page">
      <header>
        <span className="sheet-number">{sheet.number}</span>
        <div className="grow">
          <PlanField
            kind="module"
            record={record}
            field="title"
            label={`Title of ${what}`}
            hideLabel
            boxed={false}
            what={`title of ${what}`}
          />
          <PlanField
            kind="module"
            record={record}
            field="subtitle"
            label={`Subtitle of ${what}`}
            hideLabel
            boxed={false}
            placeholder="Subtitle"
            what={`subtitle of ${what}`}
          />
        </div>
        <span className="muted">
          {dates
            .map((d) => d.text)
            .filter(Boolean)
            .join(' · ')}
        </span>
      </header>
      <section aria-label="Overview and closing" className="sheet-texts">
        {texts?.fields.map((name) => (
          <QuietField key={name} kind="module" record={record as never} name={name} what={what} />
        ))}
      </section>
      <section aria-labelledby="sheet-objectives">
        <h2 id="sheet-objectives">Objectives</h2>
        {sheet.objectives.length === 0 ? (
          <p className="muted">None yet: they are written in Outcomes.</p>
        ) : (
          <table className="sheet-objectives">
            <tbody>
              {sheet.objectives.map((o) => (
                <tr key={o.number}>
                  <th scope="row">{o.number}</th>
                  <td>{o.statement}</td>
                  <td className="muted">{o.outcomes.join(', ') || 'no outcome'}</td>
                </tr>
              ))}
            </tbody>
          </table>
        )}
      </section>
      <section aria-label="Place, recalls, sessions and parts" className="sheet-texts">
        {others.flatMap((s) => [
          ...s.fields.map((name) => <QuietField key={name} kind="module" record={record as never} name={name} what={what} />),
          ...s.lists.map((kind) => <QuietList key={kind} owner="module" kind={kind} ownerId={id} what={what} />),
        ])}
      </section>
      <h2>{countOf(activities.length, 'activity', 'activities')}</h2>
      {activities.length === 0 && <p className="muted">None yet: they are added in the table of modules.</p>}
      {activities.map((a) => (
        <Block key={a.id} id={a.id} onOpen={() => open({ kind: 'activity', id: a.id })} />
      ))}
    </div>
  )
}

const Block = memo(
  function Block({ id, onOpen }: { readonly id: string; readonly onOpen: () => void }) {
    const record = useCourse((s) => anyRecord(s.view, { kind: 'activity', id }))
    const what = useCourse((s) => {
      const whole = indexCourse(s.view).activity(id)
      return whole ? `${indexCourse(s.view).numberOf(id)} ${whole.title}` : ''
    })
    const facts = useCourseData((s) => ({ is: activityFacts(s.view, id), graded: gradeFacts(s.view, id) }))
    const number = useCourse((s) => indexCourse(s.view).numberOf(id))
    const [all, setAll] = useState(false)
    if (!record) return null
    const sections = sheetSectionsOf('activity')
    return (
      <article className="sheet-block" aria-label={what} data-record={`activity ${id}`}>
        <header>
          <LineButton className="plain number" tip="To the table" onClick={onOpen}>
            {number}
          </LineButton>
          <div className="grow">
            <PlanField
              kind="activity"
              record={record as never}
              field="title"
              label={`Title of ${number}`}
              hideLabel
              boxed={false}
              what={`title of ${number}`}
            />
          </div>
          <CheckInput label="Empty fields too" checked={all} onCheck={setAll} />
        </header>
        <div className={all ? 'sheet-columns all' : 'sheet-columns'}>
          {SHEET_COLUMNS.map((title, place) => (
            <section key={title} aria-label={`${title}: ${what}`}>
              <h3>{title}</h3>
              {(place === 0 ? facts?.is : place === 2 ? facts?.graded : undefined)?.map(({ label, text }) => {
                const column = COLUMN_OF_FACT[label]
                if (column) return <QuietColumn key={label} column={column} id={id} shown={text} what={what} />
                return (
                  text !== '' && (
                    <p key={label} className="sheet-fact">
                      <span className="muted">{label}</span> {text}
                    </p>
                  )
                )
              })}
              {place === 2 && LATE_COLUMNS.map((column) => <QuietColumn key={column.id} column={column} id={id} shown="" what={what} />)}
              {sections
                .filter((s) => s.column === place)
                .flatMap((s) => [
                  ...s.fields.map((name) => <QuietField key={name} kind="activity" record={record} name={name} what={what} />),
                  ...s.lists.map((kind) => <QuietList key={kind} owner="activity" kind={kind} ownerId={id} what={what} />),
                ])}
            </section>
          ))}
        </div>
      </article>
    )
  },
  (a, b) => a.id === b.id,
)
