/** Reads a file as a process of its own, with its ledger, and prints what came out and how many kilobytes the process took at most. */
import { readFileSync } from 'node:fs'
import { basename } from 'node:path'
import { readFile } from '../../src/core/intake/read-file'
import { readSources } from '../../src/core/intake/understand'

const path = process.argv[2] as string
const read = readFile(basename(path), readFileSync(path))
const reading = read.ok ? readSources([read.value]) : null
let lines = 0
for (const line of reading?.ledgerLines() ?? []) if (line.at !== '') lines++
const modules = reading?.understanding.modules.length ?? 0
console.log(JSON.stringify({ ok: read.ok, modules, lines, kilobytes: process.resourceUsage().maxRSS }))
