import { reportChoices } from '../../../../core/review/report'
import { endpoint } from '../../../../server/endpoint'
import { inHelper, toRead } from '../../../../server/helpers'
import { log } from '../../../../server/log'

/** The course as a file in an open format, as it is or as one of its snapshots; what has dates, of one of its offerings. */
export const GET = endpoint({ access: 'course', may: 'plan.read' }, async (asked) => {
  const { courseId, params, viewer } = asked
  const wanted = asked.url.searchParams
  const { body, type, name } = await inHelper('file', toRead(asked), courseId, {
    format: params['format'] ?? '',
    viewer,
    snapshot: wanted.get('snapshot'),
    offering: wanted.get('offering'),
    framework: wanted.get('framework'),
    round: wanted.get('round'),
    choices: reportChoices(wanted),
    of: wanted.get('of') === 'tour' ? 'tour' : 'report',
  })
  log('info', { code: 'exported', format: params['format'] ?? '' })
  return new Response(body as BodyInit, {
    headers: { 'content-type': type, 'content-disposition': `attachment; filename="${name}"`, 'cache-control': 'no-store' },
  })
})
