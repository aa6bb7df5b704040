/**
 * Files written by hand as twenty different people keep their courses, with what they say beside them. A line of facts:
 * `m|module|weeks`, `o|outcome`, `l|module|objective`, `a|module|activity|min=..|pts=..|pct=..|kind=..|due=..|obj=..;..`,
 * `c|category|share`, `g|graded entry|points`, `p|kind of piece|words in it`, `t|what must be told or kept`.
 */
import { readdirSync, readFileSync } from 'node:fs'
import { mapOf } from '../../src/core/formats/map'
import { pieceText } from '../../src/core/intake/pieces'
import { readFile, readText } from '../../src/core/intake/read-file'
import { understand } from '../../src/core/intake/understand'

const FOLDER = new URL('../fixtures/intake/by-hand/', import.meta.url)
export const BY_HAND = readdirSync(FOLDER)
  .filter((f) => !f.endsWith('.facts'))
  .sort()
export type Fact = { readonly line: string; readonly right: boolean; readonly got: string }

const fold = (text: string) =>
  text
    .toLowerCase()
    .replace(/[“”"'’.,;:!?()–—-]+/g, ' ')
    .replace(/\s+/g, ' ')
    .trim()
const same = (a: string | null | undefined, b: string) => fold(a ?? '') === fold(b)
/** A title may keep the word for its kind before it: "Video: Opening the box". */
const titled = (a: string | null | undefined, b: string) =>
  same(a, b) || fold(a ?? '').endsWith(` ${fold(b)}`) || fold(a ?? '').startsWith(`${fold(b)} `)

export function factsOf(file: string): Fact[] {
  const bytes = readFileSync(new URL(file, FOLDER))
  const source = file.endsWith('.txt') ? readText('pasted text', bytes.toString('utf8')) : readFile(file, bytes)
  if ('ok' in source && !source.ok) throw new Error(source.error.message)
  const map = mapOf(understand(['ok' in source ? source.value : source]))
  const told = fold(
    [...map.problems.map((x) => x.message), ...map.notUnderstood.map((n) => n.text), ...map.guesses.map((g) => g.why)].join(' '),
  )
  const kept = fold([...map.modules.flatMap((m) => m.activities.map((a) => a.notes ?? '')), ...map.pieces.map(pieceText)].join(' '))
  const facts: Fact[] = []
  const fact = (line: string, right: boolean, got: unknown) => facts.push({ line, right, got: JSON.stringify(got) ?? '' })
  const lines = readFileSync(new URL(file.replace(/\.\w+$/, '.facts'), FOLDER), 'utf8')
    .split('\n')
    .filter(Boolean)
  for (const line of lines) {
    const [mark, ...parts] = line.split('|')
    const [first = '', second = '', ...more] = parts
    const module = map.modules.find((m) => same(m.title, first))
    if (mark === 'm') {
      fact(
        `module ${first}`,
        module !== undefined,
        map.modules.map((m) => m.title),
      )
      if (second !== '') fact(`weeks of ${first}`, module?.weeks === second, module?.weeks)
    } else if (mark === 'o')
      fact(
        `outcome ${first}`,
        map.outcomes.some((o) => same(o.statement, first)),
        map.outcomes.map((o) => o.statement),
      )
    else if (mark === 'l') {
      const all = map.modules.flatMap((m) => m.objectives.map((o) => ({ ...o, m: m.title })))
      const found = all.find((o) => titled(o.statement, second))
      fact(
        `objective ${second}`,
        found !== undefined,
        all.map((o) => o.statement),
      )
      if (first !== '') fact(`objective ${second} in ${first}`, same(found?.m, first), found?.m)
    } else if (mark === 'c' || mark === 'g') {
      const entry = map.categories.find((c) => titled(c.title, first))
      const work = map.modules.flatMap((m) => m.activities).find((a) => same(a.title, first))
      const value = mark === 'c' ? (entry?.share ?? work?.percent) : (entry?.points ?? work?.points)
      fact(`share of ${first}`, value === Number(second), entry ?? work ?? map.categories.map((c) => c.title))
    } else if (mark === 'p')
      fact(
        `${first} ${second}`,
        map.pieces.some((x) => x.kind === first && fold(pieceText(x)).includes(fold(second))),
        map.pieces.map(pieceText),
      )
    else if (mark === 't') fact(`told ${first}`, told.includes(fold(first)) || kept.includes(fold(first)), told.slice(0, 300))
    else if (mark === 'a') {
      const all = map.modules.flatMap((m) => m.activities.map((a) => ({ ...a, m })))
      const found =
        all.find((a) => same(a.title, second) && (first === '' || a.m === module)) ??
        all.find((a) => titled(a.title, second) && (first === '' || a.m === module)) ??
        all.find((a) => titled(a.title, second))
      fact(
        `activity ${second}`,
        found !== undefined,
        all.map((a) => a.title),
      )
      if (first !== '') fact(`activity ${second} in ${first}`, same(found?.m.title, first), found?.m.title)
      for (const value of more) {
        const [key = '', wanted = ''] = value.split('=')
        const objectives = found?.objectives.map(
          (code) => map.modules.flatMap((m) => m.objectives).find((o) => o.code === code)?.statement ?? code,
        )
        const got = {
          min: String(found?.minutes),
          pts: String(found?.points),
          pct: String(found?.percent),
          kind: String(found?.kind),
          due: found?.dueDate?.endsWith(wanted) ? wanted : String(found?.dueRule ?? found?.dueDate ?? found?.due),
          obj: (objectives ?? []).map(fold).sort().join(';'),
        }[key]
        const right = key === 'obj' ? got === wanted.split(';').map(fold).sort().join(';') : got === wanted
        fact(`${key} of ${second} is ${wanted}`, right, got)
      }
    }
  }
  return facts
}
