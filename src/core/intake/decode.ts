/** Bytes as text, whatever encoding they were saved in. */
import { err, ok, type Result } from '../result'

/**
 * Reads UTF-8 and UTF-16 by their marks, UTF-8 where it is valid, and Windows-1252 otherwise: the encodings that spreadsheets and
 * word processors save plain text in.
 */
export function decodeText(bytes: Uint8Array): string {
  if (bytes[0] === 0xff && bytes[1] === 0xfe) return new TextDecoder('utf-16le').decode(bytes.subarray(2))
  if (bytes[0] === 0xfe && bytes[1] === 0xff) return new TextDecoder('utf-16be').decode(bytes.subarray(2))
  const wide = unmarkedUtf16(bytes)
  if (wide) return new TextDecoder(wide).decode(bytes)
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes)
  } catch {
    return fromWindows1252(bytes)
  }
}

/**
 * Bytes of a format that says which encoding it is in: UTF-8, or UTF-16 by its mark. What cannot be decoded is refused with its line,
 * not stored with signs in the place of what was there.
 */
export function decodeExactly(bytes: Uint8Array): Result<string, string> {
  const wide = bytes[0] === 0xff && bytes[1] === 0xfe ? 'utf-16le' : bytes[0] === 0xfe && bytes[1] === 0xff ? 'utf-16be' : null
  const encoding = wide ?? 'utf-8'
  try {
    return ok(new TextDecoder(encoding, { fatal: true }).decode(bytes))
  } catch {
    const [before = ''] = new TextDecoder(encoding).decode(bytes).split('\ufffd')
    return err(`this file is no ${encoding.toUpperCase()} text: line ${before.split('\n').length} holds what cannot be decoded`)
  }
}

/** What Windows-1252 has where Latin-1 has control characters; some engines read it as Latin-1. */
const WINDOWS_1252 = '€\u0081‚ƒ„…†‡ˆ‰Š‹Œ\u008dŽ\u008f\u0090‘’“”•–—˜™š›œ\u009džŸ'

const fromWindows1252 = (bytes: Uint8Array): string =>
  new TextDecoder('latin1').decode(bytes).replace(/[\u0080-\u009f]/g, (c) => WINDOWS_1252[c.charCodeAt(0) - 0x80] ?? c)

/** Every second byte zero in the first part of the text: UTF-16 without its mark. */
function unmarkedUtf16(bytes: Uint8Array): 'utf-16le' | 'utf-16be' | null {
  const length = Math.min(bytes.length & ~1, 400)
  if (length < 8) return null
  let [even, odd] = [0, 0]
  for (let i = 0; i < length; i += 2) {
    if (bytes[i] === 0) even++
    if (bytes[i + 1] === 0) odd++
  }
  return odd > length * 0.4 && even === 0 ? 'utf-16le' : even > length * 0.4 && odd === 0 ? 'utf-16be' : null
}
