/** The command line: the commands of commands/, told and parsed by what they declare. */
import { parseArgs } from 'node:util'
import { accounts } from './commands/accounts'
import type { CliCommand } from './commands/command'
import { fail, print } from './commands/command'
import { withDatabase } from './commands/database'
import { analyse, check, diff, framework, map, matrix, objectives, schema, similar } from './commands/reading'
import { contrast, review, reviewSet, textAccess } from './commands/review'
import { copyOne, purge, snapshotOne, snapshots } from './commands/spaces'
import { backupAll, demoData, exportCourse, importCourse, migrate, outbox, restoreAll } from './commands/storing'
import { logTo } from './log'

/** Every command, in the order in which they are told. Adding one: its declaration, and its name here. */
export const COMMANDS: readonly CliCommand[] = [
  check,
  analyse,
  diff,
  matrix,
  map,
  objectives,
  similar,
  framework,
  review,
  reviewSet,
  contrast,
  textAccess,
  schema,
  importCourse,
  exportCourse,
  copyOne,
  snapshotOne,
  snapshots,
  purge,
  accounts,
  backupAll,
  restoreAll,
  outbox,
  migrate,
  demoData,
]

/** What can be asked, from the declarations. */
export function usage(commands: readonly CliCommand[] = COMMANDS): string {
  const heads = commands.map((c) => `cairn ${c.name} ${c.usage}`.trimEnd())
  const width = Math.max(...heads.filter((h) => h.length <= 36).map((h) => h.length)) + 2
  const lines = commands.flatMap((c, i) => {
    const head = heads[i] as string
    const [first, ...more] = c.does
    const rest = more.map((d) => `  ${' '.repeat(width)}${d}`)
    return head.length < width ? [`  ${head.padEnd(width)}${first}`, ...rest] : [`  ${head}`, `  ${' '.repeat(width)}${first}`, ...rest]
  })
  return `cairn: plans online courses

${lines.join('\n')}

The database is the one that npm run demo started here, or the one that DATABASE_URL names.
`
}

// Whoever reads the output may stop early (`| head`).
process.stdout.on('error', (error: NodeJS.ErrnoException) => {
  if (error.code !== 'EPIPE') throw error
  process.exit(0)
})

/** Runs one command. Returns the exit status: 0 done, 1 findings to fix, 2 wrong use or unreadable input. */
export async function run(args: readonly string[], commands: readonly CliCommand[] = COMMANDS): Promise<number> {
  // Standard output is what the command gives out.
  logTo(2)
  const [name, ...rest] = args
  const command = commands.find((c) => c.name === name)
  if (name === 'help' || name === '--help') {
    print(usage(commands))
    return 0
  }
  const parsed = command && parse(command, rest)
  if (!command || !parsed) {
    fail(usage(commands))
    return 2
  }
  const database = async () => (await import('./db/client')).commandDatabase()
  if (command.database !== 'needed') return command.run({ ...parsed, databaseUrl: process.env['DATABASE_URL'] ?? '', database })
  return withDatabase(async (databaseUrl) => command.run({ ...parsed, databaseUrl, database }))
}

/** The operands and options of a call; null after saying what is wrong with it. */
function parse(command: CliCommand, args: readonly string[]) {
  try {
    const { positionals, values } = parseArgs({ args: [...args], options: command.options ?? {}, allowPositionals: true, strict: true })
    const [least, most] = command.operands
    if (positionals.length >= least && positionals.length <= most)
      return { operands: positionals, values: values as Readonly<Record<string, string | boolean | undefined>> }
  } catch (error) {
    fail((error as Error).message.split('. ')[0] ?? '')
  }
  return null
}
