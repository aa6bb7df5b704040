import { formatNames, formatOf, lackOf, writeFile } from '../../../../core/formats/formats'
import { inOffering } from '../../../../core/plan/offering'
import { reportChoices } from '../../../../core/review/report'
import { loadBlueprint } from '../../../../server/courses'
import { endpoint } from '../../../../server/endpoint'
import { fileReader } from '../../../../server/files'
import { noSuchCourse, Refusal } from '../../../../server/problem'
import { inThreads, reviewMade } from '../../../../server/report'
import { snapshotPlan } from '../../../../server/snapshots'

/** The course as a file in an open format, as it is or as one of its snapshots; what has dates, of one of its offerings. */
export const GET = endpoint({ access: 'course', may: 'plan.read' }, async ({ db, courseId, params, url, viewer }) => {
  const format = formatOf(params['format'] ?? '')
  if (!format) throw new Refusal(404, 'no-such-format', `A course leaves as ${formatNames()}.`)
  const snapshot = url.searchParams.get('snapshot')
  const loaded = snapshot ? { blueprint: (await snapshotPlan(db, courseId, viewer, snapshot)).plan } : await loadBlueprint(db, courseId)
  if (!loaded) throw noSuchCourse()
  const framework = url.searchParams.get('framework')
  const plan = inOffering(loaded.blueprint, url.searchParams.get('offering'))
  const round = url.searchParams.get('round')
  const file = await writeFile(plan, format, {
    courseId,
    stamp: new Date().toISOString(),
    framework,
    ...reviewMade(
      db,
      {
        courseId,
        viewer,
        plan,
        round,
        choices: reportChoices(url.searchParams),
        of: url.searchParams.get('of') === 'tour' ? 'tour' : 'report',
      },
      inThreads,
    ),
    file: fileReader(db, courseId),
  })
  if (!file) throw new Refusal(404, 'no-such-part', `This course has ${lackOf(format)} of that name.`)
  return new Response(file.body as BodyInit, {
    headers: {
      'content-type': file.type,
      'content-disposition': `attachment; filename="${file.name}"`,
      'cache-control': 'no-store',
    },
  })
})
