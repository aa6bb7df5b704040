import type { Activity } from '../../blueprint/kinds'
import { bareWords } from '../../blueprint/text'
import { NAMES_OF_ACTIVITIES } from '../context'
import { mapRule } from '../rule'

export const sameTitle = mapRule('same-title', {
  reads: [...NAMES_OF_ACTIVITIES],
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
        return {
          weight: 'check',
          records: list.map((a) => ({ kind: 'activity', id: a.id })),
          field: 'title',
          named: { activities: list.map((a) => index.numberOf(a.id)), title: list[0]?.title ?? '' },
          facts: list.map((a) => a.title),
        }
      })
  },
})
