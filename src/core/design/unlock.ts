/** Conditions to open as they are said and typed: `handed in 2.1`, `passed 2.1 from 60 %`, `from 4 Oct 2026`. */
import type { Names } from '../blueprint/field'
import { readField } from '../blueprint/field-text'
import { fieldOf, type RecordOfKind } from '../blueprint/kinds'
import { UNLOCKS_WHEN } from '../blueprint/kinds/links-of-work'
import { matchOne } from '../blueprint/types/define-type'
import { longDate, readDate } from '../calendar/plain-date'
import { err, ok, type Result } from '../result'

type UnlockTerm = RecordOfKind<'unlockTerm'>
type Said = Pick<UnlockTerm, 'when' | 'earlierId' | 'percent' | 'day'>

/** A condition in a few words, with the number of what it waits for. */
export function unlockWords({ when, earlierId, percent, day }: Said, names: Names): string {
  if (when === 'from a day') return day === null ? 'from a day' : `from ${longDate(day)}`
  const from = when === 'passed' && percent !== null ? ` from ${percent / 100} %` : ''
  return `${when}${earlierId === null ? '' : ` ${names.nameOf('activity', earlierId) ?? ''}`}${from}`
}

/** Reads one condition as it is said; a bare number is one that must be handed in. A day without a year is the one near `near`. */
export function readUnlock(text: string, names: Names, near: string | null): Result<Said, string> {
  const day = /^from\s+(?!\d+(?:[.,]\d+)?\s*%)(.+)$/i.exec(text)
  if (day) {
    const date = readDate(day[1] ?? '', near ?? '')
    if (date === null || !readField(fieldOf('unlockTerm', 'day'), date).ok) return err(`“${day[1]}” is no date: write 4 Oct 2026.`)
    return ok({ when: 'from a day', earlierId: null, percent: null, day: date })
  }
  const parts = /^(?:(\D*?)\s*)([A-Za-z]{0,2}\.?\d+(?:\.\d+)?)(?:\s*(?:from|:)?\s*(\d+(?:[.,]\d+)?)\s*%)?$/.exec(text)
  if (!parts) return err(`“${text}” is no condition: write “handed in 2.1”, “passed 2.1 from 60 %” or “from 4 Oct 2026”.`)
  const [, word = '', number = '', percent] = parts
  const when = word === '' ? 'handed in' : matchOne(UNLOCKS_WHEN, word)
  if (when === undefined) return err(`“${word}” is none of: ${UNLOCKS_WHEN.join(', ')}.`)
  const earlierId = names.find('activity', number)
  if (earlierId === null) return err(`There is no activity ${number}.`)
  const share = percent === undefined ? null : readField(fieldOf('unlockTerm', 'percent'), percent)
  if (share && !share.ok) return err(share.error)
  return ok({ when: when as UnlockTerm['when'], earlierId, percent: share?.ok ? (share.value as number) : null, day: null })
}
