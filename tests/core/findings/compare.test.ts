import { expect } from 'chai'
import { compareFindings } from '../../../src/core/findings/compare'
import type { Finding } from '../../../src/core/findings/finding'

const finding = (code: string, id: string, message: string) =>
  ({ code, message, key: `${code} ${id}`, records: [{ kind: 'activity', id }] }) as unknown as Finding
const told = (before: readonly Finding[], after: readonly Finding[]) => {
  const { come, gone, changed } = compareFindings(before, after)
  return [come, gone, changed].map((list) => list.map((f) => f.message))
}

describe('findings before and after a change', () => {
  const closed = finding('due-on-closed', 'a1', '4.8 is due Mon 11 Oct, a closed day.')
  it('that say the same are not told', () => expect(told([closed], [closed])).to.deep.equal([[], [], []]))
  it('come and go', () => expect(told([closed], [finding('late', 'a2', 'Late.')])).to.deep.equal([['Late.'], [closed.message], []]))
  it('of one rule about one record that say something else have changed', () =>
    expect(told([closed], [finding('due-on-closed', 'a1', '4.8 is due Tue 12 Oct, a closed day.')])).to.deep.equal([
      [],
      [],
      ['4.8 is due Tue 12 Oct, a closed day.'],
    ]))
  it('about another record, or of another rule, are others', () =>
    expect(told([closed], [finding('due-on-closed', 'a2', 'B'), finding('late', 'a1', 'C')])).to.deep.equal([
      ['B', 'C'],
      [closed.message],
      [],
    ]))
  it('of which there are two: each takes the place of one', () => {
    const [a, b] = [finding('week', 'a1', 'Week 1.'), finding('week', 'a1', 'Week 2.')]
    expect(told([a, b], [finding('week', 'a1', 'Week 3.')])).to.deep.equal([[], ['Week 2.'], ['Week 3.']])
    expect(told([a], [finding('week', 'a1', 'Week 3.'), finding('week', 'a1', 'Week 4.')])).to.deep.equal([['Week 4.'], [], ['Week 3.']])
  })
})
