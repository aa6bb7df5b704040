/** Pictures put together by the standards' own words: W3C PNG, ITU-T T.81. */
import { deflateSync } from 'node:zlib'

const CRC = Array.from({ length: 256 }, (_, n) => {
  let c = n
  for (let k = 0; k < 8; k++) c = c & 1 ? 0xedb88320 ^ (c >>> 1) : c >>> 1
  return c >>> 0
})
const crc = (bytes: Uint8Array) => (bytes.reduce((c, b) => (CRC[(c ^ b) & 0xff] as number) ^ (c >>> 8), 0xffffffff) ^ 0xffffffff) >>> 0
/** A chunk of a PNG. */
export function chunk(name: string, data: Uint8Array): Buffer {
  const body = Buffer.concat([Buffer.from(name, 'latin1'), data])
  const [length, sum] = [Buffer.alloc(4), Buffer.alloc(4)]
  length.writeUInt32BE(data.length)
  sum.writeUInt32BE(crc(body))
  return Buffer.concat([length, body, sum])
}
const SIGN = Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a])
/** A grey PNG; one of at most 64 by 4 pixels can be drawn. */
export function png(width: number, height: number, extra: readonly Buffer[] = [], after = Buffer.alloc(0)): Buffer {
  const head = Buffer.alloc(13)
  head.writeUInt32BE(width, 0)
  head.writeUInt32BE(height, 4)
  head.set([8, 0, 0, 0, 0], 8)
  const rows = deflateSync(Buffer.alloc((Math.min(width, 64) + 1) * Math.min(height, 4)))
  return Buffer.concat([SIGN, chunk('IHDR', head), ...extra, chunk('IDAT', rows), chunk('IEND', Buffer.alloc(0)), after])
}
/** A segment of a JPEG. */
export const segment = (marker: number, data: readonly number[]) =>
  Buffer.from([0xff, marker, (data.length + 2) >> 8, (data.length + 2) & 0xff, ...data])
const frame = (width: number, height: number, marker = 0xc0) =>
  segment(marker, [8, height >> 8, height & 0xff, width >> 8, width & 0xff, 1, 1, 0x11, 0])
/** A JPEG of two scans, for what reads its segments; it draws nothing. */
export const jpeg = (width: number, height: number, extra: readonly Buffer[] = [], after = Buffer.alloc(0), marker = 0xc0) =>
  Buffer.concat([
    Buffer.from([0xff, 0xd8]),
    ...extra,
    segment(0xdb, Array(65).fill(1)),
    frame(width, height, marker),
    segment(0xda, [1, 1, 0, 0, 63, 0]),
    // Data with a stuffed 0xFF and a restart, then a second scan.
    Buffer.from([1, 2, 0xff, 0x00, 3, 0xff, 0xd0, 4]),
    segment(0xda, [1, 1, 0, 0, 63, 0]),
    Buffer.from([9, 8]),
    Buffer.from([0xff, 0xd9]),
    after,
  ])
