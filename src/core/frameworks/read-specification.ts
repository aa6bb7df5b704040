/**
 * A competency specification as people paste it: numbered elements with their criteria, lists of skills, evidence and conditions,
 * tables, lines broken in the middle. Every line ends up in the tree or among what was not understood.
 *
 * The model. The text is read line by line within the section that the last heading opened. Among elements, numbers tell what
 * stands under what; in the lists every bullet or line is an item. A line that begins nothing new goes on with the one above.
 */
import type { ItemKind } from '../blueprint/kinds/framework'
import { joinText, type SpecLine, specLines } from './spec-lines'
import {
  anyOfIn,
  BOILERPLATE,
  type Coded,
  codedLine,
  GREETING,
  KIND_OF,
  labelled,
  letteredLine,
  type Section,
  SIGN_OFF,
  sectionOf,
  timesIn,
} from './spec-words'
import { EMPTY_TREE, type FrameworkTree, type TreeItem, type TreeProblem, treeItem } from './tree'

/** An item being written. */
type Open = { code: string | null; statement: string; kind: ItemKind; children: Open[]; at: string; line: SpecLine; lead: boolean }

class Reading {
  readonly roots: Open[] = []
  readonly problems: TreeProblem[] = []
  readonly left: { text: string; at: string }[] = []
  title: string | null = null
  code: string | null = null
  issuer: string | null = null
  version: string | null = null
  section: Section | null = null
  /** Headings of a table's columns, while its rows are read. */
  columns: readonly (Section | null)[] | null = null
  area: Open | null = null
  element: Open | null = null
  criterion: Open | null = null
  /** The sentence that opens a list: "The candidate must show:". */
  lead: Open | null = null
  /** What the next line may go on with. */
  last: Open | 'title' | 'left' | null = null
  lastLine: SpecLine | null = null
  /** Below a heading among the elements that is not understood. */
  stray = false
  /** The title stood in a line without a code: one with a code may take its place. */
  uncoded = false

  leave(line: Pick<SpecLine, 'text' | 'at'>): void {
    this.left.push({ text: line.text, at: line.at })
    this.last = 'left'
  }

  open(kind: ItemKind, code: string | null, statement: string, line: SpecLine, into: Open[]): Open {
    const item: Open = { code, statement, kind, children: [], at: line.at, line, lead: false }
    into.push(item)
    this.last = item
    return item
  }
}

/** Reads a specification. Never fails: what is not understood is listed. */
export function readSpecification(text: string): FrameworkTree {
  const { lines, furniture } = specLines(text)
  const reading = new Reading()
  for (const line of lines) {
    if (line.cells.length > 1) readRow(reading, line)
    else {
      readLine(reading, line)
    }
    reading.lastLine = line
  }
  const items = reading.roots.map(closed)
  return {
    ...EMPTY_TREE,
    title: reading.title,
    code: reading.code,
    issuer: reading.issuer,
    version: reading.version,
    items: withElements(items, reading.problems),
    problems: [...reading.problems, ...numberProblems(items)],
    notUnderstood: [...reading.left, ...furniture].sort((a, b) => lineNumber(a.at) - lineNumber(b.at)),
  }
}

const lineNumber = (at: string): number => Number(/\d+/.exec(at)?.[0] ?? 0)

function closed(open: Open): TreeItem {
  const list = open.kind !== 'element' && open.kind !== 'area'
  return treeItem({
    code: open.code,
    statement: open.statement,
    kind: open.kind,
    required: !/\b(?:optional|desirable|not mandatory)\b/i.test(open.statement),
    anyOf: list ? anyOfIn(open.statement) : null,
    times: open.kind === 'performance evidence' ? timesIn(open.statement) : null,
    at: open.at,
    children: open.children.map(closed),
  })
}

