/** Codes for points that have none. */

/** The first letter of an area without its accent, and the smallest number that is free among those in use: `A-3`. */
export function freeCode(area: string, used: ReadonlySet<string>): string {
  const letter = /\p{L}/u.exec(area.normalize('NFD'))?.[0].toUpperCase() ?? 'X'
  let n = 1
  while (used.has(`${letter}-${n}`)) n++
  return `${letter}-${n}`
}
