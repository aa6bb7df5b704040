/** The forms that people keep a course in: each turns the truth into pieces and says what of it they show. */
import { DateTime } from 'luxon'
import { HABITS, type Habit, type Head } from './habits'
import { type Piece, pasted, sheetFile, type Table, text } from './pieces'
import { pick, type TrueActivity, type TrueCourse, type TrueModule } from './truth'

type Random = () => number
/** What a source shows of the course. Fields that it does not show are not counted. */
export type Shows = {
  readonly outcomes?: boolean
  readonly objectives?: boolean
  readonly outcomeLinks?: boolean
  readonly links?: boolean
  readonly minutes?: boolean
  readonly points?: boolean
  readonly kinds?: boolean
  readonly due?: boolean
  readonly weeks?: boolean
}
export type Rendered = {
  readonly pieces: readonly Piece[]
  readonly shows: Shows
  /** Texts of which something must be said: each is in a message, a guess, or what is not understood. */
  readonly tell: readonly string[]
  /** Texts that must not be lost, whatever becomes of them. */
  readonly kept: readonly string[]
}
export type Layout = { readonly name: string; readonly make: (course: TrueCourse, habit: Habit, random: Random) => Rendered }

export const dateOf = (course: TrueCourse, week: number, day: number): string =>
  DateTime.fromISO(course.firstDay, { zone: 'utc' })
    .plus({ days: (week - 1) * 7 + day - 1 })
    .toISODate() as string
const WEEKDAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'] as const

/** The pen of one source: what is drawn once holds for the whole of it. */
class Pen {
  readonly tell: string[] = []
  readonly kept: string[] = []
  readonly withDates: boolean
  constructor(
    readonly course: TrueCourse,
    readonly habit: Habit,
    readonly random: Random,
  ) {
    this.withDates = random() < 0.5
    this.dateForm = Math.floor(random() * 1000)
    this.loud = random() < 0.2
  }
  private readonly dateForm: number
  private readonly loud: boolean
  private readonly chosen = new Map<Head, string>()
  one<T>(list: readonly T[]): T {
    return pick(this.random, list)
  }
  chance(p: number): boolean {
    return this.random() < p
  }
  head(head: Head): string {
    const known = this.chosen.get(head) ?? this.one(this.habit.heads[head])
    this.chosen.set(head, known)
    return this.loud ? known.toUpperCase() : known
  }
  date(week: number, day: number): string {
    return this.habit.date(dateOf(this.course, week, day), () => this.dateForm / 1000)
  }
  minutes(a: TrueActivity): string {
    if (this.chance(0.03)) {
      const range = `${a.minutes - 5}-${a.minutes} min`
      this.tell.push(range)
      return range
    }
    return this.habit.minutes(a.minutes, this.random)
  }
  points(a: TrueActivity): string {
    if (a.points === null) return this.one(['', '', '–'])
    const written = String(a.points).replace('.', this.habit.decimal)
    if (a.points === 10 && this.chance(0.15)) {
      this.tell.push('1O')
      return '1O'
    }
    return written
  }
  due(a: TrueActivity, ofWeek = false): string {
    if (!a.due) return ''
    const day = WEEKDAYS[a.due.day - 1] as string
    if (this.withDates) return this.date(a.due.week, a.due.day)
    return ofWeek ? day : `${day} ${this.one(['wk', 'week'])} ${a.due.week}`
  }
  codes(m: TrueModule, k: number, a: TrueActivity): string {
    return this.habit.codes(a.objectives.map((i) => this.objectiveCode(m, k, i)))
  }
  objectiveCode(_: TrueModule, k: number, i: number): string {
    return this.habit.objectiveCode(k + 1, i + 1)
  }
  outcomeCodes(list: readonly number[]): string {
    return list.map((i) => this.habit.outcomeCode(i + 1)).join(', ')
  }
  weeks(m: TrueModule): string {
    return m.first === m.last ? String(m.first) : `${m.first}${this.one(['-', '–'])}${m.last}`
  }
  note(): string {
    const note = this.one([
      'ask Ines for the licence',
      'film again in May',
      'check with the workshop',
      'old file, see shared drive',
      'TBC by the team',
    ])
    this.kept.push(note)
    return note
  }
  /** A sum that the source states, now and then a wrong one. */
  stated(sum: number): string {
    if (!this.chance(0.3)) return String(sum).replace('.', this.habit.decimal)
    const wrong = String(sum + 7).replace('.', this.habit.decimal)
    this.tell.push(wrong)
    return wrong
  }
  table(rows: Table['rows'], name: string, more: Partial<Table> = {}): Piece {
    const form = this.random()
    if (form < 0.4) return sheetFile(`${name}.xlsx`, [{ name, rows, ...more }])
    return form < 0.75 ? text(`${name}.csv`, rows, this.habit.delimiter) : pasted(rows)
  }
  done(pieces: readonly Piece[], shows: Shows): Rendered {
    return { pieces, shows, tell: this.tell, kept: this.kept }
  }
}

