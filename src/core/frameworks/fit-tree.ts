/** A tree as the plan can hold it: texts longer than their fields are cut, what stands too deep comes up; both are told. */
import { longestText } from '../blueprint/field-text'
import { fitted } from '../blueprint/text'
import { MOST_LEVELS } from '../blueprint/tree-shape'
import { Cuts } from '../intake/cuts'
import { countOf } from '../numbers'
import { type FrameworkTree, mappedTree, type TreeItem, type TreeProblem, walkTree } from './tree'
import { rowsOfTree, treeOfRows } from './tree-rows'

const FIELDS = ['code', 'statement', 'notes'] as const

/** The tree with texts and levels that fit; `cuts` may have counted before what did not come so far. */
export function fittedTree(tree: FrameworkTree, cuts: Cuts = new Cuts()): FrameworkTree {
  const deep = walkTree(tree.items).filter(({ depth }) => depth >= MOST_LEVELS)
  const items = mappedTree(deep.length === 0 ? tree.items : broughtUp(tree.items), (item, _, children: readonly TreeItem[]): TreeItem => {
    const long = FIELDS.filter((f) => (item[f]?.length ?? 0) > longestText('frameworkItem', f))
    if (long.length === 0 && children.every((c, i) => c === item.children[i])) return item
    cuts.leftOut('cut-field', long.length, item.at)
    return { ...item, ...Object.fromEntries(long.map((f) => [f, fitted(item[f] as string, longestText('frameworkItem', f))])), children }
  })
  return { ...tree, items, problems: [...cuts.problems, ...tooDeep(deep[0]?.item, deep.length), ...tree.problems] }
}

/** What stands too deep stands in the last level, behind what it was a part of. */
const broughtUp = (items: readonly TreeItem[]): readonly TreeItem[] =>
  treeOfRows(rowsOfTree(items).map((row) => ({ ...row, depth: Math.min(row.depth, MOST_LEVELS - 1) })))

const tooDeep = (first: TreeItem | undefined, n: number): TreeProblem[] =>
  first === undefined
    ? []
    : [
        {
          code: 'too-deep',
          message: `${countOf(n, 'item')} deeper than ${MOST_LEVELS} levels: ${n === 1 ? 'it stands' : 'they stand'} in the last of them`,
          at: first.at,
        },
      ]
