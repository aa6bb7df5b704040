/** What stands before the performance: numbers, lead-ins, states of mind, and lines about the teacher or a task. */
import type { Level } from '../blueprint/kinds/levels'
import type { Span } from './clauses'

const LEARNER = String.raw`(?:(?:the|all|our|each|every)\s+)?(?:successful\s+)?(?:learners?|students?|participants?|trainees?|candidates?|graduates?|apprentices?|pupils?|you)`
const ABLE = String.raw`(?:be\s+expected\s+to\s+)?(?:also\s+)?(?:be\s+(?:able|prepared|ready)\s+to\s+)?`
const LEAD_IN = new RegExp(
  String.raw`^\s*(?:(?:by|at|upon|on|after|following|in)\s[^,.:]{0,100}?[,:]?\s*(?=${LEARNER}\s+(?:will|should|can|must|are|is)\b))?` +
    String.raw`(?:${LEARNER}\s+(?:who\s[^,]{0,80}\s)?(?:will|should|can|must|are|is)\s+${ABLE}|${LEARNER}\s+(?=\p{L}+s\b)|(?:to\s+|should\s+|will\s+|can\s+)?be\s+able\s+to\s+|(?:I|we)\s+can\s+|to\s+(?!within\b))?`,
  'iu',
)
/** Bullets, numbers and codes that are left of a list. */
const NUMBERING =
  /^\s*(?:[-*•–▪◦]|\(?\d{1,3}(?:\.\d{1,3})*[a-z]?[.):]|\(?[a-z][.)]|\d{1,2}[a-z]|[A-Z]{1,4}-?\d{1,2}[a-z]?[.:]?|\d{1,3}\.\d{1,3})\s+/
/** Able to do a thing is doing it. */
const ABILITY =
  /^(?:demonstrate|show|have|display|develop|possess|acquire)\s+(?:that they can\s+|(?:the|an?|their)?\s*(?:ability|capacity|capability|skills?|competence|confidence)\s+(?:to\s+|in\s+(?=[a-z]+ing\b)))/i
const MIND = 'understanding|knowledge|awareness|appreciation|comprehension|familiarity|insights?|grasp|sense|mastery'
const STATE = new RegExp(
  String.raw`^(?:(?:demonstrate|show|have|gain|develop|acquire|possess|display|exhibit|build|improve|deepen|increase|enhance|broaden|obtain|get|expand|strengthen)\s+(?:(?:an?|the|their|some|your|basic|better|deep|deeper|sound|good|clear|working|critical|thorough|strong|full|solid|general|greater)\s+){0,3}(${MIND})(?:\s+(?:of|for|with|in|into|about))?` +
    String.raw`|(?:be|become|get|feel)\s+(?:\p{L}+ly\s+|more\s+|very\s+)?(aware|familiar|conscious|comfortable|confident|acquainted|knowledgeable|sensiti[sz]ed|sensitive|interested|mindful|proficient|competent|skilled|fluent|adept|conversant|well[- ]versed)(?:\s+(?:of|with|in|about|to|at))?` +
    String.raw`|(?:recogni[sz]e|see|realise|realize)\s+the\s+(importance|value|significance)\s+of)(?![\p{L}])`,
  'iu',
)
/** What to write instead of a state of mind, by its noun (Cairn defaults). */
const INSTEAD: Readonly<Record<string, readonly string[]>> = {
  understanding: ['explain', 'summarise', 'compare'],
  comprehension: ['explain', 'summarise', 'compare'],
  knowledge: ['state', 'describe', 'list'],
  mastery: ['perform', 'demonstrate', 'solve'],
  awareness: ['identify', 'describe', 'explain'],
  appreciation: ['explain', 'justify', 'compare'],
  importance: ['explain', 'justify', 'defend'],
  value: ['explain', 'justify', 'defend'],
  significance: ['explain', 'justify', 'defend'],
}

