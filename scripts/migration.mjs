// Makes a migration from the kinds. drizzle-kit cannot write DEFERRABLE, so foreign keys of records get it here: a change may
// remove and create in any order, and is checked when its transaction ends.
import { execFileSync } from 'node:child_process'
import { readdirSync, readFileSync, writeFileSync } from 'node:fs'

const name = process.argv[2]
if (!name) {
  console.error('usage: npm run migration -- NAME')
  process.exit(2)
}
execFileSync(process.execPath, ['node_modules/drizzle-kit/bin.cjs', 'generate', '--name', name], { stdio: 'inherit' })
const folder = 'src/server/db/migrations'
for (const file of readdirSync(folder).filter((f) => f.endsWith('.sql'))) {
  const text = readFileSync(`${folder}/${file}`, 'utf8')
  const made = text.replace(
    /(FOREIGN KEY \("course_id","\w+"\) REFERENCES [^;]*?) ON DELETE no action ON UPDATE no action;/g,
    '$1 DEFERRABLE INITIALLY DEFERRED;',
  )
  if (made !== text) writeFileSync(`${folder}/${file}`, made)
}
