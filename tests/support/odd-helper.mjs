// A helper that does what it is told: dies, takes all memory, never ends, refuses, fails, or says who it is.
const did = {
  die: () => process.exit(7),
  grow: () => {
    const all = []
    for (;;) all.push('x'.repeat(1000).split(''))
  },
  wait: () => new Promise(() => undefined),
  refuse: () => ({ refusal: { status: 409, code: 'taken', message: 'Taken.', details: { by: 'Tove' }, headers: { 'retry-after': '3' } } }),
  fail: () => ({ failed: { code: 'ECONNREFUSED', stack: 'Error: there\n    at here' } }),
  bytes: () => ({ value: new Uint8Array([1, 2, 254]) }),
  who: () => ({ value: process.pid }),
  about: (asked) => ({ value: asked.about ?? null }),
}
process.on('message', async (asked) => process.send({ rss: 1e6, ...(await did[asked.args[0]](asked)) }))
process.once('disconnect', () => process.exit())
