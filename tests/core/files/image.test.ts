/** Pictures by their bytes. */
import { expect } from 'chai'
import { cleanImage } from '../../../src/core/files/image'
import { chunk, jpeg, png, segment } from '../../support/pictures'

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
