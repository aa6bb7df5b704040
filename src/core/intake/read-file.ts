/** Any file that people keep a course in, as blocks. */
import { err, ok, type Result } from '../result'
import { LIMITS, type Source } from './blocks'
import { Cuts } from './cuts'
import { decodeText } from './decode'
import { readDocx } from './read-docx'
import type { Unreadable } from './read-package'
import { readDelimited, readPlain } from './read-text'
import { readXlsx } from './read-xlsx'

export const isZipped = (bytes: Uint8Array): boolean => bytes[0] === 0x50 && bytes[1] === 0x4b

/** Why a file that is no office package cannot be read as text; null where it can, or is a package. */
export function refusalOf(bytes: Uint8Array): Unreadable | null {
  if (bytes.length === 0) return { code: 'empty', message: 'This file is empty.' }
  if (isZipped(bytes)) return null
  if (bytes[0] === 0xd0 && bytes[1] === 0xcf)
    return { code: 'old-office', message: 'This is an old or a protected office file. Save it as XLSX or DOCX and bring that.' }
  if (bytes[0] === 0x25 && bytes[1] === 0x50 && bytes[2] === 0x44 && bytes[3] === 0x46)
    return { code: 'pdf', message: 'PDF files are not read. Copy the text out of it and paste that.' }
  const other = OTHERS.find(({ begins }) => begins.every((b, i) => b === undefined || bytes[i] === b))
  if (other) return { code: other.code, message: other.message }
  const head = decodeText(bytes.subarray(0, 16_000))
  if (/^\s*(?:<\?xml[^>]*>\s*)?(?:<!--[\s\S]{0,2000}?-->\s*)?<(?:!doctype\s+html|html)\b/i.test(head.slice(0, 4000)))
    return { code: 'web-page', message: 'This is a web page. Open it in a browser, copy its text and paste that.' }
  if (head.startsWith('{\\rtf')) return { code: 'rich-text', message: 'This is a rich text file (RTF). Save it as DOCX and bring that.' }
  if (looksBinary(head)) return { code: 'not-text', message: 'This file is neither text, nor a workbook (XLSX), nor a document (DOCX).' }
  return null
}

/** Reads a file by what it is, not by what its name says; the name only tells delimited text from prose. */
export function readFile(name: string, bytes: Uint8Array): Result<Source, Unreadable> {
  if (bytes.length > LIMITS.fileBytes) return err({ code: 'too-large', message: `This file is larger than ${LIMITS.fileBytes / 1e6} MB.` })
  const refused = refusalOf(bytes)
  if (refused) return err(refused)
  if (!isZipped(bytes)) return ok(readText(name, decodeText(bytes)))
  const office = contains(bytes, 'word/document.xml') ? readDocx : contains(bytes, 'xl/workbook.xml') ? readXlsx : null
  if (!office) return err({ code: 'unknown-archive', message: 'This archive is neither a workbook (XLSX) nor a document (DOCX).' })
  const cuts = new Cuts()
  const read = office(bytes, name, cuts)
  return read.ok ? ok({ name, blocks: read.value, cut: cuts.problems }) : read
}

const ARCHIVE = { code: 'unknown-archive', message: 'This is a packed archive. Unpack it and bring the files that are in it.' }
const PICTURE = { code: 'picture', message: 'This is a picture. What is written in it is not read: bring it as text.' }
/** What files begin with that are called otherwise than they are: PNG, JPEG, GIF, BMP, TIFF; gzip, 7z, RAR, xz, bzip2. */
const OTHERS = [
  { ...PICTURE, begins: [0x89, 0x50, 0x4e, 0x47] },
  { ...PICTURE, begins: [0xff, 0xd8, 0xff] },
  { ...PICTURE, begins: [0x47, 0x49, 0x46, 0x38] },
  { ...PICTURE, begins: [0x42, 0x4d, undefined, undefined, undefined, undefined, 0, 0, 0, 0] },
  { ...PICTURE, begins: [0x49, 0x49, 0x2a, 0] },
  { ...PICTURE, begins: [0x4d, 0x4d, 0, 0x2a] },
  { ...ARCHIVE, begins: [0x1f, 0x8b] },
  { ...ARCHIVE, begins: [0x37, 0x7a, 0xbc, 0xaf] },
  { ...ARCHIVE, begins: [0x52, 0x61, 0x72, 0x21] },
  { ...ARCHIVE, begins: [0xfd, 0x37, 0x7a, 0x58] },
  { ...ARCHIVE, begins: [0x42, 0x5a, 0x68] },
]

/** Pasted or plain text: a delimited table where it is one, else prose with the tables in it. */
export function readText(name: string, text: string): Source {
  const named = /\.(csv|tsv|tab)$/i.test(name)
  const cuts = new Cuts()
  const delimited = named || looksDelimited(text) ? readDelimited(text, name, cuts, named ? 1 : 2) : null
  if (delimited) return { name, blocks: delimited, cut: cuts.problems }
  const lines = new Cuts()
  return { name, blocks: readPlain(text, name, lines), cut: lines.problems }
}

/** Most lines hold the same number of commas or semicolons, more than one. */
function looksDelimited(text: string): boolean {
  const lines = text.split(/\r\n?|\n/).filter((l) => l.trim() !== '')
  if (lines.length < 3 || lines.some((l) => l.includes('\t'))) return false
  return [',', ';'].some((mark) => {
    const counts = lines.map((l) => l.replace(/"[^"]*"/g, '').split(mark).length - 1)
    const usual = counts.toSorted((a, b) => a - b)[counts.length >> 1] ?? 0
    return usual >= 2 && counts.filter((n) => n === usual).length > lines.length * 0.8
  })
}

function contains(bytes: Uint8Array, name: string): boolean {
  const wanted = [...name].map((c) => c.charCodeAt(0))
  // Names stand in the directory at the end, or in the first header.
  for (let i = bytes.length - wanted.length; i >= 0; i--)
    if (bytes[i] === wanted[0] && wanted.every((c, k) => bytes[i + k] === c)) return true
  return false
}

function looksBinary(text: string): boolean {
  const head = text.slice(0, 4000)
  const odd = head.match(/[\u0000-\u0008\u000e-\u001f\ufffd]/g)?.length ?? 0
  return odd > Math.max(3, head.length * 0.02) || odd * 3 > head.length
}
