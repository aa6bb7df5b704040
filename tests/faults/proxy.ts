/** A wire between clients and a server that can be cut, and stopped without being cut. */
import { connect, createServer, type Socket } from 'node:net'

export type Wire = {
  readonly origin: string
  /** Breaks every connection. */
  readonly cut: () => void
  /** Lets nothing through, as a cable pulled somewhere far away does, until it is let go. */
  readonly hold: (held: boolean) => void
  readonly close: () => Promise<void>
}

export async function wireTo(origin: string): Promise<Wire> {
  const { port } = new URL(origin)
  const sockets = new Set<Socket>()
  let held = false
  const server = createServer((near) => {
    const far = connect(Number(port), '127.0.0.1')
    for (const [from, to] of [
      [near, far],
      [far, near],
    ] as const) {
      sockets.add(from)
      from.on('data', (data) => held || to.write(data))
      from.on('error', () => to.destroy())
      from.on('close', () => {
        sockets.delete(from)
        to.destroy()
      })
    }
  })
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve))
  const address = server.address()
  const cut = () => {
    for (const socket of sockets) socket.destroy()
  }
  return {
    origin: `http://127.0.0.1:${typeof address === 'object' ? address?.port : 0}`,
    cut,
    hold: (h) => {
      held = h
    },
    close: () => {
      cut()
      return new Promise((resolve) => server.close(() => resolve()))
    },
  }
}
