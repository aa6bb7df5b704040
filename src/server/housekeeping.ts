/** What a server sees to on its own, without anybody asking. Each server may do it: what is done already is left alone. */
import { getDatabase } from './db/client'
import { causeCode, log } from './log'
import { forgetVisits } from './seats'
import { purgeRemoved } from './spaces'

/** Cairn defaults. */
const FIRST_AFTER_MS = 10 * 60_000
const EVERY_MS = 6 * 3_600_000

let begun = false

/** Begins, once a process: what was removed long enough ago goes for good. */
export function keepHouse(): void {
  if (begun) return
  begun = true
  const tidy = () =>
    void Promise.all([purgeRemoved(getDatabase()), forgetVisits(getDatabase())]).catch((error) =>
      log('error', { code: 'purge-failed', cause: causeCode(error) }),
    )
  setTimeout(tidy, FIRST_AFTER_MS).unref()
  setInterval(tidy, EVERY_MS).unref()
}
