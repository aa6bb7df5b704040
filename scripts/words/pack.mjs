/**
 * Writes words in few letters: how many letters it shares with the word before, the rest of its letters, a space, and its
 * facts, six bits a letter. src/core/objectives/words/words.ts reads it.
 */
const LETTERS = 'ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz0123456789-_'
const letter = (n) => LETTERS[n]

/** A weight in three bits: 0 for none, else about the logarithm of it. */
const heft = (n) => (n === null ? 0 : Math.max(1, Math.min(7, 1 + Math.round(Math.log2(n + 0.5) * 0.8))))
/** A share in two bits: below a quarter, from a quarter, two fifths, three fifths. */
const share = (n) => (n >= 0.6 ? 3 : n >= 0.4 ? 2 : n >= 0.25 ? 1 : 0)
const PERSON = 18
const FIRST_VERB_FILE = 29

function factsOf(word, classNames) {
  const { noun, verb, adjective, adverb, files, classes, verbFile, mental, doing } = word
  let text = letter(heft(noun) * 8 + heft(verb)) + letter(heft(adjective) + (mental ? 8 : 0) + (doing ? 16 : 0) + (adverb ? 32 : 0))
  if (noun !== null) {
    const person = files.find((f) => f.file === PERSON)
    text += letter(files[0].file) + letter(files[1] && files[1].share >= 0.15 ? files[1].file : 0)
    text += letter(share(files[0].share) + 4 * (person ? share(person.share) : 0) + (classes.length > 0 ? 16 : 0))
    if (classes.length > 0) text += letter(classNames.reduce((n, c, i) => n + (classes.includes(c) ? 1 << i : 0), 0))
  }
  if (verb !== null) text += letter(verbFile - FIRST_VERB_FILE)
  return text
}

export function packWords(words, classNames) {
  let before = ''
  return words.map((word) => {
    let shared = 0
    while (shared < 63 && shared < word.word.length && word.word[shared] === before[shared]) shared++
    before = word.word
    return `${letter(shared)}${word.word.slice(shared)} ${factsOf(word, classNames)}`
  })
}
