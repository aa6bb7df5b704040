import { similarPairs } from '../../objectives/similar'
import type { Rule } from '../context'

export const similarObjectives: Rule = {
  code: 'similar-objectives',
  workspace: 'outcomes',
  why: 'Two lines that ask for the same are practised and assessed twice, or one of them never.',
  find: ({ index }) =>
    similarPairs(index.objectives.map((o) => o.statement)).flatMap(([i, j]) => {
      const [first, second] = [index.objectives[i], index.objectives[j]]
      if (!first || !second) return []
      const [one, two] = [index.numberOf(first.id), index.numberOf(second.id)]
      const fixes = [
        { keep: first, gone: second },
        { keep: second, gone: first },
      ]
        .filter(({ gone }) => gone.origin === 'own')
        .map(({ keep, gone }) => ({
          code: 'merge',
          label: `Keep “${keep.statement}” with the links of both`,
          steps: [{ do: 'merge-objectives' as const, keep: keep.id, gone: gone.id }],
        }))
      return [
        {
          weight: 'check' as const,
          records: [
            { kind: 'objective' as const, id: second.id },
            { kind: 'objective' as const, id: first.id },
          ],
          field: 'statement',
          message: `${two} asks for much the same as ${one}: “${first.statement}”.`,
          facts: [first.statement, second.statement],
          fixes,
        },
      ]
    }),
}