/** A row of a table: headings of columns, a pair of element and criterion, a skill and what it is, or cells that are lines. */
function readRow(r: Reading, line: SpecLine): void {
  const filled = line.cells.flatMap((c) => c.split(/<br\s*\/?>/i).map((x) => x.trim())).filter((c) => c !== '' && !BOILERPLATE.test(c))
  for (const text of line.cells) if (BOILERPLATE.test(text)) r.leave({ ...line, text })
  // A table's sentence about itself goes on below itself.
  if (r.last === 'left' && !line.apart && filled.length > 0 && filled.every((c) => /^\p{Ll}/u.test(c))) return r.leave(line)
  const heads = filled.map(sectionOf)
  if (
    filled.length > 0 &&
    heads.some((h) => h !== null) &&
    filled.every(
      (c, i) =>
        heads[i] !== null ||
        /^(?:description|no\.?|number|code|ref\.?|statement|details?|criteria|title|what it means|meaning|definition|examples?|how .{1,40})$/i.test(
          c,
        ),
    )
  ) {
    r.columns = line.cells.map(sectionOf)
    setSection(r, heads.find((h) => h !== null) as Section)
    return
  }
  const asLine = (text: string, at = line): SpecLine => ({ ...at, text, cells: [text] })
  const meta = filled.length === 2 ? metaOf(filled[0] as string) : null
  if (meta && !codedLine(filled[0] as string)) return setMeta(r, meta, filled[1] as string)
  // A cell that holds only a number belongs to the next.
  const cells: string[] = []
  for (let i = 0; i < filled.length; i++) {
    const cell = filled[i] as string
    const next = filled[i + 1]
    if (next !== undefined && (/^\d{1,3}(?:\.\d{1,3})*[.)]?$/.test(cell) || /^[A-Z]{1,3}\d{1,3}(?:\.\d{1,3})*$/.test(cell))) {
      cells.push(`${cell.replace(/[.)]$/, '')}. ${next}`)
      i++
    } else cells.push(cell)
  }
  const [first, ...rest] = cells
  if (first === undefined) return
  if (r.section === 'elements' || r.section === null) {
    if (cells.some((c) => codedLine(c))) {
      for (const cell of cells) readLine(r, asLine(cell))
      return
    }
    if (r.section === 'elements') {
      // A cell below a numbered criterion goes on with it.
      if (line.cells[0] === '' && cells.length === 1 && r.criterion?.code?.includes('.') && goesOn(r, asLine(first))) return
      if (line.cells[0] !== '') {
        startElement(r, null, first, line)
        for (const cell of rest) startCriterion(r, null, cell, line)
      } else for (const cell of cells) r.element ? startCriterion(r, null, cell, line) : startElement(r, null, cell, line)
      return
    }
    return r.leave(line)
  }
  if (r.section === 'prose') return r.leave(line)
  const own = sectionOf(first)
  if (own !== null && own !== 'prose' && rest.length > 0) {
    setSection(r, own)
    for (const cell of rest) readLine(r, asLine(cell))
    return
  }
  const said = rest.length > 0 ? `${first.replace(/\s*:$/, '')}: ${rest.map((c) => c.replace(/^[•●▪*-]\s*/, '')).join(' ')}` : first
  listItem(r, r.section, asLine(said))
}

function setSection(r: Reading, section: Section): void {
  r.section = section
  r.stray = false
  r.lead = null
  r.last = null
  if (section !== 'elements') r.criterion = null
}

type Meta = 'title' | 'code' | 'issuer' | 'version' | 'code and title'
const metaOf = (name: string): Meta | null => {
  const word = name.toLowerCase().replace(/[:\s]+$/, '')
  if (
    /^(?:unit |qualification |award |standard |specification |module )?title$|^(?:(?:occupational|competency|national|professional)\s+)?(?:unit|standard|qualification)(?: name)?$|^name$/.test(
      word,
    )
  )
    return 'title'
  if (/^(?:unit |qualification |standard |reference )?(?:code|number|no\.?|reference|ref\.?|id)$/.test(word)) return 'code'
  if (/^(?:unit )?code and title$|^(?:unit )?title and code$/.test(word)) return 'code and title'
  if (/^(?:issuer|issued by|issuing body|awarding body|published by|owner|developed by|author(?:ity)?|approved by|body)$/.test(word))
    return 'issuer'
  if (/^(?:version|release|edition|issue|status|revision)$/.test(word)) return 'version'
  return null
}

