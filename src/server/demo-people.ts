import type { Role } from '../core/roles'

export type DemoPerson = { readonly name: string; readonly email: string; readonly role: Role; readonly does: string }
/** Of demo accounts only: they exist after the demo command, and only while Cairn is bound to loopback. */
export const DEMO_PASSWORD = 'small-streams-214'
export const DEMO_PEOPLE: readonly DemoPerson[] = [
  { name: 'Ines Okafor', email: 'ines@larkfield.example', role: 'designer', does: 'plans the course' },
  { name: 'Tove Rasmussen', email: 'tove@larkfield.example', role: 'expert', does: 'knows the subject' },
  { name: 'Nadia Brandt', email: 'nadia@larkfield.example', role: 'commenter', does: 'reads and comments' },
  { name: 'Marek Havel', email: 'marek@larkfield.example', role: 'reviewer', does: 'reads and reviews' },
]
