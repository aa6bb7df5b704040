/** The tabs of the panel. */
import Tab from '@mui/material/Tab'
import Tabs from '@mui/material/Tabs'
import type { PanelTab } from '../store/navigation'

type Props = {
  readonly titles: Readonly<Partial<Record<PanelTab, string>>>
  readonly tab: PanelTab
  readonly onTab: (tab: PanelTab) => void
}

export const PanelTabs = ({ titles, tab, onTab }: Props) => (
  <Tabs value={tab} onChange={(_, to) => onTab(to)} aria-label="Panel" selectionFollowsFocus>
    {Object.entries(titles).map(([t, title]) => (
      <Tab key={t} value={t} label={title} id={`tab-${t}`} aria-controls="panel-body" disableRipple />
    ))}
  </Tabs>
)