function setMeta(r: Reading, meta: Meta, value: string): void {
  r.last = null
  if (meta === 'code and title') setTitle(r, value)
  else if (meta === 'title') setTitle(r, value)
  else r[meta] ??= value.slice(0, meta === 'code' ? 60 : 100)
}

const ISSUERS =
  /\b(?:authority|council|college|institute|board|university|agency|association|academy|school|ministry|department|guild|federation|trust)\b/i

/** `RSA-12 Inspect rooftop arrays`: code and title of a unit in one line. */
function setTitle(r: Reading, text: string): void {
  const found = /^([A-Z]{2,}[A-Z0-9/_-]*\d[A-Z0-9./_-]*)\s*[:–—-]?\s+(\p{L}.*)$/u.exec(text)
  if (found) r.code ??= found[1] as string
  const released = /\s*[-–—,(]?\s*\b(?:release|version|issue|edition)\s+([\w.]+)\)?$/i.exec(found ? (found[2] as string) : text)
  if (released) r.version ??= released[1] as string
  const title = (found ? (found[2] as string) : text).slice(0, released ? -released[0].length : undefined)
  if (found && r.title !== null && r.uncoded) {
    // What stood above was the name of who issues it, or of the series.
    if (ISSUERS.test(r.title)) r.issuer ??= r.title
    else r.left.push({ text: r.title, at: 'line 1' })
    r.title = title
    r.uncoded = false
  } else if (r.title === null) {
    r.title = title
    r.uncoded = !found
  } else if (r.title !== title) r.left.push({ text, at: 'title' })
  r.last = 'title'
}

function readLine(r: Reading, line: SpecLine): void {
  const { text } = line
  if (/^(?:https?:\/\/|www\.)\S+$/i.test(text)) return r.leave(line)
  if (!/[\p{L}\p{N}]/u.test(text) || /\.{4,}\s*\d+$/.test(text) || /^-{2,}|^_{2,}/.test(text)) return r.leave(line)
  if (SIGN_OFF.test(text)) {
    setSection(r, 'prose')
    return r.leave(line)
  }
  const section = sectionOf(text)
  if (section && !(line.bullet && r.section !== null)) {
    r.columns = null
    // "Skills" within a list of skills, "Element" again after a page: the section goes on.
    setSection(r, section)
    return
  }
  const named = /^((?:unit|qualification|standard)\s+(?:title|code|name|number))\s+(\S.*)$/i.exec(text)
  if (named && r.roots.length === 0) return setMeta(r, metaOf(named[1] as string) ?? 'title', named[2] as string)
  const label = labelled(text)
  if (label && !line.bullet) {
    const meta = metaOf(label.name)
    if (meta && !(r.section && r.section !== 'prose')) return setMeta(r, meta, label.rest)
    const head = sectionOf(label.name)
    if (head && head !== 'elements') {
      setSection(r, head)
      if (head === 'prose') return r.leave(line)
      return readInList(r, head, { ...line, text: label.rest })
    }
  }
  if (BOILERPLATE.test(text)) return r.leave(line)
  const coded = codedLine(text)
  const explicit = coded?.said ?? null
  const lettered = /^([A-Z])[.)]\s+(\p{Lu}.*)$/u.exec(text)
  if (lettered && (r.section === null || r.section === 'elements') && follows(r.element?.code ?? null, lettered[1] as string)) {
    if (r.section === null) setSection(r, 'elements')
    return startElement(r, lettered[1] as string, lettered[2] as string, line)
  }
  if (coded && explicit) {
    if (r.section !== 'elements') setSection(r, 'elements')
    return readCoded(r, coded, line)
  }
  switch (r.section) {
    case 'prose':
      // Numbers in the text about a unit begin the elements where nothing said so.
      if (coded && r.roots.length === 0 && beginsElements(coded)) {
        setSection(r, 'elements')
        return readCoded(r, coded, line)
      }
      return goesOn(r, line) ? undefined : r.leave(line)
    case null:
      if (coded && beginsElements(coded)) {
        setSection(r, 'elements')
        return readCoded(r, coded, line)
      }
      return beforeSections(r, line)
    case 'elements':
      return inElements(r, coded, line)
    default:
      return readInList(r, r.section, line)
  }
}

