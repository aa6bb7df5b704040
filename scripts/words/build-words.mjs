/**
 * Makes the table of words that statements are read with (src/core/objectives/words/table.ts) from WordNet: what parts of speech a
 * word may be and how commonly, what kind of thing or doing it names. Usage: npm run words
 */
import { writeFileSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { keptWords } from './kept.mjs'
import { packWords } from './pack.mjs'
import { readWordNet } from './wordnet.mjs'
import { headOf, quoted } from './write.mjs'

/** Senses by their lemma and place: the nth sense of a part of speech, or the first in a file of WordNet. */
const nth = (lemma, n = 0) => ({ lemma, n })
const inFile = (lemma, file) => ({ lemma, file })

/** Classes of nouns: all kinds of these senses. The numbers are WordNet's files: 4 act, 7 attribute, 9 cognition, 10 communication, 12 feeling, 26 state, 28 time. */
const NOUN_CLASSES = {
  mind: [
    ...['attitude', 'awareness', 'understanding', 'insight', 'sense', 'interest'].map((l) => inFile(l, 9)),
    ...['cognitive_state', 'trait', 'motive', 'emotion'].map((l) => nth(l)),
    inFile('desire', 12),
  ],
  event: [
    ...['exam', 'course_of_study', 'meeting', 'social_event', 'homework', 'questionnaire', 'tour'].map((l) => nth(l)),
    ...['rehearsal', 'lecture', 'show', 'internship', 'webpage'].map((l) => nth(l)),
    ...['meeting', 'journey', 'project'].map((l) => inFile(l, 4)),
    inFile('session', 10),
    nth('session', 2),
    inFile('shift', 28),
    nth('competition', 1),
  ],
  time: ['hour', 'evening', 'week', 'month', 'year', 'day', 'time_period'].map((l) => nth(l)),
  unit: [nth('unit_of_measurement')],
  fault: [
    inFile('error', 4),
    inFile('damage', 11),
    nth('defect'),
    ...['mistake', 'failure', 'hesitation'].map((l) => inFile(l, 4)),
    inFile('injury', 26),
  ],
  instrument: [nth('instrumentality'), nth('document'), nth('reference_book'), nth('computer_program')],
}
/** Verbs of the mind: all ways of these. */
const MENTAL = [
  ...['know', 'believe', 'think', 'expect', 'understand', 'like', 'love', 'feel', 'desire', 'fear', 'worry'].map((l) => nth(l)),
  ...['respect', 'enjoy', 'doubt', 'trust', 'hope', 'regret', 'admire'].map((l) => nth(l)),
  ...['understand', 'like', 'fear', 'remember', 'sympathize', 'see', 'delight', 'think'].map((l) => nth(l, 1)),
  ...['remember', 'like'].map((l) => nth(l, 2)),
  nth('see', 4),
]
/** Files of verbs that do something that is seen: body, change, competition, consumption, contact, motion, possession, weather. */
const DOING = new Set([29, 30, 33, 34, 35, 38, 40, 43])
/** A class holds for a word from this part of its senses on; most of what is said of a word does from there (Cairn defaults). */
const [CLASS_SHARE, MENTAL_SHARE, DOING_SHARE] = [0.3, 0.5, 0.6]

const wordNet = readWordNet()
const { words, kinds } = wordNet
const { single, phrasal } = keptWords(wordNet)

function offsetOf(part, { lemma, n, file }) {
  const senses = words.get(lemma)[part]
  return (file === undefined ? senses[n] : senses.find((s) => s.file === file)).offset
}
/** The synsets of these senses and all below them. */
function below(part, seeds) {
  const found = new Set()
  const open = seeds.map((seed) => offsetOf(part, seed))
  for (let at = open.pop(); at !== undefined; at = open.pop()) {
    if (found.has(at)) continue
    found.add(at)
    open.push(...(kinds[part].get(at) ?? []))
  }
  return found
}
const classes = Object.entries(NOUN_CLASSES).map(([name, seeds]) => ({ name, all: below('n', seeds) }))
const mental = below('v', MENTAL)

/** How much a sense stands for its word: how often it was met, and its rank. */
const weightOf = ({ count, rank }) => count + 1 / (1 + rank)
const shareOf = (senses, is) => senses.filter(is).reduce((n, s) => n + weightOf(s), 0) / senses.reduce((n, s) => n + weightOf(s), 0)
const heft = (senses = []) => (senses.length === 0 ? null : senses.reduce((n, s) => n + s.count, 0) + 0.3 * senses.length + 0.2)

/** The files of its senses with their shares, the likeliest first. */
function filesOf(senses) {
  const files = [...new Set(senses.map((s) => s.file))].map((file) => ({ file, share: shareOf(senses, (s) => s.file === file) }))
  return files.sort((a, b) => b.share - a.share)
}

function recordOf(lemma) {
  const { n, v, a, r } = words.get(lemma)
  return {
    noun: heft(n),
    verb: heft(v),
    adjective: heft(a),
    adverb: r !== undefined,
    files: n ? filesOf(n) : [],
    classes: n
      ? classes
          .filter(
            (c) =>
              shareOf(n, (s) => c.all.has(s.offset)) >= CLASS_SHARE ||
              (c.name === 'mind' && shareOf(n, (s) => s.file === 12) >= CLASS_SHARE),
          )
          .map((c) => c.name)
      : [],
    verbFile: v ? filesOf(v)[0].file : null,
    mental: v !== undefined && shareOf(v, (s) => mental.has(s.offset)) >= MENTAL_SHARE,
    doing: v !== undefined && shareOf(v, (s) => DOING.has(s.file)) >= DOING_SHARE,
  }
}

const text = packWords(
  single.map((word) => ({ word, ...recordOf(word) })),
  classes.map((c) => c.name),
)
const target = join(dirname(fileURLToPath(import.meta.url)), '../../src/core/objectives/words/table.ts')
writeFileSync(
  process.argv[2] ?? target,
  [
    ...headOf(),
    '/** Words with what they may be; how it is written: words.ts. */',
    `export const WORDS = ${quoted(text)}`,
    '',
    '/** Verbs of two words; those of the mind have a star behind them. */',
    `export const PHRASAL = ${quoted(phrasal.map((w) => `${w.replace('_', ' ')}${shareOf(words.get(w).v, (v) => mental.has(v.offset)) >= MENTAL_SHARE ? '*' : ''}`))}`,
    '',
  ].join('\n'),
)
console.log(`${single.length} words, ${phrasal.length} verbs of two words`)
