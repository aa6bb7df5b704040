/**
 * Frameworks as competency exchange JSON (1EdTech CASE 1.0 and 1.1, CFPackage): a document, its items, and associations between
 * them. What is wrong with an item is said of that item; the others come in all the same.
 */
import { err, ok, type Problem, type Result } from '../result'
import { z } from '../zod'
import { itemKind } from './item-kinds'
import { plainText } from './plain-text'
import { EMPTY_TREE, type FrameworkTree, ledgerOfItems, type TreeItem, type TreeProblem, treeItem } from './tree'

/** Cairn defaults: national frameworks are below them. */
export const MOST_ITEMS = 50_000
/** Most problems that are listed one by one. */
const MOST_PROBLEMS = 500

const text = z.nullish(z.string())
const documentSchema = z.looseObject({
  identifier: text,
  title: text,
  creator: text,
  publisher: text,
  version: text,
  officialSourceURL: text,
  uri: text,
})
const itemSchema = z.looseObject({
  identifier: z.string().check(z.minLength(1), z.maxLength(200)),
  fullStatement: text,
  abbreviatedStatement: text,
  alternativeLabel: text,
  humanCodingScheme: text,
  CFItemType: text,
  listEnumeration: text,
  notes: text,
  extensions: z.catch(
    z.nullish(
      z.looseObject({
        cairn: z.looseObject({
          required: z.optional(z.boolean()),
          anyOf: z.optional(z.int().check(z.gte(1), z.lte(200))),
          times: z.optional(z.int().check(z.gte(1), z.lte(200))),
          kind: z.optional(z.string()),
        }),
      }),
    ),
    null,
  ),
})
const nodeSchema = z.looseObject({ identifier: z.string().check(z.minLength(1), z.maxLength(200)), uri: text })
const associationSchema = z.looseObject({
  associationType: z.string(),
  originNodeURI: nodeSchema,
  destinationNodeURI: nodeSchema,
  sequenceNumber: z.catch(z.nullish(z.number()), null),
})
const packageSchema = z.looseObject({
  CFDocument: z.nullish(documentSchema),
  CFItems: z.nullish(z.array(z.unknown())),
  CFAssociations: z.nullish(z.array(z.unknown())),
})

type Item = z.infer<typeof itemSchema> & { readonly at: string; readonly position: number }

