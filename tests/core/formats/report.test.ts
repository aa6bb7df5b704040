/** The report of a round as a document, and the files that are made of it, read back by other programs. */
import { expect } from 'chai'
import mammoth from 'mammoth'
import { reportDocx } from '../../../src/core/formats/report-docx'
import { reportHtml, reportPage } from '../../../src/core/formats/report-html'
import { readReview } from '../../../src/core/formats/review-file'
import { REPORT_CHOICES, type ReportBlock, type ReportChoices, type ReportDoc, reportOf } from '../../../src/core/review/report'
import { reviewFigures } from '../../../src/core/review/review-figures'
import { stopsOf, tourOf } from '../../../src/core/review/tour'
import { aBlueprint, aCourse } from '../../support/course'

const point = (code: string, priority: string) => ({ code, statement: `Statement of ${code}`, priority })
const rating = (of: string, value: string, more: object = {}) => ({ point: of, value, ...more })
/** Two seats that handed in and one that did not; A-1 is agreed, A-2 is not, B-1 was not judged. */
const FILE = {
  format: 'cairn-review',
  formatVersion: 1,
  set: {
    format: 'cairn-review-set',
    formatVersion: 1,
    title: 'Own points',
    areas: [
      { title: 'A', points: [point('A-1', 'must'), point('A-2', 'should')] },
      { title: 'B', points: [point('B-1', 'must')] },
    ],
  },
  rounds: [
    {
      ...{ id: 'r', title: 'First round', kind: 'peer', merge: 'strictest', state: 'comparing' },
      seats: [
        {
          ...{ id: 'x', name: 'Marek', handedIn: '2027-01-02', remark: 'Well made' },
          ratings: [
            rating('A-1', 'in place', { seen: 'Clear from the start', mark: 'strength' }),
            rating('A-2', 'partly', { seen: 'Half of it', where: 'Module 2', change: 'Say the rest', mark: 'improvement' }),
          ],
        },
        {
          ...{ id: 'y', name: 'Tove', handedIn: '2027-01-03' },
          ratings: [rating('A-1', 'in place', { seen: 'So it is', mark: 'strength' }), rating('A-2', 'not in place')],
        },
        { id: 'z', name: 'Nadia', ratings: [rating('A-1', 'not in place', { seen: 'Not to be told', mark: 'strength' })] },
      ],
      decisions: [{ point: 'A-2', value: 'partly', reason: 'As both say', by: 'Ines', answer: 'accepted', answerText: 'Soon' }],
      actions: [{ id: 'a', source: 'rating', point: 'A-2', what: 'Say it', who: 'Ines', by: '2027-03-01', state: 'open', records: [] }],
    },
  ],
}
const plan = aBlueprint({ course: [aCourse({ title: 'Streams', code: 'HYD 1' })] } as never)
function review(file: object = FILE) {
  const read = readReview(JSON.stringify(file), () => true)
  if (!read.ok) throw new Error(JSON.stringify(read.error))
  return read.value.review
}
function made(choices: ReportChoices = REPORT_CHOICES, file: object = FILE): ReportDoc {
  const found = review(file)
  const figures = reviewFigures(found, { plan, on: '2027-02-01' }).figures.rounds.at(-1)
  const doc = figures && reportOf(found, figures, plan, choices)
  if (!doc) throw new Error('no report')
  return doc
}
const words = (blocks: readonly ReportBlock[]): string => JSON.stringify(blocks)
const under = (doc: ReportDoc, heading: string): ReportBlock | undefined => {
  const at = doc.blocks.findIndex((b) => b.type === 'heading' && b.text === heading)
  return doc.blocks[at + 1]
}

