/** Where a request comes from, behind proxies or without. */
import type { IncomingHttpHeaders } from 'node:http'
import { isIP } from 'node:net'

/** An address as headers write it: with a port, in brackets or in quotes; null where it is none ("unknown", a made-up name). */
function addressIn(written: string): string | null {
  const bare = written.trim().replace(/^"(.*)"$/, '$1')
  const address = /^\[([^\]]+)\](?::\d+)?$/.exec(bare)?.[1] ?? /^([\d.]+):\d+$/.exec(bare)?.[1] ?? bare
  return isIP(address) > 0 ? address : null
}

/** An IPv4 address that came along an IPv6 socket, as what it is. */
const plain = (address: string): string => /^::ffff:([\d.]+)$/i.exec(address)?.[1] ?? address

const textOf = (header: string | readonly string[] | undefined): string => (typeof header === 'string' ? header : (header ?? []).join(','))

/** The addresses that proxies say they had it from, the nearest last: `Forwarded` (RFC 7239), else `X-Forwarded-For`. */
function said(headers: IncomingHttpHeaders): readonly string[] {
  const forwarded = textOf(headers['forwarded'])
  if (forwarded) return forwarded.split(',').map((hop) => /(?:^|;)\s*for=("[^"]*"|[^;]*)/i.exec(hop)?.[1] ?? '')
  const list = textOf(headers['x-forwarded-for'])
  return list ? list.split(',') : []
}

/**
 * The client's address: the socket's where no trusted proxy is at its other end, else the last one of those said that is not a
 * trusted proxy itself. What cannot be read is not believed, nor anything before it.
 */
export function clientAddress(socket: string, headers: IncomingHttpHeaders, trusts: (address: string) => boolean): string {
  let nearest = plain(socket)
  for (const hop of said(headers).toReversed()) {
    if (!trusts(nearest)) return nearest
    const address = addressIn(hop)
    if (address === null) return nearest
    nearest = plain(address)
  }
  return nearest
}
