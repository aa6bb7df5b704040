/** Where the course stands, each fact with the way to what it is about; and what is worth doing next. */
import { useQuery } from '@tanstack/react-query'
import type { ReactNode } from 'react'
import { Link } from 'wouter'
import { shortDate } from '../../core/calendar/plain-date'
import { worthDoing } from '../../core/findings/next'
import { formatHundredths, formatWhole } from '../../core/numbers'
import { standingOf, WHOLE } from '../../core/standing/standing'
import type { PublicationState } from '../../server/publication'
import { WeightMark } from '../parts/marks'
import { daysText } from '../parts/standing-text'
import { asked, courseAddress } from '../store/api'
import { useCourse, useCourseStore, useModuleWord } from '../store/course-store'
import { queries } from '../store/queries'
import { todayIso } from '../store/today'
import { viewOf } from '../workspaces'

type FactProps = {
  readonly to: string
  readonly figure: ReactNode
  readonly of?: string
  readonly about: string
  readonly off?: 'fix' | 'check' | null
}
const Fact = ({ to, figure, of, about, off }: FactProps) => (
  <Link href={to} className={off ? `fact ${off}` : 'fact'}>
    <span>
      <b>{figure}</b> {of}
    </span>
    <span>{about}</span>
  </Link>
)

export function WhereItStands() {
  const store = useCourseStore()
  const course = useCourse((s) => s.view.course.get('course'))
  const standing = useCourse((s) => standingOf(s.view))
  const word = useModuleWord()
  const { data: published } = useQuery(
    {
      queryKey: ['publication', store.courseId],
      queryFn: () => asked<PublicationState | null>(courseAddress(store.courseId, '/publication')),
    },
    queries,
  )
  const { objectives, modules, gradeGiven, hours, firstDay } = standing
  const asks = hours.asked
  return (
    <section className="standing" aria-label="Where it stands">
      <Fact to="/outcomes?show=support" figure={formatWhole(objectives.assessed)} of={`of ${objectives.all}`} about="objectives assessed" />
      <Fact to="/map" figure={formatWhole(modules.planned)} of={`of ${modules.all}`} about={`${word.many} planned`} />
      <Fact
        to="/assessment"
        figure={gradeGiven === null ? 'none' : `${formatHundredths(gradeGiven)} %`}
        about="of the grade given"
        off={gradeGiven && gradeGiven !== WHOLE ? 'fix' : null}
      />
      <Fact
        to="/calendar?show=hours"
        figure={`${formatWhole(hours.planned)} h`}
        {...(asks
          ? { of: `of ${asks.least === asks.most ? formatWhole(asks.least) : `${formatWhole(asks.least)}–${formatWhole(asks.most)}`}` }
          : {})}
        about={asks && course?.credits ? `learner hours for ${formatHundredths(course.credits)} credits` : 'learner hours'}
        off={hours.planned > 0 && !hours.fits ? 'check' : null}
      />
      <Fact
        to="/calendar"
        figure={firstDay ? daysText(firstDay, todayIso()) : 'no'}
        about={firstDay ? `first day ${shortDate(firstDay)} ${firstDay.slice(0, 4)}` : 'first day yet'}
      />
      <Fact
        to="/syllabus"
        figure={published && !published.withdrawn ? `v${published.version}` : 'not'}
        about={published?.withdrawn ? 'published any more' : published ? 'of the syllabus published' : 'published yet'}
      />
    </section>
  )
}

export function WorthDoing() {
  const analysis = useCourse((s) => s.analysis)
  if (!analysis) return null
  const next = worthDoing(analysis)
  return (
    <section className="card" aria-labelledby="worth-doing">
      <h2 id="worth-doing">Worth doing next</h2>
      {next.length === 0 && <p className="muted">Nothing is open. What is left to improve stands in the findings.</p>}
      {next.map((n) => (
        <div key={n.key} className="next">
          <WeightMark weight={n.weight} />
          <span className="grow">{n.message}</span>
          <Link href={`/${n.workspace}${n.record ? `?at=${n.record.kind}:${n.record.id}` : ''}`}>{viewOf(n.workspace)?.title}</Link>
        </div>
      ))}
    </section>
  )
}