const totalPoints = (course: TrueCourse) => course.modules.flatMap((m) => m.activities).reduce((n, a) => n + (a.points ?? 0), 0)
const each = <T>(course: TrueCourse, make: (m: TrueModule, k: number) => readonly T[]): T[] =>
  course.modules.flatMap((m, k) => [...make(m, k)])
const titleRows = (pen: Pen): string[][] => (pen.chance(0.5) ? [[pen.course.title], ...(pen.chance(0.5) ? [[]] : [])] : [])

/** Outcomes and objectives with their codes on a table of their own. */
function goalTables(pen: Pen): Piece[] {
  const { course, habit } = pen
  const outcomes = [['Code', pen.one(['Course outcome', 'Outcome'])], ...course.outcomes.map((o, i) => [habit.outcomeCode(i + 1), o])]
  const objectives = [
    [pen.one(['Module', 'No. of module']) === 'Module' ? habit.module : habit.module, 'Code', pen.head('statement'), pen.head('outcomes')],
    ...each(course, (m, k) =>
      m.objectives.map((o, i) => [String(k + 1), pen.objectiveCode(m, k, i), o.statement, pen.outcomeCodes(o.outcomes)]),
    ),
  ]
  return [pen.table(outcomes, 'Outcomes'), pen.table(objectives, 'Objectives')]
}

/** One row an activity, the module in each row or in its first alone. */
const long: Layout['make'] = (course, habit, random) => {
  const pen = new Pen(course, habit, random)
  const repeated = pen.chance(0.5)
  const form = pen.one(['number', 'named', 'numbered title', 'two'] as const)
  const withNotes = pen.chance(0.4)
  const heads = [
    pen.head('module'),
    ...(form === 'two' ? [pen.one(['Title', 'Module title', 'Name'])] : []),
    pen.head('week'),
    pen.head('activity'),
    pen.head('kind'),
    pen.head('objectives'),
    pen.head('time'),
    pen.head('points'),
    pen.head('due'),
    ...(withNotes ? [pen.head('note')] : []),
  ]
  const module = (m: TrueModule, k: number): string[] =>
    form === 'number'
      ? [String(k + 1)]
      : form === 'named'
        ? [`${habit.module} ${k + 1}: ${m.title}`]
        : form === 'two'
          ? [String(k + 1), m.title]
          : [`${k + 1}. ${m.title}`]
  const rows = each(course, (m, k) =>
    m.activities.map((a, i) => [
      ...(repeated || i === 0 ? module(m, k) : module(m, k).map(() => '')),
      repeated || i === 0 ? pen.weeks(m) : '',
      a.title,
      a.kind,
      pen.codes(m, k, a),
      pen.minutes(a),
      pen.points(a),
      pen.due(a),
      ...(withNotes ? [pen.chance(0.2) ? pen.note() : ''] : []),
    ]),
  )
  const total = () =>
    heads.map((_, i) =>
      i === heads.indexOf(pen.head('activity')) ? 'Total' : i === heads.indexOf(pen.head('points')) ? pen.stated(totalPoints(course)) : '',
    )
  const table = pen.table([...titleRows(pen), heads, ...rows, ...(pen.chance(0.6) ? [total()] : [])], 'Activities')
  const named = form !== 'number'
  return pen.done([...goalTables(pen), table], {
    outcomes: true,
    objectives: true,
    outcomeLinks: true,
    links: true,
    minutes: true,
    points: true,
    kinds: true,
    due: true,
    weeks: named,
  })
}

