/** Loops among links: what builds on itself in the end (Tarjan 1972: strongly connected components). */

type Link = { readonly from: string; readonly to: string }

/** Each set of records that lead to one another, of two and more; in the order in which they are met. */
export function loopsOf(links: readonly Link[]): string[][] {
  const next = new Map<string, string[]>()
  for (const { from, to } of links) {
    const known = next.get(from)
    if (known) known.push(to)
    else next.set(from, [to])
  }
  const found: string[][] = []
  const order = new Map<string, number>()
  const lowest = new Map<string, number>()
  const open: string[] = []
  const isOpen = new Set<string>()
  // Without recursion: a chain may be as long as a course.
  for (const start of next.keys()) {
    if (order.has(start)) continue
    const path: { readonly id: string; at: number }[] = [{ id: start, at: 0 }]
    while (path.length > 0) {
      const step = path.at(-1) as (typeof path)[number]
      const { id } = step
      if (step.at === 0 && !order.has(id)) {
        order.set(id, order.size)
        lowest.set(id, order.get(id) as number)
        open.push(id)
        isOpen.add(id)
      }
      const to = next.get(id)?.[step.at++]
      if (to !== undefined) {
        if (!order.has(to)) path.push({ id: to, at: 0 })
        else if (isOpen.has(to)) lower(lowest, id, order.get(to) as number)
        continue
      }
      path.pop()
      const parent = path.at(-1)
      if (parent) lower(lowest, parent.id, lowest.get(id) as number)
      if (lowest.get(id) === order.get(id)) {
        const loop = open.splice(open.indexOf(id))
        for (const one of loop) isOpen.delete(one)
        if (loop.length > 1) found.push(loop)
      }
    }
  }
  return found
}

function lower(lowest: Map<string, number>, id: string, to: number): void {
  lowest.set(id, Math.min(lowest.get(id) ?? to, to))
}