const PEOPLE = String.raw`(?:(?:the|all|our|your|each|every)\s+)?(?:students?|learners?|participants?|trainees?|pupils?|them)\b`
const TEACHING = [
  String.raw`^(?:in\s+)?(?:this|the|our|each)\s+(?:course|unit|module|lesson|class|session|workshop|programme|program|lecture|seminar|week|chapter)\b(?!\s*,?\s*${LEARNER}\s)`,
  String.raw`^(?:the\s+|your\s+)?(?:instructor|teacher|lecturer|tutor|professor|facilitator|trainer)s?\s+(?:will|should|must|can|\p{L}+s)\b`,
  String.raw`^(?:we|I)\s+(?:will|shall|are going to|aim|hope)\b`,
  String.raw`^(?:to\s+)?(?:provide|give|offer|teach|introduce|familiari[sz]e|expose|acquaint|show|help|enable|encourage|allow|equip|train|instruct|inspire|motivate|engage|make|ensure|guide|support|prepare)\s+(?:that\s+)?${PEOPLE}`,
  String.raw`^${LEARNER}\s+(?:will|are|should)\s+(?:be\s+)?(?:introduced|exposed|taught|given|shown|provided|familiari[sz]ed|trained|told|encouraged)\b`,
  String.raw`^(?:to\s+)?(?:cover|introduce|provide|offer)\s+(?:the|an?)?\s*(?:overview|introduction|basics|foundations?|fundamentals|topics?|concepts?|main)\b`,
].map((source) => new RegExp(source, 'iu'))
const TASK =
  /^(?:complete|submit|hand in|turn in|attend|watch|read|take|do|finish|participate in|post (?:to|in)|view|listen to|take part in|sit|pass|work through|click through|log in to)\b(?:\s+(?!with\b|by\b|from\b|on\b|about\b)[\p{L}\d’'.,-]+){0,5}?\s+(?:quiz(?:zes)?|exams?|examination|tests?(?! kit)|assignments?|worksheets?|workshops?|chapters?|videos?|lectures?|webinars?|discussion (?:board|forum)s?|(?<=^(?:complete|submit|finish|do)\b.*)discussions?|forums?|exercises?|homework|lab reports?|surveys?|readings?|modules?|units?|activit(?:y|ies)|tutorials?|podcasts?|slides?|papers? \d|pages?|textbook|project \d|course evaluation|simulation|essay \d)\b/iu

/** Where numbers and bullets before a statement end. */
export const numberingEnd = (text: string): number => {
  const end = NUMBERING.exec(text)?.[0].length ?? 0
  return end + (/^\s*/.exec(text.slice(end))?.[0].length ?? 0)
}

/** Where the statement itself begins: behind numbers, bullets and "Learners will be able to". */
export function openingEnd(text: string): { readonly end: number; readonly third: boolean } {
  const number = NUMBERING.exec(text)?.[0].length ?? 0
  const lead = LEAD_IN.exec(text.slice(number))?.[0] ?? ''
  let end = number + lead.length
  // The lead-in may end before its own list mark: "Learners will be able to: - list".
  end += /^\s*:?\s*(?:[-•]\s*)?/.exec(text.slice(end))?.[0].length ?? 0
  const ability = ABILITY.exec(text.slice(end))?.[0] ?? ''
  const third = new RegExp(`${LEARNER}\\s+$`, 'iu').test(lead) || /(?:^|\s)(?:in)\s+$/i.test(ability)
  return { end: end + ability.length, third }
}

export type StateOfMind = Span & { readonly instead: readonly string[] /** The level it most likely means. */; readonly meant: Level }

/** "demonstrate understanding of" and the like at an offset; null when none stands there. */
export function stateOfMindAt(text: string, offset: number): StateOfMind | null {
  const rest = text.slice(offset)
  const adverb = /^\p{L}+ly\s+/iu.exec(rest)?.[0].length ?? 0
  for (const skip of adverb ? [0, adverb] : [0]) {
    const found = STATE.exec(rest.slice(skip))
    if (!found) continue
    const noun = (found[1] ?? found[3] ?? '').toLowerCase()
    const instead = INSTEAD[noun] ?? (found[2] ? ['identify', 'describe', 'explain'] : ['explain', 'describe', 'summarise'])
    const meant = /know|aware|familiar|acquaint/i.test(found[0])
      ? 'remember'
      : /appreciat|sensit|comfort|confid|interest/i.test(found[0])
        ? 'value'
        : 'understand'
    return { start: offset + skip, end: offset + skip + found[0].length, instead, meant }
  }
  return null
}

/** Words about what the teacher or the course does, where the line should say what a learner does. */
export function teacherCentred(text: string): Span | null {
  const number = NUMBERING.exec(text)?.[0].length ?? 0
  const rest = text.slice(number)
  const lead = rest.search(/\S/)
  if (lead < 0) return null
  const found = TEACHING.map((shape) => shape.exec(rest.slice(lead))).find((f) => f !== null)
  return found ? { start: number + lead, end: number + lead + found[0].length } : null
}

/** A task of the course ("complete quiz 2") that stands at an offset, whole. */
export function taskAt(text: string, offset: number): Span | null {
  const found = TASK.exec(text.slice(offset))
  return found ? { start: offset, end: offset + found[0].length } : null
}

/** The verb that a task begins with, for marking it: its first word. */
export const taskVerb = (text: string, task: Span): Span => ({
  start: task.start,
  end: task.start + (/^\p{L}+/u.exec(text.slice(task.start))?.[0].length ?? 0),
})

/** Whether a word can open a noun phrase or a clause that a verb governs. */
export const opensObject = (text: string): boolean =>
  /^\s+(?:the|an?|its|their|it|them|this|that|these|those|how|why|what|which|when|whether|where|each|every|all|both|two|three|four|five|six|one|your|his|her|any|some|at least|at|on|to|in|into|from|out|up|for|about|own|\d)\b/i.test(
    text,
  )
