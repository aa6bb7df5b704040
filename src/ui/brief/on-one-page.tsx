/** The course picture, small: what is where at a glance, and the way to the large one. */
import { useMemo } from 'react'
import { Link } from 'wouter'
import { layOutPicture } from '../../core/picture/layout'
import { StoneShape } from '../parts/marks'
import { useMoment } from '../parts/use-growing'
import { useCourse } from '../store/course-store'

/** The picture is laid out as if there were this much room, in pixels, and drawn smaller. */
const ROOM = 1000

export function OnOnePage() {
  const view = useCourse((s) => s.view)
  const picture = useMemo(() => layOutPicture(view, 'minutes', ROOM), [view])
  const stones = useMoment() ? picture.stones : []
  if (picture.lanes.length === 0 || picture.stones.length === 0) return null
  const { left, top, bottom, width } = picture
  return (
    <section className="card" aria-labelledby="on-one-page">
      <h2 id="on-one-page">On one page</h2>
      <Link href="/map?show=picture" className="on-one-page" aria-label="The course picture">
        <svg viewBox={`${left - 4} ${top} ${width - left + 8} ${bottom - top}`} aria-hidden="true">
          {picture.lanes.map((l) => (
            <line key={l.laneId} x1={left} x2={width} y1={l.y + l.height} y2={l.y + l.height} stroke="var(--line)" strokeWidth="2" />
          ))}
          {stones.map((s) => (
            <g key={s.key} transform={`translate(${s.x} ${s.y + 6})`}>
              <StoneShape purpose={s.purpose} rx={s.rx} ry={s.ry} />
            </g>
          ))}
        </svg>
      </Link>
    </section>
  )
}