/** A heading row for each module over its rows, one header for all or one each. */
const blocks: Layout['make'] = (course, habit, random) => {
  const pen = new Pen(course, habit, random)
  const again = pen.chance(0.5)
  const numbered = pen.chance(0.6)
  const heads = [
    ...(numbered ? [pen.one(['#', 'No.'])] : []),
    pen.head('activity'),
    pen.head('kind'),
    pen.head('time'),
    pen.head('points'),
    pen.head('due'),
  ]
  const rows: string[][] = again ? [...titleRows(pen)] : [...titleRows(pen), heads]
  for (const [k, m] of course.modules.entries()) {
    if (again && k > 0) rows.push([])
    rows.push([
      `${habit.module} ${k + 1}${pen.one([': ', ' – ', ' '])}${m.title} (${habit.week.toLowerCase() === 'week' ? 'week' : 'week'} ${pen.weeks(m)})`,
    ])
    if (again) rows.push(heads)
    for (const [i, a] of m.activities.entries())
      rows.push([
        ...(numbered ? [`${k + 1}.${i + 1}`] : []),
        a.title,
        a.kind,
        pen.minutes(a),
        pen.points(a),
        pen.due(a, m.first === m.last),
      ])
    if (pen.chance(0.4))
      rows.push([
        ...(numbered ? [''] : []),
        pen.one(['Subtotal', 'Sum']),
        '',
        '',
        pen.stated(m.activities.reduce((n, a) => n + (a.points ?? 0), 0)),
        '',
      ])
  }
  if (pen.chance(0.4)) rows.push([pen.note()])
  return pen.done([pen.table(rows, 'Plan')], { minutes: true, points: true, kinds: true, due: true, weeks: true })
}

/** Objectives across, a mark where an activity serves one. */
const matrix: Layout['make'] = (course, habit, random) => {
  const pen = new Pen(course, habit, random)
  const mark = pen.one(['x', 'X', '✓', '●'])
  const codes = each(course, (m, k) => m.objectives.map((_, i) => pen.objectiveCode(m, k, i)))
  const rows = each(course, (m, k) =>
    m.activities.map((a) => {
      const own = new Set(a.objectives.map((i) => pen.objectiveCode(m, k, i)))
      return [`${habit.module} ${k + 1}`, a.title, pen.minutes(a), ...codes.map((c) => (own.has(c) ? mark : ''))]
    }),
  )
  return pen.done(
    [...goalTables(pen), pen.table([[pen.head('module'), pen.head('activity'), pen.head('time'), ...codes], ...rows], 'Matrix')],
    {
      outcomes: true,
      objectives: true,
      outcomeLinks: true,
      links: true,
      minutes: true,
    },
  )
}

/** A column says what each row is. */
const labelled: Layout['make'] = (course, habit, random) => {
  const pen = new Pen(course, habit, random)
  const heads = [
    pen.one(['Row type', 'Element', 'What it is']),
    pen.one(['Text', 'Title', 'Content']),
    pen.head('time'),
    pen.head('points'),
    pen.head('due'),
  ]
  const rows = [
    ...course.outcomes.map((o) => ['Course outcome', o, '', '', '']),
    ...each(course, (m, k) => [
      ['Module', `${k + 1} ${m.title}`, '', '', ''],
      ...m.objectives.map((o) => ['Objective', o.statement, '', '', '']),
      ...m.activities.map((a) => ['Activity', a.title, pen.minutes(a), pen.points(a), pen.due(a)]),
    ]),
  ]
  return pen.done([pen.table([...titleRows(pen), heads, ...rows], 'Outline')], {
    outcomes: true,
    objectives: true,
    minutes: true,
    points: true,
    due: true,
  })
}

