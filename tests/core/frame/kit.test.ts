/** What the linter cannot say of the interface: no native tips, no signs typed as icons. Native controls are the linter's. */
import { readdirSync, readFileSync } from 'node:fs'
import { expect } from 'chai'

const files = readdirSync('src/ui', { recursive: true, encoding: 'utf8' }).filter((f) => f.endsWith('.tsx') && !f.startsWith('parts/'))
const found = (pattern: RegExp): string[] =>
  files.flatMap((file) => [...readFileSync(`src/ui/${file}`, 'utf8').matchAll(pattern)].map((m) => `${file}: ${m[0].trim().slice(0, 60)}`))

describe('the interface outside its kit', () => {
  it('is looked at', () => expect(files.length).to.be.above(80))
  it('tips by data-tip, which keys and touch reach too, not by title', () => expect(found(/<[a-z]+\b[^>]*\stitle=/g)).to.deep.equal([]))
  it('takes icons from the package of icons, not from signs', () =>
    expect(found(/(^\s*|[>'"`])[✕✖×✎⠿↑↓←→↺↻▸▾▴⇄⇤⇥…☰⋮](\s*$|[<'"`])/gmu)).to.deep.equal([]))
})
