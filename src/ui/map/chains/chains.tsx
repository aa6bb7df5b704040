/** What builds on what and what opens what, by module: drawn, to be followed and changed by keys, or as a table. */
import './chains.css'
import { type ReactNode, useMemo, useState } from 'react'
import type { Blueprint } from '../../../core/blueprint/blueprint'
import { type Chains, chainsOf } from '../../../core/design/chains'
import { linkTo } from '../../../core/design/edit-entries'
import { entryList } from '../../../core/design/entry-lists'
import { countOf, listOf } from '../../../core/numbers'
import { indexCourse } from '../../../core/plan/plan-index'
import { Button } from '../../parts/button'
import { CheckInput } from '../../parts/choice-input'
import { FormDialog } from '../../parts/form-dialog'
import { Grid } from '../../parts/grid/grid'
import { OpenedScope, useOpened } from '../../parts/grid/opened'
import type { GridRow } from '../../parts/grid/types'
import { useRows } from '../../parts/grid/use-rows'
import { TextInput } from '../../parts/input'
import { useCourse, useCourseStore } from '../../store/course-store'
import { useChoice } from '../../store/navigation'
import { ACTIVITY_COLUMNS } from '../columns'
import { OpenedActivity } from '../opened'
import { SecondPass } from '../second-pass'
import { ChainDrawing } from './drawing'

const BUILDS_ON = entryList('activity', 'buildsOn')

export function ChainsView({ views }: { readonly views: ReactNode }) {
  const store = useCourseStore()
  const plan = useCourse((s) => s.view)
  const [which, setWhich] = useChoice('items', ['linked', 'all'])
  const [as, setAs] = useChoice('as', ['drawing', 'table'])
  const chains = useMemo(() => chainsOf(plan, which === 'all'), [plan.activity, plan.buildsOn, plan.unlockTerm, plan.module, which])
  const [adding, setAdding] = useState<string | null>(null)
  const [passing, setPassing] = useState<string | null>(null)
  const may = store.may('buildsOn')
  return (
    <div className="work">
      <div className="bar">
        <h1 className="visually-hidden">Chains</h1>
        {views}
        <CheckInput label="All activities" checked={which === 'all'} onCheck={(on) => setWhich(on ? 'all' : 'linked')} />
        <CheckInput label="As a table" checked={as === 'table'} onCheck={(on) => setAs(on ? 'table' : 'drawing')} />
        <span className="grow" />
        <span className="muted small chain-legend">
          <svg width="34" height="10" aria-hidden="true">
            <path className="stroke" d="M0 5H34" />
          </svg>
          builds on
          <svg width="34" height="10" aria-hidden="true">
            <path className="stroke opens" d="M0 5H34" />
          </svg>
          opens
        </span>
      </div>
      {chains.loops.length > 0 && <Loops chains={chains} plan={plan} />}
      {as === 'table' ? (
        <ChainTable isAll={which === 'all'} />
      ) : chains.nodes.length === 0 ? (
        <div className="empty">
          <p>Activities that build on earlier ones, or wait for them, are drawn here by module. None does yet.</p>
          {plan.activity.size > 0 && may && <Button onClick={() => setWhich('all')}>Show all activities, to link them</Button>}
        </div>
      ) : (
        <ChainDrawing
          chains={chains}
          onAdd={may ? setAdding : null}
          onSecondPass={may ? setPassing : null}
          onCut={(link) => {
            if (!may) return
            const numbers = indexCourse(plan)
            const what = `${numbers.numberOf(link.laterId)} and ${numbers.numberOf(link.earlierId)}`
            if (store.edit('cut-link', { what }, (edit) => edit.remove({ kind: link.kind, id: link.id })))
              store.say(`${what} are not linked any more. Ctrl+Z brings it back.`, false)
          }}
        />
      )}
      {adding !== null && <AddLink id={adding} onClose={() => setAdding(null)} />}
      {passing !== null && <SecondPass from={passing} onClose={() => setPassing(null)} />}
    </div>
  )
}

function Loops({ chains, plan }: { readonly chains: Chains; readonly plan: Blueprint }) {
  const { numberOf } = indexCourse(plan)
  return (
    <div className="chain-loops" role="status">
      <b>{countOf(chains.loops.length, 'loop')}:</b>{' '}
      {chains.loops.map((loop) => `${listOf(loop.map(numberOf))} wait for each other`).join('; ')}. Cut one link of each.
    </div>
  )
}

/** Adds an earlier activity by its number. */
function AddLink({ id, onClose }: { readonly id: string; readonly onClose: () => void }) {
  const store = useCourseStore()
  const number = useCourse((s) => indexCourse(s.view).numberOf(id))
  const [typed, setTyped] = useState('')
  const [carries, setCarries] = useState('')
  const [problem, setProblem] = useState<string | null>(null)
  const known = useCourse((s) => {
    const earlier = indexCourse(s.view).idOfNumber(typed.trim())
    return (earlier && s.view.activity.get(earlier)?.title) ?? null
  })
  return (
    <FormDialog
      heading={`${number} builds on`}
      yes="Link"
      width="xs"
      problem={problem}
      onClose={onClose}
      submit={(event) => {
        event.preventDefault()
        const earlierId = indexCourse(store.state.view).idOfNumber(typed.trim())
        if (!earlierId || !store.state.view.activity.has(earlierId)) return setProblem(`There is no activity “${typed.trim()}”.`)
        let refused: string | null = null
        store.edit('add-link', { what: number }, (edit) => {
          const done = linkTo(edit, BUILDS_ON, id, null, earlierId)
          refused = done.ok ? null : done.error
          if (done.ok && carries.trim() !== '') edit.set('buildsOn', done.value, { carries: carries.trim().slice(0, 200) })
        })
        if (refused) return setProblem(refused)
        onClose()
      }}
    >
      <TextInput
        label="Number of the earlier activity"
        value={typed}
        autoFocus
        placeholder="2.4"
        hint={known}
        onChange={(e) => setTyped(e.target.value)}
      />
      <TextInput label="What goes on" value={carries} element={{ maxLength: 200 }} onChange={(e) => setCarries(e.target.value)} />
    </FormDialog>
  )
}

const TABLE_COLUMNS = ACTIVITY_COLUMNS.filter((c) => ['number', 'title', 'buildsOn', 'unlockTerms'].includes(c.id)).map((c) => ({
  ...c,
  hidden: false,
  ...(c.id === 'number' || c.id === 'title' ? {} : { width: 320 }),
}))

function ChainTable({ isAll }: { readonly isAll: boolean }) {
  const store = useCourseStore()
  const rowsOf = useMemo(
    () => (plan: Blueprint) => chainsOf(plan, isAll).nodes.map(({ id }): GridRow => ({ key: id, type: 'data', id, fixed: true })),
    [isAll],
  )
  const { rows, onOpen, close } = useOpened(useRows(rowsOf))
  return (
    <OpenedScope close={close}>
      <Grid
        label="What builds on what"
        kind="activity"
        rows={rows}
        columns={TABLE_COLUMNS}
        look="dense"
        keptAs="chains"
        readOnly={!store.may('activity')}
        Opened={OpenedActivity}
        onOpen={onOpen}
        make={() => null}
        move={() => undefined}
        place={() => undefined}
      />
    </OpenedScope>
  )
}
