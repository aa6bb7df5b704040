/** Pairs of statements labelled by hand as asking for the same or not, and how the comparison fares with them. */
import { readFileSync } from 'node:fs'
import { isSame } from '../../../src/core/objectives/similar/similar'

type Pair = { readonly a: string; readonly b: string; readonly same: boolean }
const read = (file: string) =>
  readFileSync(new URL(`../../fixtures/objectives/${file}`, import.meta.url), 'utf8')
    .trim()
    .split('\n')

const DEVELOPMENT = read('development.jsonl')
  .map((line) => JSON.parse(line) as Pair & { readonly kind: string })
  .filter((line) => 'same' in line)
const LAST = read('pairs-written-last.txt').map((line) => {
  const [label, a = '', b = ''] = line.split('\t')
  return { a, b, same: label === 'same' }
})

/** Precision and recall of "asks for the same"; every third pair of the development set was kept aside and looked at as a sum only. */
export function evaluatePairs(which: 'seen' | 'aside' | 'last') {
  const pairs = which === 'last' ? LAST : DEVELOPMENT.filter((_, i) => (i % 3 === 1) === (which === 'aside'))
  const found = pairs.filter((p) => isSame(p.a, p.b))
  const right = found.filter((p) => p.same).length
  const expected = pairs.filter((p) => p.same).length
  return { pairs: pairs.length, expected, found: found.length, precision: right / Math.max(1, found.length), recall: right / expected }
}
