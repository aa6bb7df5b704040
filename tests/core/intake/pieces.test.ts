import { expect } from 'chai'
import { applyEffective } from '../../../src/core/blueprint/apply'
import { type Blueprint, recordsOf } from '../../../src/core/blueprint/blueprint'
import { editPlan } from '../../../src/core/blueprint/edit'
import { linkId } from '../../../src/core/blueprint/ids'
import { richToPlain } from '../../../src/core/blueprint/rich-text'
import { bringIn } from '../../../src/core/edits/bring-in'
import { mapText } from '../../../src/core/formats/map'
import { writeWorkbook } from '../../../src/core/formats/workbook'
import { readRubric, readScale, readTextLine } from '../../../src/core/intake/pieces'
import { readFile, readText } from '../../../src/core/intake/read-file'
import { readTerm } from '../../../src/core/intake/term'
import { readSources, understand } from '../../../src/core/intake/understand'
import { indexCourse } from '../../../src/core/plan/plan-index'
import { aBlueprint, aModule, anOffering, counter } from '../../support/course'
import { demoCourse } from '../../support/demo'

const brought = (text: string, plan: Blueprint = aBlueprint()): Blueprint =>
  applyEffective(
    plan,
    editPlan(plan, (edit) => bringIn(edit, understand([readText('pasted text', text)]), counter('b'))),
  )

