/** Timing and reporting for benchmarks. Times are in milliseconds. */
import { readFileSync } from 'node:fs'

/**
 * Begins to count what a virtual machine's host gives to others. Returns how to ask for its share of the time since, 0 to 1
 * (`steal` in /proc/stat, proc(5)): figures that are taken while it is high tell of the host.
 */
export function stolen(): () => number {
  const read = () => {
    const times = (/^cpu +(.*)$/m.exec(readFileSync('/proc/stat', 'utf8'))?.[1] ?? '').split(' ').map(Number)
    return { all: times.slice(0, 8).reduce((a, b) => a + b, 0), steal: times[7] ?? 0 }
  }
  const begin = read()
  return () => {
    const now = read()
    return (now.steal - begin.steal) / Math.max(1, now.all - begin.all)
  }
}

const sorted = (times: readonly number[]): number[] => [...times].sort((a, b) => a - b)
/** The p-quantile by nearest rank; p in (0, 1]. */
export const quantile = (times: readonly number[], p: number): number =>
  sorted(times)[Math.max(0, Math.ceil(times.length * p) - 1)] ?? Number.NaN
export const median = (times: readonly number[]): number => quantile(times, 0.5)

/** Waits until the host leaves the machine alone, or for two minutes (Cairn default: under a twentieth in three seconds). */
export async function calm(): Promise<void> {
  for (let n = 0; n < 40; n++) {
    const taken = stolen()
    await new Promise((done) => setTimeout(done, 3000))
    if (taken() < 0.05) return
  }
}

/** Runs `work` until it is warm, then `times` times; returns each duration. */
export async function timed(times: number, work: (n: number) => unknown): Promise<number[]> {
  for (let n = 0; n < Math.max(5, times / 10); n++) await work(-1 - n)
  const taken: number[] = []
  for (let n = 0; n < times; n++) {
    const start = performance.now()
    await work(n)
    taken.push(performance.now() - start)
  }
  return taken
}

/** Runs the works by turns, so that a slow moment of the machine meets all alike. */
export async function byTurns(times: number, works: Readonly<Record<string, (n: number) => unknown>>): Promise<Record<string, number[]>> {
  const taken: Record<string, number[]> = Object.fromEntries(Object.keys(works).map((name) => [name, []]))
  for (let n = -5; n < times; n++)
    for (const [name, work] of Object.entries(works)) {
      const start = performance.now()
      await work(n)
      if (n >= 0) taken[name]?.push(performance.now() - start)
    }
  return taken
}

export type Line = { readonly what: string; readonly value: string; readonly aim?: string; readonly met?: boolean }
export type Section = { readonly title: string; readonly how: string; readonly lines: readonly Line[] }

export const ms = (n: number): string => `${n < 1 ? n.toFixed(3) : n < 10 ? n.toFixed(2) : n.toFixed(1)} ms`
export const ratio = (n: number): string => `${n.toFixed(2)} x`
/** A figure with the aim it is judged by. */
export const judged = (what: string, value: number, limit: number, unit: (n: number) => string): Line => ({
  what,
  value: unit(value),
  aim: `at most ${unit(limit).replace(/\.0+(?= )/, '')}`,
  met: value <= limit,
})

/** A share that is judged by a lower limit. */
export const atLeast = (what: string, value: number, limit: number, unit: (n: number) => string): Line => ({
  what,
  value: unit(value),
  aim: `at least ${unit(limit).replace(/\.0+(?= )/, '')}`,
  met: value >= limit,
})
export const percent = (n: number): string => `${(n * 100).toFixed(1)} %`

export const asMarkdown = ({ title, how, lines }: Section): string =>
  `## ${title}\n\n${how}\n\n| Figure | Measured | Aim | Met |\n| --- | ---: | ---: | --- |\n${lines
    .map((l) => `| ${l.what} | ${l.value} | ${l.aim ?? ''} | ${l.met === undefined ? '' : l.met ? 'yes' : '**no**'} |`)
    .join('\n')}\n`