/** A sheet a module with its facts in pairs above, objectives beside or above the activities. */
const sheets: Layout['make'] = (course, habit, random) => {
  const pen = new Pen(course, habit, random)
  const beside = pen.chance(0.5)
  const tables = course.modules.map((m, k): Table => {
    const pairs = [
      [`${habit.module}:`, `${k + 1} ${m.title}`],
      ['Weeks:', pen.weeks(m)],
      [pen.one(['Author:', 'Responsible:']), 'Ines Okoro'],
    ]
    const objectives = [['Code', pen.head('statement')], ...m.objectives.map((o, i) => [pen.objectiveCode(m, k, i), o.statement])]
    const activities = [
      [pen.head('activity'), pen.head('kind'), pen.head('objectives'), pen.head('time'), pen.head('points')],
      ...m.activities.map((a) => [a.title, a.kind, pen.codes(m, k, a), pen.minutes(a), pen.points(a)]),
    ]
    if (!beside) return { name: `${pen.one(['M', 'Mod '])}${k + 1}`, rows: [...pairs, [], ...objectives, [], ...activities] }
    const height = Math.max(objectives.length, activities.length)
    const side = Array.from({ length: height }, (_, i) => [...(objectives[i] ?? ['', '']), '', ...(activities[i] ?? [])])
    return { name: `${habit.module} ${k + 1}`, rows: [...pairs, [], ...side] }
  })
  return pen.done([sheetFile('modules.xlsx', tables)], {
    objectives: true,
    links: true,
    minutes: true,
    points: true,
    kinds: true,
    weeks: true,
  })
}

/** A syllabus in prose: headings, lists, times and points in brackets. */
const syllabus: Layout['make'] = (course, habit, random) => {
  const pen = new Pen(course, habit, random)
  const bullet = pen.one(['- ', '• ', '* ', '– '])
  const lines = [
    course.title,
    '',
    pen.one(['Course outcomes', 'COURSE OUTCOMES', 'Course learning outcomes:']),
    ...course.outcomes.map((o, i) => `${pen.one([`${habit.outcomeCode(1).slice(0, -1)}${i + 1}. `])}${o}`),
    '',
  ]
  for (const [k, m] of course.modules.entries()) {
    lines.push(
      `${habit.module} ${k + 1}: ${m.title} (weeks ${pen.weeks(m)})`,
      '',
      pen.one(['Objectives', 'Learning objectives:', 'By the end of this module you will be able to:']),
    )
    lines.push(...m.objectives.map((o, i) => `${pen.objectiveCode(m, k, i)}${pen.one([' ', '. '])}${o.statement}`))
    lines.push('', pen.one(['Activities', 'Activities:', 'What you do']))
    for (const a of m.activities) {
      const facts = [`${a.minutes} min`, ...(a.points === null ? [] : [`${a.points} points`]), ...(a.due ? [`due ${pen.due(a)}`] : [])]
      lines.push(`${bullet}${a.title} (${facts.join(', ')})`)
    }
    lines.push('')
  }
  const policy = pen.one(['Late work loses a tenth for each day.', 'Write to the course address; answers come within two days.'])
  pen.kept.push(policy)
  lines.push('Policies', policy)
  return pen.done([{ name: 'syllabus.txt', content: lines.join('\n') }], {
    outcomes: true,
    objectives: true,
    minutes: true,
    points: true,
    due: true,
    weeks: true,
  })
}

/** A schedule by weeks with what is due, and a list of modules with their activities. */
const schedule: Layout['make'] = (course, habit, random) => {
  const pen = new Pen(course, habit, random)
  const heads = [
    pen.head('week'),
    pen.head('date'),
    pen.one(['Topic', 'Theme']),
    pen.one(['Activities', 'Learning activities', 'Work']),
    pen.head('due'),
  ]
  const rows = each(course, (m) =>
    Array.from({ length: m.last - m.first + 1 }, (_, w) => {
      const week = m.first + w
      const due = m.activities.filter((a) => a.due?.week === week)
      return [
        String(week),
        pen.date(week, 1),
        m.title,
        w === 0
          ? m.activities
              .filter((a) => !a.due)
              .map((a) => a.title)
              .join('\n')
          : '',
        due.map((a) => `${a.title} (${pen.withDates ? pen.date(week, a.due?.day ?? 1) : WEEKDAYS[(a.due?.day ?? 1) - 1]})`).join('\n'),
      ]
    }),
  )
  if (pen.chance(0.4)) rows.splice(2, 0, ['', pen.date(3, 1), pen.one(['Reading week', 'Holiday: no classes', 'Mid-term break']), '', ''])
  const grades = [
    ['Item', pen.head('points')],
    ...each(course, (m) => m.activities.flatMap((a) => (a.points === null ? [] : [[a.title, pen.points(a)]]))),
    ['Total', pen.stated(totalPoints(course))],
  ]
  return pen.done([pen.table(rows.length > 0 ? [heads, ...rows] : [heads], 'Schedule'), pen.table(grades, 'Grades')], {
    points: true,
    due: true,
    weeks: true,
  })
}

