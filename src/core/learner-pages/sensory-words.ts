/** Words that find something by how it looks or where it stands alone (WCAG 2.2, 1.3.3): who cannot see it is lost. */

const COLOURS =
  'red|green|blue|yellow|orange|purple|violet|pink|gr[ae]y|black|white|brown|turquoise|cyan|magenta|grün|rot|blau|bold|italics?'
const SHAPES =
  'round|square|triangular|circular|oval|rectangular|diamond(?:-shaped)?|star-shaped|heart-shaped|large|larger|small|smaller|big|bigger'
const PARTS =
  'ones?|buttons?|box(?:es)?|icons?|links?|text|words?|letters?|arrows?|fields?|items?|entries|cells?|rows?|columns?|areas?|sections?|panels?|tabs?|shapes?|symbols?|marks?|headings?|type|print|dots?'

const PATTERNS: readonly RegExp[] = [
  // "marked in red", "in red", but not "in red sandstone".
  new RegExp(
    String.raw`\bin (?:${COLOURS})\b(?! \p{L})|\b(?:marked|shown|written|printed|highlighted|coloured|colored|set|are|is) in (?:${COLOURS})\b`,
    'giu',
  ),
  new RegExp(String.raw`\b(?:the|all|every|each|any) (?:${COLOURS}|${SHAPES}) (?:${PARTS})\b`, 'giu'),
  /\b(?:on|to|at) the (?:far |very |upper |lower )?(?:left|right)(?:[- ]hand side)?\b(?! (?:track|path|side of the (?:road|river|stream)|bank|time|way|level|place|moment|answer|order)\b)/giu,
  /\b(?:in|at) the (?:top|bottom|upper|lower)[ -](?:left|right)(?:[- ]hand)? ?(?:corner)?/giu,
]

/** The words in a text that do so, in their order, none within another. */
export function sensoryWords(text: string): readonly string[] {
  const found = PATTERNS.flatMap((pattern) => [...text.matchAll(pattern)].map((m) => ({ from: m.index, words: m[0].trim() })))
  const order = found.sort((a, b) => a.from - b.from || b.words.length - a.words.length)
  let end = -1
  return order.flatMap(({ from, words }) => {
    if (from < end) return []
    end = from + words.length
    return [words]
  })
}
