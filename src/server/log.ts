/**
 * The server's log: one JSON object a line, on standard output, with codes, routes and ids of ours; never what people wrote, nor who
 * they are. Lines that a request brings about carry its id, its person, its course, and its address as a hash that lasts a day.
 */
import { AsyncLocalStorage } from 'node:async_hooks'
import { createHmac } from 'node:crypto'
import pino from 'pino'
import { Refusal } from './problem'

/** What a line tells of the request that it came about in. */
export type RequestFacts = { readonly request: string; address?: string; person?: string; course?: string }
const current = new AsyncLocalStorage<RequestFacts>()
/** Does something as a part of a request. */
export const inRequest = <T>(facts: RequestFacts, work: () => T): T => current.run(facts, work)
/** The request that is being answered, to be added to as more of it is known. */
export const thisRequest = (): RequestFacts | undefined => current.getStore()

let lines: pino.Logger | undefined
/** Where lines go: 1, standard output, unless that holds what a command gives out. */
export function logTo(output: 1 | 2): void {
  const options: pino.LoggerOptions = {
    base: null,
    timestamp: () => `,"at":"${new Date().toISOString()}"`,
    formatters: { level: (level) => ({ level }) },
    mixin: () => ({ ...current.getStore() }),
  }
  const to = pino.destination({ fd: output, sync: true })
  // Whoever read it may be gone; the server goes on.
  to.on('error', () => undefined)
  lines = pino(options, to)
}

type Facts = Readonly<Record<string, string | number | null>>
export function log(level: 'info' | 'error', facts: Facts): void {
  if (!lines) logTo(1)
  lines?.[level](facts)
}

const COUNTED_MS = 10_000
const counted = new Map<string, number>()
/** The same for what somebody may bring about as often as they like: once in ten seconds, then how often it was (Cairn default). */
export function logCounted(facts: Facts): void {
  const key = JSON.stringify([facts, current.getStore()?.person, current.getStore()?.address])
  const before = counted.get(key)
  counted.set(key, (before ?? 0) + 1)
  if (before !== undefined) return
  const about = current.getStore()
  log('info', facts)
  const tell = () => {
    const more = (counted.get(key) ?? 1) - 1
    counted.delete(key)
    if (more > 0) log('info', { ...facts, more })
  }
  setTimeout(about ? () => inRequest(about, tell) : tell, COUNTED_MS).unref()
}

/** An address as a hash with the day's salt: the same for a day, and nothing that can be called. */
export function addressHash(address: string, secret: string): string {
  const salt = createHmac('sha256', secret)
    .update(`log ${new Date().toISOString().slice(0, 10)}`)
    .digest()
  return createHmac('sha256', salt).update(address).digest('base64url').slice(0, 12)
}

/** What a library says, for a line: its words without what may have been typed, and where in the code it was. */
export function logLibrary(level: 'info' | 'error', said: unknown): void {
  const at = linesOfStack(said instanceof Error ? (said.stack ?? '') : String(said))
  log(level, { code: 'library', said: libraryText(said), ...(at ? { at } : {}) })
}

/** Without what stands in quotes, and every number, address and path. */
export const libraryText = (said: unknown): string =>
  String(said instanceof Error ? said.name : said)
    .split('\n', 1)[0]
    ?.replace(/["'`].*["'`]|\S*[\d@/]\S*/g, '…')
    .slice(0, 80) ?? ''

/** The code of an error or of what caused it: PostgreSQL's five characters, or the machine's (`ECONNREFUSED`); null where it has none. */
export function causeCode(error: unknown): string | null {
  for (let e = error; e instanceof Error; e = e.cause) {
    const code = (e as NodeJS.ErrnoException).code
    if (typeof code === 'string') return code
  }
  return null
}

/** Lines of our own code in a stack, without the message, which may carry values. */
export const stackOf = (error: unknown): string => (error instanceof Error ? linesOfStack(error.stack ?? '') : '')

function linesOfStack(stack: string): string {
  const lines = stack.split('\n').filter((l) => /^\s+at \S.*:\d+:\d+\)?$/.test(l))
  return lines
    .slice(0, 8)
    .map((l) => l.trim())
    .join(' | ')
}

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