describe('the report of a round', () => {
  it('says whether the course is ready and what stands in the way, by area, with what was said, settled and is to be done', () => {
    const doc = made()
    expect([doc.title, doc.subtitle]).to.deep.equal(['Review of HYD 1 Streams', 'First round, by the points of “Own points”'])
    // By hand: B-1 is not judged; A-2 is settled as partly, and nothing says that should points hold up.
    expect(doc.blocks[0]).to.deep.include({ type: 'paragraph', lead: 'Not decided yet.' })
    expect(under(doc, 'Strengths')).to.deep.equal({
      type: 'list',
      items: [
        { lead: 'A-1', text: 'Clear from the start', note: 'Marek' },
        { lead: 'A-1', text: 'So it is', note: 'Tove' },
      ],
    })
    expect(words([under(doc, 'Improvements') as ReportBlock])).to.contain('Half of it Where: Module 2 To change: Say the rest')
    expect(words([under(doc, 'Settled by hand, and answers') as ReportBlock])).to.contain(
      'Settled as partly: As both say We answer: accepted, Soon',
    )
    expect(under(doc, 'Actions')).to.deep.include({ rows: [['Say it', 'A-2', 'Ines', '1 Mar 2027', 'open']] })
    // Two comparisons: the same of A-1, another of A-2.
    expect(words([under(doc, 'Agreement') as ReportBlock])).to.contain('in 1 of 2 comparisons')
    const table = under(doc, 'By area') as Extract<ReportBlock, { type: 'table' }>
    expect(table.rows.map((r) => r.slice(0, 4))).to.deep.equal([
      ['A', 'must', '1', '–'],
      ['A', 'should', '–', '1'],
      ['B', 'must', '–', '–'],
    ])
    expect(words(doc.blocks), 'of a seat that did not hand in').to.not.contain('Not to be told')
  })

  it('names reviewers by number where that is wanted, and leaves out what is settled', () => {
    const doc = made({ who: 'numbers', points: 'open' })
    expect(words(doc.blocks))
      .to.contain('Reviewer 1')
      .and.not.match(/Marek|Tove|Nadia/)
    const table = under(doc, 'Open points') as Extract<ReportBlock, { type: 'table' }>
    expect(table.rows.map((r) => r[0]?.slice(0, 3)))
      .to.include('B-1')
      .and.not.include('A-1')
  })

  it('is made of a round in which nobody handed in, and of one without points', () => {
    const [round] = FILE.rounds as [(typeof FILE.rounds)[0]]
    const nobody = made(REPORT_CHOICES, { ...FILE, rounds: [{ ...round, seats: [], decisions: [], actions: [] }] })
    expect(nobody.blocks.filter((b) => b.type === 'heading').map((b) => (b as { text: string }).text)).to.deep.equal([
      'By area',
      'All points',
    ])
  })
})

describe('a tour', () => {
  it('is the strengths in an order of one’s own, with their minutes; of 0 minutes left out, what was not put in order last', () => {
    const found = review()
    const [round] = found.rounds
    const stops = stopsOf(round as never, [
      { seatId: 'y', code: 'A-1', minutes: 5 },
      { seatId: 'gone', code: 'A-1', minutes: 1 },
    ])
    expect(stops.map((s) => [s.seat, s.minutes])).to.deep.equal([
      ['y', 5],
      ['x', 2],
    ])
    const doc = tourOf(found, plan, [{ seatId: 'x', code: 'A-1', minutes: 0 }], REPORT_CHOICES)
    expect(doc?.subtitle).to.match(/^1 stop, 2 minutes/)
    expect(words(doc?.blocks ?? []))
      .to.contain('So it is')
      .and.not.contain('Clear from the start')
    expect(tourOf({ ...found, rounds: [] }, plan, [], REPORT_CHOICES)).to.equal(null)
  })
})

const HOSTILE = '<img src=x onerror=alert(1)> & "quoted" #read("/etc/passwd") *b* \\ `code` $x$ @ref </td><script>1</script>'
const hostile: ReportDoc = {
  title: HOSTILE,
  subtitle: HOSTILE,
  language: '"><script>',
  blocks: [
    { type: 'heading', text: HOSTILE },
    { type: 'paragraph', lead: HOSTILE, text: `${HOSTILE}\nsecond line` },
    { type: 'list', items: [{ lead: HOSTILE, text: HOSTILE, note: HOSTILE }] },
    { type: 'table', caption: HOSTILE, head: [HOSTILE, 'n'], rows: [[HOSTILE, '1']], figures: [1] },
  ],
}

describe('the files of a report', () => {
  it('hold as HTML every word as a word', () => {
    const page = reportPage(hostile)
    expect(page).to.not.match(/<script|<img|onerror=alert\(1\)>/)
    expect(page).to.match(/<html lang="en-GB">/)
    expect(reportHtml(made()))
      .to.match(/<th scope="col">Area<\/th>/)
      .and.match(/<th scope="row">A<\/th>/)
  })
  it('are read by another program as headings, lists and tables with a header row, from DOCX', async () => {
    const of = async (doc: ReportDoc) => (await mammoth.convertToHtml({ buffer: Buffer.from(await reportDocx(doc)) })).value
    const html = await of(made())
    expect(html).to.contain('<h1>Review of HYD 1 Streams</h1>').and.contain('<h2>Strengths</h2>')
    expect(html).to.match(/<ul><li><strong>A-1 <\/strong>Clear from the start/)
    expect(html).to.match(/<thead><tr><th><p><strong>Area<\/strong>/)
    const odd = await of(hostile)
    expect(odd)
      .to.contain('&lt;img src=x onerror=alert(1)&gt;')
      .and.not.match(/<script|<img/)
  })
})
