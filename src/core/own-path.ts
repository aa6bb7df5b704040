/** Where a page may send somebody on to: a path of Cairn itself, never an address of somebody else. */

/** Any origin will do to see whether a path leaves it; `.invalid` is nobody's (RFC 2606). */
const HERE = 'http://cairn.invalid'

/**
 * The path, with its search and fragment, as a browser would follow it; `/` for everything else. Browsers drop tabs and line ends
 * from addresses and read `\\` as `/`, so that only the address as they understand it tells whether it leads away.
 */
export function ownPath(wanted: string | null): string {
  if (wanted === null || !wanted.startsWith('/')) return '/'
  try {
    const { origin, pathname, search, hash } = new URL(wanted, HERE)
    // A path that begins with two slashes would be read as another host by whoever follows it.
    return origin === HERE && !pathname.startsWith('//') ? pathname + search + hash : '/'
  } catch {
    return '/'
  }
}
