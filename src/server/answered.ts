/** How heavy work answers across threads: errors lose what they are on the way, refusals come as data. */
import { defineTask, type Task } from '../workers/task'
import { getDatabase } from './db/client'
import type { HeavyArgs, HeavyName, HeavyResult } from './heavy'
import { storeTrouble } from './log'
import { Refusal } from './problem'

export type Answered<T> =
  | { readonly ok: true; readonly value: T }
  | { readonly ok: false; readonly refusal: Pick<Refusal, 'status' | 'code' | 'message' | 'details' | 'headers'> }

export const heavyTask = <N extends HeavyName>(name: N): Task<HeavyArgs<N>, Answered<HeavyResult<N>>> => defineTask(`heavy ${name}`)

/** Does heavy work with this thread's database, and answers with what it refuses. */
export const answering = (load: () => Promise<unknown>) => async () => {
  const work = (await load()) as (...args: readonly unknown[]) => Promise<unknown>
  return async (args: readonly unknown[]): Promise<Answered<unknown>> => {
    try {
      return { ok: true, value: await work(getDatabase(), ...args) }
    } catch (error) {
      const refusal = error instanceof Refusal ? error : storeTrouble(error)
      if (!refusal) throw error
      const { status, code, message, details, headers } = refusal
      return { ok: false, refusal: { status, code, message, details, headers } }
    }
  }
}
