/** Lines that tell work, one piece or several, and facts below it. */
import { capital } from '../blueprint/text'
import { type Draft, type DraftModule, draftActivity, short } from './draft'
import { guessesOfItem } from './guesses'
import { kindIn, readItem } from './items'
import type { Became, Place } from './place'
import { readAmount, readLetters } from './quantities'
import { readWhen } from './when'

/** `Assignment 2: Draft entry (25 %)` */
export const NUMBERED_WORK =
  /^(?:assessment|assignment|task|exercise|project|paper|activity|essay|lab|quiz)\s*(?:no\.?\s*)?#?\d{1,2}\s*[:.–—-]\s*(?=\S)/i

/** `Due: 15 March`, `Time: about 2 hours`, `Weight: 10 %`: facts below the activity that they are of. */
const FACT =
  /^(due|deadline|hand[- ]in|time|duration|length|effort|points|marks|weight(?:ing)?|value|worth|grade|tasks?|instructions?|format|purpose|type|kind|submission)\s*[:–—]\s*(\S.*)$/i

export function readFact(draft: Draft, text: string, place: Place, at: string, became: Became): boolean {
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
  const name = label.toLowerCase()
  const activity = place.activity
  if (!activity) {
    // "Time: 50 min" right below a module is what all of it takes.
    const all = open && /^(?:time|duration|length)/.test(name) ? readItem(`x, ${value}`).minutes : null
    if (!open || all === null || open.activities.length > 0) return false
    draft.totals.push({ what: 'minutes', value: all, module: open, part: true, ofGrades: false, piece: place.piece, at })
    became('a sum', undefined, 'decoration')
    return true
  }
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

/** What comes before a list in its line. */
const LIST_LEAD = /^(?:to do|do this|tasks?|activit(?:y|ies)|homework|this week|your work)\s*:\s*/i

/** "There is a film (14 min), a reading, and ..." */
const THERE_IS = /^there (?:is|are|will be)\s+/i

/** "day 1: safety talk (15 min), grip practice (20 min)": the work of a part in the line that names it. */
export function listedBehind(text: string): { readonly label: string; readonly parts: readonly string[] } | null {
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

const OF_WORK = /^(?:worth|counts?|graded|marked|for)\b[^.;]{0,30}\d+\s*(?:points?|pts|marks?|%)[^.;]{0,10}\.?$/i

/** "role play, live [60 min]": what tells no value belongs to the part behind it, where another part has a value of its own. */
function withOpenings(parts: readonly string[]): string[] {
  const joined: string[] = []
  let open = ''
  for (const part of parts) {
    open += open === '' ? part : `, ${part}`
    if (!tellsValue(part)) continue
    joined.push(open)
    open = ''
  }
  return open === '' ? joined : [...parts]
}

/** The activities of a line that holds several, each with a time, points or a day; the line alone where it holds one. */
export function severalIn(text: string): string[] {
  const parts = text
    .replace(LIST_LEAD, '')
    .replace(THERE_IS, '')
    .split(/(?<=[.;)])\s+(?=\p{Lu})|\s*;\s+/u)
    .map((p) => p.trim())
    .filter((p) => /\p{L}/u.test(p))
    // "Worth 10 points." is said of the work before it.
    .reduce<string[]>((all, p) => {
      if (all.length > 0 && OF_WORK.test(p)) all[all.length - 1] += ` ${p}`
      else all.push(p)
      return all
    }, [])
  const tells = (part: string): boolean => {
    const item = readItem(part)
    return item.minutes !== null || item.amount !== null || item.when !== null || isLabelledWork(part)
  }
  const many = parts.length > 1 && parts.every((p) => p.length <= 160)
  if (many && (parts.filter(tells).length >= Math.max(2, parts.length * 0.6) || isLabelledWork(parts[0] as string))) return parts
  if (THERE_IS.test(text)) return text.replace(THERE_IS, '').split(/,\s+(?:and\s+)?(?![^(]*\))|\s+and\s+(?=an?\s)/)
  const byComma = withOpenings(commaParts(text.replace(LIST_LEAD, '')))
  return byComma.length > 1 && byComma.every((p) => p.length <= 100 && tellsValue(p)) ? byComma : [text]
}

/** "Check: ten questions": a word that what follows is to be done. */
const WORK_LABEL =
  /^(?:checks?|tasks?|activity|exercise|graded|do|try|make|homework|demo|your turn|read|watch|listen|practi[cs]e|write|discuss|post|hand in|submit|meet|due|prepare|complete|reflect|explore|compare|build|record|upload|share|reply|answer)\s*[:–—]\s*\S/i

/** "Watch: Shaping", "Quiz: Flour": a word for what is to be done, or for its kind, before what it is about. */
export const isLabelledWork = (text: string): boolean => {
  const label = /^(\p{L}[\p{L} ]{2,20}):\s+\S/u.exec(text)?.[1]
  return WORK_LABEL.test(text) || (label !== undefined && kindIn(label) !== null)
}

export const tellsValue = (text: string): boolean => {
  const item = readItem(text)
  return item.minutes !== null || item.amount !== null
}

/** Words of what is due on a day, at most (Cairn default): more are a sentence about something else. */
const MOST_NAMED = 6

export const tellsActivity = (text: string): boolean => {
  const item = readItem(text)
  return (
    text.length <= 160 &&
    (item.minutes !== null ||
      item.amount !== null ||
      (item.when !== null && item.dueSaid && item.title.split(/\s+/).length <= MOST_NAMED) ||
      (kindIn(text.split(/[:–—(]/)[0] as string) !== null && text.length <= 110) ||
      (WORK_LABEL.test(text) && text.length <= 110))
  )
}

/** Nothing to do, whatever time it takes. */
export const PAUSE = /^(?:(?:coffee|tea|lunch|short|long)[ -]?)?(?:break|lunch|pause|recess|interval|tea|coffee)$|^mittagspause$/i

/** `Carve a spoon [a, b]`: letters of the module's objectives behind a title, and the text without them. */
function lettersBehind(text: string, module: DraftModule): { readonly bare: string; readonly letters: string[] | null } {
  const found = /\s*[([]([^()[\]]{1,20})[)\]]\s*$/.exec(text)
  const letters = readLetters(found?.[1] ?? '')
  const known = letters?.every((l) => module.objectives.some((o) => o.code === l))
  return found && letters && known ? { bare: text.slice(0, found.index), letters } : { bare: text, letters: null }
}

export function readActivity(draft: Draft, module: DraftModule, text: string, place: Place, at: string, became: Became): void {
  const { bare, letters } = lettersBehind(text, module)
  const read = readItem(bare, draft.order)
  const item = letters ? { ...read, codes: letters } : read
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
