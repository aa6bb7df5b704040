/** The menu of a `MenuButton`, fetched when somebody comes near the button. */
import Menu from '@mui/material/Menu'
import MenuItem from '@mui/material/MenuItem'
import type { ReactNode } from 'react'

export type MenuEntry = {
  readonly key: string
  readonly label: ReactNode
  /** Leads to an address; `file`: to a file that is saved. */
  readonly href?: string
  readonly file?: boolean
  readonly run?: () => void
  readonly selected?: boolean
  readonly disabled?: boolean
}
type MenuProps = { readonly at: HTMLElement; readonly entries: readonly MenuEntry[]; readonly onClose: () => void }

export const MenuItems = ({ at, entries, onClose }: MenuProps) => (
  <Menu open anchorEl={at} onClose={onClose}>
    {entries.map(({ key, label, href, file = false, run, selected = false, disabled = false }) => (
      <MenuItem
        key={key}
        selected={selected}
        disabled={disabled}
        {...(href === undefined ? {} : { component: 'a', href, download: file })}
        onClick={() => {
          onClose()
          run?.()
        }}
      >
        {label}
      </MenuItem>
    ))}
  </Menu>
)
