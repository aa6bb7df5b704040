import { readFileSync } from 'node:fs'
import { expect } from 'chai'
import { applyEffective } from '../../../src/core/blueprint/apply'
import { editPlan } from '../../../src/core/blueprint/edit'
import { newCourseBlueprint } from '../../../src/core/blueprint/new-course'
import { scheduleOf } from '../../../src/core/calendar/schedule'
import { bringIn } from '../../../src/core/edits/bring-in'
import { mapOf } from '../../../src/core/formats/map'
import { gradeTable } from '../../../src/core/grading/grade-table'
import { readFile, readText } from '../../../src/core/intake/read-file'
import { understand } from '../../../src/core/intake/understand'
import { indexCourse } from '../../../src/core/plan/plan-index'
import { counter } from '../../support/course'

const fileOf = (name: string, folder = 'tests/fixtures/intake') => {
  const read = readFile(name, new Uint8Array(readFileSync(`${folder}/${name}`)))
  if (!read.ok) throw new Error(read.error.message)
  return read.value
}
const mapFile = (name: string, folder?: string) => mapOf(understand([fileOf(name, folder)]))
const mapText = (text: string) => mapOf(understand([readText('pasted text', text)]))
const messages = (map: ReturnType<typeof mapOf>) => map.problems.map((p) => p.message)
const titles = (map: ReturnType<typeof mapOf>) => map.modules.map((m) => m.activities.map((a) => a.title))

describe('a long sheet with title rows, two header rows, merged cells, totals and notes', () => {
  const map = mapFile('long-sheet.xlsx')
  it('gives modules with their weeks, objectives from their own sheet, and outcomes', () => {
    expect(map.modules.map((m) => [m.number, m.title, m.weeks])).to.deep.equal([
      ['1', 'Soil first', '1'],
      ['2', 'Seed to tray', '2-3'],
      ['3', 'Harvest', '4'],
    ])
    expect(map.outcomes.map((o) => o.code)).to.deep.equal(['CO1', 'CO2', 'CO3'])
    expect(map.modules[0]?.objectives[0]).to.deep.equal({ code: '1.1', statement: 'Describe a soil from a jar test', outcomes: ['CO1'] })
  })
  it('gives activities with kinds, minutes and points however they were typed, and none for totals and notes', () => {
    expect(map.modules.flatMap((m) => m.activities.map((a) => [a.title, a.kind, a.minutes, a.points]))).to.deep.equal([
      ['Read: What soil tells, pp. 1-22', 'reading', 45, null],
      ['Soil jar test', 'lab', 90, 50],
      ['Quiz 1', 'quiz', 20, 10],
      ['Watch: Sowing in blocks', 'video', 90, null],
      ['Sowing record', 'assignment', 150, 60],
      ['Quiz 2', 'quiz', 20, 10],
      ['Harvest plan', 'project', 180, 80],
      ['Forum: what sold and what did not', 'discussion', 60, 10],
    ])
  })
  it('resolves references by code and by full text', () => {
    expect(map.modules[1]?.activities[1]?.objectives).to.deep.equal(['2.1', '2.2'])
    expect(map.modules[2]?.activities[0]?.objectives).to.deep.equal(['3.1'])
  })
  it('says what took a guess, what refers to nothing, and which sum is wrong', () => {
    expect(messages(map)).to.deep.equal([
      'Quiz 1: “2O” read as 20.',
      'Forum: what sold and what did not: “30-60 min” read as 60 min, the most of it.',
      'Forum: what sold and what did not: “l0” read as 10.',
      'Quiz 2 refers to objective 2.3, which no list has.',
      'Points sum to 220, stated 230.',
    ])
  })
  it('drops nothing in silence', () => expect(map.notUnderstood.map((n) => n.text)).to.include('* Nadia: film the blocks again in May'))
})

