/** The panel beside the work: details of what is selected, and findings. */
import CloseIcon from '@mui/icons-material/Close'
import { IconButton } from '../parts/button'
import './frame.css'
import type { Workspace } from '../../core/workspaces'
import { fetched } from '../parts/fetched'
import { later } from '../parts/later'
import { useGo, usePanel } from '../store/navigation'
import { FindingList } from './finding-list'
import { toWork } from './regions'

/** Fetched when the panel is first opened. */
const Details = later(
  fetched(
    () => import('../details/details'),
    (m) => m.Details,
  ),
)

export function Panel({ workspace }: { workspace: Workspace }) {
  const tab = usePanel()
  const { panel } = useGo()
  return (
    <aside
      className="panel"
      data-region="panel"
      aria-label={tab === 'details' ? 'Details' : 'Findings'}
      onKeyDown={(e) => {
        if (e.key === 'Escape' && !e.defaultPrevented) toWork()
      }}
    >
      <div className="panel-tabs">
        <div role="tablist" aria-label="Panel" style={{ display: 'flex' }}>
          {(['details', 'findings'] as const).map((t) => (
            <button
              key={t}
              type="button"
              role="tab"
              id={`tab-${t}`}
              aria-selected={tab === t}
              aria-controls="panel-body"
              tabIndex={tab === t ? 0 : -1}
              onClick={() => panel(t)}
              onKeyDown={(e) => {
                if (e.key !== 'ArrowLeft' && e.key !== 'ArrowRight') return
                panel(t === 'details' ? 'findings' : 'details')
                document.getElementById(`tab-${t === 'details' ? 'findings' : 'details'}`)?.focus()
              }}
            >
              {t === 'details' ? 'Details' : 'Findings'}
            </button>
          ))}
        </div>
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
