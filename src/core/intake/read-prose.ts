/** Syllabus text: what each heading, line and list item says. */

import { capital } from '../blueprint/text'
import type { Block } from './blocks'
import { type Draft, type DraftActivity, type DraftModule, draftActivity, short } from './draft'
import { guessesOfItem } from './guesses'
import { CLOSED, kindIn, moduleRef, readItem, readStatement, tidy, weekHead } from './items'
import type { Entry, Fate } from './ledger'
import { readScale, readTextLine } from './pieces'
import { readAmount, splitCode } from './quantities'
import { type Section, sectionOf } from './sections'
import { leadingDate, readWhen } from './when'

/** Where in a text one is. */
export type Place = {
  module: DraftModule | null
  section: Section
  week: number | null
  piece: string
  /** The activity that lines below may say more of. */
  activity?: DraftActivity | null
  /** The text of the syllabus that lines below belong to. */
  text?: { text: string } | null
}

const opensSection = (block: { readonly type: string; readonly text: string }): boolean =>
  block.type === 'heading' ||
  /:\s*$/.test(block.text) ||
  (block.text.split(/\s+/).length <= 5 && !/[.;,]$/.test(block.text) && !/\d/.test(block.text))

/** Titles that name what a document is and not which course it is about. */
const GENERIC_TITLE =
  /^(?:(?:course|module|unit|programme?)\s+)?(?:design\s+)?(?:syllabus|map|blueprint|plan|outline|overview|schedule|handbook|guide|template)(?:\s+\d{4}(?:[/–-]\d{2,4})?)?$|\b(?:planning|design|course) (?:template|sheet|worksheet)$/i

/** Reads one heading or line. */
export function readLine(draft: Draft, block: Extract<Block, { text: string }>, place: Place, given?: readonly Entry[]): void {
  const entries = given ?? [draft.ledger.line(block.text, block.at)]
  const became: Became = (what, thing, fate = 'read') => {
    for (const entry of entries) entry.became(fate, what, thing)
  }
  readText(draft, block, place, became)
}

/** `Assignment 2: Draft entry (25 %)` */
const NUMBERED_WORK = /^(?:assignment|task|exercise|project|paper|activity|essay|lab|quiz)\s*(?:no\.?\s*)?#?\d{1,2}\s*[:.–—-]\s*(?=\S)/i

/** Says what a line became. */
type Became = (what: string, thing?: object, fate?: Fate) => void