describe('pieces beside the plan', () => {
  for (const [text, wanted] of [
    ['A 93-100, B 85-92, C 75-84, F below 75', 'A 93 B 85 C 75 F 0'],
    ['Letter grades: A = 90-100, B = 80-89, C = 70-79', 'A 90 B 80 C 70'],
    ['A+ 97+; A 93-96; B 80-92', 'A+ 97 A 93 B 80'],
    ['Pass 50-64 / Merit 65-74', null],
    ['Read pages A 93-100, B 85-92, C 75-84 and tell what differs between them', null],
    ['A 70-80, B 80-90, C 90-100', null],
    ['Quiz 1 5-10, Quiz 2 10-15, Quiz 3', null],
  ] as const)
    it(`are the letters of a grade: ${text}`, () =>
      expect(
        readScale(text)
          ?.map((s) => `${s.letter} ${s.minimum / 100}`)
          .join(' ') ?? null,
      ).to.equal(wanted))

  it('are a rubric with its levels, weights and objectives', () => {
    const rubric = readRubric(
      'Report',
      ['Criterion', 'Strong (4)', 'Fair (2)', 'Weak (0)', 'Points', 'LO'],
      [
        ['Accuracy', 'no errors', 'a few', 'many', '30', '1a, 1b'],
        ['Style', 'reads well', '', 'stumbles', '10', 'general'],
        ['Total', '', '', '', '40', ''],
      ],
      'x',
    )
    expect(rubric).to.deep.equal({
      kind: 'rubric',
      title: 'Report',
      scale: 'points',
      at: 'x',
      levels: [
        { title: 'Strong', value: 10000 },
        { title: 'Fair', value: 5000 },
        { title: 'Weak', value: 0 },
      ],
      criteria: [
        { title: 'Accuracy', weight: 3000, general: false, objectives: ['1a', '1b'], texts: ['no errors', 'a few', 'many'] },
        { title: 'Style', weight: 1000, general: true, objectives: [], texts: ['reads well', null, 'stumbles'] },
      ],
    })
    expect(readRubric('x', ['Criterion', 'Points'], [['Accuracy', '3']], 'x')).to.equal(null)
  })

  it('are lines about people, books and rules by the word before the colon', () => {
    expect(readTextLine('Office hours: Mon 10–11')).to.deep.equal({ title: 'Office hours', text: 'Mon 10–11' })
    expect(readTextLine('Video: Opening the box')).to.equal(null)
  })

  const SYLLABUS = `Keeping Bees

Instructor: Odile Brandt, obrandt@ashgrove.example

Late work
Work that is late loses a tenth a day.
Ask before the day, not after.

Module 1: The hive
- Read chapter 1 (20 min)

A = 90-100
B = 80-89
C = 60-79`
  it('go into the syllabus and the grade, every line of them', () => {
    const plan = brought(SYLLABUS)
    const sections = recordsOf(plan, 'syllabusSection').map((s) => [s.title, s.body === null ? '' : richToPlain(s.body).trim()])
    expect(sections).to.deep.equal([
      ['Instructor', 'Odile Brandt, obrandt@ashgrove.example'],
      ['Late work', 'Work that is late loses a tenth a day.\nAsk before the day, not after.'],
    ])
    expect(recordsOf(plan, 'gradeStep').map((s) => [s.letter, s.minimum])).to.have.deep.members([
      ['A', 9000],
      ['B', 8000],
      ['C', 6000],
    ])
    const { ledger } = readSources([readText('pasted text', SYLLABUS)])
    expect(ledger.filter((l) => l.paths.some((p) => p.startsWith('pieces')))).to.have.length(7)
    expect(ledger.filter((l) => l.fate === 'not understood')).to.deep.equal([])
    // What the course has is not brought twice, and its own scale stays.
    expect(recordsOf(brought(SYLLABUS, plan), 'syllabusSection')).to.have.length(2)
    expect(recordsOf(brought('A 95-100, B 85-94, C 1-84', plan), 'gradeStep')).to.have.length(3)
  })

  it('are rules of what is dropped, in the entry or below it', () => {
    const plan = brought('Grading\nQuizzes (5), lowest two dropped: 30%\nLabs (4): 30%\nReport: 40%\n\nThe lowest lab is dropped.')
    expect(recordsOf(plan, 'gradeCategory').map((c) => [c.title, c.share, c.dropLowest])).to.deep.equal([
      ['Quizzes', 3000, 2],
      ['Labs', 3000, 1],
      ['Report', 4000, null],
    ])
  })

  it('leave codes that begin anew in each module with their module', () => {
    const module = (n: number) =>
      `Module ${n}: Part ${n}\nLearning objectives\na. Carve a spoon of kind ${n}\nb. Oil a bowl of kind ${n}\nTasks\n- Spoon ${n} (30 min) [a]\n- Bowl ${n} (20 min) [b]`
    const plan = brought([1, 2, 3].map(module).join('\n\n'))
    const index = indexCourse(plan)
    expect(
      index.activities.map((a) => [a.title, ...index.alignmentsOf(a.id).map((l) => plan.objective.get(l.objectiveId)?.statement)]),
    ).to.deep.equal(
      [1, 2, 3].flatMap((n) => [
        [`Spoon ${n}`, `Carve a spoon of kind ${n}`],
        [`Bowl ${n}`, `Oil a bowl of kind ${n}`],
      ]),
    )
  })

  it('are texts inside a module without ending it', () => {
    const text =
      'Module 1: Maps\n\nWelcome\nThis is about maps.\n\nActivities\n- Read one (10 min)\n\nModule 2: Time\nOverview\nA text about time.\nTasks\n- Read two (15 min)\n\nModule 3: Tides\nWelcome\nTo the sea.\n- Read three (20 min)\n\nLate work\nTell us.'
    const { modules, pieces, notUnderstood } = understand([readText('pasted text', text)])
    expect(modules.map((m) => [m.title, ...m.activities.map((a) => a.title)])).to.deep.equal([
      ['Maps', 'Read one'],
      ['Time', 'Read two'],
      ['Tides', 'Read three'],
    ])
    expect(pieces.map((p) => (p.kind === 'text' ? [p.title, p.text] : []))).to.deep.equal([
      ['Maps: Welcome', 'This is about maps.'],
      ['Time: Overview', 'A text about time.'],
      ['Tides: Welcome', 'To the sea.'],
      ['Late work', 'Tell us.'],
    ])
    expect(notUnderstood).to.deep.equal([])
  })

  it('are told to people as to programs', () => {
    const text = mapText(
      understand([
        readText('pasted text', 'Grading\nQuizzes (5), lowest two dropped: 100%\n\nInstructor: Odile\nA 90-100, B 80-89, C 1-79'),
      ]),
    )
    expect(text).to.contain('Grade\n  Quizzes  (100 %, 5 of them, lowest 2 dropped)\n')
    expect(text).to.contain(
      'Beside the plan\n  text of the syllabus: Instructor: Odile\n  grade scale: A from 90 %, B from 80 %, C from 1 %\n',
    )
  })

  it('are days without classes: in the calendar of the term that has them, else a text', () => {
    const text = 'Week 1: Looking\n- Read one (10 min)\n\nNo class Oct 5 (holiday)\nAutumn break Oct 18 - Oct 22\nNo lab 5 March'
    const plan = brought(text, aBlueprint({ offering: [anOffering({ firstDay: '2027-10-04', lastDay: '2027-12-10' })] }))
    expect(recordsOf(plan, 'calendarRule').map((r) => [r.kind, r.title, r.firstDate, r.lastDate])).to.have.deep.members([
      ['closed', 'No class (holiday)', '2027-10-05', '2027-10-05'],
      ['break', 'Autumn break', '2027-10-18', '2027-10-22'],
    ])
    expect(recordsOf(plan, 'syllabusSection').map((s) => [s.title, s.body === null ? '' : richToPlain(s.body).trim()])).to.deep.equal([
      ['Days without classes', 'No lab 5 March'],
    ])
    expect(recordsOf(brought(text, plan), 'calendarRule')).to.have.length(2)
  })

  it('are the first and the last day of a term, where they are named', () => {
    const term = (text: string) => {
      const read = readTerm(text, '', null)
      return read && [read.title, read.first, read.last]
    }
    expect(term('Spring term, 14 January – 8 March 2030')).to.deep.equal(['Spring term', '2030-01-14', '2030-03-08'])
    expect(term('Winter semester: 20 October 2030 to 7 February')).to.deep.equal(['Winter semester', '2030-10-20', '2031-02-07'])
    expect(term('Winter semester, 20 October to 7 February 2031')).to.deep.equal(['Winter semester', '2030-10-20', '2031-02-07'])
    expect(term('First day of class: 14 January 2030')).to.deep.equal(['', '2030-01-14', null])
    expect(term('Classes end on 8 March 2030')).to.deep.equal(['', null, '2030-03-08'])
    // No year, no term, or something else besides.
    for (const text of ['Spring term, 14 January – 8 March', 'Quiz 14 January – 8 March 2030', 'Term paper due 8 March 2030'])
      expect(term(text), text).to.equal(null)
  })

  it('are the days of a term for a course whose term holds nothing yet; for another a text', () => {
    const text = 'Autumn term, 4 October – 10 December 2027\n\nWeek 1: Looking\n- Read one (10 min) due 8 October'
    const days = (plan: Blueprint) => recordsOf(plan, 'offering').map((o) => [o.term, o.firstDay, o.lastDay])
    const fresh = brought(text, aBlueprint({ offering: [anOffering({ term: 'Mine', firstDay: '2027-01-04', lastDay: null })] }))
    expect(days(fresh)).to.deep.equal([['Mine', '2027-10-04', '2027-12-10']])
    expect(days(brought(text, aBlueprint({ offering: [] })))).to.deep.equal([['Autumn term', '2027-10-04', '2027-12-10']])
    const old = anOffering({ term: 'Mine', firstDay: '2027-01-04', lastDay: null })
    const kept = brought(text, aBlueprint({ offering: [old], module: [aModule('m1')] }))
    expect(days(kept)).to.deep.equal([['Mine', '2027-01-04', null]])
    expect(recordsOf(kept, 'syllabusSection').map((s) => s.title)).to.deep.equal(['Term'])
    // The same days again add nothing.
    expect(days(brought(text, fresh))).to.deep.equal(days(fresh))
    expect(recordsOf(brought(text, fresh), 'syllabusSection')).to.have.length(0)
  })

  it('are texts of which none is lost where two have one title', () => {
    const text = 'Week 1: Looking\n- Read one (10 min)\n\nWeek 2: No class\nWeek 3: Reading week\nNo lab on the last day'
    const told = (plan: Blueprint) =>
      recordsOf(plan, 'syllabusSection').map((s) => [s.title, s.body === null ? '' : richToPlain(s.body).trim()])
    const plan = brought(text, aBlueprint())
    expect(told(plan)).to.deep.equal([['Days without classes', 'Week 2: No class\nWeek 3: Reading week\nNo lab on the last day']])
    const other = brought('Week 1: Looking\n- Read one (10 min)\n\nWeek 7: No class', plan)
    expect(told(other).at(-1)).to.deep.equal(['Days without classes (brought in)', 'Week 7: No class'])
    expect(told(brought(text, plan))).to.have.length(1)
  })

  it('come back from a workbook that Cairn wrote: rubrics to the last text', async () => {
    const plan = demoCourse('measuring-small-streams')
    const file = readFile('course.xlsx', await writeWorkbook(plan, '2030-01-01T00:00:00Z'))
    if (!file.ok) throw new Error(file.error.message)
    const empty = aBlueprint()
    const { understanding, ledger } = readSources([file.value])
    const back = applyEffective(
      empty,
      editPlan(empty, (edit) => bringIn(edit, understanding, counter('b'))),
    )
    const told = (p: Blueprint) => {
      const index = indexCourse(p)
      return index.rubrics.map((r) => ({
        title: r.title,
        levels: index.levelsOf(r.id).map((l) => [l.title, l.value]),
        criteria: index.criteriaOf(r.id).map((c) => ({
          title: c.title,
          weight: c.weight,
          general: c.general,
          links: index.objectivesOfCriterion(c.id).map((o) => o.statement),
          texts: index.levelsOf(r.id).map((l) => p.descriptor.get(linkId([c.id, l.id]))?.text ?? null),
        })),
      }))
    }
    expect(told(back)).to.deep.equal(told(plan))
    // The sheet of hours follows from the plan.
    expect(ledger.filter((l) => l.at.includes('sheet Hours') && l.fate !== 'decoration')).to.deep.equal([])
  })
})
