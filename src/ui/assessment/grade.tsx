/** Grade categories with their assessments; the sums are always in sight. */

import RemoveIcon from '@mui/icons-material/DeleteOutlined'
import { IconButton } from '../parts/button'
import './assessment.css'
import { type ReactNode, useState } from 'react'
import { readValue } from '../../core/blueprint/field-text'
import type { GradeCategory } from '../../core/blueprint/kinds'
import { addCategory } from '../../core/edits/missing'
import { placeInList } from '../../core/edits/objectives'
import { type GradeRow, gradeTable } from '../../core/grading/grade-table'
import { rowText } from '../../core/grading/row-text'
import { countOf, formatHundredths } from '../../core/numbers'
import { indexCourse } from '../../core/plan/plan-index'
import { DraftField } from '../parts/draft-field'
import { FindingLine } from '../parts/findings'
import { laterFrom } from '../parts/later'
import { PlanField } from '../parts/plan-field'
import { SortableItems, SortedItem, SortHandle } from '../parts/sortable'
import { SumLine } from '../parts/sum-line'
import { useGrowing } from '../parts/use-growing'
import { newId, useCourse, useCourseStore } from '../store/course-store'
import { useSelected } from '../store/navigation'
import { ItemRow } from './grade-item'
import { LateWork } from './late-work'
import { Scale } from './scale'

const ByOutcome = laterFrom(
  () => import('./by-outcome'),
  (m) => m.ByOutcome,
  <div style={{ minHeight: 260 }} />,
)
const OverTerm = laterFrom(
  () => import('./over-term'),
  (m) => m.OverTerm,
)

export function Grade({ views }: { views: ReactNode }) {
  const view = useCourse((s) => s.view)
  const analysis = useCourse((s) => s.analysis)
  const store = useCourseStore()
  const selected = useSelected()
  const table = gradeTable(view)
  const ungraded = indexCourse(view).assessments.filter((a) => a.graded === 'no' || (a.points === null && a.categoryId === null))
  const sumFinding = analysis?.findings.find((f) => f.code === 'shares-not-100')
  const items = table.rows.flatMap((r) => r.items)
  const drawn = useGrowing(
    items.length,
    items.findIndex((i) => i.assessment.id === selected?.id || i.activity.id === selected?.id),
  )
  const off = table.missingShare !== null && table.missingShare !== 0
  return (
    <div className="work">
      <div className="bar">
        <h1 className="visually-hidden">Grade</h1>
        {views}
        <span className="muted small">
          {table.mode === 'by-shares' ? 'by shares' : 'by points, while there are no categories'} ·{' '}
          {countOf(items.length, 'graded assessment')}
          {ungraded.length > 0 && ` · ${ungraded.length} ungraded`}
        </span>
      </div>
      <div className="scroll-area">
        <div className="grade-cols">
          <div>
            <SortableItems
              items={table.rows.flatMap(({ category }) => (category ? [{ id: category.id, name: category.title }] : []))}
              onPlace={(id, place) =>
                store.edit('move', { what: view.gradeCategory.get(id)?.title ?? '' }, (edit) =>
                  placeInList(edit, 'gradeCategory', id, place),
                )
              }
            >
              <table className="sheet">
                <thead>
                  <tr>
                    <th scope="col">Category and assessments</th>
                    <th scope="col" style={{ width: 132 }}>
                      Function · which count
                    </th>
                    <th scope="col" style={{ width: 142 }}>
                      Category · hurdle
                    </th>
                    <th scope="col" className="r" style={{ width: 62 }}>
                      Points
                    </th>
                    <th scope="col" className="r" style={{ width: 82 }}>
                      Share
                    </th>
                    <th scope="col" className="r" style={{ width: 96 }}>
                      Of the grade
                    </th>
                  </tr>
                </thead>
                {table.rows.map((row, i) => {
                  const before = table.rows.slice(0, i).reduce((n, r) => n + r.items.length, 0)
                  const rows = <CategoryRows row={row} drawn={Math.max(0, drawn - before)} byShares={table.mode === 'by-shares'} />
                  return row.category ? (
                    <SortedItem key={row.category.id} id={row.category.id} name={row.category.title} as="tbody">
                      {rows}
                    </SortedItem>
                  ) : (
                    <tbody key="none">{rows}</tbody>
                  )
                })}
                {store.may('gradeCategory') && (
                  <tbody>
                    <NewCategory />
                  </tbody>
                )}
              </table>
            </SortableItems>
            {table.rows.length === 0 && (
              <p className="empty">
                Nothing is graded yet. Give an activity points in <a href="map">Map</a>, or name a grade category above.
              </p>
            )}
          </div>
          <div className="grade-side">
            <ByOutcome />
            <OverTerm />
            <Scale />
            <LateWork />
          </div>
        </div>
      </div>
      {table.rows.length > 0 && (
        <div style={{ padding: '0 16px 12px', flex: 'none' }}>
          {sumFinding && !sumFinding.accepted && <FindingLine finding={sumFinding} />}
          <SumLine
            label="Sum"
            parts={[
              ...(table.missingShare !== null && table.missingShare > 0
                ? [{ label: 'not yet assigned', value: `${formatHundredths(table.missingShare)} %`, off: true }]
                : []),
              { label: 'points', value: formatHundredths(table.totalPoints) },
              ...(table.mode === 'by-shares' ? [{ label: 'shares', value: `${formatHundredths(table.totalShare)} %`, off }] : []),
              { label: 'of the grade', value: `${formatHundredths(table.totalEffective, 2)} %`, off: table.totalEffective !== 100_00 },
              ...(table.totalExtra > 0 ? [{ label: 'extra credit on top', value: `+ ${formatHundredths(table.totalExtra, 2)} %` }] : []),
            ]}
          />
        </div>
      )}
    </div>
  )
}