function readText(draft: Draft, block: Extract<Block, { text: string }>, place: Place, became: Became): void {
  const { text, at } = block
  if (block.titles && place.module) {
    place.module.title = tidy(text)
    return became('module', place.module)
  }
  const head = block.type === 'heading' && block.module ? moduleRef(text) : draft.head(text)
  // "Module 2 quiz (20 points)" names an activity, not a module.
  const listed = head ? listedBehind(text) : null
  if (head && listed) {
    place.module = draft.module({ number: head.number, title: listed.label, weeks: null })
    place.section = null
    became('module', place.module)
    for (const part of listed.parts) readActivity(draft, place.module, part, place, at, became)
    return
  }
  if (head && !(block.type === 'line' && block.item && kindIn(text)) && !/\b\d+\s*(?:points?|pts|min)\b/i.test(text)) {
    place.module = draft.module(head)
    place.section = null
    place.week = null
    return became('module', place.module)
  }
  if (!place.module && NUMBERED_WORK.test(text) && tellsActivity(text) && draft.modules.length <= 1) {
    // Work without modules: it stands in one, and somebody should look at that.
    const module = draft.module({ number: '1', title: null, weeks: null })
    place.section = null
    readActivity(draft, module, text.replace(NUMBERED_WORK, ''), place, at, became)
    if (place.activity) draft.guess(place.activity, 'module', 'no module is named')
    return
  }
  const meeting = draft.datesAreHeads ? leadingDate(text, draft.order) : null
  if (meeting && !CLOSED.test(text)) return openMeeting(draft, meeting, place, at, became)
  const week = weekHead(text)
  if (week && draft.weeksAreRows) return readInWeek(draft, week, place, at, became)
  if (week) return openWeek(draft, week, text, place, at, became)
  if (readFact(draft, text, place, became) || readShares(draft, text, at, became) || readPiece(draft, block, place, became)) return
  if (place.module && readLabelled(draft, text, place.module, at, became)) return
  const section = block.section ?? sectionOf(text)
  if (block.type === 'line' && block.leaves) {
    place.module = null
    place.section = 'other'
  }
  if (section && opensSection(block)) {
    place.section = section
    place.text = null
    if (section === 'other') {
      const piece = { kind: 'text' as const, title: tidy(text), text: '', at }
      draft.pieces.push(piece)
      place.text = piece
      place.module = null
      return became('text of the syllabus', piece)
    }
    became('a heading', undefined, 'decoration')
    // "Learning outcomes" inside a module are its objectives, unless they say that they are the course's.
    if (section === 'outcomes' && place.module !== null && !/course|program|student|overall/i.test(text)) {
      place.section = 'objectives'
      return
    }
    // A heading about the whole course ends the module before it.
    if (['outcomes', 'grading', 'schedule', 'other'].includes(section)) place.module = null
    // Objectives of no module are the course's, unless it has modules by now.
    const ofModules = draft.modules.length > 0 || /\b(?:module|unit|lesson|weekly|session)\b/i.test(text)
    if (section === 'objectives' && place.module === null && !ofModules) place.section = 'outcomes'
    return
  }
  if (block.type === 'line' && block.heads && place.module && !tellsActivity(text)) {
    place.section = null
    return became('a heading', undefined, 'decoration')
  }
  const titled = /^(?:course(?: title| name)?|title|syllabus)\s*[:–—-]\s*(.+)$/i.exec(text)
  if (titled && draft.title === null) {
    draft.title = tidy(titled[1] as string)
    return became('title', draft)
  }
  if (block.type === 'heading') {
    if (GENERIC_TITLE.test(text.trim())) return became('says what the document is', undefined, 'decoration')
    if (draft.title === null && draft.modules.length === 0 && place.section === null) {
      draft.title = tidy(text)
      became('title', draft)
    } else place.section = 'other'
    return
  }
  if (readTotal(draft, text, place, at)) return became('a sum', undefined, 'decoration')
  if (CLOSED.test(text) && text.length <= 100) {
    // What else the line says is not about the day.
    const sentences = text.split(/(?<=[.!])\s+(?=\p{Lu})/u)
    const own = sentences.findIndex((s) => CLOSED.test(s))
    const piece = draft.closed(own < 0 ? text : (sentences[own] as string), at)
    if (piece && own >= 0) for (const [i, s] of sentences.entries()) if (i !== own) draft.leave(s, at)
    return piece ? became('a day without classes', piece) : became('a day without classes', undefined, 'not understood')
  }
  readInSection(draft, block, place, became)
}

/** `Due: 15 March`, `Time: about 2 hours`, `Weight: 10 %`: facts below the activity that they are of. */
const FACT =
  /^(due|deadline|hand[- ]in|time|duration|length|effort|points|marks|weight(?:ing)?|value|worth|grade|tasks?|instructions?|format|purpose|type|kind|submission)\s*[:–—]\s*(\S.*)$/i

function readFact(draft: Draft, text: string, place: Place, became: Became): boolean {
  const found = FACT.exec(text)
  if (!found) return false
  const [, label = '', value = ''] = found
  // "Duration: 1 week" right below a module is how long it takes.
  const weeks = /^(\d{1,2})\s*(?:weeks?|wks?|wochen?|semaines?|semanas?)$/i.exec(value)
  const open = place.module
  if (weeks && open && open.weeks === null && open.activities.length === 0) {
    draft.lengths.set(open, Number(weeks[1]))
    became('weeks', open)
    return true
  }
  const activity = place.activity
  if (!activity) return false
  const name = label.toLowerCase()
  const isDay = /^(?:due|deadline|hand)/.test(name)
  const when = isDay ? readWhen(value, draft.order) : null
  // "Hand in: two prints" is work of its own.
  if (isDay && !when) return false
  const minutes = /^(?:time|duration|length|effort)/.test(name) ? readItem(`x, ${value}`).minutes : null
  const amount = /^(?:points|marks|weight|value|worth|grade)/.test(name)
    ? readAmount(value, name.startsWith('w') ? 'percent' : 'points')
    : null
  if (when && activity.when === null) Object.assign(activity, { when, due: value })
  else if (minutes !== null && activity.minutes === null) activity.minutes = minutes
  else if (amount && activity.points === null && activity.percent === null) activity[amount.value.kind] = amount.value.value
  else activity.notes = [activity.notes, text].filter(Boolean).join('\n')
  became(name, activity)
  return true
}

