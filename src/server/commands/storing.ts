/** Commands that work on the database. */
import { formatNames, formatOf, lackOf } from '../../core/formats/formats'
import type { Result } from '../../core/result'
import { defineCommand, fail, print } from './command'
import { ownerOf, refused, withDatabase } from './database'
import { readBlueprint } from './files'

export const importCourse = defineCommand({
  name: 'import',
  usage: 'FILE [--owner EMAIL] [--into COURSE]',
  does: [
    'a course from a file (with the database): a new one of --owner,',
    'or --into a course, with what that has its like of left as it is',
  ],
  operands: [1, 1],
  options: { owner: { type: 'string' }, into: { type: 'string' } },
  database: 'own',
  run: async ({ operands: [path], values }) => {
    const blueprint = readBlueprint(path as string)
    if (!blueprint) return 2
    return withDatabase(async () => {
      const { commandDatabase } = await import('../db/client')
      const { serverId } = await import('../ids')
      const db = commandDatabase()
      const into = values['into'] as string | undefined
      if (into !== undefined) {
        const { bringInto } = await import('../copies')
        const brought = await bringInto(db, into, blueprint)
        if (!brought.ok) {
          fail(brought.error)
          return 2
        }
        print(`${brought.value} added to ${into}\n`)
        return 0
      }
      const person = await ownerOf(db, values['owner'] as string | undefined)
      if (!person) return 2
      const { createCourse } = await import('../courses')
      const id = await createCourse(db, { blueprint, ownerId: person.id, code: 'import-course', newId: serverId })
      print(`imported as ${id}, owner ${person.email}\n`)
      return 0
    })
  },
})

export const exportCourse = defineCommand({
  name: 'export',
  usage: 'COURSE [--format F] [--framework CODE] [--round ID]',
  does: [
    `a course as a file (with the database): ${formatNames()}`,
    '--framework: which one, for formats of one framework; else the first',
    '--round: which one, by id or title, for formats of a review; else the newest',
  ],
  operands: [1, 1],
  options: { format: { type: 'string', default: 'json' }, framework: { type: 'string' }, round: { type: 'string' } },
  database: 'needed',
  run: async ({ operands: [courseId], values, database }) => {
    const format = formatOf(String(values['format']))
    if (!format) {
      fail(`there is no format ${String(values['format'])}: a course leaves as ${formatNames()}`)
      return 2
    }
    const { courseFile } = await import('../course-file')
    const framework = (values['framework'] as string | undefined) ?? null
    const round = (values['round'] as string | undefined) ?? null
    const file = await courseFile(await database(), courseId as string, {
      format: format.key,
      viewer: { id: '', role: 'designer' },
      framework,
      round,
    }).catch((error: { code?: string }) => {
      if (error.code === 'no-such-course' || error.code === 'no-such-part') return error.code
      throw error
    })
    if (file === 'no-such-course') {
      fail(`there is no course ${courseId}`)
      return 2
    }
    if (file === 'no-such-part') {
      const wanted = values[format.of === 'review' ? 'round' : 'framework']
      fail(`this course has ${lackOf(format)}${wanted ? ` ${String(wanted)}` : ''}`)
      return 2
    }
    process.stdout.write(file.body)
    return 0
  },
})

/** Of backups; null where none is set. Not among the arguments, which others on the machine can read. */
const passphrase = (): string | null => process.env['CAIRN_BACKUP_PASSPHRASE'] || null

/** Answers what a command of the database's own programs came to. */
function told(result: Result<number, string>, done: (n: number) => string): number {
  if (result.ok) print(`${done(result.value)}\n`)
  else fail(result.error)
  return result.ok ? 0 : 2
}

export const backupAll = defineCommand({
  name: 'backup',
  usage: 'FILE',
  does: ['the whole database as one file, while Cairn runs or not', 'sealed where CAIRN_BACKUP_PASSPHRASE is set'],
  operands: [1, 1],
  database: 'needed',
  run: async ({ operands: [file], databaseUrl }) => {
    const { backup } = await import('../backup')
    return told(
      await backup(databaseUrl, process.env['PGBIN'] ?? '', file as string, passphrase()),
      (bytes) => `${file}: ${(bytes / 1e6).toFixed(1)} MB`,
    )
  },
})

export const restoreAll = defineCommand({
  name: 'restore',
  usage: 'FILE',
  does: ['an empty database, or none yet, filled from a backup'],
  operands: [1, 1],
  database: 'own',
  // Into an empty database, which is then brought up to date: the backup may be of an earlier version.
  run: async ({ operands: [file] }) => {
    const url = process.env['DATABASE_URL']
    if (!url) return withDatabase(async () => 0)
    try {
      const { restore } = await import('../backup')
      const status = told(
        await restore(url, process.env['PGBIN'] ?? '', file as string, passphrase()),
        (n) => `restored: ${n} ${n === 1 ? 'course' : 'courses'}. Everybody signs in anew.`,
      )
      return status === 0 ? withDatabase(async () => 0) : status
    } catch (error) {
      if (!refused(error)) throw error
      return withDatabase(async () => 0)
    }
  },
})

export const outbox = defineCommand({
  name: 'outbox',
  usage: '',
  does: ['mails that would have been sent (with the database)'],
  operands: [0, 0],
  database: 'needed',
  run: async ({ database }) => {
    const { outboxMails } = await import('../membership')
    for (const mail of await outboxMails(await database()))
      print(`${mail.at.toISOString()}  to ${mail.recipient}\n${mail.subject}\n\n${mail.body}\n\n`)
    return 0
  },
})

export const migrate = defineCommand({
  name: 'migrate',
  usage: '',
  does: ['brings the database up to date (with the database)'],
  operands: [0, 0],
  database: 'needed',
  run: () => 0,
})

export const demoData = defineCommand({
  name: 'demo-data',
  usage: '',
  does: ['demo accounts and courses (with the database)'],
  operands: [0, 0],
  database: 'needed',
  run: async () => {
    print(await (await import('../demo')).loadDemo())
    return 0
  },
})