/** A row a module, lists in its cells. */
const lists: Layout['make'] = (course, habit, random) => {
  const pen = new Pen(course, habit, random)
  const mark = pen.one(['', '- ', '• '])
  const rows = course.modules.map((m, k) => [
    `${pen.one([`${k + 1}. `, `${habit.module} ${k + 1}: `])}${m.title}`,
    pen.weeks(m),
    m.objectives.map((o, i) => `${mark}${pen.objectiveCode(m, k, i)} ${o.statement}`).join('\n'),
    m.activities
      .filter((a) => a.points === null)
      .map((a) => `${mark}${a.title} (${a.minutes} min)`)
      .join('\n'),
    m.activities
      .filter((a) => a.points !== null)
      .map((a) => `${mark}${a.title} (${a.minutes} min, ${a.points} points)`)
      .join('\n'),
  ])
  const heads = [
    pen.head('module'),
    pen.head('week'),
    pen.one(['Objectives', 'Learning objectives']),
    pen.one(['Learning activities', 'Activities']),
    pen.one(['Assessments', 'Assessment']),
  ]
  return pen.done([sheetFile('plan.xlsx', [{ name: 'Plan', rows: [...titleRows(pen), heads, ...rows] }])], {
    objectives: true,
    minutes: true,
    points: true,
    weeks: true,
  })
}

/** Held back: a schedule in sentences, a line a week. */
const sentences: Layout['make'] = (course, habit, random) => {
  const pen = new Pen(course, habit, random)
  const lines = [course.title, '', 'Schedule']
  for (const m of course.modules)
    for (let week = m.first; week <= m.last; week++) {
      const due = m.activities.filter((a) => a.due?.week === week)
      const free = week === m.first ? m.activities.filter((a) => !a.due) : []
      lines.push(
        `Week ${week} (${pen.date(week, 1)}): ${m.title}${[
          ...free.map((a) => `; ${a.title} (${a.minutes} min)`),
          ...due.map((a) => `; ${a.title} (${a.minutes} min) due ${pen.due(a, true)}`),
        ].join('')}`,
      )
    }
  return pen.done([{ name: 'mail.txt', content: lines.join('\n') }], { minutes: true, due: true, weeks: true })
}

/** Held back: modules across, what they hold below one another. */
const across: Layout['make'] = (course, habit, random) => {
  const pen = new Pen(course, habit, random)
  const row = (head: string, cell: (m: TrueModule, k: number) => string) => [head, ...course.modules.map(cell)]
  const rows = [
    row('', (m, k) => `${habit.module} ${k + 1}: ${m.title}`),
    row(pen.head('week'), (m) => pen.weeks(m)),
    row(pen.one(['Objectives', 'Learning objectives']), (m, k) =>
      m.objectives.map((o, i) => `${pen.objectiveCode(m, k, i)} ${o.statement}`).join('\n'),
    ),
    row(pen.one(['Activities', 'Learning activities']), (m) =>
      m.activities
        .filter((a) => a.points === null)
        .map((a) => `${a.title} (${a.minutes} min)`)
        .join('\n'),
    ),
    row('Assessments', (m) =>
      m.activities
        .filter((a) => a.points !== null)
        .map((a) => `${a.title} (${a.minutes} min, ${a.points} points)`)
        .join('\n'),
    ),
  ]
  return pen.done([sheetFile('overview.xlsx', [{ name: 'Overview', rows }])], {
    objectives: true,
    minutes: true,
    points: true,
    weeks: true,
  })
}

