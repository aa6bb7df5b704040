/** Details of a framework item: what it asks for, what is linked with it, and its evidence; and of records, the items they serve. */

import RemoveIcon from '@mui/icons-material/DeleteOutlined'
import { Button, IconButton } from '../parts/button'
import { LineButton } from '../parts/line-button'
import '../parts/findings.css'
import '../outcomes/outcomes.css'
import { useState } from 'react'
import type { EvidencePoint, FrameworkItem } from '../../core/blueprint/kinds'
import { EVIDENCE_METHODS, type EvidenceMethod } from '../../core/blueprint/kinds/framework'
import { addEvidencePoint, type LinkedKind, readItemCodes, setItemLinks, setLinkedItems } from '../../core/frameworks/edits'
import { type ItemColumn, itemCellText, placeItem, writeItemCell } from '../../core/frameworks/item-cells'
import { frameworkCoverage } from '../../core/frameworks/item-coverage'
import { indexFrameworks } from '../../core/plan/framework-index'
import { indexCourse } from '../../core/plan/plan-index'
import { CheckInput } from '../parts/choice-input'
import { DraftField } from '../parts/draft-field'
import { SelectInput, TextInput } from '../parts/input'
import { Chip } from '../parts/marks'
import { PlanChoice, PlanField } from '../parts/plan-field'
import { newId, useCourse, useCourseStore } from '../store/course-store'
import { useGo } from '../store/navigation'

export function ItemDetails({ id }: { id: string }) {
  const item = useCourse((s) => s.view.frameworkItem.get(id))
  return item ? <Item item={item} /> : null
}

function Item({ item }: { item: FrameworkItem }) {
  const store = useCourseStore()
  const view = useCourse((s) => s.view)
  const { open } = useGo()
  const frameworks = indexFrameworks(view)
  const coverage = frameworkCoverage(view).of(item.id)
  const index = indexCourse(view)
  const name = frameworks.codeOf(item.id)
  const may = store.may('frameworkItem')
  const parts = frameworks.partsOf(item.id)
  const cell = (label: string, column: ItemColumn, placeholder: string) => (
    <DraftField
      label={label}
      value={itemCellText(view, item, column)}
      placeholder={placeholder}
      disabled={!store.may('objectiveItem')}
      onCommit={(text) => {
        let refused: string | null = null
        store.edit('link-items', { what: name }, (edit) => {
          refused = writeItemCell(edit, item.id, column, text)
        })
        return refused
      }}
    />
  )
  return (
    <section className="finding">
      <b>Framework item {name}</b>
      <div className="muted small">{view.framework.get(item.frameworkId)?.title}</div>
      <div style={{ marginTop: 8 }}>
        <PlanField kind="frameworkItem" record={item} field="statement" label="Requirement" what={`wording of ${name}`} />
        <div className="pair">
          <PlanField kind="frameworkItem" record={item} field="code" label="Code" what={`code of ${name}`} />
          <PlanField
            kind="frameworkItem"
            record={item}
            field="times"
            label="Occasions required"
            what={`occasions of ${name}`}
            placeholder="1"
          />
        </div>
        <PlanChoice kind="frameworkItem" record={item} field="kind" label="Kind" what={`kind of ${name}`} />
        <CheckInput
          label="required"
          checked={item.required}
          disabled={!may}
          onCheck={(required) =>
            store.edit('set-field', { what: `required: ${name}` }, (edit) => edit.set('frameworkItem', item.id, { required }))
          }
        />
        {parts.length > 0 && (
          <PlanField
            kind="frameworkItem"
            record={item}
            field="anyOf"
            label={`How many of its ${parts.length} parts are enough`}
            what={`parts of ${name}`}
            placeholder="all"
          />
        )}
        <DraftField
          label="Part of (its code)"
          value={item.parentId === null ? '' : frameworks.codeOf(item.parentId)}
          placeholder="at the top"
          disabled={!may}
          onCommit={(text) => {
            const { ids, unknown } = readItemCodes(view, text)
            const [parent] = ids
            if (unknown.length > 0 || ids.length > 1) return 'Write the code of one item, or nothing.'
            let moved = false
            store.edit('move', { what: name }, (edit) => {
              moved = placeItem(edit, item.id, parent ?? null, Number.MAX_SAFE_INTEGER)
            })
            return moved ? null : 'It cannot stand there: it would stand within itself, in another framework, or too deep.'
          }}
        />
      </div>
      <div className="muted">Served by</div>
      {cell('Outcomes', 'outcomes', 'CO1 CO3')}
      {cell('Objectives', 'objectives', '2a 3b')}
      {cell('Taught in', 'taught', '1.2')}
      {cell('Practised in', 'practised', '2.4 3.1')}
      {cell('Assessed in', 'assessed', '4.2')}
      <Criteria item={item} />
      <div className="muted" style={{ marginTop: 8 }}>
        Evidence {coverage ? `· ${coverage.planned} of ${coverage.wanted} planned` : ''}
      </div>
      {coverage?.evidence.map((e) => (
        <div key={`${e.from}${e.id}${e.activityId}`} className="row" style={{ padding: '1px 0', alignItems: 'flex-start' }}>
          <Chip kind="activity" number={index.numberOf(e.activityId)} onOpen={() => open({ kind: 'activity', id: e.activityId })} />
          <span className="grow">{e.title}</span>
          <span className="muted small">
            {e.method}
            {e.occasions > 1 ? ` × ${e.occasions}` : ''}
          </span>
        </div>
      ))}
      {frameworks.pointsOf(item.id).map((p) => (
        <Point key={p.id} point={p} />
      ))}
      {store.may('evidencePoint') && <NewPoint item={item} />}
      {frameworks.related(item.id).length > 0 && (
        <>
          <div className="muted" style={{ marginTop: 8 }}>
            Related
          </div>
          {frameworks.related(item.id).map((r) => {
            const other = frameworks.item(r.itemId)
            return (
              other && (
                <LineButton key={r.itemId} className="plain support-item" onClick={() => open({ kind: 'frameworkItem', id: other.id })}>
                  {r.relation === 'same' ? 'the same as' : 'related to'} <b>{frameworks.codeOf(other.id)}</b>{' '}
                  {view.framework.get(other.frameworkId)?.code}
                </LineButton>
              )
            )
          })}
        </>
      )}
    </section>
  )
}

