/** That everything that came in is accounted for: nothing missing, nothing twice, no words lost on the way. */
import { expect } from 'chai'
import type { Source } from '../../../src/core/intake/blocks'
import type { LedgerLine } from '../../../src/core/intake/ledger'
import { valueAt } from '../../../src/core/intake/paths'
import { readText } from '../../../src/core/intake/read-file'
import { type Reading, readSources } from '../../../src/core/intake/understand'
import type { Understanding, UnderstoodActivity } from '../../../src/core/intake/understanding'
import { cases, sourcesOf } from '../../support/messy/score'
import { rng } from '../../support/rng'

/** Each filled cell and each line of the sources, counted apart from the reader. */
const unitsOf = (sources: readonly Source[]): string[] =>
  sources.flatMap((s) =>
    s.blocks.flatMap((b) =>
      b.type === 'table'
        ? b.rows.flatMap((r, y) =>
            r.flatMap((c, x) => (c.trim() === '' || b.copies?.has(`${y}:${x}`) ? [] : [`${b.at}, row ${y + 1}: ${c}`])),
          )
        : [`${b.at}: ${b.text}`],
    ),
  )
const unitOf = ({ at, text }: LedgerLine): string => `${at.replace(/, column [A-Z]+$/, '')}: ${text}`

/** Words that reading takes off: what opens a statement, what stands around times, points, days and weeks. */
const TIDIED = new Set(
  `due by on the of in at and a an or to week weeks wk wo tydz modul module unit topic block blok unità min mins minutes minute h hours hour hrs points pts point
   x learners students will can be able you uhr am pm total each quarter half quarters one two three mon tue wed thu fri sat sun monday tuesday
   wednesday thursday friday saturday sunday jan feb mar apr may jun jul aug sep oct nov dec january february march april june july august
   september october november december supports aligned with until before ca approx about hand submit deadline o objectives objective outcomes`.split(
    /\s+/,
  ),
)
const wordsOf = (text: string): string[] => text.toLowerCase().match(/\p{L}+/gu) ?? []

/** All that stands at a path; of an activity with the words of its objectives. */
function textAt(tree: Understanding, path: string): string {
  const thing = valueAt(tree, path) as Partial<UnderstoodActivity> | undefined
  const objectives = tree.modules.flatMap((m) => m.objectives).filter((o) => thing?.objectives?.includes(o.code as never))
  return JSON.stringify([thing ?? '', objectives.map((o) => o.statement)])
}

/** Words of what was read that stand nowhere in the things it became. */
function lostWords({ understanding, ledger }: Reading): string[] {
  return ledger.flatMap(({ text, fate, paths, at }) => {
    if (fate !== 'read' || paths.length === 0) return []
    const there = new Set(wordsOf(paths.map((p) => textAt(understanding, p)).join(' ')))
    const beside = new Set(wordsOf([...understanding.problems.map((p) => p.message), ...understanding.guesses.map((g) => g.why)].join(' ')))
    const lost = wordsOf(text).filter((w) => !there.has(w) && !beside.has(w) && !TIDIED.has(w))
    return lost.length === 0 ? [] : [`${at}: “${text}” lost ${lost.join(', ')}`]
  })
}

function expectAllHeld(sources: readonly Source[], name: string): Reading {
  const reading = readSources(sources)
  expect(reading.ledger.map(unitOf).sort(), name).to.deep.equal(unitsOf(sources).sort())
  for (const { fate, paths, what } of reading.ledger) {
    expect(fate, name).to.be.oneOf(['read', 'decoration', 'question', 'not understood'])
    if (fate === 'decoration' || fate === 'question') expect(what, `${name}: the reason`).not.to.equal('')
    for (const path of paths) if (path !== 'title') expect(valueAt(reading.understanding, path), `${name}: ${path}`).to.be.an('object')
  }
  return reading
}

describe('the ledger', () => {
  for (const heldBack of [false, true])
    it(`accounts for every cell, line and word of ${heldBack ? 'forms that were held back' : 'generated sources'}`, async () => {
      for (const c of cases([1, 2, 3, 4], heldBack)) {
        const reading = expectAllHeld(await sourcesOf(c), c.name)
        expect(lostWords(reading), c.name).to.deep.equal([])
      }
    })

  it('accounts for every cell and line of random tables and texts', () => {
    const words = [
      'Module',
      'Module 1',
      'Week',
      '2',
      'Quiz',
      'due Fri',
      '30 min',
      '',
      '',
      'x',
      'Total',
      '1.1',
      'Explain how it flows',
      '–',
      '50 %',
      'Note: later',
      '12/10',
      'Objectives',
      'Points',
    ]
    for (let seed = 1; seed <= 150; seed++) {
      const random = rng(seed)
      const one = () => words[Math.floor(random() * words.length)] as string
      const mark = ['\t', ',', ' '][seed % 3] as string
      const text = Array.from({ length: 1 + Math.floor(random() * 12) }, () =>
        Array.from({ length: 1 + Math.floor(random() * 5) }, one).join(mark),
      ).join('\n')
      expectAllHeld([readText(seed % 2 ? 'random.csv' : 'pasted text', text)], `seed ${seed}:\n${text}`)
    }
  })

  it('says where each cell went and why', () => {
    const { ledger } = readSources([
      readText('plan.csv', 'Module,Activity,Minutes,Shelf\n1,Read it,30,left\n1,Try it,soon,right\n,Total,30,\nask Ines,,,\n'),
    ])
    const of = (text: string) => ledger.filter((l) => l.text === text).map(({ fate, what, paths }) => [fate, what, ...paths])
    expect(of('Minutes')).to.deep.equal([['decoration', 'header']])
    expect(of('Read it')).to.deep.equal([['read', 'title', 'modules[0].activities[0]']])
    expect(of('soon')).to.deep.equal([['question', 'how long this takes']])
    expect(of('Total')).to.deep.equal([['decoration', 'a sum']])
    expect(of('left')).to.deep.equal([['question', 'what column Shelf holds']])
    expect(of('ask Ines')[0]?.[0]).to.equal('not understood')
    expect(ledger.find((l) => l.text === 'left')?.at).to.equal('plan.csv, row 2, column D')
  })
})