/** `Topic: Interviews` and `Objectives: plan an interview; conduct it` under the heading of a module. */
function readLabelled(draft: Draft, text: string, module: DraftModule, at: string, became: Became): boolean {
  const topic = /^(?:topic|theme|title|focus)\s*:\s*(\S.*)$/i.exec(text)
  if (topic && module.title === null) {
    module.title = tidy(topic[1] as string)
    became('module', module)
    return true
  }
  const list =
    /^(?:(?:module|unit|weekly|learning)\s+)?(?:learning\s+)?(?:objectives?|outcomes?|goals?|objetivos?|objectifs?|lernziele?|leerdoelen)\s*:\s*(\S.{9,})$/i.exec(
      text,
    )
  if (!list) return false
  for (const part of (list[1] as string).split(/\s*;\s*/))
    if (part.trim() !== '') became('objective', draft.objective(module, readStatement(part), at))
  return true
}

function readInSection(draft: Draft, block: Extract<Block, { text: string }>, place: Place, became: Became): void {
  const { text, at } = block
  const item = block.type === 'line' && block.item
  switch (place.section) {
    case 'outcomes':
      if (opensList(text)) return became('opens a list', undefined, 'decoration')
      return isStatement(text, item) ? became('outcome', draft.outcome(readStatement(text))) : undefined
    case 'objectives':
      if (opensList(text)) return became('opens a list', undefined, 'decoration')
      return place.module && isStatement(text, item)
        ? became('objective', draft.objective(place.module, readStatement(text), at))
        : undefined
    case 'grading':
      return readGrade(draft, text, at, became)
    case 'schedule':
      return place.module ? readActivity(draft, place.module, text, place, at, became) : undefined
    case 'other':
      if (!place.text) return
      place.text.text = [place.text.text, text].filter(Boolean).join('\n')
      return became('text of the syllabus', place.text)
    default:
      if (
        place.module &&
        splitCode(text).code !== null &&
        isStatement(text, item) &&
        !tellsValue(text) &&
        kindIn(splitCode(text).rest) === null
      )
        return became('objective', draft.objective(place.module, readStatement(text), at))
      if (place.module && block.type === 'line' && block.bare) {
        const objective = draft.objective(place.module, readStatement(text), at)
        draft.guess(objective, 'statement', 'it says what somebody can do, and no time or points as the lines around it do')
        return became('objective', objective)
      }
      if (place.module) {
        const parts = severalIn(text)
        if (parts.length > 1) {
          for (const part of parts) readActivity(draft, place.module, part, place, at, became)
          return
        }
        if (item || (place.section === 'activities' && !/[.!?]$/.test(text)) || tellsActivity(text))
          return readActivity(draft, place.module, text, place, at, became)
      }
      if (GENERIC_TITLE.test(text.trim())) return became('says what the document is', undefined, 'decoration')
      // The first short line of a text is its title.
      if (
        draft.title === null &&
        draft.modules.length === 0 &&
        draft.outcomes.length === 0 &&
        text.length <= 100 &&
        !/[:.,?!]$/.test(text)
      ) {
        draft.title = tidy(text)
        became('title', draft)
      }
  }
}

/** A meeting that a list of dates names: a part of the course, with the work that its line tells. */
function openMeeting(
  draft: Draft,
  { date, read, rest }: NonNullable<ReturnType<typeof leadingDate>>,
  place: Place,
  at: string,
  became: Became,
): void {
  const [topic = '', ...work] = outsideBrackets(rest)
  const item = readItem(topic, draft.order)
  const isDue = /\bdue\b/i.test(topic)
  place.module = draft.module({ number: null, title: item.title || tidy(topic), weeks: null, dates: [date, date] })
  place.section = null
  became('module', place.module)
  if (isDue || item.minutes !== null || item.amount !== null) {
    readActivity(draft, place.module, topic, place, at, became)
    if (isDue && place.activity && place.activity.when === null)
      Object.assign(place.activity, { due: read, when: readWhen(read, draft.order) })
  }
  for (const part of work) readActivity(draft, place.module, part, place, at, became)
}

