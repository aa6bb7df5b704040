/** Commands that read files, without a database. */
import { basename } from 'node:path'
import { z } from 'zod'
import { dayOfCourse } from '../../core/calendar/today'
import { analyseCourse } from '../../core/findings/analyse'
import { WEIGHT_WORD } from '../../core/findings/finding'
import { loadMeanings } from '../../core/findings/load-tagger'
import { figuresOf } from '../../core/formats/figures'
import { ledgerText, mapOf, mapText, withLedgerJson } from '../../core/formats/map'
import { matrixJson, matrixNamed, matrixText } from '../../core/formats/matrix'
import { nativeSchema } from '../../core/formats/native'
import { objectivesOf, pairOf } from '../../core/formats/objectives'
import { frameworkLedger, frameworkMap, frameworkText } from '../../core/frameworks/framework-map'
import { MOST_BYTES, readFramework } from '../../core/frameworks/read-framework'
import { NO_SPEC_ANSWERS, specAnswersSchema } from '../../core/frameworks/spec-reading'
import { differencesOf, differencesText } from '../../core/history/differences'
import { answersSchema, NO_ANSWERS } from '../../core/intake/answers'
import { LIMITS, type Source } from '../../core/intake/blocks'
import type { LedgerLine } from '../../core/intake/ledger'
import { readFile } from '../../core/intake/read-file'
import { readSources } from '../../core/intake/understand'
import { holdsNothing } from '../../core/intake/understanding'
import { asJson, defineCommand, fail, JSON_OPTION, print, printAll } from './command'
import { readBlueprint, readBytes, readLines } from './files'

const READING_OPTIONS = { ...JSON_OPTION, ledger: { type: 'boolean' }, answers: { type: 'string' } } as const

export const check = defineCommand({
  name: 'check',
  usage: 'FILE.json [--json]',
  does: ['findings of a blueprint file; exit 1 when there is a Fix'],
  operands: [1, 1],
  options: JSON_OPTION,
  run: async ({ operands: [path], values }) => {
    const blueprint = readBlueprint(path as string)
    if (!blueprint) return 2
    const { findings, counts } = await analyseCourse(blueprint, dayOfCourse(blueprint, Date.now()))
    const live = findings.filter((f) => f.accepted === null)
    if (values['json']) print(asJson(live.map(({ code, weight, records, message }) => ({ code, weight, records, message }))))
    else {
      for (const f of live.filter((x) => x.weight !== 'open')) print(`${WEIGHT_WORD[f.weight].padEnd(5)} ${f.message} [${f.code}]\n`)
      print(`${counts.fix} to fix, ${counts.check} to check, ${counts.idea} ideas, ${counts.open} open\n`)
    }
    return counts.fix > 0 ? 1 : 0
  },
})

export const diff = defineCommand({
  name: 'diff',
  usage: 'A.json B.json [--json]',
  does: ['what differs from one blueprint file to another: added, changed, moved,', 'removed records'],
  operands: [2, 2],
  options: JSON_OPTION,
  run: ({ operands, values }) => {
    const [from, to] = operands.map(readBlueprint)
    if (!from || !to) return 2
    const differences = differencesOf(from, to)
    print(values['json'] ? asJson(differences) : differencesText(differences, from, to))
    return 0
  },
})

export const analyse = defineCommand({
  name: 'analyse',
  usage: 'FILE.json [--json]',
  does: ['the figures of a blueprint file: coverage, grade, dates, hours'],
  operands: [1, 1],
  options: JSON_OPTION,
  run: ({ operands: [path] }) => {
    const blueprint = readBlueprint(path as string)
    if (!blueprint) return 2
    print(asJson(figuresOf(blueprint)))
    return 0
  },
})

export const matrix = defineCommand({
  name: 'matrix',
  usage: 'FILE.json [--rows objectives|outcomes|FRAMEWORK-CODE] [--json]',
  does: [
    'what each activity does for each objective, outcome or framework item,',
    'with totals, what each row lacks, and how many are assessed',
  ],
  operands: [1, 1],
  options: { ...JSON_OPTION, rows: { type: 'string' } },
  run: ({ operands: [path], values }) => {
    const blueprint = readBlueprint(path as string)
    if (!blueprint) return 2
    const made = matrixNamed(blueprint, typeof values['rows'] === 'string' ? values['rows'] : 'objectives')
    if (!made.ok) {
      fail(made.error)
      return 2
    }
    print(values['json'] ? asJson(matrixJson(made.value)) : matrixText(made.value))
    return 0
  },
})

export const map = defineCommand({
  name: 'map',
  usage: 'FILE [FILE...] [--answers FILE.json] [--ledger] [--json]',
  does: [
    'what Cairn understands of a syllabus, schedule, grade or activity table',
    '(text, CSV, XLSX, DOCX): a tree, where the pieces disagree, what was guessed;',
    '--ledger: what became of every cell and line; --answers: how tables and',
    'columns are to be read, and values, as saved from a preview',
  ],
  operands: [1, 100],
  options: READING_OPTIONS,
  run: async ({ operands, values }) => {
    const sources: Source[] = []
    for (const path of operands) {
      const bytes = readBytes(path, LIMITS.fileBytes)
      if (!bytes) return 2
      const read = readFile(basename(path), bytes)
      if (!read.ok) {
        fail(`${path}: ${read.error.message} [${read.error.code}]`)
        return 2
      }
      sources.push(read.value)
    }
    const answers = readAnswers(values['answers'], answersSchema, NO_ANSWERS)
    if (answers === null) return 2
    const reading = readSources(sources, answers)
    const understood = reading.understanding
    if (holdsNothing(understood)) {
      fail(`${operands.join(', ')}: there is nothing in it that could be read [nothing]`)
      return 2
    }
    return printRead(values, mapOf(understood), mapText(understood), reading.ledgerLines)
  },
})

