/** The colours of the pages that learners get, and what in their texts keeps some out: as data, and for people. */
import { type Blueprint, courseOf } from '../blueprint/blueprint'
import { learnerTexts } from '../findings/rules/learner-texts'
import { paletteOf } from '../learner-pages/palette'

/** Keys are fixed: programs read them. */
export function textAccessOf(plan: Blueprint) {
  return {
    palette: paletteOf(courseOf(plan)).map(({ pair, colour, on, use, ratio, shown, needed, passes }) => ({
      pair,
      colour,
      on,
      use,
      ratio,
      shown,
      needed,
      passes,
    })),
    texts: learnerTexts(plan).flatMap(({ kind, id, field, problems }) =>
      problems.map(({ code, at, words }) => ({ record: { kind, id }, field, code, at, words })),
    ),
  }
}

/** A line a pair and a line a place. */
export function textAccessText({ palette, texts }: ReturnType<typeof textAccessOf>): string {
  const pairs = palette.map(
    (p) => `${p.passes ? 'enough  ' : 'too low '} ${p.pair}: ${p.colour} on ${p.on}, ${p.shown}, needed ${p.needed}`,
  )
  const places = texts.map((t) => `${t.code} in ${t.field} of ${t.record.kind} ${t.record.id} at ${t.at}${t.words ? `: ${t.words}` : ''}`)
  return `${[...pairs, ...places].join('\n')}\n`
}