/** "Week 3 Seminar: Two towns": one of several rows of a week, in the module above them or in that of the week. */
function readInWeek(draft: Draft, week: NonNullable<ReturnType<typeof weekHead>>, place: Place, at: string, became: Became): void {
  place.week = week.weeks.first
  const module = place.module ?? draft.module({ number: null, title: null, weeks: week.weeks })
  if (place.module) draft.spans(module, week.weeks)
  if (week.title === null) return became('module', module)
  readActivity(draft, module, week.title, place, at, became)
}

/** What comes before a list in its line. */
const LIST_LEAD = /^(?:to do|do this|tasks?|activit(?:y|ies)|homework|this week|your work)\s*:\s*/i

/** "day 1: safety talk (15 min), grip practice (20 min)": the work of a part in the line that names it. */
function listedBehind(text: string): { readonly label: string; readonly parts: readonly string[] } | null {
  const found = /^([^:]{3,20}):\s+(\S.*)$/.exec(text)
  const list = found?.[2] ?? ''
  const parts = severalIn(list)
  if (!found || !(parts.length > 1 || tellsValue(list))) return null
  // A title with a time behind it is a module's title, unless more follows.
  if (parts.length === 1 && !/,/.test(list)) return null
  return { label: capital(found[1] as string), parts }
}

/** Parts between commas outside brackets; what is a value alone belongs to the part before it. */
function commaParts(text: string): string[] {
  const parts: string[] = []
  for (const part of text.split(/,\s+(?![^(]*\))/)) {
    if (parts.length > 0 && readItem(`x, ${part}`).title === 'x') parts[parts.length - 1] += `, ${part}`
    else parts.push(part)
  }
  return parts
}

/** The activities of a line that holds several, each with a time, points or a day; the line alone where it holds one. */
function severalIn(text: string): string[] {
  const parts = text
    .replace(LIST_LEAD, '')
    .split(/(?<=[.;)])\s+(?=\p{Lu})|\s*;\s+/u)
    .map((p) => p.trim())
    .filter((p) => /\p{L}/u.test(p))
  const tells = (part: string): boolean => {
    const item = readItem(part)
    return item.minutes !== null || item.amount !== null || item.when !== null
  }
  const many = parts.length > 1 && parts.every((p) => p.length <= 160)
  if (many && parts.filter(tells).length >= Math.max(2, parts.length * 0.6)) return parts
  const byComma = commaParts(text.replace(LIST_LEAD, ''))
  return byComma.length > 1 && byComma.every((p) => p.length <= 100 && tellsValue(p)) ? byComma : [text]
}

/** A week of a schedule, or a week that is a module where there are none. */
function openWeek(
  draft: Draft,
  week: NonNullable<ReturnType<typeof weekHead>>,
  text: string,
  place: Place,
  at: string,
  became: Became,
): void {
  // "Weeks 1-2" right below the name of a module is when it is.
  const open = place.module
  if (open && week.title === null && open.weeks === null && open.activities.length + open.objectives.length === 0) {
    open.weeks = week.weeks
    return became('weeks', open)
  }
  place.week = week.weeks.first
  const begins = /^\s*\(([^()]*)\)/.exec(week.title ?? '')?.[1]
  const date = begins === undefined ? null : readWhen(begins.split(/\s*(?:[–—]|\bto\b|\s-\s)\s*/)[0] as string, draft.order)
  if (date?.date) {
    const start = { week: week.weeks.first, date: date.date, read: begins as string, at }
    draft.weekDates.push(start)
    became('first day of a week', start)
  }
  // "Week 3: Measuring flow; Quiz 2 due": the topic comes first, work behind it.
  // A day in brackets comes before the topic; what stands in brackets behind it is not cut.
  const [topic = '', ...work] = outsideBrackets(
    (week.title ?? '').replace(/^\s*\(([^()]*)\)\s*[:–—-]?\s*/, (all, day) => (/\d/.test(day) ? '' : all)),
  )
  const bare = topic.trim()
  const named = draft.head(bare)
  if (named || place.section === 'schedule' || draft.modules.length === 0 || draft.modules.every((m) => m.weeks !== null)) {
    const key = { number: named?.number ?? null, title: tidy(named ? (named.title ?? '') : bare) || null, weeks: week.weeks }
    if (key.title === null && key.number === null && !text.includes(':')) {
      place.module = draft.module({ number: null, title: null, weeks: week.weeks })
    } else place.module = draft.module(key)
    if (place.section !== 'schedule') place.section = null
  } else place.module = draft.module({ number: null, title: tidy(bare) || null, weeks: week.weeks })
  became('module', place.module)
  for (const part of work) readActivity(draft, place.module, part, place, at, became)
}

