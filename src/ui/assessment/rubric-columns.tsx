/** The columns of a rubric: its criteria, its levels, weights and links. */
import { useMemo } from 'react'
import type { Blueprint } from '../../core/blueprint/blueprint'
import { linkId } from '../../core/blueprint/ids'
import type { Criterion, Rubric, RubricLevel } from '../../core/blueprint/kinds'
import { levelText } from '../../core/edits/rubrics'
import type { Finding } from '../../core/findings/finding'
import { formatHundredths } from '../../core/numbers'
import type { CourseIndex } from '../../core/plan/plan-index'
import type { GridColumn, GridRow } from '../parts/grid/types'
import { Chip } from '../parts/marks'
import { useGo } from '../store/navigation'

/** A row of the editor. */
export type RubricItem =
  | { readonly at: 'levels'; readonly findings: readonly Finding[] }
  | { readonly at: 'criterion'; readonly criterion: Criterion; readonly findings: readonly Finding[] }
  | { readonly at: 'new' }

export function useRubricColumns(
  view: Blueprint,
  index: CourseIndex,
  rubric: Rubric,
  levels: readonly RubricLevel[],
): readonly GridColumn<RubricItem>[] {
  const { open } = useGo()
  return useMemo((): readonly GridColumn<RubricItem>[] => {
    const criterionOf = (row: GridRow<RubricItem>): Criterion | null => (row.item.at === 'criterion' ? row.item.criterion : null)
    const flagFor =
      (...fields: readonly string[]) =>
      (row: GridRow<RubricItem>) =>
        (row.item.at === 'new' ? [] : row.item.findings).find((f) => f.field !== null && fields.includes(f.field)) ?? null
    const linksText = (row: GridRow<RubricItem>): string => {
      const criterion = criterionOf(row)
      if (!criterion) return ''
      return criterion.general
        ? 'general'
        : index
            .objectivesOfCriterion(criterion.id)
            .map((o) => index.numberOf(o.id))
            .join(' ')
    }
    const unit = rubric.scale === 'percent' ? '%' : 'Points'
    return [
      {
        id: 'title',
        header: 'Criterion',
        width: 160,
        lines: true,
        text: (r) => criterionOf(r)?.title ?? '',
        flag: flagFor('title'),
        render: (r) =>
          r.item.at === 'levels' ? (
            'Criterion'
          ) : r.item.at === 'new' ? (
            <span className="muted">Type a criterion, or paste rows</span>
          ) : (
            <b>{r.item.criterion.title}</b>
          ),
      },
      ...levels.map(
        (level): GridColumn<RubricItem> => ({
          id: level.id,
          header: levelText(level),
          width: 140,
          lines: true,
          text: (r) => {
            const criterion = criterionOf(r)
            if (r.item.at === 'levels') return levelText(level)
            return criterion ? (view.descriptor.get(linkId([criterion.id, level.id]))?.text ?? '') : ''
          },
          flag: (r) => {
            if (r.item.at === 'levels') return level === levels.at(-1) ? flagFor('levels')(r) : null
            const found = flagFor('descriptors')(r)
            return found?.cell === level.id ? found : null
          },
          hint: (r) => (r.item.at === 'levels' ? 'Title and percent of the full mark, such as Partly 50. Empty removes the level.' : null),
          render: (r) => {
            if (r.item.at === 'levels')
              return (
                <>
                  {level.title} <span className="muted">· {formatHundredths(level.value)} %</span>
                </>
              )
            const criterion = criterionOf(r)
            const text = criterion && view.descriptor.get(linkId([criterion.id, level.id]))?.text
            return text ?? (criterion ? <span className="muted">–</span> : '')
          },
        }),
      ),
      {
        id: 'weight',
        header: unit,
        width: 70,
        right: true,
        lines: true,
        text: (r) => {
          const weight = criterionOf(r)?.weight
          return weight == null ? '' : formatHundredths(weight)
        },
        render: (r) => {
          const criterion = criterionOf(r)
          if (r.item.at === 'levels') return unit
          if (!criterion) return ''
          return criterion.weight === null ? <span className="muted">–</span> : <b>{formatHundredths(criterion.weight)}</b>
        },
      },
      {
        id: 'objectives',
        header: 'Objectives',
        width: 104,
        lines: true,
        flag: flagFor('objectives'),
        text: linksText,
        hint: () => 'Numbers such as 4c 4d, or general',
        render: (r) => {
          const criterion = criterionOf(r)
          if (r.item.at === 'levels') return 'Objectives'
          if (!criterion) return ''
          if (criterion.general) return <span className="muted">general</span>
          const objectives = index.objectivesOfCriterion(criterion.id)
          return objectives.length === 0 ? (
            <span className="muted">–</span>
          ) : (
            objectives.map((o) => (
              <span key={o.id}>
                <Chip kind="objective" number={index.numberOf(o.id)} onOpen={() => open({ kind: 'objective', id: o.id })} />{' '}
              </span>
            ))
          )
        },
      },
      {
        id: 'critical',
        header: 'Must be met',
        width: 58,
        lines: true,
        text: (r) => (criterionOf(r)?.critical ? 'must' : ''),
        options: () => ['must'],
        render: (r) => (r.item.at === 'levels' ? 'Must' : criterionOf(r)?.critical ? 'must' : ''),
      },
    ]
  }, [view, index, rubric.scale, levels, open])
}
