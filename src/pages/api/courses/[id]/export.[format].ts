import type { APIRoute } from 'astro'
import { exportCourse, isExportFormat } from '../../../../core/formats/exports'
import { loadBlueprint } from '../../../../server/courses'
import { noSuchCourse, Refusal } from '../../../../server/problem'
import { courseAccess } from '../../../../server/request'

/** The course as a file in an open format. */
export const GET: APIRoute = async (context) => {
  const { db, courseId } = await courseAccess(context)
  const format = context.params['format'] ?? ''
  if (!isExportFormat(format)) throw new Refusal(404, 'no-such-format', 'A course leaves as json, ics, csv, html or xlsx.')
  const loaded = await loadBlueprint(db, courseId)
  if (!loaded) throw noSuchCourse()
  const file = await exportCourse(loaded.blueprint, format, { courseId, stamp: new Date().toISOString() })
  return new Response(file.body as BodyInit, {
    headers: {
      'content-type': file.type,
      'content-disposition': `attachment; filename="${file.name}"`,
      'cache-control': 'no-store',
    },
  })
}