/** Rubric criteria that show the item: chips to take off, and a choice to add one. */
function Criteria({ item }: { item: FrameworkItem }) {
  const store = useCourseStore()
  const view = useCourse((s) => s.view)
  const { open } = useGo()
  const index = indexCourse(view)
  const own = indexFrameworks(view).criteriaOf(item.id)
  const may = store.may('criterionItem')
  const set = (ids: readonly string[]) =>
    store.edit('link-items', { what: indexFrameworks(view).codeOf(item.id) }, (edit) => setItemLinks(edit, 'criterion', item.id, ids))
  if (index.rubrics.length === 0) return null
  return (
    <div className="labelled">
      <span>Rubric criteria</span>
      {own.map((id) => (
        <span key={id} className="row">
          <LineButton className="plain support-item grow" onClick={() => open({ kind: 'criterion', id })}>
            {index.criterion(id)?.title}
          </LineButton>
          {may && (
            <IconButton name={`Take off ${index.criterion(id)?.title}`} onClick={() => set(own.filter((o) => o !== id))}>
              <RemoveIcon />
            </IconButton>
          )}
        </span>
      ))}
      {may && (
        <SelectInput
          label="Add a criterion"
          hideLabel
          value=""
          options={[
            { value: '', label: 'Add a criterion …' },
            ...index.rubrics.flatMap((r) =>
              index
                .criteriaOf(r.id)
                .filter((c) => !own.includes(c.id))
                .map((c) => ({ value: c.id, label: `${r.title}: ${c.title}` })),
            ),
          ]}
          onChoose={(id) => id && set([...own, id])}
        />
      )}
    </div>
  )
}

