import { newCourseBlueprint } from '../../../core/blueprint/new-course'
import { newCourse } from '../../../core/forms/new-course'
import { refreshCounts } from '../../../server/analysis-cache'
import { type CourseInList, createCourse, listCourses } from '../../../server/courses'
import { endpoint } from '../../../server/endpoint'
import { serverId } from '../../../server/ids'
import { namesIn } from '../../../server/live'
import { needsRoom } from '../../../server/quotas'
import { json } from '../../../server/request'

/** The list. Counts that are missing (a course brought in by the command line) or of an earlier day are worked out behind it. */
export const GET = endpoint({ access: 'account' }, async ({ db, person }) => {
  const courses = await listCourses(db, person.id)
  for (const course of courses) if (course.stale) refreshCounts(course.id)
  return json(courses.map(({ stale: _, ...course }): CourseInList => ({ ...course, here: namesIn(course.id, person.id) })))
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
    await needsRoom(db, person.id, 'courses')
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
