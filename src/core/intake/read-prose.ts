/** Syllabus text: what each heading, line and list item says. */
import type { Block } from './blocks'
import { type Draft, type DraftModule, draftActivity, short } from './draft'
import { kindIn, moduleHead, readItem, readStatement, tidy, weekHead } from './items'
import { readAmount, splitCode } from './quantities'

export type Section = 'outcomes' | 'objectives' | 'activities' | 'schedule' | 'grading' | 'other' | null

/** Where in a text one is. */
export type Place = { module: DraftModule | null; section: Section; week: number | null; piece: string }

const SECTIONS: readonly (readonly [Exclude<Section, null>, RegExp])[] = [
  [
    'grading',
    /^(?:grading|grades?(?: breakdown| table)?|how (?:you are|you will be|work is) graded|grade (?:distribution|components)|evaluation|assessment (?:overview|weighting|summary|breakdown)|course grade|marks?)\b/,
  ],
  ['schedule', /^(?:(?:course|weekly|class|tentative|provisional)\s+)?(?:schedule|calendar|timeline|plan by week|week by week)\b/],
  [
    'outcomes',
    /^(?:clos?|plos?|cos?)$|^(?:course|student|program(?:me)?|overall|intended|key)?\s*(?:learning\s+)?outcomes?\b|^course (?:learning )?(?:objectives|goals|aims)\b|^(?:aims|goals)\b|by the end of (?:this|the) course|(?:after|on|upon) (?:completing|completion of) (?:this|the) course|successful completion/,
  ],
  [
    'objectives',
    /^(?:mlos?|los?|ilos?|slos?|ulos?)$|^(?:module|unit|weekly|lesson|specific|session|topic)?\s*(?:learning\s+)?(?:objectives?|goals?)\b|by the end of (?:this|the) (?:module|unit|week|lesson|topic|session)|^(?:in this (?:module|unit|week)|you will be able to|learners will be able to|students will be able to)\b/,
  ],
  [
    'activities',
    /^(?:learning\s+)?(?:activit(?:y|ies)|tasks?|assignments?|assessments?|what (?:you|learners|students) (?:do|will do)|to do|readings?(?: and \w+)?|materials?|homework|graded work|this week)\b/,
  ],
  [
    'other',
    /^(?:polic(?:y|ies)|contact|instructors?|office hours|academic integrity|accessibility|accommodations?|late work|attendance|required (?:texts?|materials|books?)|textbooks?|technology|support|about|communication|prerequisites?|description|course description|overview|welcome|credits?|meeting times?|honou?r code|copyright|how to reach|netiquette|diversity|feedback|participation policy|before you start|what you need)\b/,
  ],
]

