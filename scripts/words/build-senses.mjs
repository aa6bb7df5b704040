/**
 * Makes the table of senses that statements are compared with (src/core/objectives/similar/senses-table.ts) from WordNet: which
 * words mean the same, name a kind of another, come from one another, say the opposite. Usage: npm run words
 */
import { writeFileSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { keptWords } from './kept.mjs'
import { readWordNet } from './wordnet.mjs'
import { headOf, quoted } from './write.mjs'

/** Senses of a word that are looked at, by part of speech (Cairn default): rarer ones make everything like everything. */
const MOST = { n: 4, v: 5, a: 3 }
const PARTS = ['n', 'v', 'a']
/** What kind it is of; for adjectives, what they are much like. */
const UP = { n: '@', v: '@', a: '&' }

const LETTERS = 'ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz0123456789-_'
const number = (n) => LETTERS[n >> 12] + LETTERS[(n >> 6) & 63] + LETTERS[n & 63]

const wordNet = readWordNet()
const { words, synsets } = wordNet
const { single, phrasal } = keptWords(wordNet)
const list = [...single, ...phrasal]
const placeOf = new Map(list.map((w, i) => [w, i]))

const ids = new Map()
/** A sense met for the first time is a sign; any other its number. */
function sense(part, offset) {
  const key = `${part}${offset}`
  const known = ids.get(key)
  if (known !== undefined) return number(known)
  ids.set(key, ids.size)
  return '.'
}
const senses = list.map((word) =>
  PARTS.map((part) =>
    (words.get(word)[part] ?? [])
      .slice(0, MOST[part])
      .map(({ offset }) => sense(part, offset))
      .join(''),
  )
    .join(' ')
    .trimEnd(),
)

/** What is right above a sense; those above words reach two steps up. */
const above = (key) => {
  const [part, offset] = [key[0], key.slice(1)]
  const to = synsets[part].get(offset).pointers.find((p) => p.sign === UP[part])
  return to ? `${part}${to.to}` : null
}
for (const key of [...ids.keys()]) {
  const up = above(key)
  if (up && up[0] !== 'a') sense(up[0], up.slice(1))
}
const kinds = [...ids.keys()].map((key) => {
  const up = above(key)
  return up && ids.has(up) ? number(ids.get(up)) : '.'
})

/** Pairs of words by their places, each once, the earlier first. */
function pairsBy(signs) {
  const pairs = new Set()
  for (const word of list)
    for (const part of PARTS)
      for (const { offset } of words.get(word)[part] ?? []) {
        const { words: spelled, pointers } = synsets[part].get(offset)
        for (const { sign, to, part: of, from, at } of pointers) {
          if (!signs.includes(sign) || from === 0 || spelled[from - 1].toLowerCase() !== word) continue
          const other = placeOf.get(synsets[of]?.get(to)?.words[at - 1]?.toLowerCase())
          const own = placeOf.get(word)
          if (other !== undefined && other !== own) pairs.add([own, other].sort((a, b) => a - b).join(' '))
        }
      }
  return [...pairs].map((p) => p.split(' ').map(Number)).sort((a, b) => a[0] - b[0] || a[1] - b[1])
}
/** The step from the pair before, and from its first word to its second. */
function packPairs(pairs) {
  let before = 0
  return pairs.map(([a, b]) => {
    const text = number(a - before) + number(b - a)
    before = a
    return text
  })
}
const derived = pairsBy(['+', '\\'])
const opposite = pairsBy(['!'])

const target = join(dirname(fileURLToPath(import.meta.url)), '../../src/core/objectives/similar/senses-table.ts')
writeFileSync(
  process.argv[2] ?? target,
  [
    ...headOf(),
    '/** The senses of each word of the table of words, in its order; how it is written: senses.ts. */',
    `export const SENSES = ${quoted(senses)}`,
    '',
    '/** What each sense is a kind of, or much like. */',
    `export const KINDS = ${quoted(kinds)}`,
    '',
    '/** Words that come from one another: analyse, analysis. */',
    `export const DERIVED = ${quoted(packPairs(derived))}`,
    '',
    '/** Words that say the opposite of one another: open, close. */',
    `export const OPPOSITE = ${quoted(packPairs(opposite))}`,
    '',
  ].join('\n'),
)
console.log(`${list.length} words, ${ids.size} senses, ${derived.length} derivations, ${opposite.length} opposites`)