function CategoryRows({ row, drawn, byShares }: { row: GradeRow; drawn: number; byShares: boolean }) {
  const store = useCourseStore()
  const { category } = row
  const view = useCourse((s) => s.view)
  const findings = useCourse((s) => s.byRecord.get(`gradeCategory ${category?.id}`))
  const may = store.may('gradeCategory')
  const share = row.items.reduce((sum, i) => sum + i.effective, 0)
  const own = findings?.filter((f) => f.code === 'category-empty' && f.accepted === null) ?? []
  return (
    <>
      <tr className="group" {...(category ? { 'data-record': `gradeCategory ${category.id}` } : {})}>
        <th scope="row">
          {category ? (
            <span className="row">
              {may && <SortHandle />}
              <PlanField
                kind="gradeCategory"
                record={category}
                field="title"
                label={`Title of category ${category.title}`}
                what={category.title}
                hideLabel
                boxed={false}
              />
              {may && <CategoryButtons category={category} />}
            </span>
          ) : byShares ? (
            <span className="weight check">In no category</span>
          ) : (
            'All graded assessments'
          )}
          {row.items.some((i) => i.activity.seriesId !== null) && (
            <div className="muted small" style={{ fontWeight: 400, padding: '0 6px' }}>
              {rowText(indexCourse(view), row)}
            </div>
          )}
          {own.map((f) => (
            <FindingLine key={f.key} finding={f} />
          ))}
        </th>
        <td>
          {category && (
            <PlanField
              kind="gradeCategory"
              record={category}
              field="dropLowest"
              label={`Lowest results dropped in ${category.title}`}
              what={`dropped results of ${category.title}`}
              hideLabel
              boxed={false}
              placeholder="all count"
              {...(category.dropLowest ? { shown: `lowest ${category.dropLowest} drop` } : {})}
              read={(text) => text.replace(/\D+/g, '')}
            />
          )}
        </td>
        <td>
          {category && (
            <PlanField
              kind="gradeCategory"
              record={category}
              field="hurdle"
              label={`Percent of ${category.title} needed to pass`}
              what={`hurdle of ${category.title}`}
              hideLabel
              boxed={false}
              placeholder="no hurdle"
              {...(category.hurdle === null ? {} : { shown: `pass from ${formatHundredths(category.hurdle)} %` })}
              read={(text) => text.replace(/[^\d.,]+/g, '')}
            />
          )}
        </td>
        <td className="r">{formatHundredths(row.points)}</td>
        <td className="r">
          {category && (
            <PlanField
              kind="gradeCategory"
              record={category}
              field="share"
              label={`Share of ${category.title}, in percent`}
              what={`share of ${category.title}`}
              hideLabel
              right
              unit="%"
              placeholder="– %"
            />
          )}
        </td>
        <td className="r">{formatHundredths(share, 2)} %</td>
      </tr>
      {row.items.slice(0, drawn).map((item) => (
        <ItemRow key={item.activity.id} item={item} dropping={(category?.dropLowest ?? 0) > 0} />
      ))}
    </>
  )
}

function CategoryButtons({ category }: { category: GradeCategory }) {
  const store = useCourseStore()
  return (
    <span className="row" style={{ gap: 2 }}>
      <IconButton
        name={`Remove ${category.title}`}
        onClick={() => {
          if (store.edit('remove', { what: category.title }, (edit) => edit.remove({ kind: 'gradeCategory', id: category.id })))
            store.say(`Removed ${category.title}; its assessments stay, in no category. Ctrl+Z brings it back.`, false)
        }}
      >
        <RemoveIcon />
      </IconButton>
    </span>
  )
}

function NewCategory() {
  const store = useCourseStore()
  const [round, setRound] = useState(0)
  return (
    <tr className="group no-print">
      <th scope="row">
        <DraftField
          key={round}
          label="New category"
          hideLabel
          boxed={false}
          value=""
          placeholder="Add a category: type its title"
          onCommit={(text) => {
            if (text.trim() === '') return null
            const title = readValue('gradeCategory', 'title', text)
            if (!title.ok) return title.error
            store.edit('add-category', {}, (edit) => void addCategory(edit, String(title.value), newId))
            setRound((n) => n + 1)
            return null
          }}
        />
      </th>
      <td colSpan={5} />
    </tr>
  )
}