/** The parts of a line between semicolons, bars, dashes and full stops that stand in no brackets. */
function outsideBrackets(text: string): string[] {
  const parts: string[] = []
  let from = 0
  for (const match of text.matchAll(/\([^()]*\)|(\s*(?:[;|•]|\.\s+(?=[A-Z])|\s[-–—]\s)\s*)/g)) {
    if (match[1] === undefined) continue
    parts.push(text.slice(from, match.index))
    from = match.index + match[0].length
  }
  return [...parts, text.slice(from)]
}

/** "On completion you should be able to:" */
const opensList = (text: string): boolean => /:$/.test(text.trim())

/** A line long enough to state something; list items may be short. */
const isStatement = (text: string, item: boolean): boolean =>
  splitCode(text).rest.split(/\s+/).length >= (item || splitCode(text).code !== null ? 2 : 4)

/** "Check: ten questions": a word that what follows is to be done. */
const WORK_LABEL = /^(?:checks?|tasks?|activity|exercise|graded|do|try|make|homework|demo|your turn)\s*[:–—]\s*\S/i
const tellsValue = (text: string): boolean => {
  const item = readItem(text)
  return item.minutes !== null || item.amount !== null
}
const tellsActivity = (text: string): boolean => {
  const item = readItem(text)
  return (
    text.length <= 160 &&
    (item.minutes !== null ||
      item.amount !== null ||
      (kindIn(text.split(/[:–—(]/)[0] as string) !== null && text.length <= 110) ||
      (WORK_LABEL.test(text) && text.length <= 110))
  )
}

/** Nothing to do, whatever time it takes. */
const PAUSE = /^(?:(?:coffee|tea|lunch|short|long)[ -]?)?(?:break|lunch|pause|recess|interval)$|^mittagspause$/i

function readActivity(draft: Draft, module: DraftModule, text: string, place: Place, at: string, became: Became): void {
  const item = readItem(text, draft.order)
  if (item.title === '' || item.title.length > 200) return
  if (PAUSE.test(item.title)) return became('a break', undefined, 'not understood')
  for (const guess of item.guesses) draft.problem('number-guessed', `${short(item.title)}: ${guess}.`, at)
  if (place.section === 'schedule') {
    const mention = { ...item, week: place.week, module, at, piece: place.piece }
    draft.mentions.push(mention)
    return became('activity', mention)
  }
  const made = draft.activity(module, { ...draftActivity(item, at, place.piece), week: place.week })
  guessesOfItem(draft, made, item)
  place.activity = made
  became('activity', made)
}

/** `Requirements: one talk (30 %), term paper (70 %)`: the grade in a line. */
function readShares(draft: Draft, text: string, at: string, became: Became): boolean {
  const found = /^(\p{L}[\p{L} ]{3,40}?)\s*:\s+(\S.*)$/u.exec(text)
  const parts = (found?.[2] ?? '').split(/;\s+|,\s+(?=\p{L}|\d+ )/u)
  const shares = parts.filter((p) => /\d\s*%/.test(p))
  const isGrade = sectionOf(found?.[1] ?? '') === 'grading' || /^(?:requirements?|leistung\p{L}*|prüfung\p{L}*)$/iu.test(found?.[1] ?? '')
  if (!isGrade || shares.length < 2) return false
  for (const part of shares) readGrade(draft, part, at, became)
  for (const part of parts) if (!shares.includes(part)) draft.leave(part, at)
  return true
}

/** A line that is a piece by itself: the letters of the grade, `Instructor: ...`. */
function readPiece(draft: Draft, block: Extract<Block, { text: string }>, place: Place, became: Became): boolean {
  const { text, at } = block
  const steps = readScale(text)
  if (steps) {
    const piece = { kind: 'scale' as const, steps, at }
    draft.pieces.push(piece)
    became('grade scale', piece)
    return true
  }
  if (ONE_STEP.test(text)) {
    draft.scaleLines.push({ text, at, became: (piece) => became('grade scale', piece) })
    return true
  }
  const own = place.module === null && place.section !== 'other' && !(block.type === 'line' && block.item) ? readTextLine(text) : null
  if (!own) return false
  const piece = { kind: 'text' as const, ...own, at }
  draft.pieces.push(piece)
  became('text of the syllabus', piece)
  return true
}
/** `A = 90-100` alone in a line. */
const ONE_STEP =
  /^(?:[A-F][+−-]?|pass|merit|distinction|fail)\s*[:=–-]?\s*(?:(?:below|under|<)\s*\d{1,3}|\d{1,3}(?:[.,]\d+)?\s*%?\s*(?:(?:-|–|to)\s*\d{1,3}(?:[.,]\d+)?|\+|and (?:above|up)))\s*%?$/i

/** A line of a grade table in prose: `Quizzes (5 x 10 points): 25 %`. */
function readGrade(draft: Draft, text: string, at: string, became: Became): void {
  // "4 at 5 % each, 20 %": the share of all stands last.
  const share = [...text.matchAll(/(\d+(?:[.,]\d+)?)\s*%/g)].at(-1)
  const points = /(\d+(?:[.,]\d+)?)\s*(?:points?|pts)\b/i.exec(text)
  // A number alone behind a name counts points, unless it is part of a scale.
  const alone = share || points || /\d\s*[-–]\s*\d/.test(text) ? null : /^\p{L}.*?[\s.…:–-]\s*(\d{1,4}(?:[.,]\d+)?)$/u.exec(text)
  if (alone) {
    const entry = {
      title: tidy(text.slice(0, -(alone[1] as string).length).replace(/\.{2,}/g, ' ')),
      share: null,
      points: readAmount(alone[1] as string, 'points')?.value.value ?? null,
      count: null,
      at,
    }
    draft.categories.push(entry)
    draft.guess(entry, 'points', 'no unit stands behind the number')
    return became('grade entry', entry)
  }
  if (!share && !points) return
  const { title, count, each } = gradeTitle(withoutCodes(text.replace(share?.[0] ?? '', ' ')))
  if (title === '') return
  const own =
    points && each === null
      ? (readAmount(points[1] as string, 'points')?.value.value ?? null)
      : each !== null && count !== null
        ? each * count
        : each
  const entry = { title, share: share ? (readAmount(share[0], 'percent')?.value.value ?? null) : null, points: own, count, at }
  draft.categories.push(entry)
  became('grade entry', entry)
}

/** A grade entry without the outcomes that it names: "Essay – LO1, LO2". */
const withoutCodes = (text: string): string =>
  text.replace(/(?:\s*[,;–—-]\s*)+(?:[CMPSI]?LOs?|outcomes?|objectives?)\s*\d[\d\s.,;&LOCMPSI]*$/i, ' ')

/** The title of a grade entry and the count in it: `Quizzes (5)`, `5 quizzes`, `Labs, 3 x 40 points`. */
export function gradeTitle(text: string): { readonly title: string; readonly count: number | null; readonly each: number | null } {
  let rest = text
  let count: number | null = null
  let each: number | null = null
  const multiplied = /[([,:–-]?\s*(\d{1,2})\s*(?:[x×@]|at)\s*(?:(\d+(?:[.,]\d+)?)\s*(?:points?|pts|%)?(?:\s*each)?)?\s*[)\]]?/i.exec(rest)
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