describe('other ways to keep a course', () => {
  it('a sheet per module, with its objectives above the table, times as clock times and shares as percents', () => {
    const map = mapFile('sheet-per-module.xlsx')
    expect(map.modules.map((m) => [m.title, m.weeks, m.objectives.map((o) => o.code), m.activities.map((a) => a.minutes)])).to.deep.equal([
      ['Reading a knit chart', '1', ['1a', '1b'], [5, 90, 120]],
      ['Shaping', '2-3', ['2a', '2b'], [50, 200, 60]],
    ])
    expect(map.modules[0]?.activities[2]).to.include({ number: '1.3', points: 25, percent: 40 })
    expect(messages(map)).to.deep.equal(['The shares of the grade sum to 90 %, not 100 %.'])
  })
  it('a document with headings, lists and tables', () => {
    const map = mapFile('plan.docx')
    expect(map.title).to.equal('Repairing Bicycles for a Living')
    expect(map.outcomes).to.have.length(3)
    expect(titles(map)).to.deep.equal([
      ['Video: A wheel in eight minutes', 'Practice: true a wheel', 'Wheel test', 'Chapter 1'],
      ['Chapters 2 and 3', 'Chain report'],
      ['Chapter 5', 'Price list of your town', 'Price essay', 'Peer review of two essays'],
    ])
    expect(map.modules[1]).to.include({ title: 'Drivetrains', weeks: '2-3' })
  })
  it('a semicolon file in Windows-1252 with decimal commas', () => {
    const map = mapFile('activities-latin1.csv')
    expect(titles(map)).to.deep.equal([['Übung: Schatten mischen', 'Lesen: Über die Farbe', 'Blatt 1 – Grautöne'], ['Papier schöpfen']])
    expect(map.modules[0]?.activities.map((a) => a.minutes)).to.deep.equal([90, 45, 120])
    expect(map.problems).to.deep.equal([])
  })
  it('a mail with quote marks', () => {
    const map = mapFile('mailed.txt')
    expect(titles(map)).to.deep.equal([
      ['Introduce yourself in the forum', 'Read the handbook'],
      ['Quiz 1', 'quiz-1'],
    ])
    expect(messages(map)).to.deep.equal(['One name in two spellings: Quiz 1 / quiz-1.'])
  })
  it('rows copied from a spreadsheet, a code in one column and its statement in the next', () => {
    const map = mapText(
      [
        'Module\tMLO\tModule objective\tCLO\tActivity\tEst. time (h)',
        '1 Intro\t1.1\tName the parts of a loom\tCLO2\tTour of a loom\t0,5',
        '\t1.2\tWarp a frame loom\tCLO1\tWarp it\t2',
      ].join('\n'),
    )
    expect(map.modules[0]?.objectives).to.deep.equal([
      { code: '1.1', statement: 'Name the parts of a loom', outcomes: ['CLO2'] },
      { code: '1.2', statement: 'Warp a frame loom', outcomes: ['CLO1'] },
    ])
    expect(map.modules[0]?.activities.map((a) => [a.minutes, a.objectives])).to.deep.equal([
      [30, ['1.1']],
      [120, ['1.2']],
    ])
  })
  it('a table with one row per module and lists in its cells', () => {
    const map = mapText(
      [
        'Module\tObjectives\tActivities\tAssessments',
        '1. Clay\t"Wedge clay\nPinch a bowl"\t"Watch: wedging (10 min)\nPractice bowl (60 min)"\t"Bowl (20 points)"',
      ].join('\n'),
    )
    expect(map.modules[0]?.objectives.map((o) => o.statement)).to.deep.equal(['Wedge clay', 'Pinch a bowl'])
    expect(map.modules[0]?.activities.map((a) => [a.title, a.minutes, a.points])).to.deep.equal([
      ['Watch: wedging', 10, null],
      ['Practice bowl', 60, null],
      ['Bowl', null, 20],
    ])
  })
  it('a table in which a column only says yes or no, modules have number and title apart, and totals agree', () => {
    const map = mapText(
      [
        'Module #\tModule Title\tModule-level objectives\tLearning activities & materials\tEst. student time (hrs)\tAssessment?\tPoints possible',
        '1\tSkin\tMO1. Describe the layers of skin\tRead Ch. 1\t1.25\tNo\t',
        '\t\tMO1\tQuiz: skin\t0,25\tYes\t15 pts',
        '\t\t\t\t\tTotal\t15',
      ].join('\n'),
    )
    expect(map.modules.map((m) => [m.number, m.title])).to.deep.equal([['1', 'Skin']])
    expect(map.modules[0]?.activities.map((a) => [a.title, a.minutes, a.points, a.objectives])).to.deep.equal([
      ['Read Ch. 1', 75, null, ['MO1']],
      ['Quiz: skin', 15, 15, ['MO1']],
    ])
    expect(map.problems).to.deep.equal([])
  })
  it('a schedule in sentences, a grade list with dots, and what they disagree about', () => {
    const map = mapText(
      'COURSE SYLLABUS\nBIO 110: Life of a Pond\n\nWEEKLY SCHEDULE\nWeek 1 (Sept 6): Ponds. Read Ch 1.\nWeek 2 (Sept 13): Plankton - Lab 1: Net tow (20 pts)\nWeek 3: Food webs; Lab 2 (20 pts)\n\nGRADING\nLabs (3) ........ 60%\nFinal project ... 35%\nTotal 100%\n',
    )
    expect(map.title).to.equal('BIO 110: Life of a Pond')
    expect(map.modules.map((m) => [m.title, m.weeks, m.activities.map((a) => a.title)])).to.deep.equal([
      ['Ponds', '1', ['Read Ch 1']],
      ['Plankton', '2', ['Lab 1: Net tow']],
      ['Food webs', '3', ['Lab 2']],
    ])
    expect(messages(map)).to.deep.equal([
      'The schedule names 2 labs, the grade table 3.',
      'Shares of the grade table sum to 95 %, stated 100 %.',
    ])
  })
  it('points that sum to something else than the grade table states', () => {
    const map = mapText(
      'Module 1: Ink\nActivities\n- Swatch (40 points)\n- Poster (100 points)\n\nGrading\nSwatch: 50 points\nPoster: 100 points\nTotal: 150 points\n',
    )
    expect(messages(map).join(' ')).to.contain('Swatch: 40 points in')
    expect(messages(map)).to.include('Points of all activities sum to 140, stated 150 in the grade table.')
  })
  it('units whose own outcomes are their objectives, and work told in a line with commas', () => {
    const map = mapText(
      'Unit 1: Soil\nLearning outcomes:\n1.1. describe soil horizons\nActivities:\nReading 1 - Soil horizons (45 min)\nLab: Soil core, 2 hrs, 20 points\nDiscussion: Who owns rain? 30 min 5 pts\n',
    )
    expect(map.outcomes).to.deep.equal([])
    expect(map.modules[0]?.objectives.map((o) => [o.code, o.statement])).to.deep.equal([['1.1', 'Describe soil horizons']])
    expect(map.modules[0]?.activities.map((a) => [a.title, a.kind, a.minutes, a.points])).to.deep.equal([
      ['Reading 1 - Soil horizons', 'reading', 45, null],
      ['Lab: Soil core', 'lab', 120, 20],
      ['Discussion: Who owns rain?', 'discussion', 30, 5],
    ])
  })
  it('group rows over activities, capital letters in codes, quotes in titles', () => {
    const map = mapText(
      [
        'Course Design Map\t\t\t\t\t',
        'CHE 120 Kitchen Chemistry\t\t\t\t\t',
        '#\tLearning activity\tFormat\tTime on task\tLearning objective(s)\tPoints',
        'Module 1 – Emulsions (Week 1)\t\t\t\t\t',
        '1.1\tRead "Why oil parts"\tReading\t40 min\t1A, 1B\t',
        '1.2\tMayonnaise lab\tLab\t1.5 hours\t1B\t25 pts',
        '\tModule 1 subtotal\t\t2 h 10\t\t25',
        '\tTOTAL\t\t\t\t30',
      ].join('\n'),
    )
    expect(map.title).to.equal('CHE 120 Kitchen Chemistry')
    expect(map.modules.map((m) => [m.title, m.weeks])).to.deep.equal([['Emulsions', '1']])
    expect(map.modules[0]?.activities.map((a) => [a.title, a.minutes, a.points, a.objectives])).to.deep.equal([
      ['Read "Why oil parts"', 40, null, ['1A', '1B']],
      ['Mayonnaise lab', 90, 25, ['1B']],
    ])
    expect(messages(map)).to.deep.equal(['Points sum to 25, stated 30.'])
  })
  it('a table by objectives: points belong to the assessment, and its work to the objective of the row', () => {
    const map = mapText(
      'Module\tLearning objective\tAssessment\tPoints\tLearning activities\n1. Roots\tLO1.1 Name root types\tRoot quiz\t10\tRead p. 1-9\n1. Roots\tLO1.2 Draw a root\tDrawing\t20\tSketch a root (30 min)',
    )
    expect(map.modules[0]?.activities.map((a) => [a.title, a.points, a.objectives])).to.deep.equal([
      ['Read p. 1-9', null, ['LO1.1']],
      ['Root quiz', 10, ['LO1.1']],
      ['Sketch a root', null, ['LO1.2']],
      ['Drawing', 20, ['LO1.2']],
    ])
  })
  it('weeks with a topic and objectives in one line, and a word processor’s bullets', () => {
    const map = mapText(
      'Week 2\nTopic: Interviews\nObjectives: By the end of this week you will be able to plan an interview; conduct an interview.\no Interview a neighbour (2 hours) – 20 pts\n',
    )
    expect(map.modules.map((m) => [m.title, m.weeks])).to.deep.equal([['Interviews', '2']])
    expect(map.modules[0]?.objectives.map((o) => o.statement)).to.deep.equal(['Plan an interview', 'Conduct an interview'])
    expect(map.modules[0]?.activities.map((a) => [a.title, a.minutes, a.points])).to.deep.equal([['Interview a neighbour', 120, 20]])
  })
  it('headers in another language', () => {
    const map = mapText(
      'Woche;Thema;Aktivität;Art;Dauer (h);Punkte\n1;Farben;Farbkreis malen;Übung;1,5;10\n1;Farben;Text lesen;Lektüre;0,5;\n;;Summe;;2;10\n',
    )
    expect(map.modules[0]).to.include({ title: 'Farben', weeks: '1' })
    expect(map.modules[0]?.activities.map((a) => [a.kind, a.minutes, a.points])).to.deep.equal([
      ['practice', 90, 10],
      ['reading', 30, null],
    ])
    expect(map.problems).to.deep.equal([])
  })
  it('a list of objectives alone, and one of outcomes alone', () => {
    const objectives = mapText('Module 1: Wool\nObjectives\n- Spin a thread\n- Ply two threads\n')
    expect(objectives.modules[0]?.objectives.map((o) => [o.code, o.statement])).to.deep.equal([
      ['1a', 'Spin a thread'],
      ['1b', 'Ply two threads'],
    ])
    expect(mapText('By the end of this course, learners will be able to:\n1. Spin a thread\n2. Knit a sock').outcomes).to.deep.equal([
      { code: '1', statement: 'Spin a thread' },
      { code: '2', statement: 'Knit a sock' },
    ])
  })
})

