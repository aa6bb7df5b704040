/** How people of several countries and schools write the same things: words, dates, numbers, codes. */
import { DateTime } from 'luxon'
import { pick } from './truth'

type Random = () => number
export type Habit = {
  readonly name: string
  /** Column heads to draw from. */
  readonly heads: Readonly<Record<Head, readonly string[]>>
  readonly module: string
  readonly week: string
  readonly decimal: '.' | ','
  readonly delimiter: ',' | ';' | '\t'
  readonly date: (iso: string, random: Random) => string
  readonly minutes: (n: number, random: Random) => string
  readonly outcomeCode: (n: number) => string
  readonly objectiveCode: (module: number, n: number) => string
  readonly codes: (list: readonly string[]) => string
}
export const HEADS = [
  'module',
  'week',
  'activity',
  'kind',
  'time',
  'points',
  'objectives',
  'outcomes',
  'due',
  'date',
  'statement',
  'note',
] as const
export type Head = (typeof HEADS)[number]

const on = (iso: string, format: string) => DateTime.fromISO(iso, { zone: 'utc' }).setLocale('en-GB').toFormat(format)
const letter = (n: number) => 'abcdefgh'[n - 1] as string
const hours = (n: number, mark = '.') => String(Math.round((n / 60) * 100) / 100).replace('.', mark)
const clock = (n: number) => `${Math.floor(n / 60)}:${String(n % 60).padStart(2, '0')}`
const plain = (n: number) => String(n)
const min = (n: number) => `${n} min`

/** Words in which people tell a time; each is exactly `n` minutes. */
function inWords(n: number): string | null {
  const words: Readonly<Record<number, string>> = {
    15: 'a quarter of an hour',
    30: 'half an hour',
    45: 'three quarters of an hour',
    60: 'one hour',
    75: '1 h 1/4',
    90: 'one and a half hours',
    120: 'two hours',
    150: '2 1/2 hours',
  }
  return words[n] ?? null
}

const ENGLISH: Habit = {
  name: 'isles',
  heads: {
    module: ['Module', 'Unit', 'Topic'],
    week: ['Week', 'Wk', 'Teaching week'],
    activity: ['Activity', 'Learning activity', 'Task', 'What learners do'],
    kind: ['Type', 'Kind', 'Format'],
    time: ['Minutes', 'Time (min)', 'Study time', 'Est. time'],
    points: ['Marks', 'Points', 'Max. marks'],
    objectives: ['Objectives', 'LOs', 'Aligned to', 'Learning objective(s)'],
    outcomes: ['Course outcome', 'CO', 'Outcomes served'],
    due: ['Due', 'Deadline', 'Hand-in'],
    date: ['Date', 'Week beginning', 'w/c'],
    statement: ['Objective', 'Learning objective', 'Statement'],
    note: ['Notes', 'Comment', 'Who'],
  },
  module: 'Module',
  week: 'Week',
  decimal: '.',
  delimiter: ',',
  date: (iso, random) => on(iso, pick(random, ['d LLL', 'ccc d LLL', 'd LLLL', 'dd/MM/yyyy'])),
  minutes: (n, random) => (random() < 0.15 ? (inWords(n) ?? min(n)) : pick(random, [plain, min, min])(n)),
  outcomeCode: (n) => `CO${n}`,
  objectiveCode: (m, n) => `${m}${letter(n)}`,
  codes: (list) => list.join(', '),
}

