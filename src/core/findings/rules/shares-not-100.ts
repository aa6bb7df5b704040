import { largestRemainder } from '../../grading/rounding'
import { PARTS } from '../../plan/plan-index'
import { assessmentRule } from '../rule'

export const sharesNot100 = assessmentRule('shares-not-100', {
  reads: [PARTS.categories],
  find: ({ grades, index }) => {
    const stated = index.categories.filter((c) => c.share !== null)
    if (stated.length === 0 || grades.missingShare === 0) return []
    const missing = grades.missingShare ?? 0
    const biggest = [...stated].sort((a, b) => (b.share ?? 0) - (a.share ?? 0))[0]
    const scaled = largestRemainder(
      100_00,
      stated.map((c) => c.share ?? 0),
    )
    const room = biggest && (biggest.share ?? 0) + missing
    return [
      {
        weight: 'fix',
        records: stated.map((c) => ({ kind: 'gradeCategory', id: c.id })),
        field: 'share',
        named: { total: grades.totalShare, missing },
        facts: stated.flatMap((c) => [c.id, c.share]),
        fixes: [
          ...(biggest && room !== undefined && room >= 0 && room <= 100_00
            ? [
                {
                  code: 'set-share' as const,
                  named: { category: biggest.title, share: room },
                  steps: [{ do: 'set' as const, kind: 'gradeCategory' as const, id: biggest.id, to: { share: room } }],
                },
              ]
            : []),
          {
            code: 'scale-shares' as const,
            steps: stated.map((c, i) => ({ do: 'set' as const, kind: 'gradeCategory' as const, id: c.id, to: { share: scaled[i] } })),
          },
        ],
      },
    ]
  },
})
