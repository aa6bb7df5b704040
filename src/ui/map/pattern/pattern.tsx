/** The modules by the parts of the course: where they keep to the pattern and where they depart from it; copies start here. */
import './pattern.css'
import { type ReactNode, useMemo, useState } from 'react'
import { Link } from 'wouter'
import type { Blueprint } from '../../../core/blueprint/blueprint'
import { applyPattern, fillPattern } from '../../../core/design/edit-pattern'
import { addModule, moveInList, placeInList } from '../../../core/edits/objectives'
import { countOf } from '../../../core/numbers'
import { indexCourse } from '../../../core/plan/plan-index'
import { Grid } from '../../parts/grid/grid'
import { OpenedScope, useOpened } from '../../parts/grid/opened'
import type { GridRow } from '../../parts/grid/types'
import { useRows } from '../../parts/grid/use-rows'
import { MenuButton } from '../../parts/menu-button'
import { newId, useCourse, useCourseStore, useModuleWord } from '../../store/course-store'
import { useSelected } from '../../store/navigation'
import { CopyModule } from '../copy-module'
import { OpenedModule } from '../opened'
import { SecondPass } from '../second-pass'
import { moduleColumns, moduleSets } from './module-columns'

const moduleRows = (plan: Blueprint): GridRow[] => [
  ...indexCourse(plan).modules.map(({ id }): GridRow => ({ key: id, type: 'data', id })),
  { key: 'new', type: 'new', id: '' },
]

type Dialog = 'copy' | 'second pass'

export function PatternView({ views }: { readonly views: ReactNode }) {
  const store = useCourseStore()
  const word = useModuleWord()
  const parts = useCourse((s) => indexCourse(s.view).parts)
  const modules = useCourse((s) => indexCourse(s.view).modules)
  const selected = useSelected()
  const { rows, onOpen, close } = useOpened(useRows(moduleRows))
  const columns = useMemo(() => moduleColumns(parts), [parts])
  const sets = useMemo(() => moduleSets(parts), [parts])
  const [barPlace, setBarPlace] = useState<HTMLElement | null>(null)
  const [dialog, setDialog] = useState<Dialog | null>(null)
  const at = modules.find((m) => selected?.kind === 'module' && m.id === selected.id)
  const number = useCourse((s) => (at ? indexCourse(s.view).numberOf(at.id) : ''))
  const inSequence = modules.filter((m) => m.role === null).map((m) => m.id)
  const follow = (ids: readonly string[], what: string) => {
    if (!store.edit('follow-pattern', { what }, (edit) => applyPattern(edit, ids))) store.say('The pattern is kept there already.', false)
  }
  const fill = (ids: readonly string[]) => {
    let added = 0
    store.edit('fill-pattern', {}, (edit) => {
      added = fillPattern(edit, ids, newId)
    })
    store.say(
      added === 0 ? 'No part is empty there.' : `${countOf(added, 'activity', 'activities')} added, to be named. Ctrl+Z takes them back.`,
      false,
    )
  }
  const may = store.may('module')
  return (
    <div className="work">
      <div className="bar">
        <h1 className="visually-hidden">Pattern</h1>
        {views}
        <span ref={setBarPlace} />
        {may && modules.length > 0 && (
          <MenuButton
            className="btn"
            entries={() => [
              ...(at
                ? [
                    { key: 'copy', label: `Copy ${word.one} ${number}…`, run: () => setDialog('copy') },
                    {
                      key: 'follow',
                      label: `Apply the pattern to ${word.one} ${number}`,
                      run: () => follow([at.id], `${word.one} ${number}`),
                    },
                    { key: 'fill', label: `Fill the empty parts of ${word.one} ${number}`, run: () => fill([at.id]) },
                  ]
                : []),
              { key: 'second', label: 'A chain as a second pass…', run: () => setDialog('second pass') },
              { key: 'follow-all', label: 'Apply the pattern to all', run: () => follow(inSequence, `all ${word.many}`) },
              { key: 'fill-all', label: 'Fill every empty part', run: () => fill(inSequence) },
            ]}
          >
            Pattern and copies
          </MenuButton>
        )}
        <span className="grow" />
        <span className="muted small">
          {countOf(inSequence.length, word.one, word.many)} · {countOf(parts.length, 'part')}
        </span>
      </div>
      {parts.length === 0 && (
        <p className="empty" style={{ paddingBlock: 4 }}>
          The parts that every {word.one} repeats are the columns here. There are none yet: they are named in the{' '}
          <Link href="/brief">brief</Link>.
        </p>
      )}
      <OpenedScope close={close}>
        <Grid
          label={`${word.Many} by part`}
          keptAs="pattern"
          kind="module"
          rows={rows}
          columns={columns}
          sets={sets}
          barPlace={barPlace}
          look="dense"
          readOnly={!may && !store.may('module', 'overview')}
          Opened={OpenedModule}
          onOpen={onOpen}
          make={(edit) => {
            const id = addModule(edit, 'Untitled', newId)
            return { key: id, type: 'data', id }
          }}
          move={(edit, row, step) => void moveInList(edit, 'module', row.id, step)}
          place={(edit, row, over, after) => {
            const others = indexCourse(edit.now).modules.filter((m) => m.id !== row.id)
            placeInList(edit, 'module', row.id, others.findIndex((m) => m.id === over.id) + (after ? 1 : 0))
          }}
        />
      </OpenedScope>
      {dialog === 'copy' && at && <CopyModule id={at.id} onClose={() => setDialog(null)} />}
      {dialog === 'second pass' && <SecondPass from={null} onClose={() => setDialog(null)} />}
    </div>
  )
}
