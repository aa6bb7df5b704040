/**
 * Places activities in the columns of their modules, so that few strokes cross: a layered drawing (Sugiyama, Tagawa & Toda 1981)
 * with a hidden spine of columns that keeps each item in its own.
 */
import { Graph, layout } from '@dagrejs/dagre'
import { type ChainLayout, type ChainShape, NODE } from '../../core/design/chains'
import type { TaskWork } from '../task'
import type { layOutChains } from '../tasks'

/** Room between items and around them, in pixels (Cairn defaults). */
const GAP = { across: 26, down: 14 } as const
const EDGE = 12

const spine = (column: number): string => `column ${column}`
const room = (column: number): string => `room ${column}`

/** The longest way within each column: so many steps it needs to be wide. */
function depths({ columns, nodes, links }: ChainShape): number[] {
  const columnOf = new Map(nodes.map((n) => [n.id, n.column]))
  const depth = new Map(nodes.map((n) => [n.id, 1]))
  const within = links.filter((l) => columnOf.get(l.from) === columnOf.get(l.to))
  // At most as often as there are links: a loop would never end.
  for (let round = 0, changed = true; changed && round < Math.min(within.length, 60); round++) {
    changed = false
    for (const { from, to } of within) {
      const next = (depth.get(from) ?? 1) + 1
      if (next > (depth.get(to) ?? 1) && next <= nodes.length) {
        depth.set(to, next)
        changed = true
      }
    }
  }
  return Array.from({ length: columns }, (_, c) => Math.max(1, ...nodes.flatMap((n) => (n.column === c ? (depth.get(n.id) ?? 1) : []))))
}

export const work: TaskWork<typeof layOutChains> = (shape: ChainShape): ChainLayout => {
  const { columns, nodes, links } = shape
  const graph = new Graph()
  graph.setGraph({ rankdir: 'LR', nodesep: GAP.down, ranksep: GAP.across, marginx: EDGE, marginy: EDGE })
  graph.setDefaultEdgeLabel(() => ({}))
  const steps = depths(shape)
  for (let c = 0; c <= columns; c++) graph.setNode(spine(c), { width: 1, height: 1 })
  for (let c = 0; c < columns; c++) graph.setEdge(spine(c), spine(c + 1), { minlen: (steps[c] ?? 1) + 1, weight: 50 })
  // Each column has room for one item, whether or not one of it is linked.
  for (let c = 0; c < columns; c++) {
    graph.setNode(room(c), { width: NODE.width, height: 1 })
    graph.setEdge(spine(c), room(c), { weight: 0 })
    graph.setEdge(room(c), spine(c + 1), { weight: 0 })
  }
  const columnOf = new Map(nodes.map((n) => [n.id, n.column]))
  const linkedIds = new Set(links.flatMap((l) => [l.from, l.to]))
  const linked = nodes.filter((n) => linkedIds.has(n.id))
  for (const { id, column } of linked) {
    graph.setNode(id, { ...NODE })
    graph.setEdge(spine(column), id, { weight: 0 })
    graph.setEdge(id, spine(column + 1), { weight: 0 })
  }
  // What leads back is drawn and has no say in where things stand.
  for (const { from, to } of links)
    if ((columnOf.get(from) ?? 0) <= (columnOf.get(to) ?? 0) && from !== to) graph.setEdge(from, to, { weight: 2 })
  layout(graph)
  const at = (id: string) => graph.node(id) as { readonly x: number; readonly y: number }
  const placed = linked.map(({ id }) => ({ id, x: at(id).x - NODE.width / 2, y: at(id).y - NODE.height / 2 }))
  const highest = Math.min(...placed.map((p) => p.y))
  const drawn = placed.map((p) => ({ ...p, y: p.y - highest + EDGE }))
  const edges = Array.from({ length: columns + 1 }, (_, c) => at(spine(c)).x)
  const below = Math.max(0, ...drawn.map((p) => p.y + NODE.height)) + (drawn.length > 0 ? 2 * GAP.down : EDGE)
  // What is linked with nothing stands under the drawing, in its column.
  const others = Array.from({ length: columns }, (_, c) => nodes.filter((n) => n.column === c && !linkedIds.has(n.id)))
  const stacked = others.flatMap((ids, c) =>
    ids.map(({ id }, i) => ({ id, x: (edges[c] ?? 0) + GAP.across, y: below + i * (NODE.height + GAP.down) })),
  )
  const all = [...drawn, ...stacked]
  return {
    nodes: all,
    columns: edges.slice(0, -1).map((x, c) => ({ x, width: (edges[c + 1] ?? x) - x })),
    width: (edges.at(-1) ?? 0) + EDGE,
    height: Math.max(0, ...all.map((p) => p.y)) + NODE.height + EDGE,
  }
}
