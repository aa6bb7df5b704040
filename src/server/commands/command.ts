/** What a command of the command line is: usage, parsing and the database follow from its declaration. */
import { once } from 'node:events'
import type { ParseArgsConfig } from 'node:util'
import type { Database } from '../db/client'

export type Values = Readonly<Record<string, string | boolean | undefined>>

export type CommandCall = {
  readonly operands: readonly string[]
  readonly values: Values
  /** Where the database is; empty for commands that need none. */
  readonly databaseUrl: string
  readonly database: () => Promise<Database>
}

export type CliCommand = {
  readonly name: string
  /** What stands behind the name, as people read it: `FILE.json [--json]`. */
  readonly usage: string
  /** What it does; later lines go on under the first. */
  readonly does: readonly string[]
  /** How many operands it takes. */
  readonly operands: readonly [least: number, most: number]
  readonly options?: NonNullable<ParseArgsConfig['options']>
  /** The database is brought up to date before it runs. `own`: it sees to that itself. */
  readonly database?: 'needed' | 'own'
  /** Does the work. Returns the exit status: 0 done, 1 findings to fix, 2 unreadable input. */
  readonly run: (call: CommandCall) => Promise<number> | number
}

export const defineCommand = (command: CliCommand): CliCommand => command

/**
 * A text as a terminal may have it: control signs (ECMA-48, also the eight-bit ones) and signs that turn the direction of text are
 * spelled out, as JSON spells them. What a file holds never steers the terminal of who reads it.
 */
const spelled = (text: string): string =>
  text.replace(/[\u0000-\u0008\u000b-\u001f\u007f-\u009f\u202a-\u202e\u2066-\u2069]/g, (sign) =>
    sign === '\r' ? sign : `\\u${sign.charCodeAt(0).toString(16).padStart(4, '0')}`,
  )

export const print = (text: string): void => void process.stdout.write(spelled(text))
/** Prints piece by piece, no faster than they are taken: what is long never stands in memory as a whole. */
export async function printAll(pieces: Iterable<string>): Promise<void> {
  for (const piece of pieces) if (!process.stdout.write(spelled(piece))) await once(process.stdout, 'drain')
}
export const fail = (text: string): void => void process.stderr.write(`${spelled(text)}\n`)
export const JSON_OPTION = { json: { type: 'boolean' } } as const satisfies ParseArgsConfig['options']
/** Readable JSON, as a line of its own. */
export const asJson = (value: unknown): string => `${JSON.stringify(value, null, 2)}\n`
