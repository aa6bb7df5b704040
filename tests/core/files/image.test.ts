/** Pictures by their bytes. The files are put together here by the standards' own words: W3C PNG, ITU-T T.81. */
import { deflateSync } from 'node:zlib'
import { expect } from 'chai'
import { cleanImage } from '../../../src/core/files/image'

const CRC = Array.from({ length: 256 }, (_, n) => {
  let c = n
  for (let k = 0; k < 8; k++) c = c & 1 ? 0xedb88320 ^ (c >>> 1) : c >>> 1
  return c >>> 0
})
const crc = (bytes: Uint8Array) => (bytes.reduce((c, b) => (CRC[(c ^ b) & 0xff] as number) ^ (c >>> 8), 0xffffffff) ^ 0xffffffff) >>> 0
function chunk(name: string, data: Uint8Array): Buffer {
  const body = Buffer.concat([Buffer.from(name, 'latin1'), data])
  const [length, sum] = [Buffer.alloc(4), Buffer.alloc(4)]
  length.writeUInt32BE(data.length)
  sum.writeUInt32BE(crc(body))
  return Buffer.concat([length, body, sum])
}
const SIGN = Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a])
function png(width: number, height: number, extra: readonly Buffer[] = [], after = Buffer.alloc(0)): Buffer {
  const head = Buffer.alloc(13)
  head.writeUInt32BE(width, 0)
  head.writeUInt32BE(height, 4)
  head.set([8, 0, 0, 0, 0], 8)
  const rows = deflateSync(Buffer.alloc((Math.min(width, 64) + 1) * Math.min(height, 4)))
  return Buffer.concat([SIGN, chunk('IHDR', head), ...extra, chunk('IDAT', rows), chunk('IEND', Buffer.alloc(0)), after])
}
const segment = (marker: number, data: readonly number[]) =>
  Buffer.from([0xff, marker, (data.length + 2) >> 8, (data.length + 2) & 0xff, ...data])
const frame = (width: number, height: number, marker = 0xc0) =>
  segment(marker, [8, height >> 8, height & 0xff, width >> 8, width & 0xff, 1, 1, 0x11, 0])
const jpeg = (width: number, height: number, extra: readonly Buffer[] = [], after = Buffer.alloc(0), marker = 0xc0) =>
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
const refused = (bytes: Uint8Array) => {
  const read = cleanImage(bytes)
  return read.ok ? 'taken' : read.error
}

describe('a picture', () => {
  it('is what its bytes say, with its size from the header', () => {
    const [a, b, c] = [cleanImage(png(320, 200)), cleanImage(jpeg(640, 480)), cleanImage(jpeg(10, 20, [], Buffer.alloc(0), 0xc2))]
    expect([a, b, c].map((r) => r.ok && [r.value.type, r.value.width, r.value.height])).to.deep.equal([
      ['image/png', 320, 200],
      ['image/jpeg', 640, 480],
      ['image/jpeg', 10, 20],
    ])
  })
  it('loses texts, times, places and what follows its end, and nothing that it is drawn with', () => {
    const secret = Buffer.from('GPS 54.1 N')
    const p = cleanImage(png(2, 2, [chunk('tEXt', secret), chunk('eXIf', secret), chunk('gAMA', Buffer.from([0, 0, 1, 1]))], secret))
    expect(p.ok && Buffer.from(p.value.bytes)).to.deep.equal(png(2, 2, [chunk('gAMA', Buffer.from([0, 0, 1, 1]))]))
    const kept = [segment(0xe0, [74, 70, 73, 70, 0]), segment(0xee, [65, 100, 111, 98, 101])]
    const j = cleanImage(jpeg(2, 2, [...kept, segment(0xe1, [...secret]), segment(0xfe, [...secret]), segment(0xed, [...secret])], secret))
    expect(j.ok && Buffer.from(j.value.bytes)).to.deep.equal(jpeg(2, 2, kept))
  })
  it('of 40 megapixels is taken, of one line more refused before anything is unpacked; so is one without size', () => {
    expect(refused(png(8000, 5000))).to.equal('taken')
    expect(refused(png(8000, 5001))).to.equal('A picture has at most 40 megapixels; this one has 41.')
    expect(refused(png(0xffffffff, 0xffffffff))).to.match(/at most 40 megapixels/)
    expect(refused(jpeg(65_535, 65_535))).to.match(/at most 40 megapixels/)
    expect(refused(png(0, 9))).to.equal('This picture has no size.')
  })
  it('of 10 MB is taken, of a byte more refused', () => {
    const most = (n: number) => png(2, 2, [], Buffer.alloc(n - png(2, 2).length))
    expect(refused(most(10_000_000))).to.equal('taken')
    expect(refused(most(10_000_001))).to.equal('A picture holds at most 10 MB.')
  })
  it('that is something else, cut off anywhere, or lies about its lengths is refused, and never hangs', () => {
    expect(refused(Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"/>'))).to.equal('Only PNG and JPEG pictures are kept.')
    expect(refused(Buffer.from('GIF89a'))).to.equal('Only PNG and JPEG pictures are kept.')
    expect(refused(Buffer.alloc(0))).to.equal('This file is empty.')
    for (const whole of [png(4, 4), jpeg(4, 4)])
      for (let end = 1; end < whole.length; end++) expect(refused(whole.subarray(0, end)), `${end}`).to.not.equal('taken')
    const long = png(4, 4)
    long.writeUInt32BE(0xfffffff0, 8)
    expect(refused(long)).to.match(/damaged/)
    expect(refused(Buffer.concat([Buffer.from([0xff, 0xd8]), Buffer.alloc(100, 0xff)]))).to.match(/damaged/)
    expect(refused(Buffer.concat([Buffer.from([0xff, 0xd8]), segment(0xdb, [1]), Buffer.from([0xff, 0xd9])]))).to.match(/damaged/)
  })
})
