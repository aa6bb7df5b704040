import type { APIRoute } from 'astro'
import { exportCourse, isExportFormat } from '../../../../core/formats/exports'
import { exportFramework, isFrameworkFormat } from '../../../../core/formats/framework-exports'
import { loadBlueprint } from '../../../../server/courses'
import { noSuchCourse, Refusal } from '../../../../server/problem'
import { courseAccess } from '../../../../server/request'

/** The course as a file in an open format. */
export const GET: APIRoute = async (context) => {
  const { db, courseId } = await courseAccess(context)
  const format = context.params['format'] ?? ''
  if (!isExportFormat(format) && !isFrameworkFormat(format))
    throw new Refusal(
      404,
      'no-such-format',
      'A course leaves as json, ics, csv, html or xlsx; its frameworks as mapping-csv, mapping-xlsx, case or items-csv.',
    )
  const loaded = await loadBlueprint(db, courseId)
  if (!loaded) throw noSuchCourse()
  const made = { courseId, stamp: new Date().toISOString() }
  const file = isExportFormat(format)
    ? await exportCourse(loaded.blueprint, format, made)
    : await exportFramework(loaded.blueprint, format, { ...made, framework: context.url.searchParams.get('framework') })
  if (!file) throw new Refusal(404, 'no-such-framework', 'This course has no such framework.')
  return new Response(file.body as BodyInit, {
    headers: {
      'content-type': file.type,
      'content-disposition': `attachment; filename="${file.name}"`,
      'cache-control': 'no-store',
    },
  })
}
