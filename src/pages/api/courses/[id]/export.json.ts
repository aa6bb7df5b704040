import type { APIRoute } from 'astro'
import { writeNative } from '../../../../core/formats/native'
import { loadBlueprint } from '../../../../server/courses'
import { noSuchCourse } from '../../../../server/problem'
import { courseAccess } from '../../../../server/request'

export const GET: APIRoute = async (context) => {
  const { db, courseId } = await courseAccess(context)
  const loaded = await loadBlueprint(db, courseId)
  if (!loaded) throw noSuchCourse()
  return new Response(writeNative(loaded.blueprint), {
    headers: {
      'content-type': 'application/json',
      'content-disposition': 'attachment; filename="course.cairn.json"',
      'cache-control': 'no-store',
    },
  })
}
