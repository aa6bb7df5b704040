/** The parts around the performance: under which conditions, how well, and to which end. */
import { inflectedEntry, verbEntry } from './lexicon'

export type Span = { readonly start: number; readonly end: number }

const NUMBER = String.raw`(?:\d[\d.,]*|an?|one|two|three|four|five|six|seven|eight|nine|ten|twelve|fifteen|twenty|half)`

/** What opens a "how well"; longer openings first. Tried before the conditions, which share prepositions with them. */
const HOW_WELL = new RegExp(
  [
    String.raw`(?:to )?within (?:[±+-]|plus or minus )?${NUMBER}\b(?! (?:budget|company|firm|team|group|set|given|context))`,
    'within (?:the |an? |its |their )?(?:[\\w-]+ )?(?:tolerances?|limits?|specifications?)\\b',
    String.raw`(?:with |in |to )?(?:at least|at most|at minimum|no (?:more|fewer|less|later) than|not more than|fewer than|less than|up to|under) ${NUMBER}\b`,
    `in (?:under|at most|about) ${NUMBER}`,
    'by (?:the|an?) (?:stated|given|required|set|standard|agreed) (?:sequence|procedure|order|steps|method)',
    'according to|in accordance with|in line with|in compliance with|in keeping with|in agreement with|as required by|as specified (?:by|in)|to the satisfaction of',
    String.raw`against (?:[\w’'-]+ ){0,5}?(?:criteri\w+|checklist\w*|guideline\w*|guidance|standards?|rubrics?|rules?(?: of law)?|polic\w+|specifications?|benchmarks?|codes?|form)\b`,
    String.raw`without (?:any |an? |more than \w+ )?(?:errors?|mistakes?|faults?|slips?|breaking|spill\w*|damag\w+|leak\w*|hesitat\w+|loss|injur\w+|harm\w*|contaminat\w+|changing its|prompt\w*|help\b|assistance|supervision|referring)`,
    String.raw`to (?:the nearest|the (?:last|second|first) \w+$|an? (?:tolerance|accuracy|precision|standard|level)|${NUMBER} (?:decimal|significant)|the (?:standard|required|specified)|standard|code|specification|industry)`,
    String.raw`with (?:\d[\d.,]* ?%|\d[\d.,]* per ?cent|(?:\w+ )?(?:accuracy|precision)\b|no (?:errors?|mistakes?|faults?)|all [\w ]+ agreeing|${NUMBER} (?:decimal|errors?))`,
    `with reference to (?:${NUMBER})`,
    'free (?:of|from) ',
    'so that |such that |that (?:meets?|passes|satisf\\w+|complies|conforms|rises|fits|a (?:visitor|reader|customer|colleague|stranger) )',
    String.raw`(?:on |in )?${NUMBER} (?:out )?of (?:the )?\d+`,
    String.raw`at (?:a rate of )?\d`,
    String.raw`in (?:the )?(?:[\w-]+ ){0,2}(?:style|normal form|tune|time)$`,
    '(?:correctly|accurately|precisely|safely|legibly|fluently|independently|consistently|flawlessly|error-free)(?=[ .,;]|$)',
  ].join('|'),
  'iy',
)

/** What opens a condition. */
const CONDITION = new RegExp(
  [
    'given |provided with |using |with the (?:help|aid|use) of |working |following (?:an?|the) ',
    'without (?!which|whom)',
    String.raw`with (?:only |a given |an? |the |two |three |four |five |six |eight |ten |box |both |either |your |their |her |his |tack |[\w-]+ (?:cards|charts|plots|data|tables|tools|software|hands|models|gloves|figures)\b)`,
    String.raw`from (?=memory|an?\b|the\b|raw|its\b|two|three|one|your|their|[\w-]+)`,
    'in (?:pairs|groups|teams|front of|your own words|their own words|plain|service|public|class|writing|mixed|language|(?:the|an?) (?:[\\w-]+ )?(?:lab|laborator\\w+|field|workshop|clinic|flat|classroom|studio|kitchen|position|arm|team|group|worked|case|meeting|moot|passage|news|simulat\\w+|setting|environment|article|room|language|scenario|ward))',
    'in (?:two|three|four) octaves',
    String.raw`on (?:paper|field|(?:an?|the) (?:[\w-]+ )?(?:partner|model|manikin|mannequin|diagram|map|cross-section|simulator|machine|patient|screen|arm|sample|worksheet|lathe|board))`,
    'by (?:hand|ear|eye|sight|phone)|hands together',
    'under (?:supervision|time|exam\\w*|pressure|controlled|the|an?|test|laborator\\w+)',
    'when |while |during |before (?:peers|an audience|the class)|as part of|at (?:drop-off|an? (?:stated|given|fixed)|the bench|sea)',
    String.raw`over (?:an? )(?:given|[\w-]+ progression|twelve)`,
    'against (?!duty|the (?:grain|odds))',
    'for (?:an? (?:given|stated)|mixed|two named|ten minutes|a million|guests?|a guest)',
    'along (?:an?|the) |to an? (?:beginner|test|lay)',
  ].join('|'),
  'iy',
)
/** After a verb of telling apart, "from" names what is told apart. */
const FROM_IS_OBJECT = /^(?:differentiate|distinguish|discriminate|separate|tell|remove|protect|translate|convert|extract)$/
/** "A child with low vision": what a person or thing has is no condition. */
const HOLDER =
  /(?:patients?|child(?:ren)?|clients?|students?|learners?|persons?|people|guests?|adults?|infants?|someone|compan(?:y|ies)|firms?|systems?|experiments?|problems?|schema|design|recipe|problem)\s*$/i

