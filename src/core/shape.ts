/** The shape of JSON from outside, before anything of it is understood. */
import type { Problem } from './result'

/** The most values in a file (Cairn default). */
const MOST_NODES = 2_000_000
const FORBIDDEN = new Set(['__proto__', 'constructor', 'prototype'])

/**
 * Why a value from outside is not looked at any further: too deep, too large, or with keys that stand for what every object has;
 * null where it may be. Walks without recursion, so that a deep file cannot exhaust the stack.
 */
export function hostileShape(root: unknown, mostDepth: number): Problem | null {
  const stack: { value: unknown; at: string; depth: number }[] = [{ value: root, at: '', depth: 0 }]
  let nodes = 0
  for (let top = stack.pop(); top; top = stack.pop()) {
    const { value, at, depth } = top
    if (++nodes > MOST_NODES) return { code: 'too-large', message: 'the file holds more values than a course can', at }
    if (typeof value !== 'object' || value === null) continue
    if (depth > mostDepth) return { code: 'too-deep', message: `the file is nested deeper than ${mostDepth} levels`, at: at.slice(0, 200) }
    if (Array.isArray(value)) value.forEach((item, i) => stack.push({ value: item, at: `${at}[${i}]`, depth: depth + 1 }))
    else
      for (const [key, item] of Object.entries(value)) {
        const place = at ? `${at}.${key}` : key
        if (FORBIDDEN.has(key)) return { code: 'forbidden-key', message: `the key ${key} is not allowed`, at: place }
        stack.push({ value: item, at: place, depth: depth + 1 })
      }
  }
  return null
}
