/** Sets of quality points of the course: taken, brought in, typed, and kept up with newer files. */
import { type ReactNode, useState } from 'react'
import type { Blueprint } from '../../core/blueprint/blueprint'
import type { PlanEdit } from '../../core/blueprint/edit'
import type { ReviewSetRecord } from '../../core/blueprint/kinds'
import { indexFrameworks } from '../../core/plan/framework-index'
import { ownSet } from '../../core/review/own-set'
import { type PlanSet, plainSet, planSet, planSets, pointsOfSet } from '../../core/review/plan-sets'
import type { ReviewSet } from '../../core/review/review-set'
import {
  addArea,
  addPoint,
  addSet,
  BLANK_SET,
  moveArea,
  movePoint,
  placePoint,
  setFromFramework,
  sizeOf,
} from '../../core/review/set-edits'
import { Button } from '../parts/button'
import { Confirm } from '../parts/confirm'
import { downloadBlob } from '../parts/download'
import { fieldColumn } from '../parts/grid/field-column'
import { Grid, headKey } from '../parts/grid/grid'
import type { GridRow } from '../parts/grid/types'
import { useRows } from '../parts/grid/use-rows'
import { SelectInput } from '../parts/input'
import { laterFrom } from '../parts/later'
import { MenuButton } from '../parts/menu-button'
import { newId, useCourse, useCourseStore } from '../store/course-store'
import { useGo, useParam } from '../store/navigation'
import { SET_COLUMNS } from './set-columns'

const BringSet = laterFrom(
  () => import('./bring-set'),
  (m) => m.BringSet,
)

export function Sets({ views }: { readonly views: ReactNode }) {
  const store = useCourseStore()
  const sets = useCourse((s) => planSets(s.view))
  const [given, choose] = useParam('set')
  const [bringing, setBringing] = useState(false)
  const open = sets.find((s) => s.record.id === given) ?? sets[0]
  const may = store.may('reviewSet')
  const add = (set: ReviewSet) => {
    let id = ''
    if (store.edit('add-set', { what: set.title }, (edit) => void (id = addSet(edit, set, newId)))) choose(id)
  }
  const adders = <Adders onAdd={add} onBring={() => setBringing(true)} isFirst={sets.length === 0} />
  return (
    <div className="work">
      <div className="bar">
        <h1 className="visually-hidden">Sets of points</h1>
        {views}
        {open && sets.length > 1 && (
          <SelectInput
            label="Set"
            hideLabel
            value={open.record.id}
            options={sets.map(({ record }) => ({ value: record.id, label: nameOf(record) }))}
            onChoose={choose}
          />
        )}
        {open && (
          <span className="muted small">
            {sets.length === 1 && `${nameOf(open.record)}: `}
            {sizeOf(open.areas.length, pointsOfSet(open).length)}
          </span>
        )}
        <span className="grow" />
        {may && open && adders}
        {open && <SetMenu set={open} may={may} />}
      </div>
      {open ? (
        <SetTable key={open.record.id} setId={open.record.id} />
      ) : (
        <div className="empty">
          <p>
            A set holds the points that a course is checked against, by area, each with what every course needs and what lifts it. Begin
            with the set that ships, bring one of your institution, or type your own.
          </p>
          {may ? <div className="row wrap">{adders}</div> : <p>Only designers bring sets into a course.</p>}
        </div>
      )}
      {bringing && <BringSet onClose={() => setBringing(false)} onChoose={choose} />}
    </div>
  )
}

const nameOf = ({ title, version }: ReviewSetRecord): string => (version ? `${title}, ${version}` : title)

type AddersProps = { readonly onAdd: (set: ReviewSet) => void; readonly onBring: () => void; readonly isFirst: boolean }

function Adders({ onAdd, onBring, isFirst }: AddersProps) {
  const store = useCourseStore()
  const frameworks = useCourse((s) => indexFrameworks(s.view).frameworks)
  const takeOwn = () =>
    void ownSet().then(
      ({ set }) => onAdd(set),
      () => store.say('The set that ships could not be fetched. Try again.', true),
    )
  const fromFramework = (id: string) => {
    const set = setFromFramework(store.state.view, id)
    if (set) onAdd(set)
  }
  const more = [
    { key: 'empty', label: 'An empty set', run: () => onAdd(BLANK_SET) },
    ...frameworks.map((f) => ({ key: f.id, label: `From the framework ${f.code ?? f.title}`, run: () => fromFramework(f.id) })),
  ]
  if (isFirst)
    return (
      <>
        <Button rank="main" onClick={takeOwn}>
          Take the set that ships
        </Button>
        <Button onClick={onBring}>Bring in a set…</Button>
        {more.map(({ key, label, run }) => (
          <Button key={key} onClick={run}>
            {label}
          </Button>
        ))}
      </>
    )
  const own = { key: 'own', label: 'The set that ships', run: takeOwn }
  return (
    <>
      <Button onClick={onBring}>Bring in a set…</Button>
      <MenuButton className="btn" entries={() => [own, ...more]}>
        Add a set
      </MenuButton>
    </>
  )
}

