/**
 * Heavy work off the server's process, so that requests do not wait for it and cannot be ended by what it takes: some processes beside
 * this one, by turns, each with limits of its own. One that is done is there for the next.
 */
import { type ChildProcess, fork } from 'node:child_process'
import { availableParallelism, constants, setPriority } from 'node:os'
import { fileURLToPath } from 'node:url'
import type { Answered, Asked } from './answered'
import type { HeavyArgs, HeavyName, HeavyResult } from './heavy'
import { log, thisRequest } from './log'
import { Refusal } from './problem'
import { TooManyWaiting, type TurnOf, Turns } from './turns'

/** Cairn defaults: one helper for whoever takes it all, one for the others, more where there are processors for them. */
const PLACES = Math.max(2, Math.min(4, availableParallelism() - 1))
const MOST_WAITING = 8
const MEMORY_MB = 320
const GIVE_UP_MS = 60_000
/** Large answers that are on their way to their readers at once. */
const MOST_ANSWERS = 8
/** So many are kept for what comes next, unless they hold more than this. */
const MOST_IDLE = 1
const LARGE_BYTES = 150e6

const idle: ChildProcess[] = []
const all = new Set<ChildProcess>()
// One at work does not hear that this process ends.
process.once('exit', () => {
  for (const helper of all) helper.kill('SIGKILL')
})
const turns = new Turns(PLACES, MOST_WAITING)
const answers = new Turns(MOST_ANSWERS, MOST_WAITING)

function started(): ChildProcess {
  const helper = fork(fileURLToPath(process.env['CAIRN_HELPER'] ?? ''), [], {
    execArgv: [`--max-old-space-size=${MEMORY_MB}`],
    serialization: 'advanced',
    stdio: ['ignore', 'inherit', 'inherit', 'ipc'],
  })
  try {
    // Who waits for an answer of this process comes first.
    setPriority(helper.pid ?? 0, constants.priority.PRIORITY_BELOW_NORMAL)
  } catch {
    // Where that may not be, they are equal.
  }
  all.add(helper)
  helper.on('error', () => undefined)
  helper.once('exit', () => {
    all.delete(helper)
    if (idle.includes(helper)) idle.splice(idle.indexOf(helper), 1)
  })
  return helper
}

/** A helper that has nothing to do keeps nobody. */
function rest(helper: ChildProcess, rss: number): void {
  helper.unref()
  helper.channel?.unref()
  if (idle.length < MOST_IDLE && rss < LARGE_BYTES) idle.push(helper)
  else helper.disconnect()
}

/** Has a helper do it. Throws what it refuses, and 503 where it takes too much. */
async function done(name: HeavyName, args: readonly unknown[], signal?: AbortSignal): Promise<unknown> {
  const helper = idle.pop() ?? started()
  helper.ref()
  helper.channel?.ref()
  const answer = await answerOf(helper, { name, args, about: thisRequest() }, signal).catch((error: Error) => {
    helper.kill('SIGKILL')
    const why = error instanceof Refusal ? error.code : null
    if (why !== 'gone') log('error', { code: 'helper-ended', work: name, why })
    throw error
  })
  rest(helper, answer.rss)
  return taken(answer)
}

function answerOf(helper: ChildProcess, asked: Asked, signal?: AbortSignal): Promise<Answered> {
  let end = () => {}
  const answer = new Promise<Answered>((resolve, reject) => {
    const late = () => reject(new Refusal(503, 'too-long', 'This takes longer than Cairn gives it, and was given up.'))
    const died = () => reject(new Refusal(503, 'too-much', 'This takes more than Cairn gives it, and was given up.'))
    const left = () => reject(gone())
    const timer = setTimeout(late, GIVE_UP_MS)
    helper.once('message', resolve).once('exit', died)
    signal?.addEventListener('abort', left)
    if (signal?.aborted) left()
    end = () => {
      clearTimeout(timer)
      helper.off('message', resolve).off('exit', died)
      signal?.removeEventListener('abort', left)
    }
    helper.send(asked)
  })
  return answer.finally(() => end())
}

const gone = () => new Refusal(499, 'gone', 'Nobody waits for this any more.')

/** For whom work is done; the signal ends it, where nobody waits for it any more. */
export type For = TurnOf & {
  /** Until then what was made takes up memory: one of each person, and so many in all. */
  readonly answered?: Promise<void>
}
/** What an endpoint is asked. */
export type Asking = {
  readonly person: { readonly id: string }
  readonly courseId?: string
  readonly request: Request
  readonly answered: Promise<void>
}
const keysOf = ({ person, courseId }: Pick<Asking, 'person' | 'courseId'>) => [
  `person ${person.id}`,
  ...(courseId ? [`course ${courseId}`] : []),
]
/** To read something large. */
export const toRead = ({ request, answered, ...asked }: Asking): For => ({ of: keysOf(asked), signal: request.signal, answered })
/** To write something, which is done also when whoever asked is gone. */
export const toWrite = (asked: Pick<Asking, 'person' | 'courseId'>): For => ({ of: keysOf(asked) })

/** Has heavy work done in its turn. Throws what the work refuses; 429 where too much of it waits, 503 where it takes too much. */
export async function inHelper<N extends HeavyName>(name: N, who: For, ...args: HeavyArgs<N>): Promise<HeavyResult<N>> {
  const { of, signal, answered } = who
  const given = answered ? await turnOf(answers, { ...who, of: of.slice(0, 1) }) : () => undefined
  try {
    const made = await inTurn(who, () => done(name, args, signal))
    void answered?.then(given)
    return made as HeavyResult<N>
  } catch (error) {
    given()
    throw error
  }
}

async function inTurn<T>(who: TurnOf, work: () => Promise<T>): Promise<T> {
  const end = await turnOf(turns, who)
  return work().finally(end)
}

const turnOf = (line: Turns, who: TurnOf): Promise<() => void> =>
  line.take(who).catch((error: unknown) => {
    throw error instanceof TooManyWaiting
      ? new Refusal(
          429,
          'too-many',
          'What you asked for before is still being made. It goes on in a little while.',
          {},
          { 'retry-after': '5' },
        )
      : gone()
  })

function taken(answer: Answered): unknown {
  if ('value' in answer) return answer.value
  if ('refusal' in answer) {
    const { status, code, message, details, headers } = answer.refusal
    throw new Refusal(status, code, message, details, headers)
  }
  throw Object.assign(new Error('a helper failed'), answer.failed)
}
