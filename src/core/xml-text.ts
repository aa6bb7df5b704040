/** Texts for files that are XML inside: spreadsheets, documents. One forbidden letter, and no program opens the whole file. */

/** What XML 1.0 cannot hold (Char, section 2.2): controls, halves of letters, U+FFFE and U+FFFF. */
const FORBIDDEN = /[^\t\n\r\u0020-\ud7ff\ue000-\ufffd\u{10000}-\u{10ffff}]/gu

/** The value with every text in it, also deep inside, as XML can hold it; what XML cannot hold is left out. */
export function xmlSafe<T>(value: T): T {
  if (typeof value === 'string') return value.replace(FORBIDDEN, '') as T
  if (Array.isArray(value)) return value.map(xmlSafe) as T
  if (typeof value !== 'object' || value === null || Object.getPrototypeOf(value) !== Object.prototype) return value
  return Object.fromEntries(Object.entries(value).map(([key, inner]) => [key, xmlSafe(inner)])) as T
}
