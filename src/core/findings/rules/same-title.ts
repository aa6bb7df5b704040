import type { Activity } from '../../blueprint/kinds'
import type { Rule } from '../context'

/** Titles that read the same: case, punctuation and spaces aside. */
export const titleKey = (title: string): string =>
  title
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, ' ')
    .trim()

export const sameTitle: Rule = {
  code: 'same-title',
  workspace: 'map',
  why: 'Learners who are told to open one of them will open the other.',
  find: ({ index }) => {
    const byTitle = new Map<string, Activity[]>()
    for (const a of index.activities) byTitle.set(titleKey(a.title), [...(byTitle.get(titleKey(a.title)) ?? []), a])
    return [...byTitle.values()]
      .filter((list) => list.length > 1)
      .map((list) => {
        const numbers = list.map((a) => index.numberOf(a.id))
        return {
          weight: 'check',
          records: list.map((a) => ({ kind: 'activity', id: a.id })),
          field: 'title',
          message: `${numbers.slice(0, -1).join(', ')} and ${numbers.at(-1)} have one name: ${list[0]?.title}.`,
          facts: list.map((a) => a.title),
        }
      })
  },
}
