/** Statements as plain text, whatever they were written in. */
import { Parser } from 'htmlparser2'

const BLOCK = new Set(['p', 'div', 'br', 'li', 'tr', 'h1', 'h2', 'h3', 'h4', 'ul', 'ol'])
const SILENT = new Set(['script', 'style', 'template', 'iframe', 'object'])

/** The text of what may be HTML: tags gone, entities read, blocks on lines of their own; script and style say nothing. */
export function plainText(text: string): string {
  if (!/[<&]/.test(text)) return text
  let out = ''
  let silent = 0
  const parser = new Parser(
    {
      onopentagname: (name) => {
        if (SILENT.has(name)) silent++
        if (BLOCK.has(name) && out !== '') out += '\n'
      },
      ontext: (data) => {
        if (silent === 0) out += data
      },
      onclosetag: (name) => {
        if (SILENT.has(name)) silent = Math.max(0, silent - 1)
        if (BLOCK.has(name) && name !== 'br') out += '\n'
      },
    },
    { decodeEntities: true, lowerCaseTags: true },
  )
  // "a < b" is no tag: only what looks like one is read as one.
  parser.write(text.replace(/<(?![a-z/!])/gi, '&lt;'))
  parser.end()
  return out
    .replace(/[ \t]+/g, ' ')
    .replace(/ ?\n[ \n]*/g, '\n')
    .trim()
}
