/**
 * Buttons in three ranks. `main`: what a view is for, at most one in it. `object` (unless said): an action at what it is about.
 * `rest`: everything quieter.
 */
import MuiButton, { type ButtonProps as MuiButtonProps } from '@mui/material/Button'
import MuiIconButton, { type IconButtonProps as MuiIconButtonProps } from '@mui/material/IconButton'
import { memo, type ReactNode } from 'react'
import { Link } from 'wouter'
import { tip as tipped } from './tip'

const RANKS = {
  main: { variant: 'contained', color: 'primary' },
  object: { variant: 'outlined', color: 'inherit' },
  rest: { variant: 'text', color: 'primary' },
} as const

export type ButtonProps = Omit<MuiButtonProps, 'variant' | 'color' | 'title'> & {
  readonly rank?: keyof typeof RANKS
  /** Said at the pointer and at the focus: a key, or what the words leave open. */
  readonly tip?: string | undefined
}

/** Drawn again when what it is given differs: who is drawn at every key gives it the same. */
export const Button = memo(function Button({ rank = 'object', tip, ...rest }: ButtonProps) {
  return <MuiButton {...RANKS[rank]} {...tipped(tip)} {...rest} />
})

export type IconButtonProps = Omit<MuiIconButtonProps, 'title' | 'children'> & {
  /** What it does; shown at the pointer and at the focus. */
  readonly name: string
  /** Its key, shown behind the name. */
  readonly keys?: string
  readonly children: ReactNode
}

const named = (name: string, keys?: string) => ({ 'aria-label': name, 'data-tip': keys ? `${name} · ${keys}` : name })

/** A button that is a sign. */
export const IconButton = ({ name, keys, ...rest }: IconButtonProps) => <MuiIconButton {...named(name, keys)} {...rest} />

/** A sign that leads to a view of the course. */
export const IconLink = ({ name, to, current, children }: IconLinkProps) => (
  <MuiIconButton component={Link} href={to} aria-current={current ? 'page' : undefined} {...named(name)}>
    {children}
  </MuiIconButton>
)
type IconLinkProps = { readonly name: string; readonly to: string; readonly current: boolean; readonly children: ReactNode }