/** Held back: one table whose rows carry the objective's words; modules in merged cells; two header rows. */
const merged: Layout['make'] = (course, habit, random) => {
  const pen = new Pen(course, habit, random)
  const top = ['', 'What learners do', '', '', 'What counts', '']
  const heads = [pen.head('module'), pen.head('activity'), pen.head('objectives'), pen.head('time'), pen.head('points'), pen.head('due')]
  const body = each(course, (m, k) =>
    m.activities.map((a, i) => [
      i === 0 ? `${habit.module} ${k + 1}: ${m.title}` : '',
      a.title,
      a.objectives.map((o) => m.objectives[o]?.statement).join('\n'),
      pen.minutes(a),
      pen.points(a),
      pen.due(a),
    ]),
  )
  let at = 3
  const merges = course.modules.map((m) => {
    const range = `A${at}:A${at + m.activities.length - 1}`
    at += m.activities.length
    return range
  })
  return pen.done([sheetFile('course.xlsx', [{ name: 'Course', rows: [top, heads, ...body], merges: [...merges, 'B1:D1', 'E1:F1'] }])], {
    links: true,
    minutes: true,
    points: true,
    due: true,
  })
}

/** Held back: three tables of one sheet under each other with loose notes between them. */
const stacked: Layout['make'] = (course, habit, random) => {
  const pen = new Pen(course, habit, random)
  const rows = [
    [course.title],
    [pen.note()],
    [],
    ['Course outcomes'],
    ...course.outcomes.map((o, i) => [habit.outcomeCode(i + 1), o]),
    [],
    ['Objectives'],
    [pen.head('module'), 'Code', pen.head('statement'), pen.head('outcomes')],
    ...each(course, (m, k) =>
      m.objectives.map((o, i) => [`${k + 1} ${m.title}`, pen.objectiveCode(m, k, i), o.statement, pen.outcomeCodes(o.outcomes)]),
    ),
    [],
    [pen.one(['What learners do', 'Activities'])],
    [pen.head('module'), pen.head('activity'), pen.head('objectives'), pen.head('time'), pen.head('points')],
    ...each(course, (m, k) => m.activities.map((a) => [String(k + 1), a.title, pen.codes(m, k, a), pen.minutes(a), pen.points(a)])),
    [],
    [pen.note()],
  ]
  return pen.done([pen.table(rows, 'All')], {
    outcomes: true,
    objectives: true,
    outcomeLinks: true,
    links: true,
    minutes: true,
    points: true,
  })
}

/** Groups of columns under a header of their own; objectives in words, module and title in two columns. */
const grouped: Layout['make'] = (course, habit, random) => {
  const pen = new Pen(course, habit, random)
  const rows = each(course, (m, k) =>
    m.activities.map((a, i) => [
      i === 0 ? String(k + 1) : '',
      i === 0 ? m.title : '',
      a.title,
      a.kind,
      pen.minutes(a),
      pen.points(a),
      a.objectives.map((o) => m.objectives[o]?.statement).join(pen.one(['\n', '; '])),
    ]),
  )
  const top = ['Course parts', '', pen.one(['Activities', 'Learners']), '', '', '', 'Alignment']
  const heads = [
    pen.one(['No.', '#']),
    pen.head('module'),
    pen.head('activity'),
    pen.head('kind'),
    pen.head('time'),
    pen.head('points'),
    pen.one(['Objectives', 'Learning objectives']),
  ]
  return pen.done(
    [sheetFile('grouped.xlsx', [{ name: 'Course', rows: [[course.title], [], top, heads, ...rows], merges: ['A3:B3', 'C3:F3'] }])],
    {
      links: true,
      minutes: true,
      points: true,
      kinds: true,
    },
  )
}

