// Makes a migration from the kinds.
import { execFileSync } from 'node:child_process'
import { readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { deferrable } from './deferrable.mjs'

const name = process.argv[2]
if (!name) {
  console.error('usage: npm run migration -- NAME')
  process.exit(2)
}
execFileSync(process.execPath, ['node_modules/drizzle-kit/bin.cjs', 'generate', '--name', name], { stdio: 'inherit' })
const folder = 'src/server/db/migrations'
for (const file of readdirSync(folder).filter((f) => f.endsWith('.sql'))) {
  const text = readFileSync(`${folder}/${file}`, 'utf8')
  const made = deferrable(text)
  if (made !== text) writeFileSync(`${folder}/${file}`, made)
}
