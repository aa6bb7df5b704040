/** Reads a file as a process of its own, and prints what came out and how many kilobytes the process took at most. */
import { readFileSync } from 'node:fs'
import { basename } from 'node:path'
import { readFile } from '../../src/core/intake/read-file'
import { understand } from '../../src/core/intake/understand'

const path = process.argv[2] as string
const read = readFile(basename(path), readFileSync(path))
const modules = read.ok ? understand([read.value]).modules.length : 0
console.log(JSON.stringify({ ok: read.ok, modules, kilobytes: process.resourceUsage().maxRSS }))
