/** The server's log: one JSON object a line, with codes, routes and ids of ours; never what people wrote, nor who they are. */
import { Refusal } from './problem'

export function log(level: 'info' | 'error', facts: Readonly<Record<string, string | number | null>>): void {
  console.error(JSON.stringify({ level, at: new Date().toISOString(), ...facts }))
}

/** The route of a path, without the ids and names in it: `/api/courses/small-streams/changes` is `/api/courses/-/changes`. */
export const routeOf = (path: string): string =>
  path
    .split('/')
    .map((part, i) => (i > 0 && ['courses', 'p', 'invitation'].includes(path.split('/')[i - 1] ?? '') ? '-' : part))
    .join('/')
    .slice(0, 80)

/** The code of an error or of what caused it: PostgreSQL's five characters, or the machine's (`ECONNREFUSED`); null where it has none. */
export function causeCode(error: unknown): string | null {
  for (let e = error; e instanceof Error; e = e.cause) {
    const code = (e as NodeJS.ErrnoException).code
    if (typeof code === 'string') return code
  }
  return null
}

/** Lines of our own code in a stack, without the message, which may carry values. */
export const stackOf = (error: unknown): string =>
  error instanceof Error
    ? (error.stack ?? '')
        .split('\n')
        .filter((l) => /^\s+at /.test(l))
        .slice(0, 8)
        .map((l) => l.trim())
        .join(' | ')
    : ''

/**
 * PostgreSQL's classes of codes (its manual, appendix A): 08 connection, 57 operator intervention (shut down, starting), 53
 * insufficient resources (53100 disk full, 53300 too many connections), 58 system error (58030 I/O error), 25006 read only.
 */
const AWAY = /^(08...|57P0[1-5]|53300|ECONN\w+|EPIPE|ENOTFOUND|ETIMEDOUT)$/
const CANNOT_STORE = /^(53[12]00|53000|58...|25006|XX00[012])$/

/** Class 22: data that PostgreSQL cannot hold; 23514: values that a rule of a table forbids. What was sent is at fault. */
const BAD_DATA = /^(22...|23514)$/

/** The refusal for a body cut short and a database that is away, cannot write, or cannot hold what was sent; null for every other error. */
export function storeTrouble(error: unknown): Refusal | null {
  const code = causeCode(error)
  const message = error instanceof Error ? `${error.message} ${error.cause instanceof Error ? error.cause.message : ''}` : ''
  if ((code && AWAY.test(code)) || /Connection terminated|timeout exceeded when trying to connect|Client has encountered/.test(message))
    return new Refusal(503, 'database-away', 'The database does not answer. Nothing was written; it is tried again.')
  if (code === 'ERR_STREAM_PREMATURE_CLOSE') return new Refusal(400, 'cut-short', 'The body did not come whole.')
  if (code && BAD_DATA.test(code))
    return new Refusal(422, 'cannot-be-stored', 'This holds something that cannot be stored. Nothing was written.')
  if ((code && CANNOT_STORE.test(code)) || /No space left on device|File too large/.test(message))
    return new Refusal(503, 'cannot-store', 'The server cannot store anything now. Nothing was written; it is tried again.')
  return null
}
