/** Syllabus text: what each heading, line and list item says. */

import type { Block } from './blocks'
import type { Draft, DraftModule } from './draft'
import { moduleRef, weekHead } from './heads'
import { CLOSED, kindIn, readStatement, tidy } from './items'
import type { Entry } from './ledger'
import type { Became, Place } from './place'
import { readDrop, readGrade, readPiece, readShares, readTotal } from './prose-grades'
import { paragraphOf, readInlineAbilities, readMasthead } from './prose-sentences'
import { openMeeting, openWeek, readInWeek } from './prose-weeks'
import { isLabelledWork, listedBehind, NUMBERED_WORK, readActivity, readFact, severalIn, tellsActivity, tellsValue } from './prose-work'
import { splitCode } from './quantities'
import { opensAbilities, sectionOf } from './sections'
import { readTerm } from './term'
import { leadingDate } from './when'

const opensSection = (block: { readonly type: string; readonly text: string }): boolean =>
  block.type === 'heading' ||
  /:\s*$/.test(block.text) ||
  opensAbilities(block.text) ||
  (block.text.split(/\s+/).length <= 5 && !/[.;,]$/.test(block.text) && !/\d/.test(block.text))

/** Titles that name what a document is and not which course it is about. */
const GENERIC_TITLE =
  /^(?:(?:course|module|unit|programme?)\s+)?(?:design\s+)?(?:syllabus|map|blueprint|plan|outline|overview|schedule|handbook|guide|template|descriptor|specification)(?:\s+\d{4}(?:[/–-]\d{2,4})?)?$|\b(?:planning|design|course) (?:template|sheet|worksheet)$/i

const BOOKS =
  /^(?:(?:required|recommended|further|key|core|set|background)\s+)?(?:readings?|reading list|literature|bibliography|references|books|resources)\s*:?$/i
/** Words of a heading that say that it is about all of the course. */
const OF_COURSE = /course|program|student|overall|\b(?:days|weeks|sessions|modules|lessons|units)\b/i
/** Headings of texts that a module has as well as a course. */
const MODULE_TEXT =
  /^(?:overview|welcome|description|introduction|about(?: this (?:module|unit|week|topic))?|before you start|what you need|technology|support|feedback|communication)\s*:?$/i

/** Reads one heading or line. */
export function readLine(draft: Draft, block: Extract<Block, { text: string }>, place: Place, given?: readonly Entry[]): void {
  const entries = given ?? [draft.ledger.line(block.text, block.at)]
  const became: Became = (what, thing, fate = 'read') => {
    for (const entry of entries) entry.became(fate, what, thing)
  }
  readText(draft, block, place, became)
}

