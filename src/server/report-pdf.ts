/** A report as tagged PDF (PDF/UA-1), set by Typst. */
import { createRequire } from 'node:module'
import { dirname, join } from 'node:path'
import { NodeCompiler } from '@myriaddreamin/typst-ts-node-compiler'
import { languageOf } from '../core/formats/report-html'
import type { ReportBlock, ReportDoc } from '../core/review/report'
import { REPORT_TEMPLATE } from './report-template'

const FONTS = ['400Regular', '700Bold']
const fontFolder = dirname(createRequire(import.meta.url).resolve('@expo-google-fonts/atkinson-hyperlegible-next/package.json'))

/** A column is at least this wide in letters, and counts no more than that (Cairn defaults). */
const LEAST = 7
const MOST = 44
/** How wide the columns of a table stand to each other: by their longest words and by how much they hold. */
function widthsOf({ head, rows }: Extract<ReportBlock, { type: 'table' }>): readonly number[] {
  return head.map((title, i) => {
    const cells = [title, ...rows.map((r) => r[i] ?? '')]
    const mean = cells.reduce((n, c) => n + Math.min(c.length, MOST * 2), 0) / cells.length
    const word = Math.max(...cells.flatMap((c) => c.split(/\s+/).map((w) => w.length)))
    return Math.min(MOST, Math.max(LEAST, Math.min(word, 20), mean))
  })
}

let compiler: NodeCompiler | null = null

/** Sets a report. Signs that no font here has are given by their numbers, and that is said. Throws what Typst says where it cannot. */
export function setReport(doc: ReportDoc): Uint8Array {
  const lacking = new Set<string>()
  for (;;) {
    try {
      return typeset(lacking.size === 0 ? doc : withNumbers(doc, lacking))
    } catch (error) {
      const more = signsIn(String(error)).filter((sign) => !lacking.has(sign))
      if (more.length === 0) throw error
      for (const sign of more) lacking.add(sign)
    }
  }
}

function typeset(doc: ReportDoc): Uint8Array {
  compiler ??= NodeCompiler.create({ fontArgs: [{ fontPaths: FONTS.map((f) => join(fontFolder, f)) }] })
  const [lang = 'en', region = ''] = languageOf(doc).split('-')
  const blocks = doc.blocks.map((b) => (b.type === 'table' ? { ...b, widths: widthsOf(b) } : b))
  // Typst takes no region that is not two letters.
  const data = { ...doc, blocks, lang: lang.toLowerCase(), region: /^[A-Za-z]{2}$/.test(region) ? region.toLowerCase() : 'gb' }
  return compiler.pdf({ mainFileContent: REPORT_TEMPLATE, inputs: { doc: JSON.stringify(data) } }, { pdfStandard: 'ua-1' })
}

/** The signs that a message of Typst says cannot be shown. */
const signsIn = (message: string): readonly string[] =>
  [...message.matchAll(/the text `\\?"(.*?)\\?"` could not be displayed/g)].flatMap(([, text = '']) => [
    ...text.replace(/\\+u\{([0-9a-f]+)\}/g, (_, hex) => String.fromCodePoint(Number.parseInt(hex, 16))),
  ])

const SAID = 'Signs that this document has no letters for stand in it by their numbers.'

function withNumbers(doc: ReportDoc, lacking: ReadonlySet<string>): ReportDoc {
  const numbered = (text: string): string =>
    [...text].map((c) => (lacking.has(c) ? `[U+${(c.codePointAt(0) ?? 0).toString(16).toUpperCase()}]` : c)).join('')
  const plain = JSON.parse(JSON.stringify(doc), (_, value) => (typeof value === 'string' ? numbered(value) : value)) as ReportDoc
  return { ...plain, blocks: [...plain.blocks, { type: 'paragraph', text: SAID }] }
}
