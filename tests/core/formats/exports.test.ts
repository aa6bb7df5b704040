import { expect } from 'chai'
import ExcelJS from 'exceljs'
import ical from 'node-ical'
import Papa from 'papaparse'
import type { Blueprint } from '../../../src/core/blueprint/blueprint'
import { ACTIVITY_HEADER } from '../../../src/core/formats/activity-rows'
import { courseFormats, formatOf, type Made, writeFile } from '../../../src/core/formats/formats'
import { writeCalendar } from '../../../src/core/formats/icalendar'
import { writeActivitiesCsv } from '../../../src/core/formats/table-csv'
import { readFile } from '../../../src/core/intake/read-file'
import { understand } from '../../../src/core/intake/understand'
import {
  aBlueprint,
  aCourse,
  aCriterion,
  aDescriptor,
  aLevel,
  alignmentOf,
  aModule,
  anActivity,
  anObjective,
  anOffering,
  aRubric,
  assessmentOf,
  criterionLink,
} from '../../support/course'

const plan = aBlueprint({
  course: [aCourse({ title: 'Brooks, becks; burns', code: 'HYD 1' })],
  module: [aModule('m1')],
  objective: [anObjective('o1', 'm1')],
  activity: [
    anActivity('a1', 'm1', {
      title: 'Lab; read, \\draw\\ "it"',
      minutes: 90,
      kind: 'lab',
      dueRule: { rule: 'module-day', week: 1, day: 7 },
    }),
    anActivity('a2', 'm1', { title: '=1+1' }),
  ],
  alignment: [alignmentOf('a1', 'o1', 'practises', 'assesses')],
  assessment: [assessmentOf('a1', 1250)],
  calendarRule: [{ id: 'r1', offeringId: 'run', kind: 'break', title: 'Autumn break', firstDate: '2027-09-13', lastDate: '2027-09-19' }],
})
const options = { courseId: 'c1', stamp: '2027-01-02T03:04:05Z' }
const events = (text: string) =>
  Object.values(ical.sync.parseICS(text)).flatMap((e) =>
    e.type === 'VEVENT'
      ? [e as unknown as { uid: string; summary: string; description: string; start: Date & { dateOnly?: boolean }; end: Date }]
      : [],
  )

async function exportCourse(plan: Blueprint, key: string, made: Made) {
  const format = formatOf(key)
  const file = format && (await writeFile(plan, format, made))
  if (!file) throw new Error(`nothing written as ${key}`)
  return file
}

const parts = Object.fromEntries(Object.entries(plan).map(([kind, records]) => [kind, [...records.values()]]))

describe('the calendar file', () => {
  it('is read back by another parser: the instant, the escaped text, stable ids', () => {
    const [due, pause] = events(writeCalendar(plan, options))
    expect(due).to.include({ uid: 'c1-a1@cairn', summary: 'Due: 1.1 Lab; read, \\draw\\ "it"', description: 'Module m1, 12.5 points' })
    // Sunday 12 Sep 2027, 23:59 in London, an hour ahead of UTC.
    expect(due?.start.toISOString()).to.equal('2027-09-12T22:59:00.000Z')
    expect(pause).to.include({ uid: 'c1-r1@cairn', summary: 'Autumn break' })
    expect(pause?.start.dateOnly).to.equal(true)
  })
  it('carries the zone it names, and ends a span of days on the day after', () => {
    const text = writeCalendar(plan, options)
    expect(text).to.match(/BEGIN:VTIMEZONE\r\nTZID:Europe\/London/)
    expect(text).to.include('DTSTART;TZID=Europe/London:20270912T235900')
    expect(text).to.include('DTEND;VALUE=DATE:20270920')
    expect(text).to.include('DTSTAMP:20270102T030405Z')
    for (const line of text.split('\r\n')) expect(new TextEncoder().encode(line).length).to.be.at.most(75)
  })
  it('folds by octets, between letters, whatever the letters', () => {
    for (const title of ['ü'.repeat(120), `a${'🌊'.repeat(60)}`, `ab${'漢'.repeat(90)}`]) {
      const text = writeCalendar(aBlueprint({ ...parts, course: [aCourse({ title })] }), options)
      for (const line of text.split('\r\n')) expect(new TextEncoder().encode(line).length).to.be.at.most(75)
      expect(text.replace(/\r\n /g, '')).to.include(`X-WR-CALNAME:${title}`)
    }
  })
  it('tells the instant where the library does not know the name of the zone', () => {
    const inZone = (timeZone: string) => writeCalendar(aBlueprint({ ...parts, offering: [anOffering({ timeZone })] }), options)
    // 23:59 an hour ahead of UTC.
    expect(inZone('europe/london')).to.include('DTSTART:20270912T225900Z')
    expect(inZone('europe/london')).to.not.include('VTIMEZONE')
    // Under the name that the library has for it: the zone that events name is the one that stands in the file.
    expect(inZone('US/Eastern')).to.include('TZID:America/New_York').and.to.include('DTSTART;TZID=America/New_York:20270912T235900')
  })
  it('writes UTC without a zone, and a course without an offering without events', () => {
    const utc = aBlueprint({
      ...parts,
      offering: [anOffering({ timeZone: 'UTC' })],
    })
    expect(writeCalendar(utc, options)).to.include('DTSTART:20270912T235900Z').and.not.include('VTIMEZONE')
    expect(events(writeCalendar(aBlueprint({ offering: [] }), options))).to.deep.equal([])
  })
})

