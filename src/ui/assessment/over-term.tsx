/** Where the grade lies over the term: what is due by the end of each week, and the first graded work that comes back. */
import { scaleLinear, scalePoint } from 'd3-scale'
import { curveStepAfter, line } from 'd3-shape'
import { courseOf } from '../../core/blueprint/blueprint'
import { dateSpan, shortDate } from '../../core/calendar/plain-date'
import { formatHundredths } from '../../core/numbers'
import { indexCourse } from '../../core/plan/plan-index'
import { type GradeOverTerm, gradeOverTerm } from '../../core/standing/grade-over-term'
import { Chart } from '../parts/chart/chart'
import { Mark } from '../parts/chart/marks'
import { useCourse } from '../store/course-store'

const HEIGHT = 150
const [LEFT, RIGHT, TOP, BOTTOM] = [44, 16, 12, 26]
type Point = GradeOverTerm['weeks'][number]

const percent = (hundredths: number): string => `${formatHundredths(Math.round(hundredths / 10) * 10)} %`
const weekName = ({ week }: Point): string => (week.number === null ? (week.breakTitle ?? 'Break') : `Week ${week.number}`)

export function OverTerm() {
  const view = useCourse((s) => s.view)
  const index = indexCourse(view)
  const over = gradeOverTerm(view)
  if (!over || over.weeks.length === 0 || over.weeks.every((w) => w.share === 0)) return null
  const numbers = (p: Point) => p.activityIds.map((id) => index.numberOf(id)).join(', ')
  const says = (p: Point) =>
    `${weekName(p)}, ${dateSpan(p.week.first, p.week.last)}: ${p.share === 0 ? 'nothing due' : `${percent(p.share)} due (${numbers(p)})`}, ${percent(p.sum)} so far`
  const feedback = over.firstFeedback
  const draw = (width: number) => {
    const x = scalePoint(
      over.weeks.map((w) => w.week.first),
      [LEFT, width - RIGHT],
    ).padding(0.5)
    const y = scaleLinear([0, 100_00], [HEIGHT - BOTTOM, TOP])
    const at = (p: Point) => x(p.week.first) ?? LEFT
    const path = line<Point>(at, (p) => y(p.sum)).curve(curveStepAfter)
    const every = Math.ceil(over.weeks.length / Math.max(1, Math.floor((width - LEFT) / 34)))
    const back = feedback && over.weeks.find((w) => feedback.date >= w.week.first && feedback.date <= w.week.last)
    return {
      height: HEIGHT,
      content: (
        <>
          {y.ticks(4).map((t) => (
            <g key={t}>
              <line x1={LEFT} x2={width - RIGHT} y1={y(t)} y2={y(t)} stroke="var(--line)" />
              <text className="quiet" x={LEFT - 6} y={y(t) + 4} textAnchor="end">
                {t / 100} %
              </text>
            </g>
          ))}
          {over.weeks.map((w, n) =>
            n % every === 0 ? (
              <text key={w.week.first} className="quiet" x={at(w)} y={HEIGHT - 8} textAnchor="middle">
                {w.week.number ?? '–'}
              </text>
            ) : null,
          )}
          {back && (
            <g>
              <line x1={at(back)} x2={at(back)} y1={TOP} y2={HEIGHT - BOTTOM} stroke="var(--river)" strokeDasharray="4 3" />
              <text className="quiet" x={at(back) + 6} y={TOP + 8} style={{ fill: 'var(--river)' }}>
                first graded feedback
              </text>
            </g>
          )}
          <path d={path(over.weeks) ?? ''} fill="none" stroke="var(--moss)" strokeWidth={2} />
          {over.weeks.map((w) => (
            <Mark key={w.week.first} id={w.week.first} says={says(w)}>
              <circle
                className="ring"
                cx={at(w)}
                cy={y(w.sum)}
                r={w.share > 0 ? 5 : 2.5}
                fill={w.share > 0 ? 'var(--moss)' : 'var(--surface)'}
                stroke="var(--moss)"
                strokeWidth={1.5}
              />
            </Mark>
          ))}
        </>
      ),
    }
  }
  return (
    <Chart
      heading="Where the grade lies"
      name={`${courseOf(view).code ?? courseOf(view).title} grade over the term`}
      legend={[{ mark: 'var(--moss)', word: 'share due by the end of a week' }]}
      table={{
        head: ['Week', 'Due', 'In it', 'So far'],
        rows: over.weeks.map((w) => [weekName(w), numbers(w), percent(w.share), percent(w.sum)]),
      }}
      draw={draw}
      note={
        <p className="muted small" style={{ margin: '4px 0 0' }}>
          {feedback
            ? `The first graded work that comes back is ${index.numberOf(feedback.activityId)}, by ${shortDate(feedback.date)}.`
            : 'No graded work has a date yet.'}
          {over.undated > 0 && ` ${percent(over.undated)} of the grade has no date in this term.`}
        </p>
      }
    />
  )
}