/** Whether an element of this letter comes next: A first, then each after the one before. */
const follows = (before: string | null, letter: string): boolean =>
  before === null ? letter === 'A' : /^[A-Z]$/.test(before) && letter.charCodeAt(0) === before.charCodeAt(0) + 1

const beginsElements = (coded: Coded): boolean => coded.rest !== '' && coded.path[0] === 1 && coded.path.length <= 2

/** Text above all sections: the title, then what is about the unit. */
function beforeSections(r: Reading, line: SpecLine): void {
  const { text } = line
  if (r.last === 'title' && r.title !== null && !line.apart && continues(r.lastLine, line, r.title) && text.length + r.title.length < 280) {
    r.title = joinText(r.title, text)
    return
  }
  const unit =
    /^(?:[Uu]nit|[Ss]tandard|[Aa]ward|[Mm]odule)\s+(?:of competency\s+)?([A-Z]{1,6}[ -]?\d[A-Z0-9.-]*)\s*[:–—-]?\s+(\p{L}.*)$/u.exec(text)
  if (unit && r.code === null) {
    if (r.title !== null) r.left.push({ text: r.title, at: 'line 1' })
    r.title = null
    r.code = unit[1] as string
    return setTitle(r, unit[2] as string)
  }
  if (r.title !== null && r.uncoded && r.code === null && /^[A-Z]{2,}[A-Z0-9/_-]*\d[A-Z0-9./_-]*\s*[:–—-]?\s+\p{L}/u.test(text))
    return setTitle(r, text)
  if (r.title === null && !GREETING.test(text) && !SIGN_OFF.test(text) && !line.bullet && text.length <= 200 && !/[.;,]$/.test(text))
    return setTitle(r, text)
  r.leave(line)
}

function inElements(r: Reading, coded: Coded | null, line: SpecLine): void {
  if (coded && coded.rest === '' && line.text.length > 6) return r.leave(line)
  if (coded) {
    r.stray = false
    return readCoded(r, coded, line)
  }
  if (r.stray && (line.bullet || letteredLine(line.text))) return r.leave(line)
  if (goesOn(r, line)) return
  const lettered = letteredLine(line.text)
  if (lettered && r.element?.children.every((c) => c.code === null || /[a-z]$/.test(c.code))) {
    startCriterion(r, `${r.element.code ?? ''}${lettered.mark}`, lettered.rest, line)
    return
  }
  if (lettered && r.criterion) {
    const part = r.open('performance criterion', `${r.criterion.code ?? ''}${lettered.mark}`, lettered.rest, line, r.criterion.children)
    r.last = part
    return
  }
  if (line.bullet && r.criterion?.statement.endsWith(':')) {
    r.open('performance criterion', null, line.text, line, r.criterion.children)
    return
  }
  if (line.bullet && r.element) {
    startCriterion(r, null, line.text, line)
    return
  }
  // Without numbers: a heading of its own line is an element where criteria are bullets.
  if (!line.bullet && (line.apart || r.element === null) && line.text.length < 140 && !/[.;,]$/.test(line.text)) {
    const area = /^(?:area|domain|strand)\b/i.test(line.text)
    if (r.element === null || r.element.children.length > 0) {
      if (!area && /\p{Ll}/u.test(line.text) && (r.element === null || r.element.code === null)) {
        startElement(r, null, line.text, line)
        return
      }
    }
    // A heading that nobody knows: what is listed below it belongs to it, not to the criteria.
    r.stray = line.apart
  }
  r.leave(line)
}

