/** The strip of workspaces, with what is to fix in each, and the ways to the panel. */
import './frame.css'
import { Link, useLocation } from 'wouter'
import type { Workspace } from '../../core/workspaces'
import { useCourse, useCourseStore } from '../store/course-store'
import { useGo, usePanel } from '../store/navigation'
import { type CourseView, STRIP } from '../workspaces'

export function Strip({ workspace, onHelp }: { workspace: string; onHelp: () => void }) {
  const fixes = useCourse((s) => s.analysis?.fixes)
  const counts = useCourse((s) => s.analysis?.counts)
  const panel = usePanel()
  const may = useCourseStore().may('activity')
  const [, navigate] = useLocation()
  const { panel: setPanel } = useGo()
  const keepPanel = panel ? `?panel=${panel}` : ''
  // What does not come now is asked for again when it is opened.
  const fetchAhead = (view: CourseView) => void view.part.fetch().catch(() => undefined)
  return (
    <div className="strip">
      <nav aria-label="Workspaces" style={{ display: 'flex' }}>
        {STRIP.map((view) => {
          const { key, title } = view
          const n = fixes?.[key as Workspace] ?? 0
          return (
            <Link
              key={key}
              href={`/${key}${keepPanel}`}
              aria-current={workspace === key ? 'page' : undefined}
              onMouseEnter={() => fetchAhead(view)}
              onFocus={() => fetchAhead(view)}
            >
              {title}
              {n > 0 && (
                <span className="count" title={`${n} to fix`}>
                  {n}
                  <span className="visually-hidden"> to fix</span>
                </span>
              )}
            </Link>
          )
        })}
      </nav>
      <span className="grow" />
      <span className="row" style={{ gap: 6 }}>
        {may && (
          <button type="button" className="btn" aria-pressed={workspace === 'bring'} onClick={() => navigate('/bring')}>
            Bring in…
          </button>
        )}
        <button type="button" className="btn" aria-label="Keys" onClick={onHelp}>
          ?
        </button>
        <button
          type="button"
          className="btn"
          aria-pressed={panel === 'details'}
          onClick={() => setPanel(panel === 'details' ? null : 'details')}
        >
          Details
        </button>
        <button
          type="button"
          className="btn"
          aria-pressed={panel === 'findings'}
          onClick={() => setPanel(panel === 'findings' ? null : 'findings')}
        >
          Findings{counts ? ` ${counts.fix + counts.check + counts.idea}` : ''}
        </button>
      </span>
    </div>
  )
}
