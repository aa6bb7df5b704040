/** Reads a review file off the page's thread. */
import { readReview } from '../../core/formats/review-file'
import { decodeText } from '../../core/intake/decode'
import { isRule } from '../../core/review/own-set'
import type { TaskWork } from '../task'
import type { readReviewPiece } from '../tasks'

export const work: TaskWork<typeof readReviewPiece> = ({ content }) =>
  Promise.resolve(readReview(typeof content === 'string' ? content : decodeText(content), isRule))