function readCoded(r: Reading, coded: Coded, line: SpecLine): void {
  const { path, rest, said } = coded
  if (said === 'area') {
    r.area = r.open('area', coded.code, rest, line, r.roots)
    r.element = null
    r.criterion = null
    return
  }
  if (
    said === 'criterion' ||
    (said === null && path.length >= 2) ||
    /^(?:PC|P|AC)$/.test(coded.letters) ||
    (coded.letters !== '' && coded.letters === r.element?.code)
  ) {
    const owner = path[0] as number
    const lastNumber = r.element?.code ? Number(/\d+/.exec(r.element.code)?.[0]) : null
    if (path.length >= 2 && lastNumber !== owner) {
      const known = [...(r.area?.children ?? r.roots)].find((e) => e.kind === 'element' && Number(/\d+/.exec(e.code ?? '')?.[0]) === owner)
      if (known) r.element = known
      else {
        r.problems.push({ code: 'element-missing', message: `${coded.code} stands without an element ${owner}`, at: line.at })
        startElement(r, String(owner), `Element ${owner}`, line)
      }
    }
    if (path.length >= 3 && r.criterion && r.criterion.code === path.slice(0, 2).join('.')) {
      r.open('performance criterion', coded.code, rest, line, r.criterion.children)
      return
    }
    startCriterion(r, coded.code, rest, line)
    return
  }
  startElement(r, coded.code, rest, line)
}

function startElement(r: Reading, code: string | null, statement: string, line: SpecLine): void {
  r.section ??= 'elements'
  r.element = r.open('element', code, statement, line, r.area?.children ?? r.roots)
  r.criterion = null
}

function startCriterion(r: Reading, code: string | null, statement: string, line: SpecLine): void {
  const into = r.element ?? startedElement(r, line)
  const own = code ?? (into.code && /^\d+$/.test(into.code) ? `${into.code}.${into.children.length + 1}` : null)
  r.criterion = r.open('performance criterion', own, statement, line, into.children)
}

function startedElement(r: Reading, line: SpecLine): Open {
  startElement(r, null, r.title ?? 'Criteria', line)
  return r.element as Open
}

/** A line of a list of skills, evidence or conditions. */
function readInList(r: Reading, section: Exclude<Section, 'elements' | 'prose'>, line: SpecLine): void {
  const coded = codedLine(line.text)
  // A criterion's number that goes on where the elements were left: a page or a box stood between.
  if (
    coded &&
    coded.path.length === 2 &&
    coded.letters === '' &&
    r.element?.code === String(coded.path[0]) &&
    r.element.children.length + 1 === coded.path[1]
  ) {
    setSection(r, 'elements')
    return readCoded(r, coded, line)
  }
  if (coded && coded.rest !== '') return listItem(r, section, { ...line, text: coded.rest }, coded.code)
  if (goesOn(r, line)) return
  listItem(r, section, line)
}

function listItem(r: Reading, section: Exclude<Section, 'elements' | 'prose'>, line: SpecLine, code: string | null = null): void {
  const lettered = code === null ? letteredLine(line.text) : null
  const text = lettered?.rest ?? line.text
  const kind = KIND_OF[section]
  const opensList = /:$/.test(text) && !line.bullet
  if (opensList) {
    r.lead = r.open(kind, code, text, line, r.roots)
    r.lead.lead = true
    return
  }
  // A plain paragraph after a list is on its own again.
  if (r.lead && !line.bullet && !lettered && code === null && r.lead.children.some((c) => c.line.bullet)) r.lead = null
  r.open(kind, code, text, line, r.lead?.children ?? r.roots)
}

