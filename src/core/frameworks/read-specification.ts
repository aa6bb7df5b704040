/**
 * A competency specification as people paste it: numbered elements with their criteria, lists of skills, evidence and conditions,
 * tables, lines broken in the middle. Every line ends up in the tree or among what was not understood.
 *
 * The model. The text is read line by line within the section that the last heading opened. Among elements, numbers tell what
 * stands under what; in the lists every bullet or line is an item. A line that begins nothing new goes on with the one above.
 */
import { Cuts } from '../intake/cuts'
import { isOnlyNumber, numberedText, schemeOf } from './spec-codes'
import { type IsWord, joiner } from './spec-join'
import { type SpecLine, specLines } from './spec-lines'
import { readLine } from './spec-read-lines'
import { NO_SPEC_ANSWERS, type Open, Reading, type SpecAnswers } from './spec-reading'
import { readRow, withNumbers } from './spec-rows'
import { anyOfIn, timesIn } from './spec-words'
import { EMPTY_TREE, type FrameworkTree, pathsOfTree, type TreeItem, type TreeProblem, treeItem } from './tree'

/** Reads a specification. Never fails: what is not understood is listed. */
export function readSpecification(text: string, answers: SpecAnswers = NO_SPEC_ANSWERS, isWord?: IsWord): FrameworkTree {
  const cuts = new Cuts()
  const { lines: raw, furniture } = specLines(text, cuts)
  const lines = withNumbersAlone(raw)
  const starts = lines.flatMap((l) => (l.cells.length > 1 ? withNumbers(l.cells.flatMap((c) => c.split(/<br\s*\/?>/i))) : [l.text]))
  const reading = new Reading(
    schemeOf(starts.map((s) => s.trim())),
    joiner(
      lines.map((l) => l.text),
      isWord,
    ),
    answers,
  )
  lines.forEach((line, i) => {
    reading.next = lines[i + 1] ?? null
    if (line.cells.length > 1) readRow(reading, line)
    else readLine(reading, line)
    reading.lastLine = line
  })
  for (const line of furniture) reading.became(line, 'decoration', 'head or foot of a page')
  const made = new Map<Open, TreeItem>()
  const items = named(reading).map((open) => closed(open, made))
  const pathOf = pathsOfTree(items)
  const byLine = (a: { readonly at: string }, b: { readonly at: string }) => lineNumber(a.at) - lineNumber(b.at)
  return {
    ...EMPTY_TREE,
    title: reading.title,
    code: reading.code,
    issuer: reading.issuer,
    version: reading.version,
    items,
    problems: [...cuts.problems, ...reading.problems, ...numberProblems(reading.roots)],
    notUnderstood: reading.left.toSorted(byLine),
    ledger: reading.ledger
      .map(({ line, of }) => ({ ...line, paths: of ? [pathOf.get(made.get(of) as TreeItem) ?? ''].filter(Boolean) : [] }))
      .sort(byLine),
  }
}

/** Numbers that stand on lines of their own go with the line below, where the text has several such. */
function withNumbersAlone(lines: readonly SpecLine[]): SpecLine[] {
  const alone = lines.map((l, i) => {
    const next = lines[i + 1]
    return l.cells.length === 1 && !l.bullet && isOnlyNumber(l.text) && next?.cells.length === 1 && !isOnlyNumber(next.text)
  })
  if (alone.filter(Boolean).length < 2) return [...lines]
  return lines.flatMap((line, i) => {
    if (alone[i]) return []
    const number = alone[i - 1] ? lines[i - 1] : undefined
    if (!number) return [line]
    const text = numberedText(number.text, line.text)
    return [{ ...line, text, cells: [text], bullet: false, apart: number.apart, at: number.at }]
  })
}

const lineNumber = (at: string): number => Number(/\d+/.exec(at)?.[0] ?? 0)

function closed(open: Open, made: Map<Open, TreeItem>): TreeItem {
  const list = open.kind !== 'element' && open.kind !== 'area'
  const item = treeItem({
    code: open.code,
    statement: open.statement,
    kind: open.kind,
    notes: open.notes.length === 0 ? null : open.notes.join('\n'),
    guess: open.guess,
    required: !/\b(?:optional|desirable|not mandatory)\b/i.test(open.statement),
    anyOf: list ? anyOfIn(open.statement) : null,
    times: open.kind === 'performance evidence' ? timesIn(open.statement) : null,
    at: open.at,
    children: open.children.map((child) => closed(child, made)),
  })
  made.set(open, item)
  return item
}

/** The items at the top; elements that say nothing keep their number as their words, or go where they hold nothing either. */
function named({ roots, problems }: Reading): readonly Open[] {
  for (const open of roots) {
    if (open.kind !== 'element' || open.statement.trim() !== '') continue
    problems.push({ code: 'no-statement', message: `${open.code ?? 'An element'} says nothing`, at: open.at })
    if (open.children.length > 0) open.statement = `Element ${open.code ?? ''}`.trim()
  }
  return roots.filter((open) => open.statement.trim() !== '')
}

/** Numbers that come twice or leave a gap. */
function numberProblems(items: readonly Open[]): TreeProblem[] {
  const problems: TreeProblem[] = []
  const check = (list: readonly Open[]) => {
    let before: Open | null = null
    for (const item of list) {
      const [n, m] = [item.number, before?.number ?? null]
      if (n !== null && m !== null) {
        if (n === m) problems.push({ code: 'number-twice', message: `${item.code} comes twice`, at: item.at })
        else if (n > m + 1)
          problems.push({ code: 'number-missing', message: `Between ${before?.code} and ${item.code} a number is missing`, at: item.at })
        else if (n < m) problems.push({ code: 'number-order', message: `${item.code} stands after ${before?.code}`, at: item.at })
      }
      if (item.code !== null) before = item
    }
  }
  const groups = [items, ...items.filter((i) => i.kind === 'area').map((i) => i.children)].map((g) => g.filter((i) => i.kind === 'element'))
  for (const group of groups) {
    check(group)
    for (const e of group) check(e.children)
  }
  return problems
}
