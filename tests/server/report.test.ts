/** Reports over the built server: files that other programs read, and the published page that is frozen and withdrawn. */
import { execFileSync } from 'node:child_process'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect } from 'chai'
import type { ReportDoc } from '../../src/core/review/report'
import { DEMO_PASSWORD } from '../../src/server/demo-people'
import { setReport } from '../../src/server/report-pdf'
import { cairn, demoDatabase, startServer, type TestDatabase, type TestServer } from '../support/server'

const COURSE = '/api/courses/small-streams'
const folder = mkdtempSync(join(tmpdir(), 'cairn-report-'))
const run = (program: string, ...args: readonly string[]) =>
  execFileSync(program, args, { encoding: 'utf8', stdio: ['ignore', 'pipe', 'pipe'] })
const kept = (name: string, bytes: Uint8Array): string => {
  const path = join(folder, name)
  writeFileSync(path, bytes)
  return path
}

/** What an independent reader says of a PDF: whole, tagged, of the standard, titled. Gives its text. */
function readPdf(path: string, title: string): string {
  run('qpdf', '--check', path)
  const info = run('pdfinfo', path)
  expect(info).to.match(/Tagged:\s+yes/)
  expect(info).to.contain(`Title:           ${title}`)
  expect(run('pdfinfo', '-meta', path)).to.match(/pdfuaid:part[=>"\s]*1/)
  return run('pdftotext', '-layout', path, '-')
}

describe('the report of a round, over the server', () => {
  let database: TestDatabase
  let server: TestServer
  const cookies = new Map<string, string>()
  before(async () => {
    database = await demoDatabase()
    server = await startServer(database.url)
    for (const who of ['ines', 'marek']) {
      const response = await fetch(`${server.origin}/api/auth/sign-in/email`, {
        method: 'POST',
        headers: { origin: server.origin, 'content-type': 'application/json' },
        body: JSON.stringify({ email: `${who}@larkfield.example`, password: DEMO_PASSWORD }),
      })
      cookies.set(
        who,
        response.headers
          .getSetCookie()
          .map((c) => c.split(';')[0])
          .join('; '),
      )
    }
  })
  after(async () => {
    await server.stop()
    await database.drop()
    rmSync(folder, { recursive: true })
  })
  const ask = (who: string | null, method: string, path: string, body?: unknown) =>
    fetch(server.origin + path, {
      method,
      headers: {
        origin: server.origin,
        ...(who ? { cookie: cookies.get(who) as string } : {}),
        ...(body === undefined ? {} : { 'content-type': 'application/json' }),
      },
      ...(body === undefined ? {} : { body: JSON.stringify(body) }),
    })
  const bytes = async (path: string) => new Uint8Array(await (await ask('ines', 'GET', path)).arrayBuffer())

  it('leaves as PDF/UA, with names or numbers, all points or those that hold up', async () => {
    const title = 'Review of HYD 214 Measuring Small Streams'
    const whole = readPdf(kept('whole.pdf', await bytes(`${COURSE}/export.review-pdf?round=peers`)), title)
    expect(whole)
      .to.match(/Not ready\./)
      .and.contain('Marek Havel')
      .and.contain('Captions for the film of the weir')
    const open = readPdf(kept('open.pdf', await bytes(`${COURSE}/export.review-pdf?round=peers&who=numbers&points=open`)), title)
    expect(open)
      .to.contain('Reviewer 1')
      .and.contain('Open points')
      .and.not.match(/Marek|Tove Rasmussen:/)
    const tour = readPdf(
      kept('tour.pdf', await bytes(`${COURSE}/export.review-pdf?round=peers&of=tour`)),
      'Tour of HYD 214 Measuring Small Streams',
    )
    expect(tour).to.contain('4 stops, 8 minutes')
    expect((await ask('ines', 'GET', `${COURSE}/export.review-pdf?round=none`)).status).to.equal(404)
  })

  it('is set whatever its words are, in any language, however long', () => {
    const odd = '#read("/etc/passwd") *b* \\ `c` $x$ @ref <label> // no /* x */ [a] 漢字 🙂, then مرحبا'
    const block = (text: string): ReportDoc['blocks'] => [
      { type: 'heading', text },
      { type: 'paragraph', lead: text, text: `${text}\n\n${text}` },
      { type: 'list', ordered: true, items: [{ lead: text, text: text.repeat(100), note: text }] },
      { type: 'table', caption: text, head: [text, 'n'], rows: Array.from({ length: 300 }, (_, i) => [text, String(i)]), figures: [1] },
    ]
    const path = kept('odd.pdf', setReport({ title: odd, subtitle: odd, language: 'xx-123', blocks: block(odd) }))
    run('qpdf', '--check', path)
    expect(run('pdftotext', '-layout', path, '-'))
      .to.contain('#read("/etc/passwd") *b*')
      .and.contain('299')
      .and.contain('[U+6F22]')
      .and.not.contain('root:')
    readPdf(kept('empty.pdf', setReport({ title: 'Empty', subtitle: '', language: 'de', blocks: [] })), 'Empty')
  })

  it('leaves the command line as what it is asked for', async () => {
    const env = { DATABASE_URL: database.url }
    const { code, stdout, stderr } = await cairn(['export', 'small-streams', '--format', 'review-html', '--round', 'peers'], env)
    expect(code, stderr).to.equal(0)
    expect(stdout).to.contain('<h1>Review of HYD 214 Measuring Small Streams</h1>').and.contain('Captions for the film of the weir')
    expect((await cairn(['export', 'small-streams', '--format', 'review-pdf', '--round', 'none'], env)).code).to.equal(2)
  })

  it('is published as it is then, without a script, for whoever has its address; withdrawn it answers 410; again at the same', async () => {
    const choices = { who: 'names', points: 'all' }
    const reports = `${COURSE}/reports/peers`
    expect(await (await ask('ines', 'GET', reports)).json()).to.equal(null)
    expect((await ask('marek', 'PUT', reports, choices)).status).to.equal(403)
    expect((await ask('ines', 'PUT', `${COURSE}/reports/none`, choices)).status).to.equal(404)
    const { slug } = (await (await ask('ines', 'PUT', reports, choices)).json()) as { slug: string }
    const page = () => ask(null, 'GET', `/p/review/${slug}`)
    const first = await page()
    const text = await first.text()
    expect([first.status, first.headers.get('x-robots-tag')]).to.deep.equal([200, 'noindex'])
    expect(first.headers.get('content-security-policy')).to.contain("script-src 'none'")
    expect(text)
      .to.contain('Marek Havel')
      .and.not.match(/<script/)
    // What is written in the course since does not show.
    const action = ((await (await ask('ines', 'GET', `${COURSE}/beside/reviewAction/act-rubric`)).json()) as Record<string, unknown>) ?? {}
    const { id: _i, authorId: _a, at: _t, revision, ...values } = action
    await ask('ines', 'PUT', `${COURSE}/beside/reviewAction/act-rubric`, { values: { ...values, what: 'Another thing' }, base: revision })
    expect(await (await page()).text()).to.not.contain('Another thing')
    expect((await ask('ines', 'DELETE', reports)).status).to.equal(200)
    const gone = await page()
    expect([gone.status, (await gone.text()).includes('Marek')]).to.deep.equal([410, false])
    const again = (await (await ask('ines', 'PUT', reports, { ...choices, who: 'numbers' })).json()) as { slug: string }
    expect(again.slug).to.equal(slug)
    expect(await (await page()).text())
      .to.contain('Another thing')
      .and.not.contain('Marek Havel:')
    expect((await ask(null, 'GET', '/p/review/nothing')).status).to.equal(404)
  })
})
