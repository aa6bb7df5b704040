/** How long it takes to read a long table that people bring, and to put it into a course. */
import { editPlan } from '../../src/core/blueprint/edit'
import { bringIn } from '../../src/core/edits/bring-in'
import { readText } from '../../src/core/intake/read-file'
import { understand } from '../../src/core/intake/understand'
import { aBlueprint, counter } from '../support/course'
import { judged, median, ms, type Section } from './measure'

const KINDS = ['Reading', 'Quiz', 'Lab', 'Video'] as const
const row = (i: number) => `Module 1,Task ${i} about streams,${KINDS[i % 4]},1${'abcdefgh'[i % 8]},${10 + (i % 50)},${i % 20}`
/** All rows in one module: what is looked for among its neighbours has the most of them. */
const tableOf = (n: number) => ['Module,Title,Kind,Objectives,Minutes,Points', ...Array.from({ length: n }, (_, i) => row(i))].join('\n')

type Times = { readonly parse: number; readonly read: number; readonly bring: number }

/** Parsing alone, then all of reading, then making the edit of it: medians of three. */
function times(n: number): Times {
  const text = tableOf(n)
  const taken: Times[] = []
  for (let i = 0; i < 3; i++) {
    const start = performance.now()
    const source = readText('long.csv', text)
    const parsed = performance.now()
    const understood = understand([source])
    const read = performance.now()
    editPlan(aBlueprint({}), (edit) => bringIn(edit, understood, counter()))
    taken.push({ parse: parsed - start, read: read - start, bring: performance.now() - read })
  }
  const of = (what: keyof Times) => median(taken.map((t) => t[what]))
  return { parse: of('parse'), read: of('read'), bring: of('bring') }
}

export function benchIntake(): Section {
  times(500)
  const [some, many] = [times(10_000), times(40_000)]
  return {
    title: 'Reading a long table',
    how: 'A CSV file of 10,000 and of 40,000 activities in one module, with kind, objective, minutes and points: from its text to the tree that is shown, and from there to the edit that puts it into an empty course. Medians of three, in one thread.',
    lines: [
      judged('10,000 rows read', some.read, 2000, ms),
      judged('40,000 rows read', many.read, 8000, ms),
      { what: '40,000 rows to 10,000 rows', value: `${(many.read / some.read).toFixed(1)} x` },
      { what: 'Reading 10,000 rows to parsing them alone', value: `${(some.read / some.parse).toFixed(1)} x` },
      { what: '10,000 rows put into a course', value: ms(some.bring) },
      { what: '40,000 rows put into a course', value: ms(many.bring) },
    ],
  }
}
