/** How the made tables are written: with WordNet's notice at their head, in lines that an editor can still open. */
import { notice } from './wordnet.mjs'

/** The first lines of a made file. */
export const headOf = () => [
  '/**',
  ' * Made from WordNet 3.1 by scripts/words; not written by hand. Its notice:',
  ' *',
  ...notice().map((line) => (line === '' ? ' *' : ` * ${line}`)),
  ' */',
  '',
]

/** Entries between commas, in lines that an editor can still open. */
const LONGEST_LINE = 5000
/** A template literal of entries with a comma behind each. */
export function quoted(entries) {
  const lines = ['']
  for (const entry of entries) {
    if (lines.at(-1).length + entry.length > LONGEST_LINE) lines.push('')
    lines[lines.length - 1] += `${entry},`
  }
  return `\`\n${lines.join('\n')}\n\``
}