function Point({ point }: { point: EvidencePoint }) {
  const store = useCourseStore()
  return (
    <div style={{ borderLeft: '3px solid var(--line)', paddingLeft: 8, marginTop: 6 }}>
      <PlanField kind="evidencePoint" record={point} field="title" label="Evidence point" what={`evidence point ${point.title}`} />
      <div className="pair">
        <PlanChoice kind="evidencePoint" record={point} field="method" label="Method" what={`method of ${point.title}`} />
        <PlanField
          kind="evidencePoint"
          record={point}
          field="occasions"
          label="Occasions"
          what={`occasions of ${point.title}`}
          placeholder="1"
        />
      </div>
      {store.may('evidencePoint') && (
        <Button onClick={() => store.edit('remove', { what: point.title }, (edit) => edit.remove({ kind: 'evidencePoint', id: point.id }))}>
          Remove
        </Button>
      )}
    </div>
  )
}

/** A new evidence point: in which activity, what is seen, and how. */
function NewPoint({ item }: { item: FrameworkItem }) {
  const store = useCourseStore()
  const view = useCourse((s) => s.view)
  const [title, setTitle] = useState('')
  const [where, setWhere] = useState('')
  const [method, setMethod] = useState<EvidenceMethod>('observation')
  const [error, setError] = useState<string | null>(null)
  const add = () => {
    const activityId = indexCourse(view).idOfNumber(where)
    if (!activityId || !view.activity.has(activityId))
      return setError(`There is no activity ${where.trim() || 'yet: write its number, such as 4.2'}.`)
    store.edit('add-evidence', {}, (edit) => {
      const pointId = addEvidencePoint(edit, activityId, { title: title.trim() || item.statement, method, occasions: null }, newId)
      edit.create('evidenceItem', { id: '', pointId, itemId: item.id })
    })
    setTitle('')
    setWhere('')
    setError(null)
  }
  return (
    <form
      className="facts-row"
      style={{ marginTop: 8 }}
      aria-label="New evidence point"
      onSubmit={(e) => {
        e.preventDefault()
        add()
      }}
    >
      <TextInput label="Activity" width={72} value={where} placeholder="4.2" onChange={(e) => setWhere(e.target.value)} />
      <TextInput
        label="What is seen"
        width={130}
        value={title}
        element={{ maxLength: 300 }}
        placeholder={indexFrameworks(view).codeOf(item.id)}
        onChange={(e) => setTitle(e.target.value)}
      />
      <SelectInput
        label="Method"
        value={method}
        options={EVIDENCE_METHODS.map((m) => ({ value: m, label: m }))}
        onChoose={(m) => m && setMethod(m)}
      />
      <Button type="submit">Add</Button>
      {error && (
        <span className="form-error" role="alert">
          {error}
        </span>
      )}
    </form>
  )
}

/** The items that a record serves, by their codes; typing changes them. Nothing where the course has no framework. */
export function LinkedItems({ kind, recordId, what }: { kind: LinkedKind; recordId: string; what: string }) {
  const store = useCourseStore()
  const view = useCourse((s) => s.view)
  const frameworks = indexFrameworks(view)
  if (frameworks.frameworks.length === 0) return null
  const several = frameworks.frameworks.length > 1
  const text = frameworks
    .itemsLinkedWith(recordId)
    .map((i) =>
      several && view.framework.get(i.frameworkId)?.code ? `${view.framework.get(i.frameworkId)?.code}:${i.code}` : (i.code ?? ''),
    )
    .filter(Boolean)
    .join(' ')
  return (
    <DraftField
      label={several ? 'Framework items, such as RSI-204:1.2' : 'Framework items, such as 1.2'}
      value={text}
      placeholder="none"
      disabled={!store.may(kind === 'outcome' ? 'outcomeItem' : 'objectiveItem')}
      onCommit={(typed) => {
        const { ids, unknown } = readItemCodes(view, typed)
        if (unknown.length > 0) return `There is no item ${unknown.join(', ')}.`
        store.edit('link-items', { what }, (edit) => setLinkedItems(edit, kind, recordId, ids))
        return null
      }}
    />
  )
}
