/** A framework as it was understood, before anything of it is stored: a tree to correct. */
import type { ItemKind } from '../blueprint/kinds/framework'
import type { LedgerLine } from '../intake/ledger'

export type TreeItem = {
  readonly code: string | null
  readonly statement: string
  readonly kind: ItemKind
  readonly required: boolean
  /** How many of its parts are enough; null: all. */
  readonly anyOf: number | null
  /** On how many occasions it must be shown; null: once. */
  readonly times: number | null
  /** What stands beside it: what it covers, the sentence that opens its list. */
  readonly notes: string | null
  /** Why it is a guess; null where it stood so. */
  readonly guess: string | null
  /** Its identifier where it comes from. */
  readonly sourceId: string | null
  readonly children: readonly TreeItem[]
  /** Where it stood: `line 12`, `CFItems[3]`. */
  readonly at: string
}

export type TreeProblem = { readonly code: string; readonly message: string; readonly at: string }

/** A line that became nothing; `under` is the unknown heading that it stands below. */
export type LeftLine = { readonly text: string; readonly at: string; readonly under?: string }

export type FrameworkTree = {
  readonly title: string | null
  readonly code: string | null
  readonly issuer: string | null
  readonly version: string | null
  readonly source: string | null
  readonly sourceId: string | null
  readonly items: readonly TreeItem[]
  /** Between items by their identifiers where they come from. */
  readonly relations: readonly { readonly from: string; readonly to: string; readonly relation: 'same' | 'related' }[]
  readonly problems: readonly TreeProblem[]
  readonly notUnderstood: readonly LeftLine[]
  /** What became of each line or row of the source. */
  readonly ledger: readonly LedgerLine[]
}

export const EMPTY_TREE: FrameworkTree = {
  title: null,
  code: null,
  issuer: null,
  version: null,
  source: null,
  sourceId: null,
  items: [],
  relations: [],
  problems: [],
  notUnderstood: [],
  ledger: [],
}

export const treeItem = (item: Partial<TreeItem> & Pick<TreeItem, 'statement' | 'kind' | 'at'>): TreeItem => ({
  code: null,
  required: true,
  anyOf: null,
  times: null,
  notes: null,
  guess: null,
  sourceId: null,
  children: [],
  ...item,
})

type Tree<T> = { readonly children: readonly T[] }

/** Every item with its depth, parents before their parts. Without recursion: trees from outside can be deep. */
export function walkTree<T extends Tree<T>>(items: readonly T[]): { readonly item: T; readonly depth: number }[] {
  const out: { item: T; depth: number }[] = []
  const stack = items.map((item) => ({ item, depth: 0 })).reverse()
  for (let top = stack.pop(); top; top = stack.pop()) {
    out.push(top)
    for (let i = top.item.children.length - 1; i >= 0; i--) stack.push({ item: top.item.children[i] as T, depth: top.depth + 1 })
  }
  return out
}

/** A tree of the same shape: each item from one of the source, its depth and what its parts became. */
export function mappedTree<T extends Tree<T>, U>(items: readonly T[], made: (item: T, depth: number, children: readonly U[]) => U): U[] {
  const of = new Map<T, U>()
  const became = (list: readonly T[]): U[] => list.map((item) => of.get(item) as U)
  for (const { item, depth } of walkTree(items).reverse()) of.set(item, made(item, depth, became(item.children)))
  return became(items)
}

/** Where each item stands: `items[0].children[2]`. */
export function pathsOfTree(items: readonly TreeItem[]): ReadonlyMap<TreeItem, string> {
  const paths = new Map(items.map((item, i) => [item, `items[${i}]`]))
  for (const { item } of walkTree(items))
    item.children.forEach((child, i) => {
      paths.set(child, `${paths.get(item)}.children[${i}]`)
    })
  return paths
}

/** What became of rows and records that are items by themselves. */
export const ledgerOfItems = (items: readonly TreeItem[], left: readonly LeftLine[]): LedgerLine[] => {
  const paths = pathsOfTree(items)
  return [
    ...walkTree(items).map(({ item }) => ({
      at: item.at,
      text: item.statement,
      fate: 'read' as const,
      what: item.kind,
      paths: [paths.get(item) as string],
    })),
    ...left.map(({ text, at }) => ({ at, text, fate: 'not understood' as const, what: '', paths: [] })),
  ]
}
