/** A tree as the plan can hold it: texts longer than their fields are cut, and told. */
import { longestText } from '../blueprint/field-text'
import { fitted } from '../blueprint/text'
import { Cuts } from '../intake/cuts'
import type { FrameworkTree, TreeItem } from './tree'

const FIELDS = ['code', 'statement', 'notes'] as const

/** The tree with texts that fit; `cuts` may have counted before what did not come so far. */
export function fittedTree(tree: FrameworkTree, cuts: Cuts = new Cuts()): FrameworkTree {
  const fit = (item: TreeItem): TreeItem => {
    const children = item.children.map(fit)
    const long = FIELDS.filter((f) => (item[f]?.length ?? 0) > longestText('frameworkItem', f))
    if (long.length === 0 && children.every((c, i) => c === item.children[i])) return item
    cuts.leftOut('cut-field', long.length, item.at)
    return { ...item, ...Object.fromEntries(long.map((f) => [f, fitted(item[f] as string, longestText('frameworkItem', f))])), children }
  }
  const items = tree.items.map(fit)
  return { ...tree, items, problems: [...cuts.problems, ...tree.problems] }
}