describe('text that is no course', () => {
  for (const text of ['', '\n\n', '?????', '🐝🐝', 'x'.repeat(5000), '|||||\n|||||', '\t\t\n\t\t', 'Module\nModule\nModule', 'Total: 5'])
    it(`“${text.slice(0, 12).replace(/\s/g, '·')}” is answered without a course`, () => {
      const map = mapText(text)
      expect(map.modules.flatMap((m) => m.activities)).to.deep.equal([])
    })
  it('a long letter is listed as not understood, every line', () => {
    const map = mapText('Dear colleagues,\n\nthe meeting is moved to Thursday because of the storm.\nPlease bring your maps.\n')
    expect(map.notUnderstood.map((n) => n.text)).to.deep.equal([
      'Dear colleagues,',
      'the meeting is moved to Thursday because of the storm.',
      'Please bring your maps.',
    ])
  })
})

describe('the shipped sample syllabus', () => {
  const understood = understand([fileOf('bees-on-rooftops-syllabus.txt', 'examples')])
  it('says the three things in it that do not agree', () => {
    expect(understood.problems.map((p) => p.message)).to.deep.equal([
      'The schedule names 4 quizzes, the grade table 5.',
      'Points of the grade table sum to 260, stated 250.',
      'One name in two spellings: Mini quiz 1 / mini-quiz 1, and 3 more like it.',
    ])
  })
  const base = newCourseBlueprint(
    {
      title: 'Bees',
      code: '',
      delivery: 'online-async',
      creditSystem: 'none',
      credits: null,
      weeks: 6,
      term: 'Spring',
      firstDay: '2027-03-01',
      timeZone: 'Europe/London',
    },
    counter('base'),
  )
  const plan = applyEffective(
    base,
    editPlan(base, (e) => bringIn(e, understood, counter())),
  )
  it('becomes a course in one edit: outcomes, modules, objectives, activities, links, points and due dates', () => {
    const index = indexCourse(plan)
    expect([index.outcomes.length, index.modules.length, index.objectives.length, index.activities.length]).to.deep.equal([4, 4, 10, 17])
    expect(index.objectives.map((o) => index.outcomesOf(o.id).length)).to.deep.equal(Array(10).fill(1))
    expect(gradeTable(plan).totalPoints).to.equal(25_000)
    const survey = index.activities.find((a) => a.title === 'Roof survey')
    expect(survey && index.alignmentsOf(survey.id).map((l) => [index.numberOf(l.objectiveId), l.stages])).to.deep.equal([
      ['1a', ['assesses']],
      ['1b', ['assesses']],
    ])
    // Week 3 of the term is 15 to 21 March; the log is due on its Sunday.
    const log = index.activities.find((a) => a.title === 'Inspection log 1')
    expect(scheduleOf(plan)?.dueOf(log?.id ?? '')?.date).to.equal('2027-03-21')
  })
  it('brought a second time adds nothing', () => {
    expect(editPlan(plan, (e) => bringIn(e, understood, counter('again')))).to.deep.equal([])
  })
})
