/** Pointers that move. */
import type { PointerEvent } from 'react'

/** Whether the hand moved; what scrolls under a pointer that rests is not looked at. */
export const isMoved = (e: PointerEvent): boolean => e.movementX !== 0 || e.movementY !== 0
