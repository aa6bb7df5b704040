/** Data beside the plan, as the interface asks for it and shows it: what goes over the wire, and the hook over a filled cache. */

import { expect } from 'chai'
import { renderToString } from 'react-dom/server'
import { createStore } from 'zustand/vanilla'
import { ApiError } from '../../src/ui/store/api'
import { useBeside } from '../../src/ui/store/beside'
import { besideCalls } from '../../src/ui/store/beside-calls'
import { type CourseStore, StoreProvider } from '../../src/ui/store/course-store'
import { queries } from '../../src/ui/store/queries'

type Asked = { readonly path: string; readonly method: string; readonly account: string | null; readonly body: unknown }

describe('data beside the plan in the interface', () => {
  const real = globalThis.fetch
  const asked: Asked[] = []
  let answer: () => Response
  beforeEach(() => {
    asked.length = 0
    globalThis.fetch = (async (path: string, init: RequestInit) => {
      const body = typeof init.body === 'string' ? JSON.parse(init.body) : null
      asked.push({ path, method: String(init.method), account: new Headers(init.headers).get('x-cairn-account'), body })
      return answer()
    }) as typeof fetch
  })
  afterEach(() => {
    globalThis.fetch = real
    queries.clear()
  })
  const record = { id: 'r1', text: 'Too long', authorId: 'ines', at: '2027-01-01T00:00:00.000Z', revision: 3 }

  it('asks with the account that it is meant for, at the address of the kind', async () => {
    const calls = besideCalls('a/b', 'remark', 'ines')
    answer = () => Response.json({ revision: 3, records: [record] })
    expect((await calls.list()).records).to.deep.equal([record])
    answer = () => Response.json(record)
    await calls.put({ id: 'r1', values: { text: 'Too long' }, base: 2 })
    answer = () => new Response(null, { status: 204 })
    expect(await calls.remove('r1')).to.equal(null)
    const at = '/api/courses/a%2Fb/beside/remark'
    expect(asked).to.deep.equal([
      { path: at, method: 'GET', account: 'ines', body: null },
      { path: `${at}/r1`, method: 'PUT', account: 'ines', body: { values: { text: 'Too long' }, base: 2 } },
      { path: `${at}/r1`, method: 'DELETE', account: 'ines', body: null },
    ])
  })
  it('throws what was refused, with what is stored', async () => {
    answer = () => Response.json({ title: 'Somebody changed this meanwhile.', code: 'changed', stored: record }, { status: 409 })
    const error = await besideCalls('c', 'remark', undefined)
      .put({ id: 'r1', values: {}, base: 1 })
      .then(
        () => null,
        (e: unknown) => e,
      )
    if (!(error instanceof ApiError)) throw new Error('was not refused')
    expect([error.problem.status, error.problem.code, error.problem['stored']]).to.deep.equal([409, 'changed', record])
    expect(asked[0]?.account).to.equal(null)
  })
  it('is waited for at first, then is what the cache of its kind and course holds', () => {
    const store = { courseId: 'c', store: createStore(() => ({ viewer: { id: 'ines' }, beside: {} })) } as unknown as CourseStore
    const List = () => {
      const { records, loading } = useBeside('remark')
      return <p>{loading ? 'waits' : records.map((r) => r['text']).join()}</p>
    }
    const drawn = () =>
      renderToString(
        <StoreProvider value={store}>
          <List />
        </StoreProvider>,
      )
    expect(drawn()).to.equal('<p>waits</p>')
    queries.setQueryData(besideCalls('other', 'remark', 'ines').key, { revision: 1, records: [{ ...record, text: 'Of another' }] })
    expect(drawn()).to.equal('<p>waits</p>')
    queries.setQueryData(besideCalls('c', 'remark', 'ines').key, { revision: 3, records: [record] })
    expect(drawn()).to.equal('<p>Too long</p>')
  })
})
