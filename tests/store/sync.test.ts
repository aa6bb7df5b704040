import { expect } from 'chai'
import { peoplePresent } from '../../src/core/access/presence'
import { applyChange, readerOf } from '../../src/core/blueprint/apply'
import { loadsWhenAsked, withUnseen } from '../../src/core/blueprint/asked'
import { type Blueprint, recordMap, recordsOf } from '../../src/core/blueprint/blueprint'
import type { Change } from '../../src/core/blueprint/change'
import { editPlan, type PlanEdit } from '../../src/core/blueprint/edit'
import { declareKind, KIND_NAMES, type KindName } from '../../src/core/blueprint/kinds'
import type { StreamHandlers } from '../../src/ui/store/connection'
import { commit, type LoggedChange, operationsOf } from '../../src/ui/store/session'
import { memoryShelf, type Shelf } from '../../src/ui/store/shelf'
import { Sync } from '../../src/ui/store/sync'
import type { SyncState } from '../../src/ui/store/sync-state'
import type { OpenTabs, TabMessage } from '../../src/ui/store/tabs'
import { aBlueprint, aModule, anActivity } from '../support/course'
import { fieldNote } from '../support/toy-kinds'

const viewer = { id: 'ines', role: 'designer' as const, name: 'Ines', email: 'ines@example.org' }
const start = aBlueprint({ module: [aModule('m1')], activity: [anActivity('a1', 'm1'), anActivity('a2', 'm1')] })

/** A server in memory: the core's own judgement, a log, and a way to answer something else for once. */
class FakeServer {
  blueprint: Blueprint = start
  log: LoggedChange[] = []
  readonly asked: string[] = []
  /** Answers instead of the server, once. */
  instead: ((path: string, init?: RequestInit) => Promise<Response> | Response | null) | null = null
  streams: StreamHandlers[] = []
  /** Answers to whoever asks for a stream, and gives none. */
  refusesStreams = false
  streamsAsked = 0

  accept(change: Change, authorId: string): Response {
    const known = this.log.find((c) => c.changeId === change.id)
    const applied = applyChange(this.blueprint, withUnseen(change, readerOf(this.blueprint)))
    if (!known && !applied.ok) return Response.json({ code: 'conflict', conflicts: applied.conflicts }, { status: 409 })
    if (!known && applied.ok) {
      this.blueprint = applied.blueprint
      this.log.push({
        revision: this.log.length + 1,
        changeId: change.id,
        author: authorId,
        authorId,
        at: '2027-01-01T00:00:00Z',
        code: change.code,
        params: {},
        operations: applied.effective,
      })
    }
    const entry = known ?? (this.log.at(-1) as LoggedChange)
    return Response.json({ revision: entry.revision, at: entry.at, operations: entry.operations, skipped: [] })
  }
  readonly fetch = async (path: string, init?: RequestInit): Promise<Response> => {
    this.asked.push(`${init?.method ?? 'GET'} ${path}`)
    const other = await this.instead?.(path, init)
    if (other) return other
    if (path.endsWith('/presence')) return new Response(null, { status: 204 })
    if (init?.method === 'POST') return this.accept(JSON.parse(String(init.body)) as Change, 'ines')
    const asked = /\/records\/(\w+)$/.exec(path)?.[1]
    if (asked) return Response.json({ revision: this.log.length, records: recordsOf(this.blueprint, asked as KindName) })
    const since = /since=(\d+)/.exec(path)?.[1]
    if (since === undefined)
      return Response.json({
        viewer,
        revision: this.log.length,
        records: Object.fromEntries(KIND_NAMES.flatMap((k) => (loadsWhenAsked(k) ? [] : [[k, recordsOf(this.blueprint, k)]]))),
      })
    if (Number(since) > this.log.length) return Response.json({ code: 'ahead' }, { status: 409 })
    return Response.json(this.log.slice(Number(since)))
  }
  push(event: string, data: string): void {
    for (const stream of this.streams) stream.event(event, data)
  }
}

