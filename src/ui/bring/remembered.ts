/** What columns under a header hold, as somebody has said: remembered in this browser for the next file with the same headers. */
import { z } from 'zod'
import { type Answers, NO_ANSWERS } from '../../core/intake/answers'
import { ROLES, type Role } from '../../core/intake/column-roles'

const KEY = 'cairn column headers'
const schema = z.record(z.string(), z.enum(ROLES))
/** So many headers are remembered, the latest (Cairn default). */
const MOST = 500

function remembered(): Record<string, Role> {
  try {
    return schema.parse(JSON.parse(localStorage.getItem(KEY) ?? '{}'))
  } catch {
    return {}
  }
}

/** No answers but those that were given for other files. */
export const answersSoFar = (): Answers => ({ ...NO_ANSWERS, headers: remembered() })

export function remember(header: string, role: Role): Record<string, Role> {
  const { [header.toLowerCase()]: _before, ...others } = remembered()
  const next = Object.fromEntries([...Object.entries(others).slice(1 - MOST), [header.toLowerCase(), role]])
  try {
    localStorage.setItem(KEY, JSON.stringify(next))
  } catch {
    // A full storage forgets; the answer holds for this file all the same.
  }
  return next
}
