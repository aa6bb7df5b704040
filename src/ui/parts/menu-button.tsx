/** A button that opens a menu. */
import ButtonBase, { type ButtonBaseProps } from '@mui/material/ButtonBase'
import { memo, useState } from 'react'
import { laterFrom } from './later'
import type { MenuEntry } from './menu-items'

const MenuItems = laterFrom(
  () => import('./menu-items'),
  (m) => m.MenuItems,
)
/** On the way to the button, so that the menu is there when it is pressed; a failure is told then. */
const fetchAhead = () => void MenuItems.fetch().catch(() => undefined)

type Props = ButtonBaseProps & { readonly entries: () => readonly MenuEntry[] }

/** `entries` are asked for when the menu opens. */
export const MenuButton = memo(function MenuButton({ entries, ...button }: Props) {
  const [at, setAt] = useState<HTMLElement | null>(null)
  return (
    <>
      <ButtonBase
        {...button}
        aria-haspopup="menu"
        onPointerEnter={fetchAhead}
        onFocus={fetchAhead}
        onClick={(e) => setAt(e.currentTarget)}
      />
      {at && <MenuItems at={at} entries={entries()} onClose={() => setAt(null)} />}
    </>
  )
})
