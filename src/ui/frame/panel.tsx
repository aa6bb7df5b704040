/** The panel beside the work: details of what is selected, and findings. */

import CloseIcon from '@mui/icons-material/Close'
import Tab from '@mui/material/Tab'
import Tabs from '@mui/material/Tabs'
import { IconButton } from '../parts/button'
import './frame.css'
import type { Workspace } from '../../core/workspaces'
import { laterFrom } from '../parts/later'
import { useGo, usePanel } from '../store/navigation'
import { FindingList } from './finding-list'
import { toWork } from './regions'

/** Fetched when the panel is first opened. */
const Details = laterFrom(
  () => import('../details/details'),
  (m) => m.Details,
)

const TITLES = { details: 'Details', findings: 'Findings' } as const

export function Panel({ workspace }: { workspace: Workspace }) {
  const tab = usePanel()
  const { panel } = useGo()
  return (
    <aside
      className="panel"
      data-region="panel"
      aria-label={TITLES[tab ?? 'details']}
      onKeyDown={(e) => {
        if (e.key === 'Escape' && !e.defaultPrevented) toWork()
      }}
    >
      <div className="panel-tabs">
        <Tabs value={tab ?? 'details'} onChange={(_, to) => panel(to)} aria-label="Panel" selectionFollowsFocus>
          {(['details', 'findings'] as const).map((t) => (
            <Tab key={t} value={t} label={TITLES[t]} id={`tab-${t}`} aria-controls="panel-body" disableRipple />
          ))}
        </Tabs>
        <span className="grow" />
        <IconButton name="Close the panel" onClick={() => panel(null)}>
          <CloseIcon />
        </IconButton>
      </div>
      <div className="panel-body" id="panel-body" role="tabpanel" aria-labelledby={`tab-${tab}`} tabIndex={0}>
        {tab === 'details' ? <Details /> : <FindingList workspace={workspace} />}
      </div>
    </aside>
  )
}
