import type { APIRoute } from 'astro'
import { z } from 'zod'
import { CREDIT_SYSTEMS, DELIVERIES } from '../../../core/blueprint/kinds/course'
import { newCourseBlueprint } from '../../../core/blueprint/new-course'
import { problemsOf } from '../../../core/blueprint/schema'
import { refreshCounts } from '../../../server/analysis-cache'
import { createCourse, listCourses } from '../../../server/courses'
import { getDatabase } from '../../../server/db/client'
import { serverId } from '../../../server/ids'
import { Refusal } from '../../../server/problem'
import { json, jsonBody, signedIn } from '../../../server/request'

const newCourse = z.strictObject({
  title: z.string().trim().min(1).max(300),
  code: z.string().trim().max(40),
  weeks: z.int().min(1).max(60),
  creditSystem: z.enum(CREDIT_SYSTEMS),
  credits: z.int().min(0).max(40_000).nullable(),
  delivery: z.enum(DELIVERIES),
  term: z.string().trim().min(1).max(100),
  firstDay: z.iso.date(),
  timeZone: z.string().max(60),
})

/** The list. Counts that are missing (a course brought in by the command line) are worked out behind it. */
export const GET: APIRoute = async ({ locals }) => {
  const courses = await listCourses(getDatabase(), signedIn(locals).id)
  for (const course of courses) if (course.fix === null) refreshCounts(course.id)
  return json(courses)
}

export const POST: APIRoute = async ({ locals, request }) => {
  const person = signedIn(locals)
  const parsed = newCourse.safeParse(await jsonBody(request))
  if (!parsed.success)
    throw new Refusal(422, 'invalid-course', 'Some of these values cannot be stored.', {
      problems: problemsOf(parsed.error, 'invalid-value'),
    })
  const id = await createCourse(getDatabase(), {
    blueprint: newCourseBlueprint(parsed.data, serverId),
    ownerId: person.id,
    code: 'create-course',
    newId: serverId,
  })
  refreshCounts(id)
  return json({ id }, { status: 201 })
}
