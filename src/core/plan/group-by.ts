/** Items by key, each group in its order: sorting many small groups is cheaper than sorting all first. */
export function groupBy<T>(items: Iterable<T>, key: (item: T) => string, order?: (a: T, b: T) => number): Map<string, T[]> {
  const groups = new Map<string, T[]>()
  for (const item of items) {
    const of = key(item)
    const group = groups.get(of)
    if (group) group.push(item)
    else groups.set(of, [item])
  }
  if (order) for (const group of groups.values()) if (group.length > 1) group.sort(order)
  return groups
}
