/** The public syllabus, assembled from a list of allowed fields: what is not named here cannot be published. */

import type { Blueprint } from '../blueprint/blueprint'
import { courseOf, recordsOf } from '../blueprint/blueprint'
import { byOrder } from '../blueprint/order'
import { type RichText, richToPlain } from '../blueprint/rich-text'
import { dateSpan, longDate, shortDate } from '../calendar/plain-date'
import { scheduleOf } from '../calendar/schedule'
import { weekOfDate } from '../calendar/term'
import { gradeTable } from '../grading/grade-table'
import { rowText } from '../grading/row-text'
import { scaleOf } from '../grading/scale'
import { coloursOf, type PageColours } from '../learner-pages/palette'
import { formatHundredths } from '../numbers'
import { moduleWordOf } from '../plan/module-word'
import { indexCourse } from '../plan/plan-index'

export type Syllabus = {
  readonly title: string
  readonly code: string | null
  readonly subtitle: string | null
  readonly institution: string | null
  /** A file of the course, and what it shows. */
  readonly cover: { readonly fileId: string; readonly alt: string } | null
  /** Colours of its own; null: as Cairn's are. */
  readonly colours: PageColours | null
  readonly language: string
  readonly facts: readonly { readonly label: string; readonly value: string }[]
  readonly description: RichText | null
  readonly outcomes: readonly { readonly number: string; readonly statement: string }[]
  readonly moduleWord: string
  readonly modules: readonly {
    readonly number: string
    readonly title: string
    readonly subtitle: string | null
    readonly weeks: string | null
    readonly objectives: readonly { readonly number: string; readonly statement: string; readonly outcomes: readonly string[] }[]
  }[]
  readonly schedule: readonly {
    readonly label: string
    readonly dates: string
    readonly modules: readonly string[]
    readonly closed: readonly string[]
    readonly due: readonly { readonly when: string; readonly number: string; readonly title: string; readonly share: string | null }[]
  }[]
  /** What has no date yet, so that nothing graded is left out. */
  readonly undated: readonly { readonly number: string; readonly title: string; readonly share: string | null }[]
  readonly grades: {
    readonly byShares: boolean
    readonly rows: readonly { readonly title: string; readonly items: string; readonly points: string; readonly share: string }[]
    readonly total: { readonly points: string; readonly share: string }
  } | null
  readonly sections: readonly { readonly title: string; readonly body: RichText }[]
}

const DELIVERY_WORDS = {
  'online-async': 'Online, at any time',
  'online-live': 'Online, with live meetings',
  blended: 'Blended',
  'in-person-with-web': 'In person, with web materials',
} as const
const CREDIT_WORDS = {
  semester: 'semester credits',
  quarter: 'quarter credits',
  ects: 'ECTS credits',
  uk: 'UK credits',
  nominal: 'nominal hours',
  none: '',
} as const

export const DELIVERY_LABELS: Readonly<Record<keyof typeof DELIVERY_WORDS, string>> = DELIVERY_WORDS
export const CREDIT_LABELS: Readonly<Record<keyof typeof CREDIT_WORDS, string>> = { ...CREDIT_WORDS, none: 'no credits' }

