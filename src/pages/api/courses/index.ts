import { z } from 'zod'
import { CREDIT_SYSTEMS, DELIVERIES } from '../../../core/blueprint/kinds/course'
import { MOST_WEEKS } from '../../../core/blueprint/kinds/due-rule'
import { newCourseBlueprint } from '../../../core/blueprint/new-course'
import { zoneSchema } from '../../../core/blueprint/types/zone'
import { refreshCounts } from '../../../server/analysis-cache'
import { createCourse, listCourses } from '../../../server/courses'
import { endpoint } from '../../../server/endpoint'
import { serverId } from '../../../server/ids'
import { json } from '../../../server/request'

const newCourse = z.strictObject({
  title: z.string().trim().min(1).max(300),
  code: z.string().trim().max(40),
  weeks: z.int().min(1).max(MOST_WEEKS),
  creditSystem: z.enum(CREDIT_SYSTEMS),
  credits: z.int().min(0).max(40_000).nullable(),
  delivery: z.enum(DELIVERIES),
  term: z.string().trim().min(1).max(100),
  firstDay: z.iso.date(),
  timeZone: zoneSchema,
})

/** The list. Counts that are missing (a course brought in by the command line) or of an earlier day are worked out behind it. */
export const GET = endpoint({ access: 'account' }, async ({ db, person }) => {
  const courses = await listCourses(db, person.id)
  for (const course of courses) if (course.stale) refreshCounts(course.id)
  return json(courses.map(({ stale: _, ...course }) => course))
})

export const POST = endpoint(
  {
    access: 'account',
    body: newCourse,
    example: {
      title: 'Own',
      code: '',
      weeks: 2,
      creditSystem: 'none',
      credits: null,
      delivery: 'blended',
      term: 'T',
      firstDay: '2028-01-10',
      timeZone: 'UTC',
    },
  },
  async ({ db, person, body }) => {
    const id = await createCourse(db, {
      blueprint: newCourseBlueprint(body, serverId),
      ownerId: person.id,
      code: 'create-course',
      newId: serverId,
    })
    refreshCounts(id)
    return json({ id }, { status: 201 })
  },
)