describe('the activities as CSV', () => {
  it('has a row each, in the columns of the table, read back as it was', () => {
    const text = writeActivitiesCsv(plan)
    const { data } = Papa.parse<string[]>(text.replace(/^\uFEFF/, '').trim())
    expect(data[0]).to.deep.equal([...ACTIVITY_HEADER])
    expect(data[1]).to.deep.equal([
      'Module 1: Module m1',
      '1',
      '1.1',
      'Lab; read, \\draw\\ "it"',
      '',
      'lab',
      'practise',
      '1a PA',
      '90',
      '2027-09-12 23:59',
      '',
      '12.5',
      '100',
    ])
  })
  it('disarms what a spreadsheet would compute', () =>
    expect(Papa.parse<string[]>(writeActivitiesCsv(plan)).data[2]?.[3]).to.equal(`'=1+1`))
})

describe('a course as a workbook', () => {
  it('opens whatever texts and names of sheets are in it', async () => {
    const rubrics = ['History', 'history', '[]:*?/\\', '🌊'.repeat(20)].map((title, i) => aRubric(`r${i}`, { title }))
    const odd = aBlueprint({
      module: [aModule('m1')],
      activity: [anActivity('a1', 'm1', { title: 'a\ufffeb\u0001c\ud800d' })],
      rubric: rubrics,
    })
    const book = new ExcelJS.Workbook()
    await book.xlsx.load((await exportCourse(odd, 'xlsx', { courseId: 'c1', stamp: '2027-01-02T03:04:05Z' } as Made)).body as never)
    expect(book.worksheets.map((w) => w.name).slice(5)).to.deep.equal(['History 2', 'history 3', 'Sheet', '🌊'.repeat(13)])
    expect(book.getWorksheet('Activities')?.getRow(2).getCell(4).value).to.equal('abcd')
  })
  it('is read back by another reader: texts stay texts, numbers numbers, a rubric is a sheet', async () => {
    const withRubric = aBlueprint({
      module: [aModule('m1')],
      objective: [anObjective('o1', 'm1')],
      activity: [anActivity('a1', 'm1', { title: '=1+1', minutes: 45 })],
      alignment: [alignmentOf('a1', 'o1', 'assesses')],
      rubric: [aRubric('r1', { title: 'Lab: [1/2]' })],
      rubricLevel: [aLevel('l1', 'r1', 0), aLevel('l2', 'r1', 10_000)],
      criterion: [aCriterion('c1', 'r1', 1250)],
      criterionObjective: [criterionLink('c1', 'o1')],
      descriptor: [aDescriptor('c1', 'l2', 'Five runs')],
      assessment: [assessmentOf('a1', 1250, null, 'summative', { rubricId: 'r1' })],
    })
    const { body } = await exportCourse(withRubric, 'xlsx', options)
    const read = readFile('course.xlsx', body as Uint8Array)
    if (!read.ok) throw new Error(read.error.message)
    const sheets = new Map(read.value.blocks.flatMap((b) => (b.type === 'table' ? [[b.name, b.rows] as const] : [])))
    expect([...sheets.keys()]).to.deep.equal(['Outcomes', 'Objectives', 'Activities', 'Grade', 'Hours', 'Lab   1 2'])
    expect(sheets.get('Activities')?.[1]?.slice(2, 9)).to.deep.equal(['1.1', '=1+1', '', '', '', '1a A', '45'])
    // The name of a sheet cannot hold every sign: the rubric's own stands above it.
    expect(sheets.get('Lab   1 2')?.[0]?.[0]).to.equal('Lab: [1/2]')
    expect(sheets.get('Lab   1 2')?.[2]).to.deep.equal(['Criterion c1', '', 'Five runs', '12.5', '1a'])
    // Days are days to a spreadsheet, not texts.
    expect(sheets.get('Hours')?.[1]?.[1]).to.match(/^\d{4}-\d{2}-\d{2}$/)
    const book = new ExcelJS.Workbook()
    await book.xlsx.load(Buffer.from(body as Uint8Array) as never)
    expect(book.getWorksheet('Hours')?.getCell('B2').value).to.be.instanceOf(Date)
    const again = understand([read.value])
    expect(again.modules.map((m) => [m.title, m.objectives.length, m.activities.map((a) => [a.title, a.minutes, a.points])])).to.deep.equal(
      [['Module m1', 1, [['=1+1', 45, 1250]]]],
    )
  })
})

describe('a course as a file', () => {
  it('has a name and a type in every format', async () => {
    const files = await Promise.all(courseFormats().map(({ key }) => exportCourse(plan, key, options)))
    expect(files.map((f) => f.name)).to.deep.equal([
      'HYD-1.cairn.json',
      'HYD-1.cairn.zip',
      'HYD-1.csv',
      'HYD-1.ics',
      'HYD-1.xlsx',
      'HYD-1.sheets.docx',
      'HYD-1.html',
    ])
    for (const f of files) expect(f.body.length).to.be.greaterThan(50)
  })
  it('escapes the title of the page that stands alone', async () => {
    const hostile = aBlueprint({ course: [aCourse({ title: '</title><script>alert(1)</script>' })] })
    expect((await exportCourse(hostile, 'html', options)).body).to.not.include('<script')
  })
})
