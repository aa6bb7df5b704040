/** A file of a course: pictures, for now. Its bytes are stored once by their content (server/files.ts). */
import { may } from '../access/abilities'
import { int, line, oneOf, optional } from '../blueprint/field'
import { IMAGE_TYPES, MOST_IMAGE_BYTES, MOST_PIXELS } from '../files/image'
import { type BesideRecord, defineBeside } from './beside'
import { seesSeat } from './review'

export const file = defineBeside({
  spec: {
    name: 'file',
    plural: 'files',
    noun: 'file',
    family: 'beside',
    nameField: 'name',
    table: 'course_file',
    fields: {
      name: line(200),
      /** Of its bytes, in hexadecimal. */
      sha256: line(64),
      type: oneOf(IMAGE_TYPES),
      bytes: int(1, MOST_IMAGE_BYTES),
      /** In pixels. */
      width: int(1, MOST_PIXELS),
      height: int(1, MOST_PIXELS),
      /** The seat of a review that brought it as evidence: it is seen with what that seat says. */
      seatId: optional(line(40)),
    },
  },
  reads: ['reviewRound', 'reviewSeat'],
  forSeats: true,
  // The server makes them with their bytes; those that nothing shows any more may be removed.
  policy: {
    mayRead: (viewer, { seatId }, around) =>
      seatId === null ? viewer.seatId === undefined && may(viewer.role, 'plan.read') : seesSeat(viewer, seatId, around),
    mayWrite: (viewer, stored, wanted) => stored !== null && wanted === null && may(viewer.role, 'file.write'),
  },
})
export type CourseFile = BesideRecord<typeof file.spec>