export type Clauses = {
  readonly conditions: readonly Span[]
  readonly criteria: readonly Span[]
  /** "to judge its quality" after a performance of its own. */
  readonly aim: Span | null
  /** Where the object of the performance ends. */
  readonly objectEnd: number
}

/** The clauses behind a verb that ends at `from`. `lemma` is the verb, for what its prepositions mean. */
export function clausesAfter(text: string, from: number, lemma: string, aims = true): Clauses {
  const marks: { kind: 'condition' | 'criterion' | 'aim'; start: number; end?: number }[] = []
  let inside: 'condition' | 'criterion' | 'aim' | null = null
  for (const word of text.slice(from).matchAll(/(?<=^|[\s,(])[^\s,(]/gu)) {
    const at = from + word.index
    const before = text.slice(from, at)
    const first = before.trim() === ''
    HOW_WELL.lastIndex = at
    const well = HOW_WELL.exec(text)
    if (well) {
      // "at least five signs": the number is how well, the signs are the object.
      const amount = /^(?:at least|at most|no (?:more|fewer|less) than|up to) /i.test(well[0]) && first
      if (inside !== 'criterion' || /^(?:without|within|according)/i.test(well[0]))
        marks.push({ kind: 'criterion', start: at, ...(amount ? { end: at + well[0].length } : {}) })
      inside = amount ? null : 'criterion'
      continue
    }
    if (first && !/^(?:given|using|without)\b/i.test(text.slice(at))) continue
    CONDITION.lastIndex = at
    const condition = CONDITION.exec(text)
    if (condition && inside !== 'condition') {
      if (/^from/i.test(condition[0]) && (FROM_IS_OBJECT.test(lemma) || inside === 'criterion')) continue
      if (/^with /i.test(condition[0]) && (HOLDER.test(before) || inside === 'criterion')) continue
      if (inside === 'criterion' && /^(?:in|for|to|on) /i.test(condition[0])) continue
      marks.push({ kind: 'condition', start: at })
      inside = 'condition'
      continue
    }
    if (aims && inside === null && !first) {
      const to = /^to (\p{L}+)/u.exec(text.slice(at))
      const entry = to?.[1] ? verbEntry(to[1]) : undefined
      if (entry) {
        marks.push({ kind: 'aim', start: at })
        inside = 'aim'
      }
    }
  }
  const stop = text.trimEnd().replace(/[.;,:)]+$/, '').length
  const ended = marks.map((mark, i) => ({
    kind: mark.kind,
    start: mark.start,
    end: mark.end ?? trimmed(text, marks[i + 1]?.start ?? stop),
  }))
  const spans = (kind: 'condition' | 'criterion' | 'aim') => ended.filter((m) => m.kind === kind).map(({ start, end }) => ({ start, end }))
  const outer = marks.find((m) => m.end === undefined)
  return {
    conditions: spans('condition'),
    criteria: spans('criterion'),
    aim: spans('aim')[0] ?? null,
    objectEnd: trimmed(text, outer?.start ?? stop),
  }
}

const trimmed = (text: string, end: number): number => text.slice(0, end).replace(/[\s,;]+(?:and\s*)?$/, '').length

/** "by explaining a diagram": the verb that makes a state of mind visible. */
export function shownBy(text: string, from: number): { readonly start: number; readonly end: number; readonly word: string } | null {
  for (const by of text.slice(from).matchAll(/\b(?:by|through)\s+(?:\p{L}+ly\s+)?(\p{L}+ing)\b/giu)) {
    const word = by[1] as string
    if (!inflectedEntry(word)?.observable) continue
    const start = from + by.index + by[0].length - word.length
    return { start, end: start + word.length, word }
  }
  return null
}
