import { expect } from 'chai'
import { type PasteInto, placesText, readPasted } from '../../../src/core/edits/pasted'

const COLUMNS = [
  ['number', 'No.', false],
  ['title', 'Activity', true],
  ['part', 'Part', true],
  ['kind', 'Kind', true],
  ['objectives', 'Objectives', true],
  ['minutes', 'Min', true],
  ['due', 'Due', true],
  ['category', 'Category', true],
  ['points', 'Points', true],
] as const
const all = COLUMNS.map(([id, header, isWritten]) => ({ id, header, isWritten }))
/** From the title on. */
const into: PasteInto = { all, shown: all, from: 1 }

describe('rows that are pasted', () => {
  it('go by the order shown where no line names columns', () => {
    const read = readPasted('Walk\tTry\tlab\nTalk\tShow', into)
    expect(read).to.deep.equal({
      lines: [
        ['Walk', 'Try', 'lab'],
        ['Talk', 'Show'],
      ],
      header: null,
      places: ['title', 'part', 'kind'],
    })
    expect(placesText(read, all)).to.equal('')
  })
  it('go by names in any order, the line of names is no row, and what has no column is said', () => {
    const read = readPasted('Points\tOwner\tActivity\n10\tEli\tWalk', into)
    expect(read).to.deep.equal({
      lines: [['10', 'Eli', 'Walk']],
      header: ['Points', 'Owner', 'Activity'],
      places: ['points', null, 'title'],
    })
    expect(placesText(read, all)).to.equal('By their names: Points, Activity. Left out: Owner.')
  })
  it('say nothing of a column without a name that has nothing in it', () =>
    expect(placesText(readPasted('Points\t\tActivity\n10\t\tWalk', into), all)).to.equal('By their names: Points, Activity.'))
  for (const [header, places] of [
    ['Task\tType\tDuration (min)\tDeadline', ['title', 'kind', 'minutes', 'due']],
    ['ACTIVITY\tMIN', ['title', 'minutes']],
    ['No.\tTitle\tPts', [null, 'title', 'points']],
    ['Grade category\tItem\tMax points', ['category', 'title', 'points']],
    ['Aktivität\tDauer\tPunkte', ['title', 'minutes', 'points']],
  ] as const)
    it(`know the names of others: ${header.replaceAll('\t', ', ')}`, () => {
      const read = readPasted(`${header}\n1\t2\t3\t4`, into)
      expect([read.lines.length, read.places.slice(0, places.length)]).to.deep.equal([1, places])
    })
  for (const rows of [
    'Discussion of points\t15\nReading\t20',
    'Activity\n',
    'Quiz 1\tquiz\t10 min\nQuiz 2\tquiz\t10 min',
    'Objectives of the week\tReading\t20\nNext\tReading\t30',
  ])
    it(`are not taken for names: ${JSON.stringify(rows)}`, () => expect(readPasted(rows, into).header).to.equal(null))
  it('of one column have a name when it is that of a column to the letter', () => {
    expect(readPasted('Activity\nWalk\nTalk', into)).to.deep.include({ header: ['Activity'], lines: [['Walk'], ['Talk']] })
    expect(readPasted('Task\nWalk', into).header).to.equal(null)
  })
  it('take hours for hours where their name says so', () =>
    expect(readPasted('Activity\tHours\nWalk\t1.5\nTalk\t20 min', into).lines).to.deep.equal([
      ['Walk', '1.5 h'],
      ['Talk', '20 min'],
    ]))
  it('can be told that the first line names columns, or that it does not', () => {
    expect(readPasted('Activity\tMin\nWalk\t5', into, false).lines).to.have.length(2)
    expect(readPasted('What\tHow long\nWalk\t5', into, true)).to.deep.include({ places: ['title', null] })
  })
  it('keep a second column of one name apart: it is left out', () =>
    expect(readPasted('Points\tActivity\tPoints\n1\tWalk\t2', into).places).to.deep.equal(['points', 'title', null]))
  it('may be nothing', () => expect(readPasted('', into).lines.flat().join('')).to.equal(''))
  it('read quoted cells with tabs and line ends in them', () =>
    expect(readPasted('"a\tb"\t"c\nd"', into).lines).to.deep.equal([['a\tb', 'c\nd']]))
})