/** Assembles the syllabus of the current offering. */
export function assembleSyllabus(blueprint: Blueprint): Syllabus {
  const course = courseOf(blueprint)
  const index = indexCourse(blueprint)
  const schedule = scheduleOf(blueprint)
  const term = schedule?.term
  const grades = gradeTable(blueprint)
  const percent = (hundredths: number) => `${formatHundredths(hundredths)} %`
  const shareOf = (activityId: string): string | null => {
    const share = grades.effectiveOf(activityId)
    return share > 0 ? percent(share) : null
  }
  const fact = (label: string, value: string | null | undefined) => (value ? [{ label, value }] : [])
  const moduleWord = moduleWordOf(blueprint).One
  const hours = [course.weeklyHoursMin, course.weeklyHoursMax].flatMap((h) => (h === null ? [] : [formatHundredths(h)]))
  const entry = (activityId: string, title: string) => ({ number: index.numberOf(activityId), title, share: shareOf(activityId) })
  const graded = grades.rows.flatMap((r) => r.items)
  return {
    title: course.title,
    code: course.code,
    subtitle: course.subtitle,
    institution: course.institution,
    colours: coloursOf(course),
    cover: course.coverFileId === null ? null : { fileId: course.coverFileId, alt: course.coverAlt ?? '' },
    language: course.language ?? 'en-GB',
    facts: [
      ...fact('Term', term && `${term.offering.term}, ${longDate(term.firstDay)} to ${longDate(term.lastDay)}`),
      ...fact('Length', `${course.weeks} weeks`),
      ...fact(
        'Credits',
        course.credits !== null && course.creditSystem !== 'none'
          ? `${formatHundredths(course.credits)} ${CREDIT_WORDS[course.creditSystem]}`
          : null,
      ),
      ...fact('How it is taught', DELIVERY_WORDS[course.delivery]),
      ...fact('Time to plan for', hours.length ? `${[...new Set(hours)].join(' to ')} hours a week` : null),
      ...fact('Grades', scaleText(blueprint)),
      ...fact('Who it is for', course.audience),
      ...fact('Before you start', course.prerequisites),
      ...fact('Time zone of all times', term?.offering.timeZone),
    ],
    description: course.description,
    outcomes: index.outcomes.map((o) => ({ number: index.numberOf(o.id), statement: o.statement })),
    moduleWord,
    modules: index.modules.map((m) => ({
      number: index.numberOf(m.id),
      title: m.title,
      subtitle: m.subtitle,
      weeks: m.firstWeek === null ? null : weeksText(m.firstWeek, m.lastWeek),
      objectives: index.objectivesOf(m.id).map((o) => ({
        number: index.numberOf(o.id),
        statement: o.statement,
        outcomes: index.outcomesOf(o.id).map((x) => index.numberOf(x.id)),
      })),
    })),
    schedule: (term?.weeks ?? []).map((week) => ({
      label: week.number === null ? (week.breakTitle ?? 'Break') : `Week ${week.number}`,
      dates: dateSpan(week.first, week.last),
      modules: index.modules.flatMap((m) => {
        const span = schedule?.spanOf(m.id)
        return week.number !== null && span && span.first <= week.first && week.last <= span.last
          ? [`${index.numberOf(m.id)} ${m.title}`]
          : []
      }),
      closed: recordsOf(blueprint, 'calendarRule')
        .filter((r) => r.offeringId === term?.offering.id && r.kind === 'closed' && r.firstDate <= week.last && r.lastDate >= week.first)
        .sort((a, b) => (a.firstDate < b.firstDate ? -1 : 1))
        .map((r) => `${r.firstDate === r.lastDate ? shortDate(r.firstDate) : dateSpan(r.firstDate, r.lastDate)}: ${r.title}`),
      due: index.activities
        .flatMap((a) => {
          const due = schedule?.dueOf(a.id)
          return due && term && weekOfDate(term, due.date) === week ? [{ due, ...entry(a.id, a.title) }] : []
        })
        .sort((a, b) => (`${a.due.date}${a.due.time}` < `${b.due.date}${b.due.time}` ? -1 : 1))
        .map(({ due, ...rest }) => ({ when: `${shortDate(due.date)}, ${due.time}`, ...rest })),
    })),
    undated: graded
      .filter(({ activity }) => {
        const due = schedule?.dueOf(activity.id)
        return !due || !term || !weekOfDate(term, due.date)
      })
      .map(({ activity }) => entry(activity.id, activity.title)),
    grades:
      graded.length === 0
        ? null
        : {
            byShares: grades.mode === 'by-shares',
            rows: [
              ...(grades.mode === 'by-shares'
                ? grades.rows
                    .filter((r) => r.category !== null)
                    .map((r) => ({
                      title: r.category?.title ?? '',
                      items: rowText(index, r),
                      points: r.points > 0 ? formatHundredths(r.points) : '',
                      share: percent(r.share ?? 0),
                    }))
                : graded.map((i) => ({
                    title: `${i.number} ${i.activity.title}`,
                    items: '',
                    points: formatHundredths(i.points),
                    share: percent(i.effective),
                  }))),
              ...(grades.missingShare !== null && grades.missingShare > 0
                ? [{ title: 'Not yet assigned', items: '', points: '', share: percent(grades.missingShare) }]
                : []),
            ],
            total: {
              points: formatHundredths(grades.totalPoints),
              share: percent(
                grades.mode === 'by-points' ? grades.totalEffective : grades.totalShare + Math.max(0, grades.missingShare ?? 0),
              ),
            },
          },
    sections: recordsOf(blueprint, 'syllabusSection')
      .sort(byOrder)
      .flatMap((s) => (s.body && richToPlain(s.body).trim() !== '' ? [{ title: s.title, body: s.body }] : [])),
  }
}

/** `A from 90 %, B from 80 %` */
const scaleText = (blueprint: Blueprint): string =>
  scaleOf(blueprint)
    .map((s) => `${s.letter} from ${formatHundredths(s.minimum)} %`)
    .join(', ')

export const weeksText = (first: number, last: number | null): string =>
  last === null || last === first ? `week ${first}` : `weeks ${first}–${last}`
