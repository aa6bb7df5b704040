import { largestRemainder } from '../../grading/rounding'
import { formatHundredths } from '../../numbers'
import { PARTS } from '../../plan/plan-index'
import type { Rule } from '../context'

export const sharesNot100: Rule = {
  code: 'shares-not-100',
  workspace: 'assessment',
  reads: [PARTS.categories],
  why: 'The final grade is the sum of the shares, so learners must be able to add them up to 100.',
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
        message: `The category shares sum to ${formatHundredths(grades.totalShare)} %, ${
          missing > 0 ? `${formatHundredths(missing)} % short of` : `${formatHundredths(-missing)} % more than`
        } 100 %.`,
        facts: stated.flatMap((c) => [c.id, c.share]),
        fixes: [
          ...(biggest && room !== undefined && room >= 0 && room <= 100_00
            ? [
                {
                  code: 'set-share',
                  label: `Set ${biggest.title} to ${formatHundredths(room)} %`,
                  steps: [{ do: 'set' as const, kind: 'gradeCategory' as const, id: biggest.id, to: { share: room } }],
                },
              ]
            : []),
          {
            code: 'scale-shares',
            label: 'Scale all to 100 %',
            steps: stated.map((c, i) => ({ do: 'set' as const, kind: 'gradeCategory' as const, id: c.id, to: { share: scaled[i] } })),
          },
        ],
      },
    ]
  },
}
