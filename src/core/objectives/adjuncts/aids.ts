/** Help that may be withheld: doing without it is a condition. */
import type { At } from './place'

const AIDS = new Set(
  'help assistance aid notes note map calculator dictionary book manual guide script prompt prompts prompting supervision instruction instructions tool tools template formula table diagram reference references internet computer software power sight looking referring using consulting calling opening reading asking seeing spreadsheet'.split(
    ' ',
  ),
)
export const isAid = (word: string): boolean => AIDS.has(word)
export const lacksAid = (at: At): boolean => [1, 2, 3, 4].some((n) => isAid(at.w(n)))
