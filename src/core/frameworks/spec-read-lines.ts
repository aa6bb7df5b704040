/** Lines of a specification, each within the section that the last heading opened. */
import { type Coded, codedLine, letteredLine } from './spec-codes'
import {
  isList,
  isSentence,
  KIND_OF,
  type ListSection,
  labelled,
  namesIn,
  opensList,
  type Section,
  sectionOf,
  sectionOfKind,
} from './spec-headings'
import { continues, OPEN_END } from './spec-join'
import type { SpecLine } from './spec-lines'
import type { Open, Reading } from './spec-reading'
import { beforeSections, metaOf, setMeta } from './spec-top'
import { BOILERPLATE, SIGN_OFF } from './spec-words'

export function readLine(r: Reading, line: SpecLine): void {
  const { text } = line
  if (/^(?:https?:\/\/|www\.)\S+$/i.test(text)) return r.leave(line)
  if (!/[\p{L}\p{N}]/u.test(text) || /\.{4,}\s*\d+$/.test(text) || /^-{2,}|^_{2,}/.test(text)) return r.leave(line)
  if (SIGN_OFF.test(text)) {
    r.startSection('prose', null)
    return r.leave(line)
  }
  if (readRange(r, line) || readHeading(r, line) || readLabel(r, line)) return
  if (BOILERPLATE.test(text)) return r.leave(line)
  const coded = codeOf(r, text)
  if (coded?.said) {
    if (r.section !== 'elements') r.startSection('elements', null)
    return readCoded(r, coded, line)
  }
  if (r.section === 'elements') return inElements(r, coded, line)
  if (isList(r.section)) return readInList(r, r.section, line)
  // Numbers below the text about a unit begin the elements where nothing said so.
  if (coded && beginsElements(r, coded)) {
    r.startSection('elements', null)
    return readCoded(r, coded, line)
  }
  if (r.section === null) return beforeSections(r, line)
  if (!goesOn(r, line)) r.leave(line)
}

/** The number that a line begins with; a letter alone only where it is the next among the elements. */
function codeOf(r: Reading, text: string): Coded | null {
  const coded = codedLine(text, r.scheme)
  return coded?.loose && (isList(r.section) || coded.path[0] !== (r.element?.number ?? 0) + 1) ? null : coded
}

const beginsElements = (r: Reading, coded: Coded): boolean => {
  const [first, second] = coded.path
  if (coded.rest === '' || coded.path.length > 2) return false
  // Back from a heading that nobody knows: the next number of what was read.
  if (r.roots.length > 0) return r.section === 'unknown' && first === (r.element?.number ?? 0) + 1 && second === undefined
  return first === 1
}

/** What a criterion covers: "Range: sand, water", or a list below "This covers:". */
function readRange(r: Reading, line: SpecLine): boolean {
  const item = r.section === 'elements' ? (r.criterion ?? r.element) : null
  if (!item) return false
  if (r.ranged === item && (line.bullet || goesOnWithNote(r, line))) {
    if (codeOf(r, line.text)) return false
    if (line.bullet) r.note(item, line.text, line)
    else continueNote(r, item, line)
    return true
  }
  const label = labelled(line.text)
  const name = label?.name ?? (opensList(line.text) ? line.text : null)
  if (name === null || namesIn(name)[0] !== 'range') return false
  r.note(item, line.text, line)
  r.ranged = item
  return true
}
const goesOnWithNote = (r: Reading, line: SpecLine): boolean =>
  r.last === 'note' && !line.apart && !codeOf(r, line.text) && continues(r.lastLine, line, r.noted?.notes.at(-1) ?? '')
function continueNote(r: Reading, item: Open, line: SpecLine): void {
  item.notes.push(r.join(item.notes.pop() ?? '', line.text))
  r.became(line, 'read', 'note', item)
}

/** A line that names a part of the specification, or one that stands there like it. */
function readHeading(r: Reading, line: SpecLine): boolean {
  const { text } = line
  if (line.bullet && r.section !== null) return false
  const answered = Object.hasOwn(r.answers.headings, text) ? r.answers.headings[text] : undefined
  if (answered) {
    r.startSection(answered === 'leave out' ? 'prose' : sectionOfKind(answered), line)
    return true
  }
  const name = withoutUnit(r, text)
  const section = sectionOf(name)
  if (section === null || isMiddleOfSentence(r, line)) return false
  // "Evidence must include:" below a heading opens its list; it names no part unless the heading named it too.
  const names = namesIn(name)
  if (r.heading !== null && isSentence(text) && isList(r.section) && !r.headingNames.slice(1).includes(section)) return false
  if (r.section === 'elements' && r.element && isSentence(text) && section === 'elements') return noteOfElement(r, line)
  if (section === 'range') unknownHeading(r, line)
  else readSection(r, section, line, names)
  return true
}
/** "Assessment requirements for RSA-12 Inspect arrays" names the part and then the unit. */
function withoutUnit(r: Reading, text: string): string {
  const [part = '', unit] = text.split(/\s+(?:for|of)\s+(?:unit\s+)?(?=\p{Lu})/u)
  if (unit === undefined) return text
  const known = [r.code, r.title].some((n) => n !== null && unit.toLowerCase().startsWith(n.toLowerCase()))
  return known ? part : text
}
const isMiddleOfSentence = (r: Reading, line: SpecLine): boolean =>
  r.last !== null && typeof r.last === 'object' && !line.apart && /^\p{Ll}/u.test(line.text) && OPEN_END.test(r.last.statement)