/** Windows of one browser: the first that opened leads, until it is closed. */
function browserOf(): OpenTabs {
  const windows: { on: { message: (m: TabMessage) => void; lead: () => void } }[] = []
  return (_name, on) => {
    const own = { on }
    windows.push(own)
    if (windows[0] === own) queueMicrotask(on.lead)
    return {
      send: (m) => {
        for (const w of windows) if (w !== own) queueMicrotask(() => w.on.message(structuredClone(m)))
      },
      close: () => {
        const led = windows[0] === own
        windows.splice(windows.indexOf(own), 1)
        if (led) windows[0]?.on.lead()
      },
    }
  }
}

let n = 0
describe('the line between a window and the server', () => {
  const open: Sync[] = []
  afterEach(() => {
    for (const sync of open.splice(0)) sync.close()
  })
  async function windowOn(server: FakeServer, shelf: Shelf = memoryShelf(), tabs: OpenTabs = browserOf()) {
    const said: string[] = []
    const waits: { test: (s: SyncState) => boolean; done: () => void }[] = []
    const lines: string[] = []
    let signIns = 0
    const sync: Sync = new Sync('c1', {
      fetch: server.fetch,
      openStream: (_path, on) => {
        server.streamsAsked++
        if (server.refusesStreams) {
          queueMicrotask(() => on.broken())
          return { close: () => undefined, isClosed: () => true }
        }
        server.streams.push(on)
        return { close: () => server.streams.splice(server.streams.indexOf(on), 1), isClosed: () => !server.streams.includes(on) }
      },
      openTabs: tabs,
      shelf,
      signIn: () => signIns++,
      changed: (patch) => {
        if (patch.connection) lines.push(patch.connection)
        queueMicrotask(() => waits.filter((w) => w.test(sync.state)).map((w) => w.done()))
      },
      say: (text) => said.push(text),
      windowId: `w${++n}`,
      now: () => Date.now(),
    })
    open.push(sync)
    await sync.open()
    const until = (test: (s: SyncState) => boolean) => new Promise<void>((done) => (test(sync.state) ? done() : waits.push({ test, done })))
    const edit = (work: (e: PlanEdit) => void, onConflict: Change['onConflict'] = 'refuse') => {
      const change: Change = { id: `s${++n}`, code: 'test', params: {}, onConflict, operations: editPlan(sync.state.session.view, work) }
      sync.queued(commit(sync.state.session, change), change)
      return change
    }
    const title = (id = 'a1') => sync.state.session.view.activity.get(id)?.title
    const sent = () => until((s) => s.session.queue.length === 0)
    return { sync, said, lines, until, edit, title, sent, signIns: () => signIns }
  }
  const titled =
    (title: string, id = 'a1') =>
    (e: PlanEdit) =>
      e.set('activity', id, { title })
  const theirs = (server: FakeServer, title: string, id = 'a1') =>
    server.accept(
      { id: `t${++n}`, code: 'test', params: {}, onConflict: 'refuse', operations: editPlan(server.blueprint, titled(title, id)) },
      'tove',
    )

  it('sends one change at a time, in the order they were made', async () => {
    const server = new FakeServer()
    const w = await windowOn(server)
    for (const t of ['One', 'Two', 'Three']) w.edit(titled(t))
    await w.sent()
    expect(server.log.map((c) => (c.operations[0] as { to?: { title?: string } }).to?.title)).to.deep.equal(['One', 'Two', 'Three'])
    expect(w.sync.state.session.revision).to.equal(3)
  })
  it('takes a change that is pushed, and asks for what it missed before it', async () => {
    const server = new FakeServer()
    const w = await windowOn(server)
    theirs(server, 'First')
    server.push('change', JSON.stringify(server.log[0]))
    expect(w.title()).to.equal('First')
    theirs(server, 'Second')
    theirs(server, 'Third')
    server.push('change', JSON.stringify(server.log[2]))
    await w.until((s) => s.session.revision === 3)
    expect(w.title()).to.equal('Third')
    server.push('change', JSON.stringify(server.log[1]))
    expect([w.title(), w.sync.state.session.revision]).to.deep.equal(['Third', 3])
  })
  it('asks for one revision that is missing, when the next one comes first', async () => {
    const server = new FakeServer()
    const w = await windowOn(server)
    theirs(server, 'The one between', 'a2')
    theirs(server, 'The one that came')
    server.push('change', JSON.stringify(server.log[1]))
    await w.until((s) => s.session.revision === 2)
    expect([w.title('a2'), w.title()]).to.deep.equal(['The one between', 'The one that came'])
  })
  it('misses nothing that is announced while an older answer is on its way', async () => {
    const server = new FakeServer()
    const w = await windowOn(server)
    let letGo = (_: Response) => {}
    server.instead = (path) => {
      if (!path.includes('since=')) return null
      server.instead = null
      return new Promise((resolve) => {
        letGo = resolve
      })
    }
    server.push('revision', '')
    // What is on its way is from before this change.
    theirs(server, 'Announced meanwhile')
    server.push('revision', '')
    letGo(Response.json([]))
    await w.until((s) => s.session.revision === 1)
    expect(w.title()).to.equal('Announced meanwhile')
  })
  it('keeps the queue while the server cannot store, is not reached, or asks to wait', async () => {
    const server = new FakeServer()
    const w = await windowOn(server)
    const answers = [
      Response.json({ code: 'cannot-store' }, { status: 503 }),
      Response.json({ code: 'too-many' }, { status: 429, headers: { 'retry-after': '0' } }),
    ]
    const states: string[] = []
    server.instead = (_path, init) => {
      if (init?.method !== 'POST' || String(init.body).includes('"says"')) return null
      states.push(`${w.sync.state.connection} ${w.sync.state.session.queue.length}`)
      if (answers.length === 0) server.instead = null
      const answer = answers.shift()
      if (!answer) throw new TypeError('network')
      return answer
    }
    w.edit(titled('Kept'))
    await w.until((s) => s.connection === 'unable')
    await w.until((s) => s.connection === 'offline')
    await w.sent()
    expect(server.log).to.have.length(1)
    expect([w.sync.state.connection, states.length]).to.deep.equal(['online', 3])
    expect(states.every((s) => s.endsWith(' 1'))).to.equal(true)
  })
  it('says why it waits where an account has written a day’s worth, and keeps it', async () => {
    const server = new FakeServer()
    const w = await windowOn(server)
    const title = 'You wrote 1 MB today.'
    let asked = 0
    server.instead = (_path, init) =>
      init?.method === 'POST' && ++asked === 1
        ? Response.json({ code: 'quota', title }, { status: 429, headers: { 'retry-after': '0' } })
        : null
    w.edit(titled('Tomorrow'))
    await w.sent()
    expect([w.said.includes(title), server.blueprint.activity.get('a1')?.title]).to.deep.equal([true, 'Tomorrow'])
  })
  it('asks for the plan anew when the server was set back to an earlier state', async () => {
    const server = new FakeServer()
    theirs(server, 'To be lost')
    theirs(server, 'Lost too')
    const w = await windowOn(server)
    expect(w.sync.state.session.revision).to.equal(2)
    server.log = []
    server.blueprint = start
    server.push('revision', '')
    await w.until((s) => s.session.revision === 0)
    expect([w.title(), w.said.length]).to.deep.equal(['Activity a1', 1])
    w.edit(titled('Goes on'))
    await w.sent()
    expect(server.log).to.have.length(1)
  })
  it('keeps as text what is refused for another reason than a conflict, with what builds on it', async () => {
    const server = new FakeServer()
    const w = await windowOn(server)
    server.instead = (_p, init) => {
      if (init?.method !== 'POST' || String(init.body).includes('"says"')) return null
      server.instead = null
      return Response.json({ code: 'role-may-not', title: 'Your role may not.' }, { status: 403 })
    }
    w.edit(titled('Refused'))
    w.edit(titled('On top of it'))
    w.edit(titled('Apart from it', 'a2'))
    await w.sent()
    expect(w.sync.state.unsent.map((u) => u.why)).to.deep.equal(['Your role may not.', 'It builds on one that could not be sent.'])
    expect([w.title(), w.title('a2'), server.log.length]).to.deep.equal(['Activity a1', 'Apart from it', 1])
    w.sync.letGo(w.sync.state.unsent.map((u) => u.change.id))
    expect(w.sync.state.unsent).to.deep.equal([])
  })
  for (const [what, code, status] of [
    ['fails at', 'failed', 500],
    ['gives up as too much', 'too-much', 503],
    ['gives up as too long', 'too-long', 503],
  ] as const)
    it(`sets aside what the server ${what} each time, with its words and the reason, and goes on with the rest`, async () => {
      const server = new FakeServer()
      const w = await windowOn(server)
      const tries: string[] = []
      server.instead = (_path, init) => {
        if (init?.method !== 'POST' || !String(init.body).includes('Stuck')) return null
        tries.push(String(init.body))
        return Response.json({ code }, { status })
      }
      w.edit(titled('Stuck'))
      w.edit(titled('Free', 'a2'))
      await w.until((s) => s.unsent.length > 0)
      await w.sent()
      expect(tries).to.have.length(3)
      expect(w.sync.state.unsent.map((u) => [u.why, JSON.stringify(u.change).includes('Stuck')])).to.deep.equal([
        ['The server failed at it each time it was tried.', true],
      ])
      expect([server.blueprint.activity.get('a2')?.title, w.title()]).to.deep.equal(['Free', 'Activity a1'])
    })
  it('waits for a server that is not there, however often it is asked: only Cairn’s own failure counts', async () => {
    const server = new FakeServer()
    const w = await windowOn(server)
    let left = 4
    server.instead = (_path, init) => (init?.method === 'POST' && left-- > 0 ? new Response('proxy', { status: 502 }) : null)
    w.edit(titled('Patient'))
    while (server.blueprint.activity.get('a1')?.title !== 'Patient') {
      w.sync.retryNow()
      await new Promise((done) => setTimeout(done, 5))
    }
    await w.sent()
    expect(w.sync.state.unsent).to.deep.equal([])
  })
  it('sends what an earlier version queued and no server could store, made whole', async () => {
    const server = new FakeServer()
    const shelf = memoryShelf()
    const operations = editPlan(start, titled('Whole'))
    await shelf.put('ines', '', { id: 'kept', code: 'apply-fix', params: { what: 'Keep \ud83d' }, onConflict: 'refuse', operations })
    let sent = ''
    server.instead = (_path, init) => {
      if (init?.method === 'POST' && String(init.body).includes('kept')) sent = String(init.body)
      return null
    }
    const w = await windowOn(server, shelf)
    await w.sent()
    expect((JSON.parse(sent) as Change).params).to.deep.equal({ what: 'Keep \ufffd' })
    expect(w.sync.state.unsent).to.deep.equal([])
  })
  it('keeps what waits as text when the role is withdrawn', async () => {
    const server = new FakeServer()
    const w = await windowOn(server)
    server.instead = () => Response.json({ code: 'no-such-course' }, { status: 404 })
    w.edit(titled('Too late'))
    await w.until((s) => s.status === 'missing')
    expect(w.sync.state.unsent.map((u) => u.change.operations.length)).to.deep.equal([1])
    expect(w.sync.state.connection).to.equal('no-role')
  })
  it('takes up what an earlier window kept, once, though it was stored already', async () => {
    const server = new FakeServer()
    const shelf = memoryShelf()
    const change: Change = { id: 'kept', code: 'test', params: {}, onConflict: 'refuse', operations: editPlan(start, titled('Kept')) }
    await shelf.put('ines', '', change)
    server.accept(change, 'ines')
    const w = await windowOn(server, shelf)
    await w.sent()
    expect([server.log.length, w.title(), (await shelf.queue('ines')).length]).to.deep.equal([1, 'Kept', 0])
  })
  it('lets one window of a browser send for all, and the next when it is closed', async () => {
    const server = new FakeServer()
    const shelf = memoryShelf()
    const tabs = browserOf()
    const [first, second] = [await windowOn(server, shelf, tabs), await windowOn(server, shelf, tabs)]
    expect(server.streams).to.have.length(1)
    second.edit(titled('From the second'))
    await second.sent()
    await first.until((s) => s.session.revision === 1)
    expect([first.title(), server.log.length, (await shelf.queue('ines')).length]).to.deep.equal(['From the second', 1, 0])
    // Undo is each window's own.
    expect([first.sync.state.session.undo.length, second.sync.state.session.undo.length]).to.deep.equal([0, 1])
    first.sync.close()
    expect(server.streams).to.have.length(1)
    second.edit(titled('Alone now'))
    await second.sent()
    expect(server.log).to.have.length(2)
  })
  it('shows a conflict in every window of the person, and settles it in all', async () => {
    const server = new FakeServer()
    const tabs = browserOf()
    const [first, second] = [await windowOn(server, memoryShelf(), tabs), await windowOn(server, memoryShelf(), tabs)]
    theirs(server, 'Theirs')
    second.edit(titled('Mine'))
    await first.until((s) => s.session.conflicts.length === 1)
    await second.until((s) => s.session.conflicts.length === 1)
    expect(second.sync.state.session.conflicts[0]).to.include({ wanted: 'Mine', field: 'title', author: 'tove' })
    first.sync.aside({ ...first.sync.state.session, conflicts: [] })
    await second.until((s) => s.session.conflicts.length === 0)
  })
  it('goes on without a stream where the server gives none, asks the log meanwhile, and does not ask for one at once again', async () => {
    const server = new FakeServer()
    server.refusesStreams = true
    const { until, edit, sent, lines, sync } = await windowOn(server)
    edit(titled('Written here'))
    await sent()
    server.accept(
      {
        id: 'other',
        code: 'test',
        params: {},
        onConflict: 'refuse',
        operations: editPlan(server.blueprint, titled('Written there', 'a2')),
      },
      'tove',
    )
    await until((s) => s.session.view.activity.get('a2')?.title === 'Written there')
    expect(sync.state.connection).to.equal('online')
    expect(lines).to.not.include('offline')
    expect(server.streamsAsked).to.equal(1)
  })

  it('opens no stream when it was closed while an answer was on its way', async () => {
    const server = new FakeServer()
    const w = await windowOn(server)
    await w.until(() => server.streams.length === 1)
    server.streams.splice(0)
    let answer = () => {}
    const held = new Promise<Response>((done) => {
      answer = () => done(Response.json([]))
    })
    server.instead = (path) => (path.includes('since') ? held : null)
    w.sync.retryNow()
    w.sync.close()
    answer()
    await held
    await new Promise((done) => setImmediate(done))
    expect(server.streams).to.deep.equal([])
  })
  it('says where it is, answers who says hello, and forgets who is silent', async () => {
    const server = new FakeServer()
    const w = await windowOn(server)
    await w.until((s) => s.status === 'ready')
    w.sync.moveTo({ view: 'map', place: 'activity a1', field: 'title' })
    expect(server.asked.filter((a) => a.includes('presence'))).to.have.length(1)
    const tove = { person: 'tove', name: 'Tove', role: 'expert', window: 'other', view: 'map', place: null, field: null }
    server.push('presence', JSON.stringify({ ...tove, says: 'here', n: 0 }))
    expect(w.sync.state.present.map((p) => p.name)).to.deep.equal(['Tove'])
    server.push('presence', JSON.stringify({ ...tove, says: 'gone', n: 2 }))
    server.push('presence', JSON.stringify({ ...tove, says: 'here', n: 1 }))
    expect(peoplePresent(w.sync.state.present, 'ines')).to.deep.equal([])
  })

  describe('with a kind that is loaded when asked', () => {
    const NOTE = 'fieldNote' as KindName
    const note = (id: string, moduleId: string, title = id) => ({ id, moduleId, activityId: null, title, text: null })
    let undeclare = () => {}
    beforeEach(() => {
      undeclare = declareKind(fieldNote)
    })
    afterEach(() => undeclare())
    const titles = (view: Blueprint) => [...recordMap(view, NOTE).values()].map((r) => r['title'])
    const byTove = (server: FakeServer, operations: Change['operations']) => {
      server.accept({ id: `t${++n}`, code: 'test', params: {}, onConflict: 'refuse', operations }, 'tove')
      return JSON.stringify(server.log.at(-1))
    }
    const renamed = (from: string, to: string) => [
      { op: 'update' as const, kind: NOTE, id: 'n1', from: { title: from }, to: { title: to } },
    ]

    it('holds nothing of it until asked, then all, and follows what others do', async () => {
      const server = new FakeServer()
      byTove(server, [{ op: 'create', kind: NOTE, record: note('n1', 'm1', 'First') }])
      const w = await windowOn(server)
      expect(titles(w.sync.state.session.view)).to.deep.equal([])
      server.push('change', byTove(server, renamed('First', 'Second')))
      expect(titles(w.sync.state.session.view)).to.deep.equal([])
      await w.sync.ask(NOTE)
      expect(titles(w.sync.state.session.view)).to.deep.equal(['Second'])
      server.push('change', byTove(server, renamed('Second', 'Third')))
      expect(titles(w.sync.state.session.view)).to.deep.equal(['Third'])
      const before = server.asked.length
      await w.sync.ask(NOTE)
      expect(server.asked.length).to.equal(before)
    })
    it('misses nothing that was accepted while it was on its way, on either side of the answer', async () => {
      const server = new FakeServer()
      byTove(server, [{ op: 'create', kind: NOTE, record: note('n1', 'm1', 'First') }])
      const w = await windowOn(server)
      // The answer is of revision 1; revision 2 is heard before it comes.
      server.instead = (path) => {
        if (!path.includes('/records/')) return null
        server.instead = null
        const answer = Response.json({ revision: 1, records: recordsOf(server.blueprint, NOTE) })
        server.push('change', byTove(server, renamed('First', 'Second')))
        return answer
      }
      await w.sync.ask(NOTE)
      expect([titles(w.sync.state.session.view), w.sync.state.session.revision]).to.deep.equal([['Second'], 2])
      // In another window the answer is newer than what it has heard.
      const other = await windowOn(server)
      byTove(server, renamed('Second', 'Third'))
      await other.sync.ask(NOTE)
      expect([titles(other.sync.state.session.view), other.sync.state.session.revision]).to.deep.equal([['Third'], 3])
    })
    it('says that it did not come, and can be asked again', async () => {
      const server = new FakeServer()
      byTove(server, [{ op: 'create', kind: NOTE, record: note('n1', 'm1') }])
      const w = await windowOn(server)
      server.instead = (path) => (path.includes('/records/') ? new Response(null, { status: 503 }) : null)
      const failed = await w.sync.ask(NOTE).then(
        () => false,
        () => true,
      )
      expect(failed).to.equal(true)
      server.instead = null
      await w.sync.ask(NOTE)
      expect(titles(w.sync.state.session.view)).to.deep.equal(['n1'])
    })
    it('brings back what the service took along, when a removal is taken back', async () => {
      const server = new FakeServer()
      byTove(server, [{ op: 'create', kind: NOTE, record: note('n1', 'm1') }])
      const w = await windowOn(server)
      w.edit((e) => e.remove({ kind: 'module', id: 'm1' }))
      await w.sent()
      expect(titles(server.blueprint)).to.deep.equal([])
      const entry = w.sync.state.session.undo.at(-1)
      if (!entry) throw new Error('nothing to undo')
      const back: Change = { id: `u${++n}`, code: 'undo', params: {}, onConflict: 'skip', operations: operationsOf(entry) }
      w.sync.queued(commit(w.sync.state.session, back, 'undo'), back)
      await w.sent()
      expect([titles(server.blueprint), server.blueprint.module.has('m1')]).to.deep.equal([['n1'], true])
      // It never asked for notes: it holds none.
      expect(titles(w.sync.state.session.view)).to.deep.equal([])
    })
  })
})
