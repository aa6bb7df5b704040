/** Commands about reviewing: sets of quality points, colours. They need no database. */
import { writeFileSync } from 'node:fs'
import { basename, extname } from 'node:path'
import { validDate } from '../../core/calendar/plain-date'
import { loadMeanings } from '../../core/findings/load-tagger'
import { readReview } from '../../core/formats/review-file'
import { textAccessOf, textAccessText } from '../../core/formats/text-access'
import { decodeText } from '../../core/intake/decode'
import { judgeLines } from '../../core/learner-pages/contrast'
import { problemText } from '../../core/result'
import { isRule, ownSet } from '../../core/review/own-set'
import { MOST_SET_BYTES, type ReadSet, readSetFile } from '../../core/review/read-set'
import { reviewFigures } from '../../core/review/review-figures'
import { reviewText } from '../../core/review/review-text'
import { setReport, setText } from '../../core/review/set-text'
import { setCsv, setJson } from '../../core/review/write-set'
import { asJson, defineCommand, fail, JSON_OPTION, print } from './command'
import { readBlueprint, readBytes, readLines } from './files'

/** The set of a file, the one that ships without one; null after saying why there is none. */
async function setOf(path: string | undefined): Promise<ReadSet | null> {
  if (path === undefined) return ownSet()
  const bytes = readBytes(path, MOST_SET_BYTES)
  if (!bytes) return null
  const read = readSetFile(bytes, { name: basename(path, extname(path)), isRule })
  if (read.ok) return read.value
  fail(`${path}: ${problemText(read.error)} [${read.error.code}]`)
  return null
}

export const reviewSet = defineCommand({
  name: 'review-set',
  usage: '[FILE] [--to json|csv --out F] [--json]',
  does: [
    'the quality points of a file (JSON, CSV, XLSX), or of the set that ships,',
    'with what could not be taken; --to: written as another file',
  ],
  operands: [0, 1],
  options: { ...JSON_OPTION, to: { type: 'string' }, out: { type: 'string' } },
  run: async ({ operands: [path], values }) => {
    const { to, out } = values
    if (to !== undefined && to !== 'json' && to !== 'csv') {
      fail('--to takes json or csv')
      return 2
    }
    if (out !== undefined && to === undefined) {
      fail('--out needs --to json or --to csv')
      return 2
    }
    const read = await setOf(path)
    if (!read) return 2
    const written = to === undefined ? null : to === 'json' ? asJson(setJson(read.set)) : setCsv(read.set)
    if (written !== null && out === undefined) {
      print(written)
      return 0
    }
    if (written !== null) {
      try {
        writeFileSync(String(out), written)
      } catch (error) {
        fail(`${out}: cannot be written (${(error as NodeJS.ErrnoException).code})`)
        return 2
      }
    }
    print(values['json'] ? asJson(setReport(read)) : setText(read))
    return 0
  },
})

export const review = defineCommand({
  name: 'review',
  usage: 'REVIEW.json [PLAN.json] [--on DATE] [--json]',
  does: [
    'the figures of a review: what ratings come to, agreement, verdict and what',
    'holds it up; with the plan as it is now, what no longer rests on what it did',
  ],
  operands: [1, 2],
  options: { ...JSON_OPTION, on: { type: 'string' } },
  run: async ({ operands: [path, planPath], values }) => {
    const on = typeof values['on'] === 'string' ? values['on'] : new Date().toISOString().slice(0, 10)
    if (validDate(on) === null) {
      fail(`--on takes a day such as 2027-03-01, not “${on}”`)
      return 2
    }
    const bytes = readBytes(path as string, MOST_SET_BYTES)
    if (!bytes) return 2
    const read = readReview(decodeText(bytes), isRule)
    if (!read.ok) {
      fail(`${path}: ${problemText(read.error)} [${read.error.code}]`)
      return 2
    }
    const plan = planPath === undefined ? null : readBlueprint(planPath)
    if (planPath !== undefined && plan === null) return 2
    await loadMeanings()
    const { figures, problems } = reviewFigures(read.value.review, { plan, on })
    for (const p of [...read.value.problems, ...problems]) fail(`${path}: ${problemText(p)} [${p.code}]`)
    print(values['json'] ? asJson(figures) : reviewText(figures, read.value.review))
    return 0
  },
})

export const contrast = defineCommand({
  name: 'contrast',
  usage: 'FILE [--json]',
  does: ['how colours stand out from their backgrounds: a line is colour, background,', 'use (text, large, shape)'],
  operands: [1, 1],
  options: JSON_OPTION,
  run: ({ operands: [path], values }) => {
    const lines = readLines(path as string)
    if (!lines) return 2
    const judged = judgeLines(lines)
    if (values['json']) print(asJson(judged))
    else
      for (const l of judged) {
        if ('problem' in l) print(`line ${l.line}: ${l.problem}\n`)
        else {
          const nearest = l.nearest ? `; ${l.nearest.colour} would have ${l.nearest.shown}` : ''
          print(`${l.passes ? 'enough  ' : 'too low '} ${l.colour} on ${l.on}, ${l.use}: ${l.shown}, needed ${l.needed}${nearest}\n`)
        }
      }
    return 0
  },
})

export const textAccess = defineCommand({
  name: 'text-access',
  usage: 'FILE.json [--json]',
  does: ['the colours of the pages that learners get, and what in their texts keeps', 'some of them out'],
  operands: [1, 1],
  options: JSON_OPTION,
  run: ({ operands: [path], values }) => {
    const plan = readBlueprint(path as string)
    if (!plan) return 2
    const found = textAccessOf(plan)
    print(values['json'] ? asJson(found) : textAccessText(found))
    return 0
  },
})