/** Work, objectives, outcomes and what counts on one sheet under headings, in any order. */
const under: Layout['make'] = (course, habit, random) => {
  const pen = new Pen(course, habit, random)
  const named = pen.chance(0.5)
  const work = [
    [pen.one(['Tasks', 'Learning activities', 'Plan of work'])],
    [pen.head('module'), pen.head('week'), pen.head('activity'), pen.head('kind'), pen.head('objectives'), pen.head('time')],
    ...each(course, (m, k) =>
      m.activities.map((a) => [
        named ? `${habit.module} ${k + 1}: ${m.title}` : `${habit.module} ${k + 1}`,
        pen.weeks(m),
        a.title,
        a.kind,
        pen.codes(m, k, a),
        pen.minutes(a),
      ]),
    ),
  ]
  const withModule = pen.chance(0.5)
  const objectives = [
    [pen.one(['Module objectives', 'What learners can do afterwards', 'Learning objectives'])],
    [...(withModule ? [pen.head('module')] : []), 'Code', pen.head('statement'), pen.head('outcomes')],
    ...each(course, (m, k) =>
      m.objectives.map((o, i) => [
        ...(withModule ? [`${k + 1}. ${m.title}`] : []),
        pen.objectiveCode(m, k, i),
        o.statement,
        pen.outcomeCodes(o.outcomes),
      ]),
    ),
  ]
  const headed = pen.chance(0.5)
  const outcomes = [
    [pen.one(['Course goals', 'Aims', 'Learning outcomes of the course'])],
    ...(headed ? [['Code', 'Outcome']] : []),
    ...course.outcomes.map((o, i) => [habit.outcomeCode(i + 1), o]),
  ]
  const grades = [
    [pen.one(['Grading', 'Assessment overview'])],
    ['Item', pen.head('points')],
    ...each(course, (m) => m.activities.flatMap((a) => (a.points === null ? [] : [[a.title, pen.points(a)]]))),
  ]
  const order = [outcomes, objectives, work, grades].map((part) => [random(), part] as const).sort((a, b) => a[0] - b[0])
  const rows = [
    [course.title],
    ...(pen.chance(0.4) ? [[pen.note()]] : []),
    ...order.flatMap(([, part]) => [[], ...part]),
    ...(pen.chance(0.4) ? [[], [pen.note()]] : []),
  ]
  return pen.done([pen.table(rows, 'Course')], {
    outcomes: true,
    objectives: true,
    outcomeLinks: true,
    links: true,
    minutes: true,
    points: true,
    kinds: true,
    weeks: named,
  })
}

/** Rows without a header. */
const bare: Layout['make'] = (course, habit, random) => {
  const pen = new Pen(course, habit, random)
  const rows = each(course, (m, k) =>
    m.activities.map((a) => [
      `${habit.module} ${k + 1}: ${m.title}`,
      a.title,
      a.kind,
      `${a.minutes} min`,
      a.due ? pen.date(a.due.week, a.due.day) : '',
    ]),
  )
  return pen.done([pen.table(rows, 'rows')], { minutes: true, kinds: true, due: true })
}

/** A list of work with the day behind each title. */
const days: Layout['make'] = (course, habit, random) => {
  const pen = new Pen(course, habit, random)
  const lines = course.modules.flatMap((m, k) => [
    `${habit.module} ${k + 1}: ${m.title} (week ${pen.weeks(m)})`,
    ...m.activities.map(
      (a) =>
        `- ${a.title}${a.due ? pen.one([` (${pen.date(a.due.week, a.due.day)})`, `, due ${pen.date(a.due.week, a.due.day)}`, ` by ${pen.date(a.due.week, a.due.day)}`]) : ''}`,
    ),
    '',
  ])
  return pen.done([{ name: 'pasted text', content: lines.join('\n') }], { due: true, weeks: true })
}

export const LAYOUTS: readonly Layout[] = [
  { name: 'long table', make: long },
  { name: 'blocks', make: blocks },
  { name: 'matrix', make: matrix },
  { name: 'labelled rows', make: labelled },
  { name: 'sheet a module', make: sheets },
  { name: 'syllabus', make: syllabus },
  { name: 'schedule', make: schedule },
  { name: 'lists in cells', make: lists },
  { name: 'sentences', make: sentences },
  { name: 'modules across', make: across },
  { name: 'merged', make: merged },
  { name: 'stacked', make: stacked },
  { name: 'grouped', make: grouped },
  { name: 'under each other', make: under },
  { name: 'no header', make: bare },
  { name: 'days in titles', make: days },
]
/** What is not looked at while reading is made: layouts, trades and habits. */
export const HELD_BACK = { layouts: [8, 9, 10, 11], trades: [6, 7, 8], habits: [4, 5] } as const
export { HABITS }
