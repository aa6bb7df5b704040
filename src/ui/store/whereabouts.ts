/** Where this window is, as it tells the others. */
import type { PresentAt } from '../../core/access/presence'

export type Place = Omit<PresentAt, 'says' | 'n' | 'window'>

export class Whereabouts {
  private place: Place | null = null
  private told = 0

  /** `post` sends what is said; nothing but a farewell is said while `mayTell` is false. */
  constructor(
    private readonly windowId: string,
    private readonly mayTell: (says: PresentAt['says']) => boolean,
    private readonly post: (at: PresentAt) => void,
  ) {}

  /** Says where this window is; the caller throttles. */
  moveTo(place: Place): void {
    const first = this.place === null
    this.place = place
    this.tell(first ? 'hello' : 'here')
  }

  leave(): void {
    this.tell('gone')
    this.place = null
  }

  tell(says: PresentAt['says']): void {
    if (this.place && this.mayTell(says)) this.post({ ...this.place, window: this.windowId, says, n: this.told++ })
  }
}