/** What was read, as JSON or as text, with its ledger where that is asked for. Returns the exit code. */
async function printRead(
  values: Readonly<Record<string, unknown>>,
  data: object,
  text: string,
  ledger: () => Iterable<LedgerLine>,
): Promise<number> {
  if (values['ledger'] !== true) print(values['json'] ? asJson(data) : text)
  else if (values['json']) await printAll(withLedgerJson(data, ledger()))
  else {
    print(text)
    await printAll(ledgerText(ledger()))
  }
  return 0
}

/** Answers from a file, `none` where no file is named; null, and one sentence printed, where they are none. */
function readAnswers<T>(named: unknown, schema: z.ZodType<T>, none: T): T | null {
  if (named === undefined) return none
  const path = String(named)
  const bytes = readBytes(path, MOST_ANSWER_BYTES)
  if (!bytes) return null
  try {
    const read = schema.safeParse(JSON.parse(new TextDecoder('utf-8', { fatal: true }).decode(bytes)))
    if (read.success) return read.data
    const [issue] = read.error.issues
    fail(`${path}: ${issue?.message} at ${issue?.path.join('.') || 'the top'} [bad-answers]`)
  } catch {
    fail(`${path}: this is no JSON [bad-answers]`)
  }
  return null
}
const MOST_ANSWER_BYTES = 5_000_000

export const objectives = defineCommand({
  name: 'objectives',
  usage: 'FILE [--json] [--why]',
  does: ['reads statements, one a line: verbs, level, condition, how well, findings; lines that stand together are one list'],
  operands: [1, 1],
  options: { ...JSON_OPTION, why: { type: 'boolean' } },
  run: async ({ operands: [path], values }) => {
    const lines = readLines(path as string)
    if (!lines) return 2
    await loadMeanings()
    for (const read of objectivesOf(lines)) {
      const line = read.text
      if (values['json']) print(`${JSON.stringify(read)}\n`)
      else if (line.trim() !== '') {
        const level = read.level === null ? 'no level' : [read.level, ...read.alternatives].join(' or ')
        const heading = read.heading === 'perhaps' ? ['is this a heading?'] : []
        print(`${line}\n    ${[read.verbs.join(', ') || 'no verb', level, ...read.findings, ...heading].join(' · ')}\n`)
        if (values['why']) for (const { what, by } of read.why) print(`    ${by > 0 ? '+' : ''}${by} ${what}\n`)
      }
    }
    return 0
  },
})

export const similar = defineCommand({
  name: 'similar',
  usage: 'FILE [--json]',
  does: ['reads pairs of statements split by a tab: whether they ask for the same'],
  operands: [1, 1],
  options: JSON_OPTION,
  run: async ({ operands: [path], values }) => {
    const lines = readLines(path as string)
    if (!lines) return 2
    await loadMeanings()
    for (const [i, line] of lines.entries()) {
      if (line.trim() === '') continue
      const pair = pairOf(line)
      if (!pair) {
        fail(`${path}: line ${i + 1} is no pair: two statements split by one tab`)
        return 2
      }
      print(values['json'] ? `${JSON.stringify(pair)}\n` : `${pair.same ? 'same     ' : 'different'}  ${pair.first} | ${pair.second}\n`)
    }
    return 0
  },
})

export const framework = defineCommand({
  name: 'framework',
  usage: 'FILE [--answers FILE.json] [--ledger] [--json]',
  does: [
    'what Cairn understands of a framework: pasted specification, exchange JSON,',
    'CSV, XLSX, DOCX: elements, criteria, skills, evidence; --ledger: what became',
    'of every line; --answers: what stands below headings that it asked about',
  ],
  operands: [1, 1],
  options: READING_OPTIONS,
  run: async ({ operands: [path], values }) => {
    const bytes = readBytes(path as string, MOST_BYTES)
    if (!bytes) return 2
    const answers = readAnswers(values['answers'], specAnswersSchema, NO_SPEC_ANSWERS)
    if (answers === null) return 2
    const read = readFramework(basename(path as string), bytes, { answers, isWord: (await import('../../core/objectives/tagger')).isWord })
    if (!read.ok) {
      fail(`${path}: ${read.error.message} [${read.error.code}]`)
      return 2
    }
    const understood = frameworkMap(read.value)
    const { value } = read
    await printRead(values, understood, frameworkText(understood), () => frameworkLedger(value))
    return 0
  },
})

export const schema = defineCommand({
  name: 'schema',
  usage: '',
  does: ['JSON Schema of the native file'],
  operands: [0, 0],
  run: () => {
    print(asJson(z.toJSONSchema(nativeSchema())))
    return 0
  },
})