/** Whether a text looks like competency exchange JSON and not like another file. */
export const looksLikeCase = (input: string): boolean => /^\s*\uFEFF?\s*\{/.test(input) && /"(?:CFDocument|CFItems|CFPackage)"/.test(input)

/** Told while a long reading goes on: how many items are read, of how many. */
export type Progress = (done: number, of: number) => void

/** Reads a package. Refused only where it is no package at all; what is wrong inside is listed by item. */
export function readCase(input: string, progress: Progress = () => undefined): Result<FrameworkTree, Problem> {
  let raw: unknown
  try {
    raw = JSON.parse(input.replace(/^\s*\uFEFF/, ''))
  } catch (error) {
    return err({ code: 'not-json', message: `This is not readable JSON: ${(error as Error).message}.`, at: '' })
  }
  const inner = (raw as { CFPackage?: unknown } | null)?.CFPackage ?? raw
  const parsed = packageSchema.safeParse(inner)
  if (!parsed.success || (!parsed.data.CFDocument && !parsed.data.CFItems))
    return err({ code: 'no-package', message: 'This is JSON, but no competency package: CFDocument and CFItems are missing.', at: '' })
  const { CFDocument: document, CFItems, CFAssociations } = parsed.data
  if ((CFItems?.length ?? 0) > MOST_ITEMS)
    return err({ code: 'too-many', message: `This package has more than ${MOST_ITEMS.toLocaleString('en')} items.`, at: 'CFItems' })
  const problems: TreeProblem[] = []
  const tell = (code: string, message: string, at: string) => void problems.push({ code, message, at })
  const left: { text: string; at: string }[] = []
  const items = readItems(CFItems ?? [], tell, left, progress)
  const { parentOf, relations } = readAssociations(CFAssociations ?? [], items, document?.identifier ?? null, tell)
  const tree = assemble(items, parentOf, tell)
  return ok({
    ...EMPTY_TREE,
    title: shown(document?.title),
    issuer: shown(document?.publisher) ?? shown(document?.creator),
    version: shown(document?.version),
    source: shown(document?.officialSourceURL) ?? shown(document?.uri),
    sourceId: document?.identifier ?? null,
    items: tree,
    relations,
    problems:
      problems.length > MOST_PROBLEMS
        ? [...problems.slice(0, MOST_PROBLEMS), { code: 'more', message: `and ${problems.length - MOST_PROBLEMS} more`, at: '' }]
        : problems,
    notUnderstood: left,
    ledger: ledgerOfItems(tree, left),
  })
}

const shown = (value: string | null | undefined): string | null => {
  const plain = plainText(value ?? '')
    .replace(/\s+/g, ' ')
    .trim()
  return plain === '' ? null : plain
}

type Tell = (code: string, message: string, at: string) => void

function readItems(raw: readonly unknown[], tell: Tell, left: { text: string; at: string }[], progress: Progress): Map<string, Item> {
  const items = new Map<string, Item>()
  raw.forEach((value, i) => {
    const at = `CFItems[${i}]`
    if (i % 1000 === 0) progress(i, raw.length)
    const parsed = itemSchema.safeParse(value)
    if (!parsed.success) {
      tell('bad-item', `An item cannot be read: ${parsed.error.issues[0]?.path.join('.') || 'it is no object'}`, at)
      return void left.push({ text: JSON.stringify(value)?.slice(0, 300) ?? '', at })
    }
    const item = parsed.data
    const before = items.get(item.identifier)
    if (before) {
      const same = before.fullStatement === item.fullStatement
      tell('identifier-twice', `${nameOf(item)} has an identifier that came before${same ? '' : ' with other words'}`, at)
      if (!same) left.push({ text: nameOf(item), at })
      return
    }
    items.set(item.identifier, { ...item, at, position: i })
  })
  return items
}

const nameOf = (item: z.infer<typeof itemSchema>): string =>
  [item.humanCodingScheme, shown(item.fullStatement) ?? shown(item.abbreviatedStatement)].filter(Boolean).join(' ').slice(0, 120) ||
  item.identifier

function readAssociations(raw: readonly unknown[], items: ReadonlyMap<string, Item>, documentId: string | null, tell: Tell) {
  const parentOf = new Map<string, { readonly parent: string; readonly sequence: number | null }>()
  const relations: { from: string; to: string; relation: 'same' | 'related' }[] = []
  raw.forEach((value, i) => {
    const at = `CFAssociations[${i}]`
    const parsed = associationSchema.safeParse(value)
    if (!parsed.success)
      return tell('bad-association', `An association cannot be read: ${parsed.error.issues[0]?.path.join('.') || 'it is no object'}`, at)
    const { associationType: type, originNodeURI: origin, destinationNodeURI: destination, sequenceNumber } = parsed.data
    const child = items.get(origin.identifier)
    if (type === 'isChildOf') {
      if (!child) return tell('missing-child', `An association places an item that is not in the package (${origin.identifier})`, at)
      if (destination.identifier === documentId) return
      if (!items.has(destination.identifier))
        return tell('missing-parent', `${nameOf(child)} belongs to an item that is not in the package; it stands at the top`, child.at)
      if (parentOf.has(origin.identifier)) {
        if (parentOf.get(origin.identifier)?.parent !== destination.identifier)
          tell('two-parents', `${nameOf(child)} belongs to two items; it stays with the first`, child.at)
        return
      }
      parentOf.set(origin.identifier, { parent: destination.identifier, sequence: sequenceNumber ?? null })
    } else if (type === 'exactMatchOf' || type === 'isRelatedTo' || type === 'isPeerOf')
      relations.push({ from: origin.identifier, to: destination.identifier, relation: type === 'exactMatchOf' ? 'same' : 'related' })
    else tell('association-left', `An association “${type.slice(0, 60)}” is not kept`, at)
  })
  return { parentOf, relations }
}

/** The tree; an item that would stand within itself stands at the top instead. */
function assemble(
  items: ReadonlyMap<string, Item>,
  parentOf: Map<string, { readonly parent: string; readonly sequence: number | null }>,
  tell: Tell,
): TreeItem[] {
  const settled = new Set<string>()
  for (const start of items.keys()) {
    const path = new Set<string>()
    let id: string | undefined = start
    while (id !== undefined && !settled.has(id)) {
      if (path.has(id)) {
        const item = items.get(id) as Item
        tell('cycle', `${nameOf(item)} would stand within itself; it stands at the top`, item.at)
        parentOf.delete(id)
        break
      }
      path.add(id)
      id = parentOf.get(id)?.parent
    }
    for (const p of path) settled.add(p)
  }
  const children = new Map<string | null, Item[]>()
  for (const item of items.values()) {
    const parent = parentOf.get(item.identifier)?.parent ?? null
    const list = children.get(parent)
    if (list) list.push(item)
    else children.set(parent, [item])
  }
  // Items without a sequence keep the order of the file.
  const rank = (i: Item) => parentOf.get(i.identifier)?.sequence ?? Number.POSITIVE_INFINITY
  for (const list of children.values()) list.sort((a, b) => (rank(a) === rank(b) ? a.position - b.position : rank(a) - rank(b)))
  // From the leaves up, without recursion.
  const order: { item: Item; depth: number }[] = []
  const stack = (children.get(null) ?? []).map((item) => ({ item, depth: 0 })).reverse()
  for (let top = stack.pop(); top; top = stack.pop()) {
    order.push(top)
    for (const item of (children.get(top.item.identifier) ?? []).toReversed()) stack.push({ item, depth: top.depth + 1 })
  }
  const made = new Map<string, TreeItem>()
  for (const { item, depth } of order.reverse()) {
    const parts = (children.get(item.identifier) ?? []).flatMap((c) => made.get(c.identifier) ?? [])
    const one = madeItem(item, parts, depth, tell)
    if (one) made.set(item.identifier, one)
  }
  return (children.get(null) ?? []).flatMap((i) => made.get(i.identifier) ?? [])
}

function madeItem(item: Item, children: readonly TreeItem[], depth: number, tell: Tell): TreeItem | null {
  const full = plainText(item.fullStatement ?? '').trim()
  const statement = full || shown(item.abbreviatedStatement) || shown(item.alternativeLabel) || item.humanCodingScheme?.trim() || ''
  if (full === '') tell('no-statement', `${item.humanCodingScheme ?? item.identifier} has no statement`, item.at)
  if (statement === '' && children.length === 0) return null
  const own = item.extensions?.cairn
  return treeItem({
    code: (item.humanCodingScheme ?? item.listEnumeration)?.trim() || null,
    statement: statement || 'Untitled',
    kind: itemKind(own?.kind ?? item.CFItemType ?? null, children.length > 0, depth),
    required: own?.required ?? true,
    anyOf: own?.anyOf ?? null,
    times: own?.times ?? null,
    notes: plainText(item.notes ?? '').trim() || null,
    sourceId: item.identifier,
    children,
    at: item.at,
  })
}
