/** What a column may hold, and the words of headers that say so. */
import { letterPairs } from './likeness'

export const ROLES = [
  'module',
  'week',
  'date',
  'part',
  'number',
  'title',
  'kind',
  'objectives',
  'outcomes',
  'minutes',
  'begins',
  'ends',
  'points',
  'percent',
  'count',
  'due',
  'statement',
  'category',
  'reading',
  'assessments',
  'purpose',
  'mark',
  'record',
  'note',
  'unknown',
] as const
export type Role = (typeof ROLES)[number]

/** What each role is called where somebody chooses one. */
export const ROLE_SAYS: Readonly<Record<Role, string>> = {
  module: 'modules',
  week: 'weeks',
  date: 'dates of weeks',
  part: 'parts of a module',
  number: 'numbers or codes',
  title: 'titles of activities',
  kind: 'kinds of activities',
  objectives: 'objectives',
  outcomes: 'course outcomes',
  minutes: 'times',
  begins: 'when work begins',
  ends: 'when work ends',
  points: 'points',
  percent: 'shares of the grade',
  count: 'how many there are',
  due: 'due dates',
  statement: 'statements',
  category: 'grade categories',
  reading: 'readings',
  assessments: 'work, one or several pieces',
  purpose: 'purposes of activities',
  mark: 'marks of a matrix',
  record: 'what each row is',
  note: 'notes',
  unknown: 'nothing that belongs into the course',
}

export type Column = {
  readonly role: Role
  readonly header: string
  /** For time: what a bare number counts. */
  readonly unit: 'minutes' | 'hours' | 'seconds'
  /** Whether the header says what a bare number counts. */
  readonly unitSaid: boolean
  /** Why the role is not what the header says. */
  readonly guess: string | null
}