function SetMenu({ set, may }: { readonly set: PlanSet; readonly may: boolean }) {
  const store = useCourseStore()
  const { select, panel } = useGo()
  const [removing, setRemoving] = useState(false)
  const { id, title } = set.record
  const save = async (ending: 'json' | 'csv' | 'xlsx') => {
    const plain = plainSet(set)
    const made =
      ending === 'xlsx'
        ? (await import('../../core/review/write-set-xlsx')).setWorkbook(plain)
        : import('../../core/review/write-set').then((m) =>
            ending === 'csv' ? m.setCsv(plain) : JSON.stringify(m.setJson(plain), null, 2),
          )
    made.then(
      (content) => downloadBlob(new Blob([content]), `${title.replace(/[^\p{L}\p{N}]+/gu, '-').toLowerCase() || 'set'}.${ending}`),
      () => store.say('The file could not be made. Try again.', true),
    )
  }
  const entries = () => [
    {
      key: 'details',
      label: 'Title, version and when a course is ready',
      run: () => {
        select({ kind: 'reviewSet', id })
        panel('details')
      },
    },
    ...(['json', 'csv', 'xlsx'] as const).map((ending) => ({
      key: ending,
      label: `Save as ${ending.toUpperCase()}`,
      run: () => void save(ending),
    })),
    ...(may ? [{ key: 'remove', label: 'Remove…', run: () => setRemoving(true) }] : []),
  ]
  return (
    <>
      <MenuButton className="btn" entries={entries}>
        This set
      </MenuButton>
      {removing && (
        <Confirm
          heading={`Remove ${title}?`}
          yes="Remove"
          onClose={() => setRemoving(false)}
          onYes={() => store.edit('remove', { what: title }, (edit) => edit.remove({ kind: 'reviewSet', id }))}
        >
          <p>
            {sizeOf(set.areas.length, pointsOfSet(set).length)} and their matches go. Rounds that rated it keep it as it was then. One step
            brings it back.
          </p>
        </Confirm>
      )}
    </>
  )
}

const ADD_AREA = 'add-area'
function setRows(plan: Blueprint, setId: string): GridRow[] {
  const areas = planSet(plan, setId)?.areas ?? []
  return [
    ...areas.flatMap(({ record, points }): GridRow[] => [
      { key: headKey(record.id), type: 'head', id: record.id },
      ...points.map(({ id }): GridRow => ({ key: id, type: 'data', id })),
      { key: `new ${record.id}`, type: 'new', id: record.id },
    ]),
    { key: ADD_AREA, type: 'new', id: '' },
  ]
}

function AreaHead({ id }: { readonly id: string }) {
  const title = useCourse((s) => s.view.reviewArea.get(id)?.title)
  const count = useCourse(
    (s) =>
      planSets(s.view)
        .flatMap((x) => x.areas)
        .find((a) => a.record.id === id)?.points.length ?? 0,
  )
  return (
    <span className="row">
      <span className="name">{title}</span>
      <span className="muted">{count}</span>
    </span>
  )
}
const AREAS = { kind: 'reviewArea', title: fieldColumn('reviewArea', 'title', { header: 'Area' }), Head: AreaHead } as const

function SetTable({ setId }: { readonly setId: string }) {
  const store = useCourseStore()
  const rows = useRows((plan) => setRows(plan, setId))
  const make = (edit: PlanEdit, row: GridRow): GridRow | null => {
    if (row.key === ADD_AREA) {
      const id = addArea(edit, setId, 'Untitled', newId)
      return id === null ? null : { key: headKey(id), type: 'head', id }
    }
    const id = addPoint(edit, row.id, 'Untitled', newId)
    return id === null ? null : { key: id, type: 'data', id }
  }
  return (
    <Grid
      label="Points by area"
      keptAs="set"
      kind="reviewPoint"
      head={AREAS}
      rows={rows}
      columns={SET_COLUMNS}
      readOnly={!store.may('reviewPoint')}
      make={make}
      move={(edit, row, step) => (row.type === 'head' ? moveArea(edit, row.id, step) : movePoint(edit, row.id, step))}
      place={placeRow}
      look="dense"
    />
  )
}

function placeRow(edit: PlanEdit, { id }: GridRow, over: GridRow, after: boolean): void {
  if (over.type === 'new') return placePoint(edit, id, over.id, Number.MAX_SAFE_INTEGER)
  const target = edit.now.reviewPoint.get(over.id)
  if (!target) return
  const others = planSets(edit.now)
    .flatMap((s) => s.areas)
    .find((a) => a.record.id === target.areaId)
    ?.points.filter((p) => p.id !== id)
  placePoint(edit, id, target.areaId, (others?.findIndex((p) => p.id === target.id) ?? 0) + (after ? 1 : 0))
}
