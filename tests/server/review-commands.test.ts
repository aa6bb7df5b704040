/** The commands about reviewing and about what learners read: output under fixed keys, one sentence and exit 2 for what is none. */
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect } from 'chai'
import Papa from 'papaparse'
import { cairn } from '../support/server'

const DEMO = 'demo/measuring-small-streams.json'
const folder = mkdtempSync(join(tmpdir(), 'cairn-review-'))
const file = (name: string, content: unknown): string => {
  const path = join(folder, name)
  writeFileSync(path, typeof content === 'string' ? content : JSON.stringify(content))
  return path
}
const refused = async (...args: readonly string[]) => {
  const { code, stdout, stderr } = await cairn(args)
  expect([code, stdout, stderr.trim().split('\n').length], stderr).to.deep.equal([2, '', 1])
  return stderr
}

describe('the commands about reviewing', () => {
  after(() => rmSync(folder, { recursive: true }))
  it('print the set that ships, write it as CSV and JSON, and read it back the same', async () => {
    const own = JSON.parse((await cairn(['review-set', '--json'])).stdout)
    expect(Object.keys(own)).to.deep.equal(['title', 'version', 'rule', 'areas', 'problems'])
    const points = own.areas.flatMap((a: { points: { code: string }[] }) => a.points)
    expect(points.length).to.equal(59)
    for (const to of ['csv', 'json']) {
      const out = join(folder, `own.${to}`)
      expect((await cairn(['review-set', '--to', to, '--out', out])).code).to.equal(0)
      const again = JSON.parse((await cairn(['review-set', out, '--json'])).stdout)
      expect(again.areas).to.deep.equal(own.areas)
    }
    // Another reader of CSV, which knows nothing of sets.
    const rows = Papa.parse<string[]>(readFileSync(join(folder, 'own.csv'), 'utf8').replace('\uFEFF', '').trim()).data
    expect([rows.length, rows[0]?.[0], rows[1]?.[0]]).to.deep.equal([60, 'code', points[0].code])
    await refused('review-set', file('none.csv', 'code,priority\nA,must\n'))
    await refused('review-set', join(folder, 'nowhere.json'))
    await refused('review-set', '--to', 'pdf')
    await refused('review-set', '--out', join(folder, 'x.csv'))
  })

  it('judge colours line by line, and tell what is none', async () => {
    const path = file('colours.txt', '# ours\n#767676 #ffffff\n#777 #fff text\nblue #fff\n')
    const judged = JSON.parse((await cairn(['contrast', path, '--json'])).stdout)
    expect(judged.map((l: object) => Object.keys(l).join())).to.deep.equal([
      'line,colour,on,use,ratio,shown,needed,passes,nearest',
      'line,colour,on,use,ratio,shown,needed,passes,nearest',
      'line,problem',
    ])
    expect(judged.map((l: { line: number; passes?: boolean }) => [l.line, l.passes])).to.deep.equal([
      [2, true],
      [3, false],
      [4, undefined],
    ])
    expect((await cairn(['contrast', path])).stdout).to.contain('too low  #777 on #fff, text: 4.47, needed 4.5; #767676 would have 4.54')
  })

  it('print what keeps some learners out', async () => {
    const plan = JSON.parse(readFileSync(DEMO, 'utf8'))
    plan.course.colourQuiet = '#8A8A8A'
    plan.modules[1].closing = { type: 'doc', content: [{ type: 'image', attrs: { src: 'https://larkfield.example/weir.jpg' } }] }
    const path = file('plan.json', plan)
    const { palette, texts } = JSON.parse((await cairn(['text-access', path, '--json'])).stdout)
    expect(palette.filter((p: { passes: boolean }) => !p.passes).map((p: { colour: string }) => p.colour)).to.deep.equal(['#8a8a8a'])
    expect(texts).to.deep.equal([
      { record: { kind: 'module', id: plan.modules[1].id }, field: 'closing', code: 'image-no-alt', at: '0', words: '' },
    ])
    await refused('text-access', file('no-plan.txt', 'nothing'))
  })

  it('print the figures of a review, with and without the plan as it is now', async () => {
    const snapshot = JSON.parse(readFileSync(DEMO, 'utf8'))
    const seat = (id: string, value: string) => ({
      id,
      name: id,
      handedIn: '2027-02-01',
      ratings: [
        {
          point: 'A',
          value,
          evidence: [
            { kind: 'objective', id: snapshot.objectives[0].id },
            { kind: 'objective', id: 'gone' },
          ],
        },
      ],
    })
    const review = file('review.json', {
      format: 'cairn-review',
      formatVersion: 1,
      set: {
        format: 'cairn-review-set',
        formatVersion: 1,
        title: 'Ours',
        areas: [{ title: 'One', points: [{ code: 'A', statement: 'Aims can be seen', priority: 'must' }] }],
      },
      rounds: [
        {
          id: 'r1',
          title: 'Peers',
          kind: 'peer',
          merge: 'majority',
          state: 'comparing',
          snapshot,
          seats: [seat('s1', 'in place'), seat('s2', 'in place')],
        },
      ],
    })
    const before = await cairn(['review', review, '--on', '2027-03-01', '--json'])
    const figures = JSON.parse(before.stdout)
    expect(figures.set).to.deep.equal({ title: 'Ours', version: null, points: 1 })
    expect(Object.keys(figures.rounds[0])).to.deep.equal(
      'id,seats,points,areas,agreement,score,verdict,blocking,stale,compared,next'.split(','),
    )
    expect(figures.rounds[0]).to.deep.include({ verdict: 'ready', stale: [], next: [] })
    // What the plan that was rated does not hold is told, and not watched.
    expect(before.stderr).to.match(/no objective gone: it is not watched \[citation-not-held\]/)
    snapshot.objectives[0].statement = 'Measure the depth of a stream'
    const after = JSON.parse((await cairn(['review', review, file('now.json', snapshot), '--on', '2027-03-01', '--json'])).stdout)
    expect(after.rounds[0].stale.map((s: { seat: string; changed: unknown }) => [s.seat, s.changed])).to.deep.equal([
      ['s1', [{ kind: 'objective', id: snapshot.objectives[0].id }]],
      ['s2', [{ kind: 'objective', id: snapshot.objectives[0].id }]],
    ])
    expect(after.rounds[0]).to.deep.include({ verdict: 'undecided', blocking: [{ code: 'A', reason: 'stale' }] })
    expect((await cairn(['review', review])).stdout).to.match(/Peers: ready; the same value in 1 of 1 comparison/)
    await refused('review', review, '--on', 'soon')
    await refused('review', file('no-review.json', '{}'))
  })
})
