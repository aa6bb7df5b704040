/** What a specification says about itself above its parts: title, code, who issues it, version. */
import { codedLine } from './spec-codes'
import { labelled } from './spec-headings'
import { continues } from './spec-join'
import type { SpecLine } from './spec-lines'
import type { Reading } from './spec-reading'
import { GREETING, SIGN_OFF } from './spec-words'

type Meta = 'title' | 'code' | 'issuer' | 'version' | 'code and title'
const META: readonly (readonly [Meta, RegExp])[] = [
  [
    'title',
    /^(?:unit |qualification |award |standard |specification |module )?title$|^(?:(?:occupational|competency|national|professional)\s+)?(?:unit|standard|qualification)(?: name)?$|^name$/,
  ],
  ['code', /^(?:unit |qualification |standard |reference )?(?:code|number|no\.?|reference|ref\.?|id)$/],
  ['code and title', /^(?:unit )?code and title$|^(?:unit )?title and code$/],
  ['issuer', /^(?:issuer|issued by|issuing body|awarding body|published by|owner|developed by|author(?:ity)?|approved by|body)$/],
  ['version', /^(?:version|release|edition|issue|status|revision)$/],
]
/** What a label names, or null. */
export const metaOf = (name: string): Meta | null => {
  const word = name.toLowerCase().replace(/[:\s]+$/, '')
  return META.find(([, shape]) => shape.test(word))?.[0] ?? null
}

export function setMeta(r: Reading, meta: Meta, value: string, line: SpecLine): void {
  r.last = null
  if (meta === 'code and title' || meta === 'title') return setTitle(r, value, line)
  r[meta] ??= value.slice(0, meta === 'code' ? 60 : 100)
  r.became(line, 'read', meta)
}

const ISSUERS =
  /\b(?:authority|council|college|institute|board|university|agency|association|academy|school|ministry|department|guild|federation|trust)\b/i
/** A unit's code: capitals with a number, `RSA-12`. */
const CODE = '[A-Z]{2,}[A-Z0-9/_-]*\\d[A-Z0-9./_-]*'
const CODE_FIRST = new RegExp(`^(${CODE})\\s*[:–—-]?\\s+(\\p{L}.*)$`, 'u')
const CODE_LAST = new RegExp(`^(\\p{L}.*\\S)\\s+[([](${CODE})[)\\]]$`, 'u')
const RELEASE = /\s*[-–—,(]?\s*\b(?:release|version|issue|edition)\s+([\w.]+)\)?$/i

/** `RSA-12 Inspect rooftop arrays`: code and title of a unit in one line. */
export function setTitle(r: Reading, text: string, line: SpecLine): void {
  const released = RELEASE.exec(text)
  if (released) r.version ??= released[1] as string
  const whole = released ? text.slice(0, -released[0].length) : text
  const [, first, last] = CODE_FIRST.exec(whole) ?? []
  const [, before, behind] = first ? [] : (CODE_LAST.exec(whole) ?? [])
  const code = first ?? behind ?? null
  const title = last ?? before ?? whole
  if (code !== null) r.code ??= code
  if (r.title !== null && r.uncoded && (code !== null || r.code !== null) && r.title !== title) {
    // What stood above was the name of who issues it, or of the series.
    if (ISSUERS.test(r.title)) r.issuer ??= r.title
    else r.left.push({ text: r.title, at: 'line 1' })
    r.title = null
  }
  if (r.title === null) {
    r.title = title
    r.uncoded = code === null
  } else if (r.title !== title) return r.leave(line)
  r.last = 'title'
  r.became(line, 'read', 'title')
}

const UNIT = /^(?:[Uu]nit|[Ss]tandard|[Aa]ward|[Mm]odule)\s+(?:of competency\s+)?([A-Z]{1,6}[ -]?\d[A-Z0-9.-]*)\s*[:–—-]?\s+(\p{L}.*)$/u

/** Text above all sections: the title, then what is about the unit. */
export function beforeSections(r: Reading, line: SpecLine): void {
  const { text } = line
  const label = labelled(text)
  const meta = label && metaOf(label.name)
  if (label && meta) return setMeta(r, meta, label.rest, line)
  const issues = ISSUERS.test(text) && text.length < 90 && /^\p{Lu}/u.test(text) && !/[.:;]$/.test(text) && !CODE_FIRST.test(text)
  if (issues && r.title !== null && !r.uncoded && r.issuer === null) return setMeta(r, 'issuer', text, line)
  if (goesOnWithTitle(r, line)) {
    r.title = r.join(r.title as string, text)
    return r.became(line, 'read', 'title')
  }
  const unit = UNIT.exec(text)
  if (unit && r.code === null) {
    if (r.title !== null) r.left.push({ text: r.title, at: 'line 1' })
    r.title = null
    r.code = unit[1] as string
    return setTitle(r, unit[2] as string, line)
  }
  if (r.title !== null && r.uncoded && r.code === null && CODE_FIRST.test(text)) return setTitle(r, text, line)
  const sentence = GREETING.test(text) || SIGN_OFF.test(text) || line.bullet || text.length > 200 || /[.;,]$/.test(text)
  if (r.title === null && !sentence && !codedLine(text)) return setTitle(r, text, line)
  r.leave(line)
}

const goesOnWithTitle = (r: Reading, line: SpecLine): boolean =>
  r.last === 'title' && r.title !== null && !line.apart && continues(r.lastLine, line, r.title) && line.text.length + r.title.length < 280