/** The section that a line opens, if it is short enough to be its heading or ends in a colon. */
export function sectionOf(text: string): Exclude<Section, null> | null {
  const t = text
    .toLowerCase()
    .replace(/[*_#:]+/g, ' ')
    .replace(/\s+/g, ' ')
    .trim()
  if (t.length > 90) return null
  return SECTIONS.find(([, pattern]) => pattern.test(t))?.[0] ?? null
}

const opensSection = (block: { readonly type: string; readonly text: string }): boolean =>
  block.type === 'heading' ||
  /:\s*$/.test(block.text) ||
  (block.text.split(/\s+/).length <= 5 && !/[.;,]$/.test(block.text) && !/\d/.test(block.text))

/** Titles that name what a document is and not which course it is about. */
const GENERIC_TITLE = /^(?:course\s+)?(?:design\s+)?(?:syllabus|map|blueprint|plan|outline|overview|schedule)$/i

/** Reads one heading or line. */
export function readLine(draft: Draft, block: Extract<Block, { text: string }>, place: Place): void {
  const { text, at } = block
  const head = moduleHead(text)
  // "Module 2 quiz (20 points)" names an activity, not a module.
  if (head && !(block.type === 'line' && block.item && kindIn(text)) && !/\b\d+\s*(?:points?|pts|min)\b/i.test(text)) {
    place.module = draft.module(head)
    place.section = null
    place.week = null
    return
  }
  const week = weekHead(text)
  if (week) return openWeek(draft, week, text, place, at)
  const section = sectionOf(text)
  if (section && opensSection(block)) {
    place.section = section
    // "Learning outcomes" inside a module are its objectives, unless they say that they are the course's.
    if (section === 'outcomes' && place.module !== null && !/course|program|student|overall/i.test(text)) {
      place.section = 'objectives'
      return
    }
    // A heading about the whole course ends the module before it.
    if (['outcomes', 'grading', 'schedule', 'other'].includes(section)) place.module = null
    if (section === 'objectives' && place.module === null) place.section = 'outcomes'
    return
  }
  if (place.module && readLabelled(draft, text, place.module, at)) return
  const titled = /^(?:course(?: title| name)?|title|syllabus)\s*[:–—-]\s*(.+)$/i.exec(text)
  if (titled && draft.title === null) {
    draft.title = tidy(titled[1] as string)
    return
  }
  if (block.type === 'heading') {
    if (GENERIC_TITLE.test(text.trim())) return
    if (draft.title === null && draft.modules.length === 0 && place.section === null) draft.title = tidy(text)
    else {
      place.section = 'other'
      draft.leave(text, at)
    }
    return
  }
  if (readTotal(draft, text, place, at)) return
  readInSection(draft, block, place)
}

/** `Topic: Interviews` and `Objectives: plan an interview; conduct it` under the heading of a module. */
function readLabelled(draft: Draft, text: string, module: DraftModule, at: string): boolean {
  const topic = /^(?:topic|theme|title|focus)\s*:\s*(\S.*)$/i.exec(text)
  if (topic && module.title === null) {
    module.title = tidy(topic[1] as string)
    return true
  }
  const list = /^(?:(?:module|unit|weekly|learning)\s+)?(?:learning\s+)?(?:objectives?|outcomes?|goals?)\s*:\s*(\S.{9,})$/i.exec(text)
  if (!list) return false
  for (const part of (list[1] as string).split(/\s*;\s*/)) if (part.trim() !== '') draft.objective(module, readStatement(part), at)
  return true
}

function readInSection(draft: Draft, block: Extract<Block, { text: string }>, place: Place): void {
  const { text, at } = block
  const item = block.type === 'line' && block.item
  switch (place.section) {
    case 'outcomes':
      return isStatement(text, item) ? draft.outcome(readStatement(text)) : draft.leave(text, at)
    case 'objectives':
      return place.module && isStatement(text, item) ? void draft.objective(place.module, readStatement(text), at) : draft.leave(text, at)
    case 'grading':
      return readGrade(draft, text, at)
    case 'schedule':
      return place.module ? readActivity(draft, place.module, text, place, at) : draft.leave(text, at)
    case 'other':
      return draft.leave(text, at)
    default:
      if (place.module && splitCode(text).code !== null && isStatement(text, item) && kindIn(splitCode(text).rest) === null)
        return void draft.objective(place.module, readStatement(text), at)
      if (place.module && (item || (place.section === 'activities' && !/[.!?]$/.test(text)) || tellsActivity(text)))
        return readActivity(draft, place.module, text, place, at)
      if (GENERIC_TITLE.test(text.trim())) return
      // The first short line of a text is its title.
      if (
        draft.title === null &&
        draft.modules.length === 0 &&
        draft.outcomes.length === 0 &&
        text.length <= 100 &&
        !/[:.,?!]$/.test(text)
      ) {
        draft.title = tidy(text)
        return
      }
      return draft.leave(text, at)
  }
}

/** A week of a schedule, or a week that is a module where there are none. */
function openWeek(draft: Draft, week: NonNullable<ReturnType<typeof weekHead>>, text: string, place: Place, at: string): void {
  place.week = week.weeks.first
  // "Week 3: Measuring flow; Quiz 2 due": the topic comes first, work behind it.
  const [topic = '', ...work] = (week.title ?? '').split(/\s*(?:[;|•]|\.\s+(?=[A-Z])|\s[-–—]\s)\s*/)
  const bare = topic.replace(/^\(?[^()]*\d{1,2}[^()]*\)\s*[:–-]?\s*/, '').trim()
  const named = moduleHead(bare)
  if (named || place.section === 'schedule' || draft.modules.length === 0 || draft.modules.every((m) => m.weeks !== null)) {
    const key = { number: named?.number ?? null, title: tidy(named ? (named.title ?? '') : bare) || null, weeks: week.weeks }
    if (key.title === null && key.number === null && !text.includes(':')) {
      place.module = draft.module({ number: null, title: null, weeks: week.weeks })
    } else place.module = draft.module(key)
    if (place.section !== 'schedule') place.section = null
    for (const part of work) readActivity(draft, place.module, part, place, at)
    return
  }
  place.module = draft.module({ number: null, title: tidy(bare) || null, weeks: week.weeks })
  for (const part of work) readActivity(draft, place.module, part, place, at)
}

/** A line long enough to state something; list items may be short. */
const isStatement = (text: string, item: boolean): boolean =>
  splitCode(text).rest.split(/\s+/).length >= (item || splitCode(text).code !== null ? 2 : 4)

const tellsActivity = (text: string): boolean => {
  const item = readItem(text)
  return (
    text.length <= 160 &&
    (item.minutes !== null || item.amount !== null || (kindIn(text.split(/[:–—(]/)[0] as string) !== null && text.length <= 110))
  )
}

function readActivity(draft: Draft, module: DraftModule, text: string, place: Place, at: string): void {
  const item = readItem(text)
  if (item.title === '' || item.title.length > 200) return draft.leave(text, at)
  for (const guess of item.guesses) draft.problem('number-guessed', `${short(item.title)}: ${guess}.`, at)
  if (place.section === 'schedule') {
    draft.mentions.push({ ...item, week: place.week, module, at, piece: place.piece })
    return
  }
  draft.activity(module, { ...draftActivity(item, at, place.piece), week: place.week })
}

/** A line of a grade table in prose: `Quizzes (5 x 10 points): 25 %`. */
function readGrade(draft: Draft, text: string, at: string): void {
  const share = /(\d+(?:[.,]\d+)?)\s*%/.exec(text)
  const points = /(\d+(?:[.,]\d+)?)\s*(?:points?|pts)\b/i.exec(text)
  if (!share && !points) return draft.leave(text, at)
  const { title, count, each } = gradeTitle(text.replace(share?.[0] ?? '', ' '))
  if (title === '') return draft.leave(text, at)
  const own =
    points && each === null
      ? (readAmount(points[1] as string, 'points')?.value.value ?? null)
      : each !== null && count !== null
        ? each * count
        : each
  draft.categories.push({
    title,
    share: share ? (readAmount(share[0], 'percent')?.value.value ?? null) : null,
    points: own,
    count,
    at,
  })
}

/** The title of a grade entry and the count in it: `Quizzes (5)`, `5 quizzes`, `Labs, 3 x 40 points`. */
export function gradeTitle(text: string): { readonly title: string; readonly count: number | null; readonly each: number | null } {
  let rest = text
  let count: number | null = null
  let each: number | null = null
  const multiplied = /[([,:–-]?\s*(\d{1,2})\s*[x×@]\s*(?:(\d+(?:[.,]\d+)?)\s*(?:points?|pts|%)?(?:\s*each)?)?\s*[)\]]?/i.exec(rest)
  if (multiplied) {
    count = Number(multiplied[1])
    each = multiplied[2] === undefined ? null : (readAmount(multiplied[2], 'points')?.value.value ?? null)
    rest = rest.replace(multiplied[0], ' ')
  } else {
    const counted = /[([]\s*(\d{1,2})\s*(?:in all|total|of them|quizzes|labs|items|weekly)?\s*[)\]]|^\s*(\d{1,2})\s+(?=[a-z])/i.exec(rest)
    if (counted) {
      count = Number(counted[1] ?? counted[2])
      rest = rest.replace(counted[0], ' ')
    }
  }
  rest = rest.replace(/\b\d+(?:[.,]\d+)?\s*(?:points?|pts)\b(?:\s*each)?/gi, ' ').replace(/\bworth\b|\btotal of\b/gi, ' ')
  return { title: tidy(rest.replace(/[([]\s*[,;]?\s*[)\]]/g, ' ').replace(/\.{3,}/g, ' ')), count, each }
}

const TOTAL = /^(?:grand\s+|sub-?)?(?:totals?|sum|in all|gesamt|summe)\b/i
export const isTotal = (text: string): boolean => TOTAL.test(text.trim()) || /\b(?:sub)?totals?\s*:?$/i.test(text.trim())

/** `Total: 250 points`, `Total 100 %`. */
function readTotal(draft: Draft, text: string, place: Place, at: string): boolean {
  const match = /^(?:grand\s+)?(?:total|sum|in all)\b[^\d]{0,40}(\d[\d.,]*)\s*(%|points?|pts|minutes?|min|hours?|h)?/i.exec(text)
  if (!match) return false
  const unit = (match[2] ?? '').toLowerCase()
  const value = readAmount(match[1] as string, 'points')?.value.value
  if (value === undefined) return false
  const what = unit === '%' ? 'percent' : unit.startsWith('m') || unit.startsWith('h') ? 'minutes' : 'points'
  draft.totals.push({
    what,
    value: what === 'minutes' ? Math.round((value / 100) * (unit.startsWith('h') ? 60 : 1)) : value,
    module: place.section === 'grading' ? null : place.module,
    part: /^sub/i.test(text),
    ofGrades: place.section === 'grading',
    piece: place.piece,
    at,
  })
  return true
}
