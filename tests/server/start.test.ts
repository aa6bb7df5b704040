/** The start command as somebody types it: one sentence for each thing in its way, and nothing left behind. */
import { type ChildProcess, spawn } from 'node:child_process'
import { chmodSync, existsSync, mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { connect, createServer } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect } from 'chai'
import { freePort } from '../support/server'

const isRoot = process.getuid?.() === 0

type Started = { readonly child: ChildProcess; readonly output: () => string; readonly ended: Promise<number | null> }

/** Starts the demo in a process group of its own, as a terminal does. */
function startDemo(env: NodeJS.ProcessEnv, args: readonly string[] = []): Started {
  const { DATABASE_URL: _, ...own } = process.env
  const child = spawn('bash', ['scripts/demo.sh', ...args], { env: { ...own, ...env }, detached: true })
  let output = ''
  child.stdout.on('data', (d) => (output += d))
  child.stderr.on('data', (d) => (output += d))
  return { child, output: () => output, ended: new Promise((resolve) => child.once('close', resolve)) }
}

const ready = ({ child, output }: Started): Promise<void> =>
  new Promise((resolve, reject) => {
    const look = () => output().includes('Cairn is ready') && resolve()
    child.stdout?.on('data', look)
    child.once('close', () => reject(new Error(output())))
  })

/** What Ctrl+C does: the signal goes to the whole group. */
const interrupt = ({ child, ended }: Started): Promise<number | null> => {
  process.kill(-(child.pid as number), 'SIGINT')
  return ended
}

/** Whether somebody listens there. */
const listens = (port: number): Promise<boolean> =>
  new Promise((resolve) => {
    const socket = connect(port, '127.0.0.1', () => {
      socket.destroy()
      resolve(true)
    })
    socket.once('error', () => resolve(false))
  })

describe('the start command', () => {
  let folder: string
  beforeEach(() => {
    folder = mkdtempSync(join(tmpdir(), 'cairn-start-'))
  })
  afterEach(() => rmSync(folder, { recursive: true, force: true }))

  /** Starts, and returns its one sentence. */
  async function refusal(env: NodeJS.ProcessEnv): Promise<string> {
    const started = startDemo(env)
    expect(await started.ended, started.output()).to.equal(1)
    const said = started.output().trim()
    expect(said.split('\n'), said).to.have.lengthOf(1)
    return said
  }

  it('says which port is taken and how to choose another', async () => {
    const taken = createServer()
    const port = await new Promise<number>((resolve) =>
      taken.listen(0, '127.0.0.1', () => resolve((taken.address() as { port: number }).port)),
    )
    const said = await refusal({ PORT: String(port), CAIRN_DATA: folder })
    expect(said)
      .to.include(`Port ${port} is taken`)
      .and.match(/PORT=\d+ npm run demo/)
    taken.close()
  })

  it('refuses a port that is none', async () =>
    expect(await refusal({ PORT: 'eighty', CAIRN_DATA: folder })).to.include('PORT is a number from 1 to 65535'))

  it('says that a cluster was made by half and what to do', async () => {
    mkdirSync(join(folder, 'postgres'))
    writeFileSync(join(folder, 'postgres', 'something'), '')
    expect(await refusal({ PORT: String(await freePort()), CAIRN_DATA: folder }))
      .to.include('half a cluster')
      .and.include('npm run demo -- --fresh')
    expect(existsSync(join(folder, 'postgres', 'something'))).to.equal(true)
  })

  it('says that the data folder cannot be made', async () => {
    writeFileSync(join(folder, 'file'), '')
    expect(await refusal({ PORT: String(await freePort()), CAIRN_DATA: join(folder, 'file', 'data') }))
      .to.include('cannot be made')
      .and.include('CAIRN_DATA=')
  })

  if (isRoot)
    it('says which folder lets the database’s own user not through', async () => {
      chmodSync(folder, 0o755)
      const closed = join(folder, 'closed')
      mkdirSync(closed, { mode: 0o700 })
      expect(await refusal({ PORT: String(await freePort()), CAIRN_DATA: join(closed, 'data') }))
        .to.include(`chmod o+x ${closed}`)
        .and.include('CAIRN_DATA')
    })

  it('mends a cluster whose making was broken off', async () => {
    mkdirSync(join(folder, 'postgres.making'))
    writeFileSync(join(folder, 'postgres.making', 'rest'), '')
    const started = startDemo({ PORT: String(await freePort()), CAIRN_DATA: folder })
    await ready(started)
    expect(existsSync(join(folder, 'postgres.making'))).to.equal(false)
    await interrupt(started)
  })

  it('comes up, keeps its data, ends all it started at Ctrl+C, and starts over when told', async () => {
    const port = String(await freePort())
    const env = { PORT: port, CAIRN_DATA: folder }
    const origin = `http://127.0.0.1:${port}`
    const account = { email: 'new@larkfield.example', password: 'a-new-person-9', name: 'Nuria Vale' }
    const auth = (path: string) =>
      fetch(`${origin}/api/auth/${path}/email`, {
        method: 'POST',
        headers: { 'content-type': 'application/json', origin },
        body: JSON.stringify(account),
      })
    const first = startDemo(env)
    await ready(first)
    expect(first.output()).to.include(origin).and.include('ines@larkfield.example')
    expect((await auth('sign-up')).status).to.equal(200)
    const postgres = Number(readFileSync(join(folder, 'postgres.port'), 'utf8'))
    expect(await listens(postgres)).to.equal(true)
    expect(await interrupt(first)).to.equal(0)
    expect(await listens(postgres)).to.equal(false)
    expect(await listens(Number(port))).to.equal(false)
    expect(existsSync(join(folder, 'postgres', 'postmaster.pid'))).to.equal(false)

    const second = startDemo(env)
    await ready(second)
    expect((await auth('sign-in')).status).to.equal(200)
    await interrupt(second)

    const fresh = startDemo(env, ['--fresh'])
    await ready(fresh)
    expect((await auth('sign-in')).status).to.equal(401)
    await interrupt(fresh)
  })
})
