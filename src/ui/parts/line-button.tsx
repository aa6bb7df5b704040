/**
 * A button in a line or a cell, of which there may be hundreds in sight: a plain element in the theme's tokens, since each of MUI's
 * takes several times as long to draw.
 */
import type { ComponentProps } from 'react'
import { tip as tipped } from './tip'

type LineButtonProps = Omit<ComponentProps<'button'>, 'type' | 'title'> & { readonly tip?: string | undefined }

export const LineButton = ({ tip, ...rest }: LineButtonProps) => <button type="button" {...tipped(tip)} {...rest} />