/** "Skills" within a list of skills, "Element" again after a page: the section goes on. */
export function readSection(r: Reading, section: Section, line: SpecLine, names?: readonly Section[]): void {
  const columns = r.columns
  r.startSection(section, line, names)
  r.columns = line.cells.length > 1 ? columns : null
}
/** "The learner can:" below an element. */
function noteOfElement(r: Reading, line: SpecLine): boolean {
  if (!r.element || r.element.children.length > 0) return false
  r.decoration(line, 'opens the criteria')
  return true
}

/** `Title: ...`, `Knowledge evidence: ...`: a name and what it introduces in one line. */
function readLabel(r: Reading, line: SpecLine): boolean {
  const named = /^((?:unit|qualification|standard)\s+(?:title|code|name|number))\s+(\S.*)$/i.exec(line.text)
  if (named && r.roots.length === 0) {
    setMeta(r, metaOf(named[1] as string) ?? 'title', named[2] as string, line)
    return true
  }
  const label = line.bullet ? null : labelled(line.text)
  if (!label) return false
  const meta = metaOf(label.name)
  if (meta && !(r.section && r.section !== 'prose')) {
    setMeta(r, meta, label.rest, line)
    return true
  }
  const head = sectionOf(label.name)
  if (!head || head === 'elements' || head === 'range') return false
  r.startSection(head, null)
  if (isList(head)) readInList(r, head, { ...line, text: label.rest })
  else r.leave(line)
  return true
}

function inElements(r: Reading, coded: Coded | null, line: SpecLine): void {
  if (coded && coded.rest === '' && line.text.length > 6) return r.leave(line)
  if (coded) return readCoded(r, coded, line)
  if (opensList(line.text) && !line.bullet && noteOfElement(r, line)) return
  if (goesOn(r, line)) return
  if (readLettered(r, line)) return
  if (line.bullet && r.criterion?.statement.endsWith(':')) {
    r.open('performance criterion', null, line.text, line, r.criterion.children)
    return
  }
  if (line.bullet && r.element) {
    r.startCriterion(null, line.text, line)
    return
  }
  // Without numbers: a heading of its own line is an element where criteria are bullets.
  if (looksLikeHeading(r, line) && (r.element === null || r.element.children.length > 0) && (r.element?.code ?? null) === null) {
    r.startElement(null, line.text, line)
    return
  }
  if (looksLikeHeading(r, line) && line.apart) return unknownHeading(r, line)
  r.leave(line)
}
const looksLikeHeading = (r: Reading, line: SpecLine): boolean =>
  !line.bullet && (line.apart || r.element === null || r.next?.bullet === true) && line.text.length < 140 && !/[.;,]$/.test(line.text)

/** A heading that nobody knows is asked about; what is below it waits. */
function unknownHeading(r: Reading, line: SpecLine): void {
  r.startSection('unknown', null)
  r.strange = line.text
  r.became(line, 'question', 'what is below this heading?')
  r.left.push({ text: line.text, at: line.at })
  r.last = 'left'
  r.problems.push({
    code: 'heading-unknown',
    message: `“${line.text}” is a heading that Cairn does not know: what stands below it is not taken in`,
    at: line.at,
  })
}

function readLettered(r: Reading, line: SpecLine): boolean {
  const lettered = letteredLine(line.text)
  if (!lettered) return false
  if (r.element?.children.every((c) => c.code === null || /[a-z]$/.test(c.code))) {
    r.startCriterion(`${r.element.code ?? ''}${lettered.mark}`, lettered.rest, line)
    return true
  }
  if (!r.criterion) return false
  r.open('performance criterion', `${r.criterion.code ?? ''}${lettered.mark}`, lettered.rest, line, r.criterion.children)
  return true
}

export function readCoded(r: Reading, coded: Coded, line: SpecLine): void {
  const { path, rest, said } = coded
  const number = path.at(-1) ?? null
  if (said === 'area') {
    r.area = r.open('area', coded.code, rest, line, r.roots, number)
    r.element = null
    r.criterion = null
    return
  }
  const criterion =
    said === 'criterion' ||
    (said === null && path.length >= 2) ||
    /^(?:PC|P|AC)$/.test(coded.letters) ||
    (coded.letters !== '' && coded.letters === r.element?.code)
  if (!criterion) {
    r.startElement(coded.code, rest, line, number)
    return
  }
  const owner = path[0] as number
  if (path.length >= 2 && r.element?.number !== owner) findElement(r, owner, coded, line)
  if (path.length >= 3 && r.criterion && r.criterion.code === path.slice(0, 2).join('.'))
    r.open('performance criterion', coded.code, rest, line, r.criterion.children, number)
  else r.startCriterion(coded.code, rest, line, number)
}

