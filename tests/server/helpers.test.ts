/** What becomes of heavy work, and of the server beside it, when a helper dies, takes too much, or nobody waits any more. */
import { expect } from 'chai'
import { type For, inHelper } from '../../src/server/helpers'
import { inRequest } from '../../src/server/log'
import { Refusal } from '../../src/server/problem'

type Odd = 'die' | 'grow' | 'wait' | 'refuse' | 'fail' | 'bytes' | 'who' | 'about'

describe('a helper', () => {
  const known = process.env['CAIRN_HELPER']
  before(() => {
    process.env['CAIRN_HELPER'] = new URL('../support/odd-helper.mjs', import.meta.url).href
  })
  // Servers of other tests take what this process says.
  after(() => {
    if (known === undefined) delete process.env['CAIRN_HELPER']
    else process.env['CAIRN_HELPER'] = known
  })
  const done = (what: Odd, who: For = { of: ['somebody'] }) => inHelper('publish', who, what as never)
  const why = async (what: Odd, who?: For) =>
    done(what, who).then(
      () => 'done',
      (error: unknown) => (error instanceof Refusal ? `${error.status} ${error.code}` : String(error)),
    )
  /** Whether a process is there. */
  const lives = (pid: number): boolean => {
    try {
      process.kill(pid, 0)
      return true
    } catch {
      return false
    }
  }

  it('is there for what comes next, and gives bytes as bytes', async () => {
    const [first, second] = [await done('who'), await done('who')]
    expect(second).to.equal(first)
    expect([...((await done('bytes')) as unknown as Uint8Array)]).to.deep.equal([1, 2, 254])
  })
  it('hands over what the work refuses, whole, and what it failed of', async () => {
    const refusal = await done('refuse').catch((error: unknown) => error as Refusal)
    expect(refusal).to.be.instanceOf(Refusal)
    const { status, code, message, details, headers } = refusal as Refusal
    expect([status, code, message, details, headers]).to.deep.equal([409, 'taken', 'Taken.', { by: 'Tove' }, { 'retry-after': '3' }])
    const failed = await done('fail').catch((error: unknown) => error as NodeJS.ErrnoException)
    expect([(failed as NodeJS.ErrnoException).code, (failed as Error).stack]).to.deep.equal(['ECONNREFUSED', 'Error: there\n    at here'])
  })
  it('knows for which request it works', async () => {
    const about = { request: 'r1', person: 'ines' }
    expect(await inRequest(about, () => done('about'))).to.deep.equal(about)
  })
  it('that dies is told, and the next one does the next', async () => {
    const before = await done('who')
    expect(await why('die')).to.equal('503 too-much')
    expect(await done('who'))
      .to.be.a('number')
      .that.is.not.equal(before)
  })
  it('that takes more memory than it may dies alone', async () => {
    expect(await why('grow')).to.equal('503 too-much')
    expect(await done('who')).to.be.a('number')
  })
  it('is ended when nobody waits for it any more', async () => {
    const pid = (await done('who')) as unknown as number
    const leaving = new AbortController()
    const left = why('wait', { of: ['somebody'], signal: leaving.signal })
    // It works by now, or is about to: both end.
    setTimeout(() => leaving.abort(), 50)
    expect(await left).to.equal('499 gone')
    while (lives(pid)) await new Promise((again) => setTimeout(again, 10))
  })
  it('keeps the others of one person waiting, and nobody else', async () => {
    const leaving = new AbortController()
    const long = why('wait', { of: ['bad'], signal: leaving.signal })
    const behind = why('who', { of: ['bad'] })
    expect(await why('who', { of: ['good'] })).to.equal('done')
    leaving.abort()
    expect([await long, await behind]).to.deep.equal(['499 gone', 'done'])
  })
  it('makes one large answer of a person at a time, until it is sent', async () => {
    let sent: () => void = () => {}
    const answered = new Promise<void>((done) => (sent = done))
    expect(await why('bytes', { of: ['reader'], answered })).to.equal('done')
    let second = ''
    const next = why('bytes', { of: ['reader'], answered: Promise.resolve() }).then((said) => (second = said))
    expect(await why('bytes', { of: ['other'], answered: Promise.resolve() })).to.equal('done')
    expect(second).to.equal('')
    sent()
    expect(await next).to.equal('done')
  })
})
