/** What a generated specification really asks for. */
import { UNITS } from './units'

export type TrueCriterion = { readonly statement: string; readonly range: readonly string[] }
export type TrueSpec = {
  readonly code: string
  readonly title: string
  readonly issuer: string
  readonly about: readonly string[]
  readonly elements: readonly { readonly statement: string; readonly criteria: readonly TrueCriterion[] }[]
  readonly skills: readonly { readonly name: string; readonly what: string }[]
  readonly performance: readonly string[]
  readonly knowledge: readonly string[]
  readonly conditions: readonly string[]
}

export const SPECS: readonly TrueSpec[] = UNITS.trim()
  .split(/^= /m)
  .slice(1)
  .map((unit) => {
    const [head = '', ...lines] = unit.trim().split('\n')
    const of = (mark: string) => lines.filter((l) => l.startsWith(mark)).map((l) => l.slice(mark.length).trim())
    const elements: { statement: string; criteria: { statement: string; range: string[] }[] }[] = []
    for (const line of lines) {
      const [mark, text] = [line[0], line.slice(1).trim()]
      if (mark === '#') elements.push({ statement: text, criteria: [] })
      if (mark === '-') elements.at(-1)?.criteria.push({ statement: text, range: [] })
      if (mark === '~')
        elements
          .at(-1)
          ?.criteria.at(-1)
          ?.range.push(...text.split(', '))
    }
    return {
      code: head.split(' ')[0] as string,
      title: head.split(' ').slice(1).join(' '),
      issuer: of('@')[0] as string,
      about: of('!'),
      elements,
      skills: of('*').map((s) => ({ name: s.split(': ')[0] as string, what: s.split(': ').slice(1).join(': ') })),
      performance: of('p '),
      knowledge: of('k '),
      conditions: of('c '),
    }
  })
