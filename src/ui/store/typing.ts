/**
 * Who types where in this window: the plan as it was when the typing in a field began, one sitting told apart from the next, and
 * the place of the cursor for the others.
 */
import { PRESENCE_THROTTLE_MS } from '../../core/access/presence'
import type { Blueprint } from '../../core/blueprint/blueprint'
import { fitted } from '../../core/blueprint/text'
import { LONGEST_PAUSE_MS } from '../../core/history/gather'

export type CursorPlace = { readonly view: string; readonly place: string | null; readonly field: string | null }

export class Typing {
  private before: Blueprint | null = null
  private stays = 0
  private typedAt = 0
  private moving: ReturnType<typeof setTimeout> | undefined

  /** `plan`: as it is now. `moved` hears where the cursor is, not more often than others could follow. */
  constructor(
    private readonly plan: () => Blueprint,
    private readonly moved: (place: CursorPlace) => void,
  ) {}

  listen(): void {
    document.addEventListener('input', this.onInput)
    document.addEventListener('focusin', this.onFocusIn)
    document.addEventListener('focusout', this.onFocusOut)
    this.move()
  }

  close(): void {
    clearTimeout(this.moving)
    document.removeEventListener('input', this.onInput)
    document.removeEventListener('focusin', this.onFocusIn)
    document.removeEventListener('focusout', this.onFocusOut)
  }

  /** The plan as it was when the typing began in the field that has the focus; null where nobody types. */
  get began(): Blueprint | null {
    return this.before
  }

  /** What was typed so far is in the plan: what comes next is judged against that. */
  goesOn(): void {
    if (this.before) this.before = this.plan()
  }

  /** The time that somebody has stayed in one field, told apart from those before; a long pause begins another. */
  sitting(): string {
    const now = Date.now()
    if (now - this.typedAt > LONGEST_PAUSE_MS) this.stays++
    this.typedAt = now
    return String(this.stays)
  }

  /** Tells where the cursor is. */
  move(): void {
    this.moving ??= setTimeout(() => {
      this.moving = undefined
      if (document.visibilityState === 'visible') this.moved(placeOfFocus())
    }, PRESENCE_THROTTLE_MS)
  }

  // A field that is typed in keeps the plan as it was at its first key.
  private readonly onInput = () => {
    this.before ??= this.plan()
  }
  private readonly onFocusIn = ({ target }: FocusEvent) => {
    this.move()
    this.stays++
    this.before = target instanceof HTMLElement && target.dataset.draft !== undefined ? this.plan() : null
  }
  // React has let the field commit before this reaches the document.
  private readonly onFocusOut = () => {
    this.before = null
  }
}

/** The view, the record and the field of it that have the focus. */
function placeOfFocus(): CursorPlace {
  const view = (window.location.pathname.split('/')[3] ?? '').replace(/[^\w-]/g, '').slice(0, 40)
  const at = document.activeElement?.closest<HTMLElement>('[data-record]')
  const field =
    document.activeElement?.closest<HTMLElement>('[data-field]')?.dataset['field'] ?? document.activeElement?.getAttribute('aria-label')
  return { view, place: at ? fitted(at.dataset['record'] ?? '', 140) : null, field: at ? (field ? fitted(field, 80) : null) : null }
}