/** Takes a line into the item above where it goes on with it. */
function goesOn(r: Reading, line: SpecLine): boolean {
  if (line.bullet || letteredLine(line.text)) return false
  if (r.last === 'left') {
    const left = r.left.at(-1)
    if (!left || line.apart || !r.lastLine || !continues(r.lastLine, line, left.text)) return false
    left.text = joinText(left.text, line.text)
    return true
  }
  if (r.last !== null && r.last !== 'title' && r.last.statement === '') {
    r.last.statement = line.text
    return true
  }
  if (r.last === null || r.last === 'title') return false
  if (line.hanging && (r.lastLine?.cells.length ?? 0) > 1) {
    r.last.statement = joinText(r.last.statement, line.text)
    return true
  }
  if (!continues(r.lastLine, line, r.last.statement)) return false
  // In a list without bullets a line that begins small may well be the next item.
  const list = r.section !== 'elements' && !r.last.line.bullet && r.last.code === null
  if (r.section === 'skills' && labelled(line.text)) return false
  if (list && !r.lastLine?.full && !OPEN_END.test(r.last.statement)) return false
  r.last.statement = joinText(r.last.statement, line.text)
  return true
}

/** Words after which a sentence cannot end. */
const OPEN_END =
  /(?:^|\s)(?:a|an|the|and|or|of|to|for|with|in|on|at|by|from|as|into|onto|under|over|between|their|its|that|which|where|when|all|any|each|other|including|such|using|according|per|without|within|against|not|are|is|be|been|if|before|after|than|required|relevant)$|[,(/–—-]$/i

function continues(above: SpecLine | null, line: SpecLine, text: string): boolean {
  if (!above) return false
  const small = /^[\p{Ll}(]/u.test(line.text) || /^\d/.test(line.text)
  const open = OPEN_END.test(text)
  if (line.apart) return small && (open || !/[.;:!?]$/.test(text)) && text.length < 600
  if (small || open) return !/[.!?]$/.test(text) || (small && !/^\d/.test(line.text))
  return above.full && !/[.;:!?]$/.test(text)
}

/** A flat list of criteria without elements: each stands for itself. */
function withElements(items: readonly TreeItem[], problems: TreeProblem[]): readonly TreeItem[] {
  const empty = items.filter((i) => i.kind === 'element' && i.statement.trim() === '')
  for (const i of empty) problems.push({ code: 'no-statement', message: `${i.code ?? 'An element'} says nothing`, at: i.at })
  return items
    .filter((i) => i.statement.trim() !== '' || i.children.length > 0)
    .map((i) => (i.statement.trim() === '' ? { ...i, statement: `Element ${i.code ?? ''}`.trim() } : i))
}

/** Numbers that come twice or leave a gap. */
function numberProblems(items: readonly TreeItem[]): TreeProblem[] {
  const problems: TreeProblem[] = []
  const check = (list: readonly TreeItem[]) => {
    let before: TreeItem | null = null
    for (const item of list) {
      const [n, m] = [item, before].map((i) => Number(/(\d+)$/.exec(i?.code ?? '')?.[1] ?? Number.NaN))
      if (n !== undefined && m !== undefined && !Number.isNaN(n) && !Number.isNaN(m)) {
        if (n === m) problems.push({ code: 'number-twice', message: `${item.code} comes twice`, at: item.at })
        else if (n > m + 1)
          problems.push({ code: 'number-missing', message: `Between ${before?.code} and ${item.code} a number is missing`, at: item.at })
        else if (n < m) problems.push({ code: 'number-order', message: `${item.code} stands after ${before?.code}`, at: item.at })
      }
      if (item.code !== null) before = item
    }
  }
  const groups = [items, ...items.filter((i) => i.kind === 'area').map((i) => i.children)].map((g) => g.filter((i) => i.kind === 'element'))
  for (const group of groups) {
    check(group)
    for (const e of group) check(e.children)
  }
  return problems
}
