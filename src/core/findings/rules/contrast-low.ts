/** Colours of the pages that learners get which stand out too little. */
import { courseOf } from '../../blueprint/blueprint'
import { COLOUR_FIELDS, coloursOf, nearestColours, paletteOf } from '../../learner-pages/palette'
import { reviewRule } from '../rule'

export const contrastLow = reviewRule('contrast-low', {
  reads: COLOUR_FIELDS.map((f) => `course.${f}` as const),
  find: ({ blueprint }) => {
    const course = blueprint.course.get('course')
    if (!course || coloursOf(course) === null) return []
    const low = paletteOf(courseOf(blueprint)).filter((p) => !p.passes)
    const [first] = low
    if (!first) return []
    const nearest = nearestColours(courseOf(blueprint))
    return [
      {
        weight: 'fix',
        records: [{ kind: 'course', id: 'course' }],
        field: first.field,
        named: { pairs: low.map(({ pair, shown, needed }) => ({ pair, shown, needed })) },
        fixes: [
          {
            code: 'nearest',
            named: { colours: Object.values(nearest) },
            steps: [{ do: 'set', kind: 'course', id: 'course', to: nearest }],
          },
        ],
        facts: low.flatMap(({ pair, colour, on }) => [pair, colour, on]),
      },
    ]
  },
})
