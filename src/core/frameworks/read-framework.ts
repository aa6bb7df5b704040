/** Any file or text that holds a framework, as a tree: exchange JSON, a table of items, or a specification. */

import type { Block, Source } from '../intake/blocks'
import { Cuts } from '../intake/cuts'
import { decodeText } from '../intake/decode'
import { isZipped, readFile, refusalOf } from '../intake/read-file'
import { readDelimited } from '../intake/read-text'
import { err, ok, type Problem, type Result } from '../result'
import { fittedTree } from './fit-tree'
import { readItemRows } from './items-table'
import { looksLikeCase, type Progress, readCase } from './read-case'
import { readSpecification } from './read-specification'
import type { IsWord } from './spec-join'
import type { SpecAnswers } from './spec-reading'
import type { FrameworkTree } from './tree'

/** A package of 20,000 items with all its associations is below this (Cairn default). */
export const MOST_BYTES = 120_000_000

export type ReadingOf = {
  readonly answers?: SpecAnswers
  readonly progress?: Progress
  /** For words that the end of a line divides. */
  readonly isWord?: IsWord
}

/** Reads text by what it looks like. */
export function readFrameworkText(text: string, of: ReadingOf = {}): Result<FrameworkTree, Problem> {
  const read = unfitted(text, of)
  return read.ok ? ok(fittedTree(read.value)) : read
}

function unfitted(text: string, of: ReadingOf): Result<FrameworkTree, Problem> {
  if (/^\s*\uFEFF?\s*[{[]/.test(text)) {
    if (looksLikeCase(text)) return readCase(text, of.progress)
    if (/^\s*\uFEFF?\s*\{\s*"/.test(text))
      return err({ code: 'no-package', message: 'This is JSON, but no competency package: CFDocument and CFItems are missing.', at: '' })
  }
  const cuts = new Cuts()
  const table = readDelimited(text, '', cuts)?.find((b) => b.type === 'table')
  const tree = table && readItemRows(table.rows, '')
  if (tree) return ok(telling(tree, cuts.problems))
  return ok(readSpecification(text, of.answers, of.isWord))
}

/** Reads a file by what it is. */
export function readFramework(name: string, bytes: Uint8Array, of: ReadingOf = {}): Result<FrameworkTree, Problem> {
  if (bytes.length > MOST_BYTES) return err({ code: 'too-large', message: `This file is larger than ${MOST_BYTES / 1e6} MB.`, at: '' })
  const refused = refusalOf(bytes)
  if (refused) return err({ ...refused, at: '' })
  if (!isZipped(bytes)) return readFrameworkText(decodeText(bytes), of)
  const read = readFile(name, bytes)
  if (!read.ok) return err({ ...read.error, at: '' })
  for (const block of read.value.blocks) {
    const tree = block.type === 'table' ? readItemRows(block.rows, block.at) : null
    if (tree) return ok(telling(fittedTree(tree), read.value.cut))
  }
  return ok(telling(fittedTree(readSpecification(read.value.blocks.map(blockText).join('\n'), of.answers, of.isWord)), read.value.cut))
}

/** A tree that says what was left out of its source. */
const telling = (tree: FrameworkTree, cut: Source['cut'] = []): FrameworkTree => ({ ...tree, problems: [...cut, ...tree.problems] })

/** A block as lines: cells apart by tabs, the lines of a cell as one. */
function blockText(block: Block): string {
  if (block.type === 'heading') return `\n${block.text}`
  if (block.type === 'line') return block.item ? `• ${block.text}` : block.text
  return block.rows.map((row) => row.map((cell) => cell.trim().replace(/\s*\r?\n\s*/g, '<br>')).join('\t')).join('\n')
}
