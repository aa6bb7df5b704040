/** Demo accounts and courses: invented people at an invented institution. Loaded once; data that are there stay. */
import { readFileSync } from 'node:fs'
import { count } from 'drizzle-orm'
import { dayOfCourse } from '../core/calendar/today'
import { analyseCourse } from '../core/findings/analyse'
import { readNative } from '../core/formats/native'
import { standingOf } from '../core/standing/standing'
import { getAuth } from './auth'
import { createCourse } from './courses'
import { getDatabase } from './db/client'
import { analysisCache, courseHead, membership } from './db/schema'
import { loadDemoComments } from './demo-comments'
import { dressed, LAST_YEAR, loadDemoLife, loadLastYear } from './demo-life'
import { DEMO_LINK, loadOutsideRound, withCharter } from './demo-outside'
import { DEMO_PASSWORD, DEMO_PEOPLE } from './demo-people'
import { loadDemoReview, withOwnSet } from './demo-review'
import { serverId } from './ids'
import { personByEmail } from './people'
import { besideFactsOfCourse } from './review-of-course'
import { getSettings } from './settings'

/** The fullest one last: what was changed last stands first in the list. */
const COURSES = [
  { id: 'museum-labels', file: 'writing-museum-labels.json' },
  { id: 'solar-arrays', file: 'inspecting-rooftop-solar-arrays.json' },
  { id: 'small-streams', file: 'measuring-small-streams.json' },
]

/** Loads what is missing. Returns what the start command prints of it. */
export async function loadDemo(): Promise<string> {
  if (!getSettings().demo) throw new Error('demo accounts exist only while Cairn is bound to loopback')
  const db = getDatabase()
  for (const person of DEMO_PEOPLE)
    if (!(await personByEmail(db, person.email)))
      await getAuth().api.signUpEmail({ body: { name: person.name, email: person.email, password: DEMO_PASSWORD } })
  const [designer, ...others] = await Promise.all(
    DEMO_PEOPLE.map(async (p) => ({ ...p, id: (await personByEmail(db, p.email))?.id ?? '' })),
  )
  const [courses] = await db.select({ n: count() }).from(courseHead)
  if (designer && courses?.n === 0)
    for (const { id, file } of COURSES) {
      const read = readNative(readFileSync(new URL(`../../demo/${file}`, import.meta.url), 'utf8'))
      if (!read.ok) throw new Error(`${file}: ${read.error[0]?.at}: ${read.error[0]?.message}`)
      const isFullest = id === 'small-streams'
      const isOutside = id === 'solar-arrays'
      const blueprint = isFullest ? await withOwnSet(dressed(read.value)) : isOutside ? await withCharter(read.value) : read.value
      if (isFullest) await loadLastYear(db, read.value, designer.id)
      const begun = isFullest
        ? ({ code: 'copy-course', params: { what: `${LAST_YEAR.code} ${LAST_YEAR.title}` } } as const)
        : ({ code: 'import-course' } as const)
      await createCourse(db, { blueprint, ownerId: designer.id, ...begun, newId: serverId, id })
      await db.insert(membership).values(others.map((p) => ({ courseId: id, userId: p.id, role: p.role })))
      if (isOutside) await loadOutsideRound(db, id, designer)
      if (isFullest) {
        const snapshots = await loadDemoLife(db, id, blueprint, designer)
        await loadDemoReview(db, id, blueprint, snapshots, [designer, ...others])
        await loadDemoComments(db, id, [designer, ...others])
      }
      const { counts } = await analyseCourse(blueprint, dayOfCourse(blueprint, Date.now()), await besideFactsOfCourse(db, id))
      await db
        .insert(analysisCache)
        .values({ courseId: id, revision: 1, fix: counts.fix, check: counts.check, standing: standingOf(blueprint) })
    }
  const lines = DEMO_PEOPLE.map((p) => `  ${p.email.padEnd(26)} ${p.role.padEnd(9)} ${p.name} ${p.does}`)
  return `Demo accounts (password: ${DEMO_PASSWORD})\n${lines.join('\n')}\n\nAn outside review by link: ${getSettings().origin}/seat/${DEMO_LINK}\n`
}