export const HABITS: readonly Habit[] = [
  ENGLISH,
  {
    ...ENGLISH,
    name: 'states',
    heads: {
      ...ENGLISH.heads,
      module: ['Module', 'Unit', 'Unit #'],
      time: ['Est. student time (hrs)', 'Time on task (hours)', 'Hours'],
      points: ['Points', 'Points possible', 'Pts'],
      objectives: ['MLO', 'Module objectives', 'Aligns with'],
      outcomes: ['CLO', 'CLOs', 'Course outcome'],
      due: ['Due date', 'Due', 'Due by'],
      date: ['Dates', 'Week of', 'Date'],
    },
    date: (iso, random) => on(iso, pick(random, ['L/d', 'LLL d', 'ccc L/d', 'LLLL d', 'L/d/yyyy'])),
    minutes: (n) => hours(n),
    outcomeCode: (n) => `CLO ${n}`,
    objectiveCode: (m, n) => `MLO ${m}.${n}`,
    codes: (list) => list.join('; '),
  },
  {
    ...ENGLISH,
    name: 'rhine',
    heads: {
      module: ['Modul', 'Einheit', 'Thema'],
      week: ['Woche', 'KW', 'Wo.'],
      activity: ['Aktivität', 'Aufgabe', 'Lernaktivität'],
      kind: ['Art', 'Typ'],
      time: ['Dauer (Std.)', 'Zeit (h)', 'Stunden'],
      points: ['Punkte', 'Max. Punkte'],
      objectives: ['Lernziele', 'Ziele', 'Lernziel(e)'],
      outcomes: ['Kompetenz', 'Kursziel', 'Kompetenzen'],
      due: ['Abgabe', 'Abgabe bis', 'Frist'],
      date: ['Datum', 'Beginn'],
      statement: ['Lernziel', 'Beschreibung'],
      note: ['Bemerkung', 'Notiz', 'Hinweis'],
    },
    module: 'Modul',
    week: 'Woche',
    decimal: ',',
    delimiter: ';',
    date: (iso, random) => on(iso, pick(random, ['dd.MM.', 'd.L.yyyy', 'dd.MM.yyyy'])),
    minutes: (n, random) => (n >= 60 && random() < 0.3 ? `${hours(n, ',')} h` : hours(n, ',')),
    outcomeCode: (n) => `K${n}`,
    objectiveCode: (m, n) => `LZ ${m}.${n}`,
    codes: (list) => list.join(', '),
  },
  {
    ...ENGLISH,
    name: 'deccan',
    heads: {
      ...ENGLISH.heads,
      module: ['Unit', 'Unit No.', 'Module'],
      time: ['Duration', 'Contact + self study (min)', 'Duration (min)'],
      points: ['Marks', 'Max Marks'],
      objectives: ['Learning Objectives', 'LO', 'LO No.'],
      outcomes: ['CO', 'Course Outcomes'],
      due: ['Submission date', 'Last date', 'Submit by'],
      date: ['Date', 'Commencing'],
    },
    module: 'Unit',
    date: (iso, random) => on(iso, pick(random, ['dd-MM-yyyy', 'dd-MM-yy', 'd LLL yyyy'])),
    minutes: (n, random) => pick(random, [plain, (k: number) => `${k} mins`, (k: number) => `${k} Min.`])(n),
    objectiveCode: (m, n) => `LO${m}.${n}`,
    codes: (list) => list.join(' & '),
  },
  {
    ...ENGLISH,
    name: 'south',
    heads: {
      ...ENGLISH.heads,
      module: ['Topic', 'Theme', 'Topic / module'],
      time: ['Notional hours', 'Effort', 'Time'],
      points: ['Marks', 'Score'],
      objectives: ['ILOs', 'ILO', 'Outcomes met'],
      outcomes: ['Course goal', 'PLO', 'Supports'],
      due: ['Due', 'Due (11.59 pm)', 'Submission'],
      date: ['Week commencing', 'Starts', 'Date'],
      note: ['Remarks', 'Owner', 'To do'],
    },
    module: 'Topic',
    date: (iso, random) => on(iso, pick(random, ['d/L/yy', 'cccc d LLLL', 'd-LLL'])),
    minutes: (n, random) => (n >= 60 ? pick(random, [(k: number) => `${hours(k)} h`, (k: number) => `${clock(k)} h`, clock])(n) : min(n)),
    outcomeCode: (n) => `PLO${n}`,
    objectiveCode: (m, n) => `ILO ${m}.${n}`,
    codes: (list) => list.join('\n'),
  },
  {
    ...ENGLISH,
    name: 'north',
    heads: {
      ...ENGLISH.heads,
      module: ['Section', 'Module', 'Block'],
      activity: ['Student task', 'Task', 'Assignment / activity'],
      time: ['Workload (h)', 'Load, min', 'Time'],
      points: ['Score', 'Max points'],
      objectives: ['Objective nos.', 'Goals', 'Links to objectives'],
      outcomes: ['Goal', 'Programme outcome', 'Course goals'],
      due: ['Deadline', 'Latest'],
      date: ['Date', 'From'],
    },
    module: 'Block',
    decimal: ',',
    delimiter: ';',
    date: (iso, random) => on(iso, pick(random, ['yyyy-MM-dd', 'ccc. LLL d', 'd. LLL'])),
    minutes: (n, random) =>
      n >= 60 && random() < 0.5 ? `${Math.floor(n / 60)}h${n % 60 ? String(n % 60).padStart(2, '0') : ''}` : `${n} min`,
    outcomeCode: (n) => `G${n}`,
    objectiveCode: (m, n) => `${m}.${n}`,
    codes: (list) => list.join(' '),
  },
  {
    ...ENGLISH,
    name: 'po',
    heads: {
      module: ['Unità', 'Modulo'],
      week: ['Settimana', 'Sett.'],
      activity: ['Attività', 'Che cosa si fa'],
      kind: ['Genere', 'Forma'],
      time: ['Durata', 'Impegno'],
      points: ['Punti', 'Punteggio'],
      objectives: ['Obiettivi', 'Serve a'],
      outcomes: ['Traguardi', 'Traguardo'],
      due: ['Scadenza', 'Consegna'],
      date: ['Data', 'Inizio'],
      statement: ['Obiettivo', 'Saper fare'],
      note: ['Osservazioni', 'A cura di'],
    },
    module: 'Unità',
    decimal: ',',
    delimiter: ';',
    date: (iso, random) => on(iso, pick(random, ['dd/MM/yyyy', 'd/L', 'yyyy-MM-dd'])),
    minutes: (n, random) => (random() < 0.4 ? String(n) : `${n} min`),
    outcomeCode: (n) => `T${n}`,
    objectiveCode: (m, n) => `OB ${m}.${n}`,
    codes: (list) => list.join('\n'),
  },
  {
    ...ENGLISH,
    name: 'weichsel',
    heads: {
      module: ['Dział', 'Blok'],
      week: ['Tydzień', 'Tydz.'],
      activity: ['Zadanie', 'Praca studenta'],
      kind: ['Rodzaj', 'Forma zajęć'],
      time: ['Czas', 'Nakład'],
      points: ['Punkty', 'Maks.'],
      objectives: ['Cele', 'Efekty'],
      outcomes: ['Efekty kierunkowe', 'Kierunek'],
      due: ['Termin', 'Do kiedy'],
      date: ['Od', 'Dzień'],
      statement: ['Cel', 'Student potrafi'],
      note: ['Uwagi', 'Prowadzi'],
    },
    module: 'Blok',
    decimal: ',',
    delimiter: ';',
    date: (iso, random) => on(iso, pick(random, ['dd.MM.yyyy', 'd.MM.'])),
    minutes: (n, random) => (n >= 60 && random() < 0.5 ? `${Math.floor(n / 60)} h${n % 60 ? ` ${n % 60}` : ''}` : `${n} min`),
    outcomeCode: (n) => `EK${n}`,
    objectiveCode: (m, n) => `${m}.${n}`,
    codes: (list) => list.join(' '),
  },
]