function readText(draft: Draft, block: Extract<Block, { text: string }>, place: Place, became: Became): void {
  const { text, at } = block
  if (block.type === 'line' && block.again) return became('table of contents', undefined, 'decoration')
  if (block.type === 'line' && block.opens && place.module === null) {
    const piece = { kind: 'text' as const, title: tidy(text), text: '', at }
    draft.pieces.push(piece)
    Object.assign(place, { section: 'other', text: piece })
    return became('text of the syllabus', piece)
  }
  const sentences = paragraphOf(draft, block)
  if (sentences) return readSentences(draft, block, sentences, place, became)
  if (block.titles && place.module) {
    place.module.title = tidy(text)
    return became('module', place.module)
  }
  const head = block.type === 'heading' && block.module ? moduleRef(text) : draft.head(text)
  // "Module 2 quiz (20 points)" names an activity, not a module.
  const listed = head ? listedBehind(text) : null
  if (head && listed) {
    const module = enter(place, draft.module({ number: head.number, title: listed.label, weeks: null }))
    became('module', module)
    for (const part of listed.parts) readActivity(draft, module, part, place, at, became)
    return
  }
  if (head && !(block.type === 'line' && block.item && kindIn(text)) && !/\b\d+\s*(?:points?|pts|min)\b/i.test(text)) {
    place.week = null
    const module = enter(place, draft.module(head))
    if (head.minutes)
      draft.totals.push({ what: 'minutes', value: head.minutes, module, part: true, ofGrades: false, piece: place.piece, at })
    return became('module', module)
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
  if (readFact(draft, text, place, at, became) || readShares(draft, text, at, became) || readPiece(draft, block, place, became)) return
  if (place.module && readLabelled(draft, text, place.module, at, became)) return
  const section = block.section ?? sectionOf(text)
  if (block.type === 'line' && block.leaves) {
    place.module = null
    place.section = 'other'
  }
  if (section && opensSection(block)) {
    // What stands below the schedule is no more of its last week.
    if (place.section === 'schedule') place.module = null
    place.section = section === 'activities' && place.module === null && BOOKS.test(text.trim()) ? 'other' : section
    place.text = null
    if (place.section === 'other') {
      // "Overview" inside a module is about the module, which goes on below it.
      const within = MODULE_TEXT.test(text.trim()) ? place.module : null
      const title = within ? `${within.title ?? `Module ${within.number}`}: ${tidy(text)}` : tidy(text)
      const piece = { kind: 'text' as const, title, text: '', at }
      draft.pieces.push(piece)
      place.text = piece
      place.module = within
      return became('text of the syllabus', piece)
    }
    became('a heading', undefined, 'decoration')
    // "Learning outcomes" inside a module are its objectives, unless they say that they are the course's.
    if (section === 'outcomes' && place.module !== null && !OF_COURSE.test(text)) {
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
  if (readMasthead(draft, text, at, became) || readInlineAbilities(draft, text, place, at, became)) return
  if (readTotal(draft, text, place, at)) {
    for (const more of text.split(/(?<=[.!])\s+(?=\p{Lu})/u).slice(1)) draft.leave(more, at)
    return became('a sum', undefined, 'decoration')
  }
  if (readDrop(draft, text, became)) return
  if (CLOSED.test(text) && text.length <= 100) {
    // What else the line says is not about the day.
    const sentences = text.split(/(?<=[.!])\s+(?=\p{Lu})/u)
    const own = sentences.findIndex((s) => CLOSED.test(s))
    const piece = draft.closed(own < 0 ? text : (sentences[own] as string), at)
    if (own >= 0) for (const [i, s] of sentences.entries()) if (i !== own) leaveOrTerm(draft, s, at)
    return became('a day without classes', piece)
  }
  readInSection(draft, block, place, became)
}

/** A sentence beside another that was read: the days of the term, or left as not understood. */
function leaveOrTerm(draft: Draft, sentence: string, at: string): void {
  const term = readTerm(sentence, at, draft.order)
  if (term) draft.pieces.push(term)
  else draft.leave(sentence, at)
}

/** What stands below is of another module. */
function enter(place: Place, module: DraftModule): DraftModule {
  Object.assign(place, { module, section: null, activity: null })
  return module
}

/** Sentence by sentence; what one of them leaves open is not understood, whatever the others became. */
function readSentences(
  draft: Draft,
  block: Extract<Block, { text: string }>,
  sentences: readonly string[],
  place: Place,
  became: Became,
): void {
  for (const sentence of sentences) {
    let isClaimed = false
    readText(draft, { ...block, text: sentence.replace(/\.$/, '') }, place, (...what) => {
      isClaimed = true
      became(...what)
    })
    if (!isClaimed) draft.leave(sentence, block.at)
  }
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
    /^(?:(?:module|unit|weekly|learning)\s+)?(?:learning\s+)?(?:aims?|objectives?|outcomes?|goals?|objetivos?|objectifs?|lernziele?|leerdoelen)\s*:\s*(\S.{9,})$/i.exec(
      text,
    )
  if (!list) return readAbilities(draft, text, module, at, became)
  for (const part of (list[1] as string).split(/\s*;\s*/))
    if (part.trim() !== '') became('objective', draft.objective(module, readStatement(part), at))
  return true
}

/** `You will learn to: ask open questions; cut an interview` */
function readAbilities(draft: Draft, text: string, module: DraftModule, at: string, became: Became): boolean {
  const list =
    /^(?:in this \w+,? )?(?:you|students|learners|participants|trainees)(?: (?:will|should|can|must|are))? (?:be able to|learn(?: how)?(?: to)?|able to)\s*:\s+(\S.{9,})$/i.exec(
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
  // Work behind a list of what is to be learnt, apart from it or by its label.
  const isBehind = block.type === 'line' && (block.behindList || (!item && place.section === 'objectives' && isLabelledWork(text)))
  if (place.module && isBehind && tellsActivity(text)) place.section = null
  switch (place.section) {
    case 'outcomes':
      if (opensList(text)) return became('opens a list', undefined, 'decoration')
      if (/^(?:this|the) (?:module|course|unit|programme?|class|workshop)\b/i.test(text)) {
        const piece = { kind: 'text' as const, title: 'Aims', text, at }
        draft.pieces.push(piece)
        return became('text of the syllabus', piece)
      }
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
      // Work in a list below the text of a module, without a heading of its own.
      if (place.module && item && tellsValue(text)) {
        place.section = null
        return readActivity(draft, place.module, text, place, at, became)
      }
      if (!place.text) return
      place.text.text = [place.text.text, text].filter(Boolean).join('\n')
      return became('text of the syllabus', place.text)
    default:
      if (
        place.module &&
        splitCode(text).code !== null &&
        isStatement(text, item) &&
        !tellsValue(text) &&
        (/^[CMPSIU]?LO(?=[\s\d])/i.test(splitCode(text).code ?? '') || kindIn(splitCode(text).rest) === null)
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

/** "On completion you should be able to:" */
const opensList = (text: string): boolean => /:$/.test(text.trim())

/** A line long enough to state something; list items may be short. */
const isStatement = (text: string, item: boolean): boolean =>
  splitCode(text).rest.split(/\s+/).length >= (item || splitCode(text).code !== null ? 2 : 4)
