import { reportChoices } from '../../../../core/review/report'
import { endpoint } from '../../../../server/endpoint'
import { forPerson, inThread } from '../../../../server/threads'

/** The course as a file in an open format, as it is or as one of its snapshots; what has dates, of one of its offerings. */
export const GET = endpoint({ access: 'course', may: 'plan.read' }, async ({ courseId, params, person, url, viewer, request }) => {
  const asked = url.searchParams
  const { body, type, name } = await inThread('file', forPerson(person.id, courseId, request.signal), courseId, {
    format: params['format'] ?? '',
    viewer,
    snapshot: asked.get('snapshot'),
    offering: asked.get('offering'),
    framework: asked.get('framework'),
    round: asked.get('round'),
    choices: reportChoices(asked),
    of: asked.get('of') === 'tour' ? 'tour' : 'report',
  })
  return new Response(body as BodyInit, {
    headers: { 'content-type': type, 'content-disposition': `attachment; filename="${name}"`, 'cache-control': 'no-store' },
  })
})
