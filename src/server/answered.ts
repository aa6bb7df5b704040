/** How heavy work is asked for and answered between processes: errors lose what they are on the way, refusals come as data. */
import { getDatabase } from './db/client'
import { HEAVY, type HeavyName } from './heavy'
import { causeCode, inRequest, type RequestFacts, stackOf, storeTrouble } from './log'
import { Refusal } from './problem'

export type Asked = {
  readonly name: HeavyName
  readonly args: readonly unknown[]
  /** The request that it is for, for the log. */
  readonly about: RequestFacts | undefined
}

export type Answered = {
  /** Bytes of memory that the helper holds. */
  readonly rss: number
} & (
  | { readonly value: unknown }
  | { readonly refusal: Pick<Refusal, 'status' | 'code' | 'message' | 'details' | 'headers'> }
  | { readonly failed: { readonly code: string | null; readonly stack: string } }
)

/** Does heavy work with this process's database. */
export const answered = (asked: Asked): Promise<Answered> => (asked.about ? inRequest(asked.about, () => done(asked)) : done(asked))

async function done({ name, args }: Asked): Promise<Answered> {
  const rss = () => process.memoryUsage.rss()
  try {
    const work = (await HEAVY[name]()) as (...args: readonly unknown[]) => Promise<unknown>
    return { value: await work(getDatabase(), ...args), rss: rss() }
  } catch (error) {
    const refusal = error instanceof Refusal ? error : storeTrouble(error)
    if (!refusal) return { failed: { code: causeCode(error), stack: stackOf(error).replaceAll(' | ', '\n') }, rss: rss() }
    const { status, code, message, details, headers } = refusal
    return { refusal: { status, code, message, details, headers }, rss: rss() }
  }
}
