/** Reads a filled rating sheet off the page's thread. */
import { readRatingSheet as read } from '../../core/review/rating-sheet'
import type { TaskWork } from '../task'
import type { readRatingSheet } from '../tasks'

export const work: TaskWork<typeof readRatingSheet> = ({ name, content, codes }) => Promise.resolve(read(name, content, codes))
