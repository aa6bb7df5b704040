/** Spaces: what holds a plan with its people and its history. A course is one; libraries and programmes are to come. */
export const SPACE_TYPES = ['course'] as const
export type SpaceType = (typeof SPACE_TYPES)[number]

/** `archived`: out of the list and read-only, back at any time. `removed`: nobody sees it; it can be brought back for a while. */
export const SPACE_STATES = ['live', 'archived', 'removed'] as const
export type SpaceState = (typeof SPACE_STATES)[number]

/** For so many days a removed space can be brought back (Cairn default). */
export const REMOVED_DAYS = 30

/** Whether what somebody typed confirms the removal of something called so: the same words, whatever their case and spaces. */
export const confirmsRemoval = (typed: string, title: string): boolean => {
  const folded = (text: string) => text.normalize('NFC').toLowerCase().replace(/\s+/g, ' ').trim()
  return folded(title) !== '' && folded(typed) === folded(title)
}
