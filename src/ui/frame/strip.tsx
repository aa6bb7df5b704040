/** The strip of workspaces, with what is to fix in each, and the ways to the panel. */
import './frame.css'
import FlagIcon from '@mui/icons-material/OutlinedFlag'
import InOutIcon from '@mui/icons-material/SwapVert'
import DetailsIcon from '@mui/icons-material/ViewSidebarOutlined'
import { Link, useLocation } from 'wouter'
import { courseFormats } from '../../core/formats/formats'
import type { Workspace } from '../../core/workspaces'
import { Button, IconButton } from '../parts/button'
import { MenuButton } from '../parts/menu-button'
import { tip } from '../parts/tip'
import { useCourse, useCourseStore, useMay } from '../store/course-store'
import { exportAddress } from '../store/export-address'
import { useGo, usePanel } from '../store/navigation'
import { type CourseView, STRIP } from '../workspaces'

export function Strip({ workspace }: { workspace: string }) {
  const fixes = useCourse((s) => s.analysis?.fixes)
  const counts = useCourse((s) => s.analysis?.counts)
  const panel = usePanel()
  const { panel: setPanel } = useGo()
  const mayLeave = useMay('plan.read')
  const keepPanel = panel ? `?panel=${panel}` : ''
  // What does not come now is asked for again when it is opened.
  const fetchAhead = (view: CourseView) => void view.part.fetch().catch(() => undefined)
  return (
    <div className="strip" data-region="strip">
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
                <span className="count" data-tip={`${n} to fix`}>
                  {n}
                  <span className="visually-hidden"> to fix</span>
                </span>
              )}
            </Link>
          )
        })}
      </nav>
      <span className="grow" />
      <span className="ways">
        {mayLeave && <InAndOut />}
        <Button
          rank="rest"
          startIcon={<FlagIcon />}
          aria-pressed={panel === 'findings'}
          {...tip('Findings: what was noticed · Ctrl+Alt+F')}
          onClick={() => setPanel(panel === 'findings' ? null : 'findings')}
        >
          <span className="visually-hidden">Findings </span>
          {counts ? counts.fix + counts.check + counts.idea : ''}
        </Button>
        <IconButton
          name="Details"
          keys="Ctrl+Alt+D"
          aria-pressed={panel === 'details'}
          onClick={() => setPanel(panel === 'details' ? null : 'details')}
        >
          <DetailsIcon />
        </IconButton>
      </span>
    </div>
  )
}

/** What comes in from outside, and the files that the course leaves in. */
function InAndOut() {
  const store = useCourseStore()
  const [, navigate] = useLocation()
  // The files are of the offering that is chosen.
  useCourse((s) => s.offering)
  return (
    <MenuButton
      className="way"
      entries={() => [
        ...(store.may('activity') ? [{ key: 'bring', label: 'Bring in files or text…', run: () => navigate('/bring') }] : []),
        ...courseFormats().map(({ key, title }) => ({ key, label: title, href: exportAddress(store, key), file: true })),
      ]}
    >
      <InOutIcon fontSize="small" />
      In and out
    </MenuButton>
  )
}
