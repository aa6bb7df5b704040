/** Any file or text that holds a framework, as a tree: exchange JSON, a table of items, or a specification. */
import type { Block, Source } from '../intake/blocks'
import { Cuts } from '../intake/cuts'
import { decodeText } from '../intake/decode'
import { readFile } from '../intake/read-file'
import { readDelimited } from '../intake/read-text'
import { err, ok, type Problem, type Result } from '../result'
import { readItemRows } from './items-table'
import { looksLikeCase, type Progress, readCase } from './read-case'
import { readSpecification } from './read-specification'
import type { FrameworkTree } from './tree'

/** A package of 20,000 items with all its associations is below this (Cairn default). */
export const MOST_BYTES = 120_000_000

/** Reads text by what it looks like. */
export function readFrameworkText(text: string, progress?: Progress): Result<FrameworkTree, Problem> {
  if (/^\s*\uFEFF?\s*[{[]/.test(text)) {
    if (looksLikeCase(text)) return readCase(text, progress)
    if (/^\s*\uFEFF?\s*\{\s*"/.test(text))
      return err({ code: 'no-package', message: 'This is JSON, but no competency package: CFDocument and CFItems are missing.', at: '' })
  }
  const cuts = new Cuts()
  const table = readDelimited(text, '', cuts)?.find((b) => b.type === 'table')
  const tree = table && readItemRows(table.rows, '')
  if (tree) return ok(telling(tree, cuts.problems))
  return ok(readSpecification(text))
}

/** Reads a file by what it is. */
export function readFramework(name: string, bytes: Uint8Array, progress?: Progress): Result<FrameworkTree, Problem> {
  if (bytes.length > MOST_BYTES) return err({ code: 'too-large', message: `This file is larger than ${MOST_BYTES / 1e6} MB.`, at: '' })
  if (bytes.length === 0) return err({ code: 'empty', message: 'This file is empty.', at: '' })
  const office =
    (bytes[0] === 0x50 && bytes[1] === 0x4b) || (bytes[0] === 0xd0 && bytes[1] === 0xcf) || (bytes[0] === 0x25 && bytes[1] === 0x50)
  if (!office) {
    const text = decodeText(bytes)
    return text.includes('\u0000')
      ? err({ code: 'not-text', message: 'This file is neither text nor an office file.', at: '' })
      : readFrameworkText(text, progress)
  }
  const read = readFile(name, bytes)
  if (!read.ok) return err({ ...read.error, at: '' })
  for (const block of read.value.blocks) {
    const tree = block.type === 'table' ? readItemRows(block.rows, block.at) : null
    if (tree) return ok(telling(tree, read.value.cut))
  }
  return ok(telling(readSpecification(read.value.blocks.map(blockText).join('\n')), read.value.cut))
}

/** A tree that says what was left out of its source. */
const telling = (tree: FrameworkTree, cut: Source['cut'] = []): FrameworkTree => ({ ...tree, problems: [...cut, ...tree.problems] })

/** A block as lines: cells apart by tabs, further lines of a cell below it in its column. */
function blockText(block: Block): string {
  if (block.type === 'heading') return `\n${block.text}`
  if (block.type === 'line') return block.item ? `• ${block.text}` : block.text
  return block.rows
    .flatMap((row) => {
      const cells = row.map((c) => c.split(/\r?\n/).filter((l) => l.trim() !== ''))
      const height = Math.max(1, ...cells.map((c) => c.length))
      return Array.from({ length: height }, (_, i) => cells.map((c) => c[i] ?? '').join('\t'))
    })
    .join('\n')
}
