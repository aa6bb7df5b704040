/** Commands about the life of a course: copies, snapshots, what is gone for good. */
import { COPY_PARTS } from '../../core/edits/copy-course'
import { courseCopy } from '../../core/forms/copy-course'
import { countOf } from '../../core/numbers'
import { REMOVED_DAYS } from '../../core/spaces'
import { asJson, defineCommand, fail, JSON_OPTION, print } from './command'
import { ownerOf } from './database'

export const copyOne = defineCommand({
  name: 'copy',
  usage: 'COURSE [--parts outcomes,modules,...] --title T --first-day D [--term T] [--code C] [--owner E]',
  does: [
    `a new course made of one (with the database): all of it, or --parts of ${COPY_PARTS.join(', ')};`,
    'its breaks and closed days move with the first day; owner: a designer of the course, unless named',
  ],
  operands: [1, 1],
  options: {
    parts: { type: 'string' },
    title: { type: 'string' },
    'first-day': { type: 'string' },
    term: { type: 'string' },
    code: { type: 'string' },
    owner: { type: 'string' },
  },
  database: 'needed',
  run: async ({ operands: [courseId], values, database }) => {
    const text = (name: string) => values[name] as string | undefined
    const parts = text('parts')
      ?.split(',')
      .map((p) => p.trim())
    const asked = courseCopy.safeParse({
      title: text('title') ?? '',
      firstDay: text('first-day'),
      term: text('term'),
      code: text('code'),
      parts,
    })
    if (!asked.success || text('first-day') === undefined) {
      const issue = asked.error?.issues[0]
      fail(
        issue?.path[0] === 'parts'
          ? `--parts: any of ${COPY_PARTS.join(', ')}, with commas between`
          : (issue?.message ?? 'The copy needs its first day: --first-day 2028-09-04'),
      )
      return 2
    }
    const db = await database()
    const { designerOf } = await import('../people')
    const owner = text('owner') === undefined ? await designerOf(db, courseId as string) : await ownerOf(db, text('owner'))
    if (!owner) {
      if (text('owner') === undefined) fail(`there is no course ${courseId}`)
      return 2
    }
    const { copiedCourse } = await import('../copies')
    const { offering: _, ...wishes } = asked.data
    const { id, leftBehind } = await copiedCourse(db, courseId as string, owner.id, wishes)
    print(
      `copied as ${id}, owner ${owner.email}${leftBehind > 0 ? `; ${countOf(leftBehind, 'link')} to parts that were not copied left out` : ''}\n`,
    )
    return 0
  },
})

export const snapshotOne = defineCommand({
  name: 'snapshot',
  usage: 'COURSE --name N [--note TEXT]',
  does: ['freezes the plan of a course under a name (with the database)'],
  operands: [1, 1],
  options: { name: { type: 'string' }, note: { type: 'string' } },
  database: 'needed',
  run: async ({ operands: [courseId], values, database }) => {
    const name = (values['name'] as string | undefined)?.trim() ?? ''
    if (name === '' || name.length > 100) {
      fail('a snapshot needs a name of at most 100 characters: --name "Before the review"')
      return 2
    }
    const db = await database()
    const { designerOf } = await import('../people')
    const by = await designerOf(db, courseId as string)
    if (!by) {
      fail(`there is no course ${courseId}`)
      return 2
    }
    const { makeSnapshot } = await import('../snapshots')
    const note = (values['note'] as string | undefined)?.slice(0, 1000)
    const made = await makeSnapshot(db, courseId as string, { id: by.id, role: 'designer' }, { name, note })
    print(`${made.id}  ${made.name}, revision ${made.planRevision}\n`)
    return 0
  },
})

export const snapshots = defineCommand({
  name: 'snapshots',
  usage: 'COURSE [--json]',
  does: ['the snapshots of a course (with the database)'],
  operands: [1, 1],
  options: JSON_OPTION,
  database: 'needed',
  run: async ({ operands: [courseId], values, database }) => {
    const db = await database()
    const { designerOf } = await import('../people')
    if (!(await designerOf(db, courseId as string))) {
      fail(`there is no course ${courseId}`)
      return 2
    }
    const { snapshotsOf } = await import('../snapshots')
    const all = (await snapshotsOf(db, courseId as string)).map((s) => ({
      id: s.id,
      name: s.name,
      note: s.note,
      at: s.at.toISOString(),
      by: s.authorId,
      revision: s.planRevision,
      content: s.content,
    }))
    if (values['json']) print(asJson(all))
    else
      for (const s of all)
        print(`${s.id}  ${s.at.slice(0, 16).replace('T', ' ')}  ${s.name}${s.note ? `: ${s.note.split('\n')[0]}` : ''}\n`)
    return 0
  },
})

export const purge = defineCommand({
  name: 'purge',
  usage: '',
  does: [`courses that were removed more than ${REMOVED_DAYS} days ago go for good (with the database)`],
  operands: [0, 0],
  database: 'needed',
  run: async ({ database }) => {
    const { purgeRemoved } = await import('../spaces')
    print(`${countOf(await purgeRemoved(await database()), 'course')} gone for good\n`)
    return 0
  },
})
