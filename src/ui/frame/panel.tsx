/** The panel beside the work: details of what is selected, findings, and what is said about the course. Its parts are fetched when it is first opened. */

import CloseIcon from '@mui/icons-material/Close'
import { IconButton } from '../parts/button'
import './frame.css'
import type { Workspace } from '../../core/workspaces'
import { leadsOut } from '../parts/focus'
import { laterFrom } from '../parts/later'
import { Waiting } from '../parts/waiting'
import { useMay } from '../store/course-store'
import { type PanelTab, useGo, usePanel } from '../store/navigation'
import { toWork } from './regions'

const Details = laterFrom(
  () => import('../details/details'),
  (m) => m.Details,
)
const FindingList = laterFrom(
  () => import('./finding-list'),
  (m) => m.FindingList,
  <Waiting lines={6} />,
)
const CommentList = laterFrom(
  () => import('../comments/comment-list'),
  (m) => m.CommentList,
  <Waiting lines={6} />,
)
const PanelTabs = laterFrom(
  () => import('./panel-tabs'),
  (m) => m.PanelTabs,
)

const TITLES: Readonly<Record<PanelTab, string>> = { details: 'Details', findings: 'Findings', comments: 'Comments' }

export function Panel({ workspace }: { workspace: Workspace }) {
  const tab = usePanel() ?? 'details'
  const { panel } = useGo()
  const mayHear = useMay('comment.read')
  const titles = Object.fromEntries(Object.entries(TITLES).filter(([t]) => mayHear || t !== 'comments'))
  return (
    <aside
      className="panel"
      data-region="panel"
      aria-label={TITLES[tab]}
      onKeyDown={(e) => {
        if (leadsOut(e)) toWork()
      }}
    >
      <div className="panel-tabs">
        <PanelTabs titles={titles} tab={tab} onTab={panel} />
        <span className="grow" />
        <IconButton name="Close the panel" onClick={() => panel(null)}>
          <CloseIcon />
        </IconButton>
      </div>
      <div className="panel-body" id="panel-body" role="tabpanel" aria-label={TITLES[tab]} tabIndex={0}>
        {tab === 'details' && <Details />}
        {tab === 'findings' && <FindingList workspace={workspace} />}
        {tab === 'comments' && mayHear && <CommentList />}
      </div>
    </aside>
  )
}
