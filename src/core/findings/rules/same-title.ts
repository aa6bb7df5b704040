import type { Activity } from '../../blueprint/kinds'
import { bareWords } from '../../blueprint/text'
import { NAMES_OF_ACTIVITIES, type Rule } from '../context'

export const sameTitle: Rule = {
  code: 'same-title',
  workspace: 'map',
  reads: [...NAMES_OF_ACTIVITIES],
  why: 'Learners who are told to open one of them will open the other.',
  find: ({ index }) => {
    const byTitle = new Map<string, Activity[]>()
    for (const a of index.activities) {
      const words = bareWords(a.title)
      const list = byTitle.get(words)
      if (list) list.push(a)
      else byTitle.set(words, [a])
    }
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
