/** The columns of the working table: what each shows, and how each is written. */

import { useMemo } from 'react'
import { proposedStage, purposeOf, readLinks, STAGE_LETTER } from '../../core/alignment/proposals'
import type { Activity } from '../../core/blueprint/kinds'
import { ACTIVITY_KINDS, PURPOSES } from '../../core/blueprint/kinds/activity'
import { readDueRule, ruleText } from '../../core/blueprint/kinds/due-rule'
import { fitted } from '../../core/blueprint/text'
import { shortDate } from '../../core/calendar/plain-date'
import { resolveDueDate } from '../../core/calendar/schedule'
import { formatHundredths, formatWhole, readMinutes } from '../../core/numbers'
import type { GridColumn, GridRow } from '../parts/grid/types'
import { Chip, PurposeShape } from '../parts/marks'
import { useGo } from '../store/navigation'
import { type Item, isActivity } from './rows'

const linksText = (row: GridRow<Item>): string => {
  if (row.item.at !== 'activity') return ''
  const { activity, index } = row.item
  return index
    .alignmentsOf(activity.id)
    .map((a) => `${index.numberOf(a.objectiveId)} ${a.stages.map((s) => STAGE_LETTER[s]).join('')}`)
    .join(', ')
}

function dueText(row: GridRow<Item>): string {
  if (row.item.at !== 'activity' || !row.item.activity.dueRule) return ''
  const { activity, schedule } = row.item
  return `${ruleText(activity.dueRule as NonNullable<Activity['dueRule']>, schedule?.term.offering.weekStart ?? 'monday')}${activity.dueTime ? ` ${activity.dueTime}` : ''}`
}

function dueHint(row: GridRow<Item>, text: string): string {
  if (row.item.at !== 'activity') return ''
  const { activity, schedule, view } = row.item
  const rule = readDueRule(text, schedule?.term.offering.weekStart ?? 'monday')
  const module = view.module.get(activity.moduleId)
  const date = rule && module && schedule ? resolveDueDate(rule.rule, module, schedule.term) : undefined
  return date
    ? `${shortDate(date)}${rule?.time ? `, ${rule.time}` : ''}`
    : rule
      ? 'A week the term does not have'
      : 'Sun wk 2, wk 1 Thu 18:00, or a date'
}

/** The activity as it is stored: what it leaves open is not its own. */
const ownOf = (row: GridRow<Item>): Activity | undefined =>
  row.item.at === 'activity' ? row.item.view.activity.get(row.item.activity.id) : undefined

const titleOf = (row: GridRow<Item>): string =>
  row.item.at === 'activity' ? row.item.activity.title : row.item.at === 'module' ? row.item.module.title : ''

