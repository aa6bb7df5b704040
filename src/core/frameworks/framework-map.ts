/** A framework as the command line prints it: elements with their criteria, then lists; for other programs and for people. */
import type { ItemKind } from '../blueprint/kinds/framework'
import type { LedgerLine } from '../intake/ledger'
import { type FrameworkTree, pathsOfTree, type TreeItem, type TreeProblem, walkTree } from './tree'

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
  /** What is not sure, by its place in this map. */
  readonly guesses: readonly { readonly path: string; readonly value: string; readonly why: string }[]
  /** What stands beside items, by their places in this map. */
  readonly notes: readonly { readonly path: string; readonly text: string }[]
}

type Parts = {
  readonly elements: readonly { readonly item: TreeItem; readonly criteria: readonly TreeItem[] }[]
  readonly skills: readonly TreeItem[]
  readonly evidence: readonly TreeItem[]
}

function partsOf(tree: FrameworkTree): Parts {
  const all = walkTree(tree.items).map(({ item }) => item)
  return {
    elements: all
      .filter((i) => i.kind === 'element' || (i.kind === 'outcome' && i.children.length > 0))
      .map((item) => ({ item, criteria: walkTree(item.children).flatMap((c) => (c.item.kind === 'element' ? [] : [c.item])) })),
    skills: all.filter((i) => i.kind === 'foundation skill'),
    evidence: all.filter((i) => EVIDENCE.has(i.kind)),
  }
}

/** Items with their places in the map. */
const placed = ({ elements, skills, evidence }: Parts): (readonly [string, TreeItem])[] => [
  ...elements.flatMap(({ item, criteria }, i) => [
    [`elements[${i}]`, item] as const,
    ...criteria.map((c, k) => [`elements[${i}].criteria[${k}]`, c] as const),
  ]),
  ...skills.map((s, i) => [`skills[${i}]`, s] as const),
  ...evidence.map((e, i) => [`evidence[${i}]`, e] as const),
]

export function frameworkMap(tree: FrameworkTree): FrameworkMap {
  const parts = partsOf(tree)
  const places = placed(parts)
  const named = ({ code, statement }: TreeItem) => ({ code, statement })
  return {
    title: tree.title,
    elements: parts.elements.map(({ item, criteria }) => ({ ...named(item), criteria: criteria.map(named) })),
    skills: parts.skills.map((i) => i.statement),
    evidence: parts.evidence.map((i) => i.statement),
    notUnderstood: tree.notUnderstood.map((n) => n.text),
    problems: tree.problems,
    guesses: places.flatMap(([path, { guess, statement }]) => (guess === null ? [] : [{ path, value: statement, why: guess }])),
    notes: places.flatMap(([path, { notes }]) => (notes === null ? [] : [{ path, text: notes }])),
  }
}

/** The ledger with places in the map; those of items that the map does not list are left out. */
export function frameworkLedger(tree: FrameworkTree): LedgerLine[] {
  const inTree = pathsOfTree(tree.items)
  const inMap = new Map(placed(partsOf(tree)).map(([path, item]) => [inTree.get(item), path]))
  return tree.ledger.map((line) => ({ ...line, paths: line.paths.flatMap((p) => inMap.get(p) ?? []) }))
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
      'Guessed',
      map.guesses.map((g) => `${g.value}: ${g.why} (${g.path})`),
    ),
    ...list(
      'To look at',
      map.problems.map((p) => `${p.message} (${p.at})`),
    ),
    ...list('Not understood', map.notUnderstood),
  ].join('\n')}\n`
}