/** Goes to the element that a criterion's number names, and makes one where there is none. */
function findElement(r: Reading, owner: number, coded: Coded, line: SpecLine): void {
  const known = (r.area?.children ?? r.roots).find((e) => e.kind === 'element' && e.number === owner)
  if (known) {
    r.element = known
    return
  }
  const name = /^[A-Z]/.test(coded.code) && coded.letters === '' ? (coded.code[0] as string) : String(owner)
  r.problems.push({ code: 'element-missing', message: `${coded.code} stands without an element ${name}`, at: line.at })
  r.startElement(name, `Element ${name}`, { ...line, text: '' }, owner)
}

/** A line of a list of skills, evidence or conditions. */
function readInList(r: Reading, section: ListSection, line: SpecLine): void {
  const coded = codeOf(r, line.text)
  // A criterion's number that goes on where the elements were left: a page or a box stood between.
  const goesOnWithElements =
    coded?.path.length === 2 && r.element?.number === coded.path[0] && r.element?.children.at(-1)?.number === (coded.path[1] ?? 0) - 1
  if (coded && goesOnWithElements) {
    r.startSection('elements', null)
    return readCoded(r, coded, line)
  }
  if (coded && coded.rest !== '' && !line.bullet) return listItem(r, section, { ...line, text: coded.rest }, coded.code)
  if (goesOn(r, line)) return
  if (r.heading === null && isStrangeHeading(r, line)) return unknownHeading(r, line)
  listItem(r, section, line)
}
/** A short line apart from the list above it, with bullets below it. */
const isStrangeHeading = (r: Reading, line: SpecLine): boolean =>
  !line.bullet &&
  r.lastLine?.bullet === true &&
  r.next?.bullet === true &&
  !opensList(line.text) &&
  line.text.length < 80 &&
  /^\p{Lu}/u.test(line.text) &&
  !/[.;,]$/.test(line.text)

export function listItem(r: Reading, section: ListSection, line: SpecLine, code: string | null = null): void {
  const lettered = code === null ? letteredLine(line.text) : null
  const text = lettered?.rest ?? line.text
  const kind = KIND_OF[section]
  if (opensList(text) && !line.bullet) return r.startLead(kind, code, text, line)
  // A plain paragraph after a list is on its own again.
  if (r.lead && !line.bullet && !lettered && code === null && r.leadBullets) r.lead = null
  if (line.bullet) r.leadBullets = true
  r.heading = null
  const above = r.last !== null && typeof r.last === 'object' ? r.last : null
  // Bullets further in below a bullet that opens a list are its parts.
  const owner = partOwner(above, line)
  const into = owner?.children ?? (r.lead && typeof r.lead === 'object' ? r.lead.children : r.roots)
  const item = r.open(kind, code, text, line, into)
  if (typeof r.lead === 'string' && !owner) item.notes.push(r.lead)
  if (owner) parentOf.set(item, owner)
}
/** Whose part an item of a list became. */
const parentOf = new WeakMap<Open, Open>()
function partOwner(above: Open | null, line: SpecLine): Open | null {
  for (let item = above; item; item = parentOf.get(item) ?? null) {
    if (line.bullet && item.line.bullet && opensList(item.statement) && line.indent > item.line.indent) return item
  }
  return null
}

/** Takes a line into the item above where it goes on with it. */
export function goesOn(r: Reading, line: SpecLine): boolean {
  if (line.bullet || letteredLine(line.text)) return false
  const { last } = r
  if (last === 'left') {
    const left = r.left.at(-1)
    if (!left || line.apart || !r.lastLine || !continues(r.lastLine, line, left.text)) return false
    left.text = r.join(left.text, line.text)
    r.became(line, 'not understood', '')
    return true
  }
  if (last === null || typeof last === 'string') return false
  const goes =
    last.statement === '' ||
    (line.hanging && (r.lastLine?.cells.length ?? 0) > 1) ||
    (continues(r.lastLine, line, last.statement) && !beginsItem(r, last, line))
  if (!goes) return false
  last.statement = last.statement === '' ? line.text : r.join(last.statement, line.text)
  r.became(line, 'read', last.kind, last)
  // Only now it is seen that it opens a list.
  if (isList(r.section) && opensList(last.statement) && !last.line.bullet) {
    r.takeBack(last)
    r.startLead(last.kind, last.code, last.statement, line)
  }
  return true
}
/** In a list without bullets a line that begins small may well be the next item. */
function beginsItem(r: Reading, last: Open, line: SpecLine): boolean {
  if (r.section === 'skills' && labelled(line.text)) return true
  const list = r.section !== 'elements' && !last.line.bullet && last.code === null
  return list && !r.lastLine?.full && !OPEN_END.test(last.statement)
}
