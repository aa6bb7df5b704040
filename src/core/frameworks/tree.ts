/** A framework as it was understood, before anything of it is stored: a tree to correct. */
import type { ItemKind } from '../blueprint/kinds/framework'

export type TreeItem = {
  readonly code: string | null
  readonly statement: string
  readonly kind: ItemKind
  readonly required: boolean
  /** How many of its parts are enough; null: all. */
  readonly anyOf: number | null
  /** On how many occasions it must be shown; null: once. */
  readonly times: number | null
  /** Its identifier where it comes from. */
  readonly sourceId: string | null
  readonly children: readonly TreeItem[]
  /** Where it stood: `line 12`, `CFItems[3]`. */
  readonly at: string
}

export type TreeProblem = { readonly code: string; readonly message: string; readonly at: string }

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
  readonly notUnderstood: readonly { readonly text: string; readonly at: string }[]
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
}

export const treeItem = (item: Partial<TreeItem> & Pick<TreeItem, 'statement' | 'kind' | 'at'>): TreeItem => ({
  code: null,
  required: true,
  anyOf: null,
  times: null,
  sourceId: null,
  children: [],
  ...item,
})

/** Every item with its depth, parents before their parts. Without recursion: trees from outside can be deep. */
export function walkTree(items: readonly TreeItem[]): { readonly item: TreeItem; readonly depth: number }[] {
  const out: { item: TreeItem; depth: number }[] = []
  const stack = items.map((item) => ({ item, depth: 0 })).reverse()
  for (let top = stack.pop(); top; top = stack.pop()) {
    out.push(top)
    for (let i = top.item.children.length - 1; i >= 0; i--) stack.push({ item: top.item.children[i] as TreeItem, depth: top.depth + 1 })
  }
  return out
}

const EVIDENCE: ReadonlySet<ItemKind> = new Set(['performance evidence', 'knowledge evidence', 'assessment condition'])

export type FrameworkMap = {
  readonly title: string | null
  readonly elements: readonly {
    readonly code: string | null
    readonly statement: string
    readonly criteria: readonly { readonly code: string | null; readonly statement: string }[]
  }[]
  readonly skills: readonly string[]
  readonly evidence: readonly string[]
  readonly notUnderstood: readonly string[]
  readonly problems: readonly TreeProblem[]
}

/** The tree as the command line prints it: elements with their criteria, then lists. */
export function frameworkMap(tree: FrameworkTree): FrameworkMap {
  const all = walkTree(tree.items).map(({ item }) => item)
  return {
    title: tree.title,
    elements: all
      .filter((i) => i.kind === 'element' || (i.kind === 'outcome' && i.children.length > 0))
      .map(({ code, statement, children }) => ({
        code,
        statement,
        criteria: walkTree(children)
          .filter(({ item }) => item.kind !== 'element')
          .map(({ item }) => ({ code: item.code, statement: item.statement })),
      })),
    skills: all.filter((i) => i.kind === 'foundation skill').map((i) => i.statement),
    evidence: all.filter((i) => EVIDENCE.has(i.kind)).map((i) => i.statement),
    notUnderstood: tree.notUnderstood.map((n) => n.text),
    problems: tree.problems,
  }
}

/** The map as text to read. */
export function frameworkText(map: FrameworkMap): string {
  const coded = (code: string | null, statement: string) => `${code === null ? '' : `${code} `}${statement}`
  const list = (head: string, lines: readonly string[]) => (lines.length === 0 ? [] : ['', `${head}:`, ...lines.map((l) => `  ${l}`)])
  return `${[
    map.title ?? 'Untitled framework',
    ...map.elements.flatMap((e) => ['', coded(e.code, e.statement), ...e.criteria.map((c) => `  ${coded(c.code, c.statement)}`)]),
    ...list('Skills', map.skills),
    ...list('Evidence', map.evidence),
    ...list(
      'To look at',
      map.problems.map((p) => `${p.message} (${p.at})`),
    ),
    ...list('Not understood', map.notUnderstood),
  ].join('\n')}\n`
}
