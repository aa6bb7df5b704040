/** The workspaces whose first steps somebody has put away, as one text of the account. */
import { WORKSPACES, type Workspace } from '../workspaces'

/** What a text names; words that name no workspace are left out. */
export const seenOf = (text: string): Workspace[] => WORKSPACES.filter((w) => text.split(',').includes(w))

/** The text of a list, each once and in their order. */
export const seenText = (seen: readonly Workspace[]): string => WORKSPACES.filter((w) => seen.includes(w)).join(',')