/** Header words by role, first match wins: what is more specific stands first. */
const WORDS: readonly (readonly [Role, RegExp])[] = [
  // The commonest headers in a few other languages.
  ['points', /^(?:(?:max\.? )?punkte|punten|puntos|pontos)\b/],
  ['minutes', /^(?:studielast|tijd|duur|dauer|zeit|minuten|stunden|durée|duración|tiempo|heures|horas)\b/],
  ['objectives', /^(?:lernziele?|ziele?|objectifs?|objetivos?)\b/],
  ['title', /^(?:(?:lern)?aktivität(?:en)?|aufgaben?|activités?|tâches?|actividad(?:es)?|tareas?)$/],
  ['kind', /^(?:art|typ|tipo)$/],
  ['module', /^(?:thema|modul|einheit|thème|tema|unidad|módulo)$/],
  ['week', /^(?:woche|semaine|semana|settimana|vecka|uge|uke|viikko|tydzień|hafta)$/],
  ['due', /^(?:abgabe|frist|échéance|entrega|inleverdatum)\b|^à rendre$/],
  ['date', /^(?:datum|fecha)$/],
  ['statement', /^beschreibung$/],
  ['note', /^(?:bemerkung(?:en)?|notiz(?:en)?|hinweise?|anmerkung(?:en)?|remarques?|notas?|observaciones)$/],
  [
    'note',
    /^(?:notes?|comments?|remarks?|status|links?|url|tools?|technology|owner|who|responsible|developer|author|file|done|media(?! types?\b| (?:and|&) )|feedback|accessibility|copyright|sme|rationale|action items?|tech(?:nology)? tools?|where|interaction\w*|location|room|instructions?|materials? needed|pass(?:ing)? (?:marks?|scores?|grades?)|minimum score|attempts?|platform|to ?do)\b/,
  ],
  ['purpose', /^(?:purpose|function in the module)$/],
  ['count', /^(?:number of|no\.? of (?!module|unit)|# of|qty|quantity|count|how many|times)\b/],
  ['percent', /(?:%|percent|^weight(?:ing)?\b|^grade weight|^contribution$|share|of (?:the )?(?:final )?grade|^grade$|proportion)/],
  ['points', /\b(?:points?|pts|marks?|score|max(?:imum)?)\b|^(?:worth|value)$/],
  [
    'due',
    /\b(?:due|deadline|hand[- ]?in|submit(?: by)?|turn(?:ed)? in|abgabe|last date|submission date)\b|^(?:submission|to be submitted|to submit)$/,
  ],
  ['minutes', /\b(?:minutes?|mins?|duration|hours?|hrs|time|effort|workload|learner time|student time|length|zeit|dauer)\b|^h$/],
  [
    'outcomes',
    /^(?:course (?:learning )?(?:outcomes?|goals?|objectives?)|clos?\b|cos?$|program(?:me)? outcomes?|plos?\b|course-level (?:objectives?|outcomes?)|aligned (?:clos?|plos?)\b|supports?\b|(?:aligned )?course outcome|maps? to(?: outcomes?)?|outcomes? (?:served|supported|met))/,
  ],
  [
    'objectives',
    /\b(?:(?:performance )?indicators?|can[- ]do(?: statements?)?|objectives?|obj\.?s?|mlos?|los?|ilos?|slos?|learning goals?|aligned (?:to|with)|alignment|aligns?|module (?:learning )?outcomes?|learning outcomes?|ziele?)\b/,
  ],
  [
    'assessments',
    /^(?:(?:before|in|after|during|pre-?|post-?)[ -]?(?:the )?(?:class|session|lecture|lesson|meeting|lab|seminar|workshop|visit)|home ?work|pre-?work|follow-?up|at home|(?:mon|tues?|wed(?:nes)?|thu(?:rs)?|fri|sat(?:ur)?|sun)(?:day)?s?)$/,
  ],
  [
    'assessments',
    /^(?:assessments?(?: (?:tasks?|methods?|tools?))?|assignments?|graded (?:work|items?|assessments?|tasks?|activit(?:y|ies))|what is graded|evaluation|do|(?:assessed|shown|measured) (?:by|through|with)|evidence(?: of learning)?)(?:\s*\(.*\))?$/,
  ],
  [
    'reading',
    /^(?:(?:(?:instructional|learning|course|teaching|supporting|required|core) )?(?:readings?|materials?|resources?)|content(?! (?:type|area|kind|format))|read|watch|reading\s*\/\s*\w+|readings? (?:and|&) \w+|preparation|study materials?)\b|^prepare$/,
  ],
  ['kind', /^(?:(?:\w+ )?types?|kind|format|mode|method|activity (?:type|kind)|type of activity|delivery)$/],
  ['category', /^(?:category|grade category|group|grading category|assessment category)$/],
  ['part', /^(?:part|stage|phase|step|sequence|segment)$/],
  ['week', /^(?:weeks?|wks?|week (?:no\.?|number|#)|week\(s\)|teaching week|woche)$/],
  [
    'date',
    /^(?:dates?|week of|week (?:beginning|commencing|starting)|w\/?[cb]|beginning|starts?|start date|from|dates? \/ week|day|when)$/,
  ],
  [
    'module',
    /^(?:mod\.?|mod\.? (?:#|no\.?|number)|modules?|units?|topics?|themes?|sections?|chapters?|lessons?|blocks?|module\s*\/\s*topic|topic\s*\/\s*module|(?:module|unit|topic|lesson) (?:title|name|no\.?|number|#)|no\.? of (?:module|unit)|subject|content area|title of (?:module|unit))$/,
  ],
  ['objectives', /^(?:[\w]+ )?(?:goals?|aims?)(?: of (?:the )?\w+)?$/],
  ['objectives', /^(?:learners?|students?|participants?|they) (?:will|should|can)(?: be able to| do)?$/],
  ['note', /^(?:learners?|students?|participants?|they) (?:will|should) (?:know|understand)$|\bessential questions?$/],
  ['number', /^(?:no\.?|nr\.?|#|number|id|ref\.?|code|item no\.?|activity (?:no\.?|number|#|id)|order|seq\.?|s\.?no\.?)$/],
  [
    'statement',
    /^(?:statement|description|text|wording|outcome statement|objective statement|learners? will\b.*|students? will\b.*|outcome text|full text|competenc\w+)$/,
  ],
  ['outcomes', /\boutcomes?\b/],
  [
    'title',
    /^(?:(?:[\w/&-]+ ){0,3}activit(?:y|ies)(?: (?:&|and|or) .*)?|tasks?|titles?|names?|items?|elements?|components?|deliverables?|what|assessment (?:name|title|item)|activity (?:title|name|description)|task (?:title|name)|exercise|learning tasks?|student activit\w+|what (?:learners|students) do|graded component|work)$/,
  ],
]

/** What is left, by its last word or words: "Lecture topic", "Pre-class reading", "Student tasks". */
const BY_NOUN: readonly (readonly [Role, RegExp])[] = [
  ['note', /^(?:[\p{L}-]+ ){1,2}notes?$/u],
  ['date', /^(?:class|session|meeting|lecture|lesson) dates?$/],
  [
    'module',
    /^(?:unit of study|part of (?:the )?course|topics? covered|focus|content focus|big ideas?|(?:[\p{L}-]+[ /]){1,2}(?:topics?|themes?|modules?|subjects?)|(?:session|lecture|class|meeting|lesson) titles?)$/u,
  ],
  [
    'kind',
    /^(?:modality|category of activity|media types?|(?:delivery|teaching|instructional|learning|activity|presentation) (?:modes?|methods?|formats?|approach|strateg(?:y|ies)))$/,
  ],
  [
    'title',
    /^(?:e-?tivit(?:y|ies)|learning (?:events?|experiences?)|(?:students?|learners?|participants?) (?:tasks?|engagement|work|actions?)|(?:screen|slide|page) titles?|(?:[\p{L}-]+ ){0,2}activities ?\/ ?[\p{L}-]+)$/u,
  ],
  [
    'assessments',
    /^(?:formative|summative|checks?(?: for understanding)?|performance tasks?|quizzes ?\/ ?\w+|(?:assessment|evaluation) (?:strateg(?:y|ies)|plan|methods?)|(?:[\p{L}-]+ ){0,2}assessments? ?\/ ?[\p{L}-]+|(?:[\p{L}-]+ ){1,2}(?:assessments?|assignments?|quizzes|deliverables?))$/u,
  ],
  ['reading', /^(?:textbooks?|media (?:and|&) readings?|(?:[\p{L}-]+ ){1,2}(?:readings?|videos?|materials?|resources?))$/u],
  ['objectives', /^(?:mos?|swbat|skills?(?: addressed)?|competenc\w+ addressed)$/],
]

const bareHeader = (header: string): string =>
  header
    .toLowerCase()
    .replace(/[*†‡:?]+/g, ' ')
    .replace(/\s+/g, ' ')
    .trim()

/** Longer texts are no headers (Cairn default). */
const MOST_HEADER_WORDS = 7

/** What somebody must reach, and no part of the grade. */
export const PASS_MARK = /^pass(?:ing)? (?:marks?|scores?|grades?)$/i

/** Meetings that are counted; "Class (h)" is a time. */
const MEETING = /^(?:class|session|meeting|lecture)(?: (?:no\.?|number|#))?$/

export const isMeeting = (header: string): boolean => MEETING.test(bareHeader(header))

/** The role that a header names; null where it says nothing known. */
export function roleOf(header: string): Role | null {
  const text = bareHeader(header)
  if (text === '' || text.length > 60 || text.split(' ').length > MOST_HEADER_WORDS) return null
  if (MEETING.test(text)) return 'number'
  const bare = text.replace(/\s*[([].*?[)\]]\s*/g, ' ').trim()
  const isTime = /[([]\s*(?:in )?(?:min|mins|minutes|h|hrs?|hours?|std|sec|secs|seconds?)\.?\s*[)\]]/.test(text)
  const named = WORDS.find(([role, pattern]) => pattern.test(bare) || (role === 'percent' && /[([]\s*%|\bin %/.test(text)))?.[0] ?? null
  if (named === null && !isTime) return BY_NOUN.find(([, pattern]) => pattern.test(bare))?.[0] ?? null
  // "In lab (min)" is how long that takes.
  return isTime && (named === null || named === 'assessments') ? 'minutes' : named
}

const HOURS = /\b(?:hours?|hrs?|h|std|stunden|heures|horas)\b/i
const SECONDS = /\b(?:sec|secs|seconds?|sekunden)\b|[([]s[)\]]/i
const MINUTES = /\b(?:min|mins|minutes|minuten|minutos)\b/i
/** What a bare number under a header of times counts. */
export const unitOf = (header: string): Column['unit'] =>
  MINUTES.test(header) ? 'minutes' : HOURS.test(header) ? 'hours' : SECONDS.test(header) ? 'seconds' : 'minutes'

export function columnOf(header: string): Column {
  const role = roleOf(header)
  const kin = role === null ? kinOf(header) : null
  return {
    role: role ?? kin?.role ?? 'unknown',
    header: header.trim(),
    unit: unitOf(header),
    unitSaid: HOURS.test(header) || MINUTES.test(header) || SECONDS.test(header),
    guess: kin && `“${header.trim()}” is read so because it is much like “${kin.word}”`,
  }
}

/** Header words that many languages spell alike, one or two for each role. */
const KIN: readonly (readonly [Role, readonly string[]])[] = [
  ['title', ['activity', 'activité', 'actividad', 'aktivität']],
  ['objectives', ['objective', 'objectifs', 'objetivos']],
  ['module', ['module', 'thema', 'tema']],
  ['week', ['semaine', 'semana', 'woche']],
  ['minutes', ['duration', 'duración', 'minutes']],
  ['points', ['points', 'puntos', 'punkte']],
  ['kind', ['type', 'tipo']],
  ['category', ['category', 'catégorie', 'kategorie']],
  ['assessments', ['evaluation', 'evaluación']],
  ['reading', ['lecture', 'lectura', 'material', 'resources', 'literature']],
  ['percent', ['percentage', 'porcentaje', 'pourcentage']],
  ['date', ['date', 'datum']],
  ['outcomes', ['competence', 'kompetenz']],
]
/** From here on two spellings are one word's (Cairn default). */
const LEAST_ALIKE = 0.6

/** The role whose word a header in another language is spelled like; null where none is. */
function kinOf(header: string): { readonly role: Role; readonly word: string } | null {
  const text = bareHeader(header).replace(/\s*[([].*$/, '')
  if (text.length < 4 || /\s|\d/.test(text)) return null
  const own = letterPairs(text)
  let best: { role: Role; word: string; like: number } | null = null
  for (const [role, words] of KIN)
    for (const word of words) {
      // Kindred words begin alike; their endings are those of half a language.
      if (word[0] !== text[0]) continue
      const other = letterPairs(word)
      const like = (2 * own.filter((p) => other.includes(p)).length) / (own.length + other.length)
      if (like >= LEAST_ALIKE && like > (best?.like ?? 0)) best = { role, word, like }
    }
  return best
}
