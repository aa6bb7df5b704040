import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect } from 'chai'
import { cairn, demoDatabase, type TestDatabase } from '../support/server'

const DEMO = 'demo/measuring-small-streams.json'

describe('the command line', () => {
  let folder: string
  let database: TestDatabase
  before(async () => {
    folder = mkdtempSync(join(tmpdir(), 'cairn-'))
    database = await demoDatabase()
  })
  after(async () => {
    rmSync(folder, { recursive: true })
    await database.drop()
  })
  const file = (name: string, content: string) => {
    writeFileSync(join(folder, name), content)
    return join(folder, name)
  }

  it('checks a file without a server: findings as JSON, exit 1 on Fix', async () => {
    const { code, stdout } = await cairn(['check', DEMO, '--json'], { DATABASE_URL: '' })
    const findings = JSON.parse(stdout) as { code: string; weight: string; records: { id: string }[]; message: string }[]
    expect(code).to.equal(1)
    expect(findings.find((f) => f.code === 'shares-not-100')).to.deep.include({
      weight: 'fix',
      message: 'The category shares sum to 95 %, 5 % short of 100 %.',
    })
    for (const f of findings) expect(f).to.have.all.keys('code', 'weight', 'records', 'message')
  })
  it('tells what differs between two files', async () => {
    const course = JSON.parse(readFileSync(DEMO, 'utf8'))
    course.activities.find((a: { id: string }) => a.id === 'a1-3').minutes = 99
    const gone = course.decisions.pop()
    const { code, stdout } = await cairn(['diff', DEMO, file('later.json', JSON.stringify(course)), '--json'], { DATABASE_URL: '' })
    expect(code).to.equal(0)
    const { added, removed, changed, moved } = JSON.parse(stdout)
    expect([added, moved]).to.deep.equal([[], []])
    expect(removed.map((r: { kind: string; id: string }) => [r.kind, r.id])).to.deep.equal([['decision', gone.id]])
    expect(
      changed.map((c: { id: string; fields: { field: string; to: unknown }[] }) => [c.id, c.fields[0]?.field, c.fields[0]?.to]),
    ).to.deep.equal([['a1-3', 'minutes', 99]])
    expect((await cairn(['diff', DEMO, DEMO])).stdout).to.equal('Nothing differs.\n')
    expect((await cairn(['diff', DEMO, file('no.json', '{')])).code).to.equal(2)
  })
  it('exits 0 when nothing is to fix, whatever is to check', async () => {
    const course = JSON.parse(readFileSync(DEMO, 'utf8'))
    course.gradeCategories[4].share = 35
    course.criteria[0].weight = 12
    course.activities = course.activities.filter((a: { id: string }) => a.id !== 'a8-7')
    expect((await cairn(['check', file('sound.json', JSON.stringify(course))])).code).to.equal(0)
  })
  it('names the file and the place of what it cannot read, and exits 2', async () => {
    const broken = await cairn(['check', file('broken.json', '{"formatVersion": 1,\n "x" }')])
    expect([broken.code, broken.stderr]).to.satisfy(([c, e]: [number, string]) => c === 2 && e.includes('broken.json: line 2, column 6'))
    const missing = await cairn(['check', join(folder, 'none.json')])
    expect([missing.code, missing.stderr]).to.satisfy(([c, e]: [number, string]) => c === 2 && e.includes('ENOENT'))
    expect((await cairn(['frobnicate'])).code).to.equal(2)
    expect((await cairn(['import', DEMO], { DATABASE_URL: '' })).stderr).to.include('npm run demo starts one')
    const silent = await cairn(['export', 'x'], { DATABASE_URL: 'postgres://app:x@127.0.0.1:9/cairn' })
    expect([silent.code, silent.stderr]).to.satisfy(([c, e]: [number, string]) => c === 2 && e.includes('does not answer at 127.0.0.1:9'))
  })
  it('prints the figures of a file: shares that sum, dates as instants, hours', async () => {
    const { stdout, code } = await cairn(['analyse', DEMO, '--json'])
    expect(code).to.equal(0)
    const figures = JSON.parse(stdout)
    const sum = (all: { percent: number }[]) => Math.round(all.reduce((total, x) => total + x.percent * 100, 0)) / 100
    // The demo's shares sum to 95 on purpose.
    expect([sum(figures.grade.items), sum(figures.gradeByOutcome), figures.grade.missing]).to.deep.equal([95, 95, 5])
    // By hand: Sunday of week 1, which begins on Monday 6 Sep 2027, 23:59 in London, an hour ahead of UTC.
    expect(figures.due.find((d: { id: string }) => d.id === 'a1-8')).to.include({ date: '2027-09-12', instant: '2027-09-12T22:59:00Z' })
    expect(figures.hours.weeks.filter((w: { week: number | null }) => w.week !== null)).to.have.length(12)
    expect((await cairn(['analyse'])).code).to.equal(2)
  })
  it('prints the matrix of a file, and refuses rows that are none in one sentence', async () => {
    const { stdout, code } = await cairn(['matrix', DEMO, '--json'])
    expect(code).to.equal(0)
    const { rows, columns, cells } = JSON.parse(stdout)
    expect([rows.length, columns.length]).to.deep.equal([30, 75])
    expect(cells.every((c: { row: string; column: string }) => rows.some((r: { id: string }) => r.id === c.row))).to.equal(true)
    const outcomes = JSON.parse((await cairn(['matrix', DEMO, '--rows', 'outcomes', '--json'])).stdout)
    // As in the figures of the grade, each outcome by itself.
    const { gradeByOutcome } = JSON.parse((await cairn(['analyse', DEMO, '--json'])).stdout)
    for (const { number, share } of outcomes.rows)
      expect(share, number).to.be.closeTo(gradeByOutcome.find((g: { outcome: string }) => g.outcome === number)?.percent ?? 0, 0.01)
    const refused = await cairn(['matrix', DEMO, '--rows', 'XYZ'])
    expect([refused.code, refused.stderr]).to.satisfy(([c, e]: [number, string]) => c === 2 && e.trim().split('\n').length === 1)
  })
  it('prints a JSON Schema of the native file', async () => {
    const schema = JSON.parse((await cairn(['schema'])).stdout)
    expect(schema.properties.activities.items.properties.kind.enum).to.include('peer review')
    expect(schema.required).to.include.members(['format', 'formatVersion', 'course'])
  })
  it('brings a file in and gives the same out again', async () => {
    const env = { DATABASE_URL: database.url }
    const imported = await cairn(['import', DEMO, '--owner', 'ines@larkfield.example'], env)
    const id = /imported as (\S+),/.exec(imported.stdout)?.[1] ?? ''
    const out = await cairn(['export', id, '--format', 'json'], env)
    // The course of the demo has an offering more, a cover, and the set of points that ships.
    const { offerings, course, reviewSets, reviewAreas, reviewPoints, ...rest } = JSON.parse(
      (await cairn(['export', 'small-streams', '--format', 'json'], env)).stdout,
    )
    expect(JSON.parse(out.stdout)).to.deep.include(rest)
    expect([offerings.length, course.coverFileId]).to.deep.equal([2, 'cover'])
    expect([reviewSets.length, reviewAreas.length, reviewPoints.length]).to.deep.equal([1, 10, 59])
    // Its last round as a file, read again by the command that counts it.
    const review = await cairn(['export', 'small-streams', '--format', 'review-json', '--round', 'Peers, November'], env)
    const figures = await cairn(['review', file('peers.json', review.stdout), '--on', '2026-11-30', '--json'])
    const [peers] = JSON.parse(figures.stdout).rounds
    expect([peers.id, peers.seats.length, peers.points.length, peers.agreement.pairs]).to.deep.equal(['peers', 3, 11, 23])
    expect((await cairn(['export', 'small-streams', '--format', 'review-csv', '--round', 'none'], env)).stderr).to.include(
      'no round of review none',
    )
    const source = JSON.parse(readFileSync(DEMO, 'utf8'))
    expect(JSON.parse(out.stdout).activities).to.have.deep.members(source.activities)
    expect((await cairn(['export', 'nothing'], env)).stderr).to.include('there is no course nothing')
    const bad = await cairn(['import', file('bad.json', '{"formatVersion": 7}')], env)
    expect([bad.code, bad.stderr]).to.satisfy(([c, e]: [number, string]) => c === 2 && e.includes('newer-version'))
  })
  it('prints what it understands of files as people keep them, together', async () => {
    const map = await cairn(['map', 'tests/fixtures/intake/long-sheet.xlsx', 'examples/bees-on-rooftops-syllabus.txt', '--json'])
    const read = JSON.parse(map.stdout)
    expect(map.code).to.equal(0)
    expect(read.modules[0]).to.include({ number: '1' })
    expect(read.problems.map((p: { code: string }) => p.code)).to.include.members(['number-guessed', 'unknown-objective', 'count-differs'])
    expect(Object.keys(read.modules[0].activities[0])).to.include.members(['number', 'title', 'kind', 'objectives', 'minutes', 'points'])
    const text = await cairn(['map', 'tests/fixtures/intake/plan.docx'])
    expect(text.stdout).to.contain('1  Wheels and hubs (week 1)')
    const bad = await cairn(['map', file('scan.pdf', '%PDF-1.4')])
    expect([bad.code, bad.stderr]).to.satisfy(([c, e]: [number, string]) => c === 2 && e.includes('PDF files are not read'))
    expect((await cairn(['map', 'nowhere.txt'])).code).to.equal(2)
    for (const nothing of ['Module,Activity,Minutes\n', ' \n\n', '\ufeff'])
      expect(await cairn(['map', file('nothing.csv', nothing)])).to.satisfy(
        ({ code, stdout, stderr }: { code: number; stdout: string; stderr: string }) =>
          code === 2 && stdout === '' && /^[^\n]*there is nothing in it that could be read \[nothing\]\n$/.test(stderr),
      )
    const latin = file('latin.json', '')
    writeFileSync(latin, Buffer.from('{"title": "\xdcbung"}', 'latin1'))
    const undecoded = await cairn(['check', latin])
    expect([undecoded.code, undecoded.stderr]).to.satisfy(([c, e]: [number, string]) => c === 2 && e.includes('[not-utf8]'))
  })
  it('prints where everything went, what was guessed and when it is due, and reads again as it is told', async () => {
    const plan = file('plan.csv', 'Module,Week,Activity,Time,Shelf,Due\n1,1,Read it,30,left,\n,1,Try it,soon,right,Fri\n,,Total,30,,\n')
    const read = JSON.parse((await cairn(['map', plan, '--json', '--ledger'])).stdout)
    expect(read.modules[0].activities.map((a: { due: string; dueRule: string }) => [a.due, a.dueRule])).to.deep.equal([
      [null, null],
      ['Fri', 'Fri wk 1'],
    ])
    expect(read.problems.map((p: { code: string }) => p.code)).to.deep.equal(['time-not-read', 'unknown-column'])
    const time = read.guesses.find((g: { path: string }) => g.path === 'modules[0].activities[0].minutes')
    expect([time.value, time.why]).to.deep.equal([30, '“Time” does not say whether it counts minutes or hours: read as minutes'])
    const fateOf = (text: string) => read.ledger.find((l: { text: string }) => l.text === text).fate
    expect(['Read it', 'Total', 'soon', 'left', 'Shelf'].map(fateOf)).to.deep.equal([
      'read',
      'decoration',
      'question',
      'question',
      'decoration',
    ])
    const said = (await cairn(['map', plan, '--ledger'])).stdout
    expect(said).to.match(/question {7}soon \(plan.csv, row 3, column D\): how long this takes/)
    const answers = file(
      'answers.json',
      JSON.stringify({ columns: { 'plan.csv, row 1, 5': 'note' }, values: { 'modules[0].activities[1].minutes': 45 } }),
    )
    const again = JSON.parse((await cairn(['map', plan, '--json', '--answers', answers])).stdout)
    expect(again.modules[0].activities.map((a: { minutes: number; notes: string }) => [a.minutes, a.notes])).to.deep.equal([
      [30, 'Shelf: left'],
      [45, 'Shelf: right'],
    ])
    for (const bad of ['{"columns": {"x": "colour"}}', '[1]', 'no']) {
      const refused = await cairn(['map', plan, '--answers', file('bad-answers.json', bad)])
      expect([refused.code, refused.stdout]).to.deep.equal([2, ''])
      expect(refused.stderr).to.match(/^[^\n]*\[bad-answers\]\n$/)
    }
  })
  it('lets nothing that is in a file steer the terminal', async () => {
    const sly = file('sly.csv', 'Module,Activity,Minutes\n1,"Clear \u001b[2J\u009b31m\u202eall",5\n')
    for (const args of [
      ['map', sly],
      ['map', sly, '--json'],
      ['objectives', sly],
    ]) {
      const { stdout, stderr } = await cairn(args)
      expect(/[\u0000-\u0008\u000b-\u001f\u007f-\u009f\u202e]/.test(stdout + stderr), args.join(' ')).to.equal(false)
    }
    const read = JSON.parse((await cairn(['map', sly, '--json'])).stdout)
    expect(read.modules[0].activities[0].title).to.include('all')
    expect((await cairn(['map'])).code).to.equal(2)
  })
  it('prints what it understands of a framework: pasted, as exchange JSON and as a table', async () => {
    const pasted = await cairn(['framework', 'examples/rooftop-solar-specification.txt', '--json'])
    const read = JSON.parse(pasted.stdout)
    expect([pasted.code, read.title, read.elements.length]).to.deep.equal([0, 'Inspect rooftop solar arrays', 3])
    expect(read.elements[1].criteria[1]).to.deep.equal({
      code: '2.2',
      statement: 'Measure string voltage and insulation resistance within the tolerance of the meter',
    })
    expect([read.skills.length, read.evidence.length]).to.deep.equal([2, 8])
    const table = await cairn(['framework', file('items.csv', 'code,statement,parent\n1,Mix,\n1.1,Weigh,1\n')])
    expect(table.stdout).to.contain('1 Mix\n  1.1 Weigh')
    const bad = await cairn(['framework', file('other.json', '{"a": 1}')])
    expect([bad.code, bad.stderr]).to.satisfy(([c, e]: [number, string]) => c === 2 && e.includes('no-package'))
    expect((await cairn(['framework'])).code).to.equal(2)
  })
  it('prints what became of every line of a framework, what was guessed and asked, and reads it again with answers', async () => {
    const spec = file(
      'spec.txt',
      '1. Prepare\n1.1 Clean the bench\nRange: wood, stone\n\nKnowledge\n- tools\n\nTools and gear\n- a brush\n- a bucket\n',
    )
    const read = JSON.parse((await cairn(['framework', spec, '--json', '--ledger'])).stdout)
    expect(read.problems.map((p: { code: string }) => p.code)).to.deep.equal(['heading-unknown'])
    expect([read.evidence, read.guesses, read.notes]).to.deep.equal([
      ['tools'],
      [],
      [{ path: 'elements[0].criteria[0]', text: 'Range: wood, stone' }],
    ])
    expect(read.ledger.map((l: { text: string; fate: string; paths: string[] }) => [l.text, l.fate, ...l.paths])).to.deep.equal([
      ['1. Prepare', 'read', 'elements[0]'],
      ['1.1 Clean the bench', 'read', 'elements[0].criteria[0]'],
      ['Range: wood, stone', 'read', 'elements[0].criteria[0]'],
      ['Knowledge', 'decoration'],
      ['tools', 'read', 'evidence[0]'],
      ['Tools and gear', 'question'],
      ['a brush', 'not understood'],
      ['a bucket', 'not understood'],
    ])
    expect((await cairn(['framework', spec, '--ledger'])).stdout).to.contain('question       Tools and gear (line 8)')
    const answers = file('spec-answers.json', '{"headings": {"Tools and gear": "assessment condition"}}')
    const again = JSON.parse((await cairn(['framework', spec, '--json', '--answers', answers])).stdout)
    expect([again.evidence, again.problems, again.ledger]).to.deep.equal([['tools', 'a brush', 'a bucket'], [], undefined])
    for (const bad of ['{"headings": {"x": "nothing"}}', '{']) {
      const refused = await cairn(['framework', spec, '--answers', file('bad-spec-answers.json', bad)])
      expect([refused.code, refused.stderr.includes('bad-answers')]).to.deep.equal([2, true])
    }
  })
  it('sends the frameworks of a course out, and says when there is none', async () => {
    const env = { DATABASE_URL: database.url }
    const imported = await cairn(['import', 'demo/inspecting-rooftop-solar-arrays.json', '--owner', 'ines@larkfield.example'], env)
    const id = /imported as (\S+),/.exec(imported.stdout)?.[1] ?? ''
    const one = JSON.parse((await cairn(['export', id, '--format', 'case', '--framework', 'LOI-W'], env)).stdout)
    expect([one.CFDocument.title, one.CFItems.length]).to.deep.equal(['Working safely at Larkfield', 2])
    expect((await cairn(['export', id, '--format', 'mapping-csv'], env)).stdout).to.contain('PE2,isolating an array on two occasions')
    expect((await cairn(['export', id, '--format', 'mapping-xlsx'], env)).stdout.startsWith('PK')).to.equal(true)
    expect((await cairn(['export', id, '--format', 'items-csv'], env)).stdout).to.contain('1.1,"Given drawings')
    const none = await cairn(['export', id, '--format', 'case', '--framework', 'X'], env)
    expect([none.code, none.stderr]).to.satisfy(([c, e]: [number, string]) => c === 2 && e.includes('has no framework X'))
  })
  it('sends a course out in every open format', async () => {
    const env = { DATABASE_URL: database.url }
    const imported = await cairn(['import', DEMO, '--owner', 'ines@larkfield.example'], env)
    const id = /imported as (\S+),/.exec(imported.stdout)?.[1] ?? ''
    for (const [format, begins] of [
      ['ics', 'BEGIN:VCALENDAR'],
      ['csv', '\uFEFFModule,Week,No.,Activity'],
      ['html', '<!doctype html>'],
      ['xlsx', 'PK'],
    ] as const)
      expect((await cairn(['export', id, '--format', format], env)).stdout.startsWith(begins), format).to.equal(true)
    expect((await cairn(['export', id, '--format', 'pdf'], env)).code).to.equal(2)
  })
})