export function useColumns(): readonly GridColumn<Item>[] {
  const { open } = useGo()
  return useMemo((): readonly GridColumn<Item>[] => {
    const assessmentOf = (row: GridRow<Item>) =>
      row.item.at === 'activity' ? row.item.index.assessmentOf(row.item.activity.id) : undefined
    const categoryOf = (row: GridRow<Item>): string => {
      const id = assessmentOf(row)?.categoryId
      return id && row.item.at === 'activity' ? (row.item.view.gradeCategory.get(id)?.title ?? '') : ''
    }
    const partOf = (row: GridRow<Item>): string => {
      const activity = isActivity(row)
      return activity?.partId && row.item.at === 'activity' ? (row.item.view.part.get(activity.partId)?.title ?? '') : ''
    }
    const dash = <span className="muted">–</span>
    return [
      {
        id: 'number',
        header: 'No.',
        width: 62,
        right: true,
        readOnly: true,
        text: (r) => (r.item.at === 'activity' ? r.item.index.numberOf(r.item.activity.id) : ''),
        render: (r) => <span className="number">{r.item.at === 'activity' ? r.item.index.numberOf(r.item.activity.id) : ''}</span>,
      },
      {
        id: 'title',
        header: 'Activity',
        text: (r) => ownOf(r)?.title ?? titleOf(r),
        render: (r) =>
          r.type === 'new' ? (
            <span className="muted">
              {r.item.at === 'add-module' ? 'Type a title to add a module' : 'Type a title, or paste rows from a spreadsheet'}
            </span>
          ) : (
            <span title={titleOf(r)}>{titleOf(r)}</span>
          ),
      },
      {
        id: 'part',
        header: 'Part',
        width: 92,
        text: partOf,
        options: (r) => (r.item.at === 'activity' ? r.item.index.parts.map((p) => p.title) : []),
        render: (r) => (isActivity(r) ? partOf(r) || dash : ''),
      },
      {
        id: 'kind',
        header: 'Kind',
        width: 126,
        text: (r) => isActivity(r)?.kind ?? '',
        options: () => ACTIVITY_KINDS,
        render: (r) => (isActivity(r) ? (isActivity(r)?.kind ?? dash) : ''),
      },
      {
        id: 'purpose',
        header: 'Purpose',
        width: 122,
        text: (r) => isActivity(r)?.purpose ?? '',
        options: () => PURPOSES,
        render: (r) => {
          const activity = isActivity(r)
          if (!activity) return ''
          const purpose = purposeOf(activity)
          const proposed = activity.purpose === null && purpose !== null
          return (
            <span className={proposed ? 'est' : ''} title={proposed ? 'Proposed by the kind. Space, then Enter accepts it.' : undefined}>
              <PurposeShape purpose={purpose} /> {purpose ?? '–'}
              {proposed && <span className="visually-hidden"> (proposed)</span>}
            </span>
          )
        },
      },
      {
        id: 'objectives',
        header: 'Objectives',
        width: 150,
        text: linksText,
        hint: (r, text) => {
          const activity = isActivity(r)
          if (!activity || r.item.at !== 'activity') return null
          const { links, unknown } = readLinks(text)
          const index = r.item.index
          const known = links.map((l) => {
            const id = index.idOfNumber(l.number)
            return id
              ? `${l.number} ${l.stages.map((s) => STAGE_LETTER[s]).join('') || `${STAGE_LETTER[proposedStage(activity)]} (proposed)`}: ${r.item.at === 'activity' ? fitted(r.item.view.objective.get(id)?.statement ?? '', 60) : ''}`
              : `${l.number}: there is no such objective`
          })
          return [...known, ...unknown.map((u) => `${u}: not understood`)].join('\n') || '4a I, 4b P A: introduces, practises, assesses'
        },
        render: (r) => {
          if (r.item.at !== 'activity') return ''
          const { index, activity } = r.item
          const links = index.alignmentsOf(activity.id)
          return links.length === 0
            ? dash
            : links.map((a) => (
                <span key={a.id}>
                  <Chip
                    kind="objective"
                    number={index.numberOf(a.objectiveId)}
                    suffix={a.stages.map((s) => STAGE_LETTER[s]).join('')}
                    onOpen={() => open({ kind: 'objective', id: a.objectiveId })}
                  />{' '}
                </span>
              ))
        },
      },
      {
        id: 'minutes',
        header: 'Min',
        width: 58,
        right: true,
        text: (r) => String(ownOf(r)?.minutes ?? ''),
        hint: (_, t) => (readMinutes(t) === null ? '45, 1.5 h or 1h30' : `${readMinutes(t)} min`),
        render: (r) => {
          const minutes = isActivity(r)?.minutes
          if (minutes === undefined) return ''
          if (minutes === null) return dash
          const estimated = ownOf(r)?.minutes === null
          return (
            <span
              className={estimated ? 'est' : ''}
              title={estimated ? 'Estimated or from its series; type minutes to set them by hand' : undefined}
            >
              {formatWhole(minutes)}
            </span>
          )
        },
      },
      {
        id: 'due',
        header: 'Due',
        width: 104,
        text: dueText,
        hint: dueHint,
        render: (r) => {
          if (r.item.at !== 'activity') return ''
          const due = r.item.schedule?.dueOf(r.item.activity.id)
          if (due) return <span title={`${dueText(r)} of the module, ${due.time}`}>{shortDate(due.date)}</span>
          return r.item.activity.dueRule ? (
            <span className="weight fix" title="This rule gives no date in the term">
              {dueText(r)}
            </span>
          ) : (
            dash
          )
        },
      },
      {
        id: 'category',
        header: 'Category',
        width: 118,
        text: categoryOf,
        options: (r) => (r.item.at === 'activity' ? r.item.index.categories.map((c) => c.title) : []),
        render: (r) => (isActivity(r) ? categoryOf(r) || dash : ''),
      },
      {
        id: 'points',
        header: 'Points',
        width: 64,
        right: true,
        text: (r) => {
          const p = assessmentOf(r)?.points
          return p == null ? '' : formatHundredths(p)
        },
        render: (r) => {
          const p = assessmentOf(r)?.points
          return isActivity(r) ? (p == null ? dash : formatHundredths(p)) : ''
        },
      },
    ]
  }, [open])
}
