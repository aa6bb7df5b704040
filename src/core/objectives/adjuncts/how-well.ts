/** What opens a "how well": numbers, standards, faults that must not be. Cairn's lists and rules, tried on labelled lines. */
import { isAid } from './aids'
import type { At, Found, Rule } from './place'

const set = (words: string): ReadonlySet<string> => new Set(words.split(' '))
const TIMES =
  /^(?:points?|bullets?|seconds?|minutes?|hours?|days?|weeks?|months?|years?|sentences?|words?|lines?|moves?|tries|attempts|breaths?|beats?|bars?|laps?|lengths?)$/
const UNITS = set(
  '% percent per cent mm cm m km ml l g kg mg degree degrees minute minutes second seconds hour hours day days week weeks month months metre metres meter meters millimetre millimetres centimetre centimetres word words sentence sentences line lines point points decimal significant place places cable cables knot knots beat beats bar volt volts amp amps litre litres pound pounds penny cent pence cents agreement accuracy precision tolerance mark marks try tries attempt attempts throw throws shot shots time times case cases error errors mistake mistakes page pages step steps inch inches foot feet yard yards mile miles figure figures thou hundredth hundredths tenth tenths thousandth thousandths newton newtons unit units',
)
/** What a work may be up to. */
const QUALITY = set(
  'standard specification code tolerance loudness level baseline depth size requirement satisfaction chart rule limit agreement accuracy scale spec gauge finish quality precision grade checklist guideline drawing plan line template recipe protocol',
)
const STANDARDS = set(
  'criterion checklist standard rubric guideline guidance policy specification benchmark code form photograph plan protocol list model sample drawing rule target norm template regulation guide scale inspection sheet chart recipe brief scheme schedule law baseline',
)
const STATED = set(
  'stated given required correct rated set specified agreed right recommended published prescribed legal industry professional broadcast acceptable commercial approved national statutory',
)
const FAULTS = set(
  'error errors mistake mistakes fault faults slip slips delay hesitation damage harm injury waste loss spill spills spillage distress fuss contamination pause interruption leak leaks breakage bias plagiarism pain discomfort omission omissions conflict warning risk strain break breaks bleeding bruising drips',
)
/** What something does that is good enough. */
const HOLDS = set(
  'meet pass satisfy comply conform fit hold withstand stand survive last balance support bear grip rise keep earn win match carry resist exceed stay remain work clear run',
)
/** Verbs whose "against" names what is fought or weighed. */
const AGAINST_THINGS = /^(?:weigh|compare|balance|set|defend|protect|argue|insure|guard|vaccinate|immunise)$/
/** Verbs whose "to" names where a thing goes. */
const TO_THINGS = /^(?:convert|translate|change|map|transfer|connect|compare|add|attach|apply|match|link|assign|report|send|write)$/
const LASTING = /^(?:scoring|taking|lasting|achieving|exceeding|meeting|averaging|reaching|allowing|missing|leaving)$/

const starting = (at: At, back: number): Found => ({ from: at.q - back })

/** Where a comparison of amounts ends that begins here, as in "at least five"; 0 where none does. */
function amountEnd(at: At): number {
  const { q } = at
  if (at.w() === 'at' && /^(?:least|most|minimum|maximum)$/.test(at.w(1)) && at.isNumber(2)) return q + 3
  if (/^(?:no|not)$/.test(at.w()) && /^(?:more|fewer|less|later|earlier|longer)$/.test(at.w(1)) && at.w(2) === 'than') return q + 4
  if (/^(?:fewer|less|more)$/.test(at.w()) && at.w(1) === 'than' && at.isNumber(2)) return q + 3
  if (at.w() === 'up' && at.w(1) === 'to' && at.isExact(2)) return q + 3
  if (/^(?:under|below|over)$/.test(at.w()) && at.isExact(1)) return q + 2
  if (/^(?:under|below)$/.test(at.w()) && /^an?$/.test(at.w(1)) && /^(?:minute|second|hour|quarter|millimetre|degree)$/.test(at.w(2)))
    return q + 2
  return at.w() === 'a' && /^(?:minimum|maximum)$/.test(at.w(1)) && at.w(2) === 'of' ? q + 4 : 0
}

/** "At least five signs": the amount alone, where it opens the object; else with the words before it. */
function amount(at: At): Found {
  const end = amountEnd(at)
  if (end === 0) return null
  if (at.isFirst) return { from: at.q, end }
  if (at.inside === 'criterion') return null
  let back = at.q - 1 > at.verb.from && /^(?:to|in|with|within|by|at|for|of|on)$/.test(at.w(-1)) ? 1 : 0
  if (LASTING.test(at.w(-1 - back)) || /^(?:correctly|accurately)$/.test(at.w(-1 - back))) back++
  return starting(at, back)
}

function within(at: At): Found {
  if (at.w() !== 'within' || (at.w(-1) === 'to' && at.inside === 'criterion')) return null
  const head = at.phrase()?.lemma ?? ''
  if (/^(?:budget|company|firm|team|group|context)$/.test(head)) return null
  const isLimit =
    at.isNumber(1) ||
    /^[±+-]/.test(at.w(1)) ||
    QUALITY.has(head) ||
    /\b(?:limits?|tolerances?|range|time|period|window|deadline|seconds?|minutes?|hours?|days?)\b/.test(at.words(1, 5))
  return isLimit ? starting(at, at.w(-1) === 'to' && at.q - 1 >= at.verb.from ? 1 : 0) : null
}

function spans(at: At): boolean {
  const isIn = at.w() === 'in'
  if (!isIn && at.w() !== 'on' && at.w() !== 'for') return false
  const seg = at.words(1, 8)
  if (isIn && /^an? (?:paragraph|sentence|page|line|minute|hour|second|go|sitting|single)\b/.test(seg)) return true
  if (!at.isExact(1)) return at.w() === 'for' && /^an? (?:hour|minute|day|week|second)\b/.test(seg) && !at.inClause
  if (isIn && /^(?:single|one) (?:move|pass|go|stroke|attempt|take|sweep|cut|sitting|try|motion|piece)\b/.test(seg)) return true
  const isRatio =
    /^(?:\S+ ){1,4}?(?:out of|of|in) (?:the |every )?(?:\d+|two|three|four|five|six|seven|eight|nine|ten|twelve|twenty|hundred)\b/.test(seg)
  const isTime = TIMES.test(at.w(2)) || TIMES.test(at.w(3))
  if (isRatio && !at.inClause) return true
  return (isIn || at.w() === 'for') && isTime && !at.inClause
}

function withQuality(at: At): boolean {
  if (at.w() !== 'with') return false
  const next = at.w(1)
  if (/^(?:no|zero|nobody|nothing|none|neither)$/.test(next)) return !isAid(at.phrase()?.lemma ?? at.w(2)) || at.isExact(2)
  if (/^(?:all|every)$/.test(next) && at.tokens.slice(at.q + 1).some((t) => at.forms.verbsOf(t.lower).some((f) => f.form === 'ing')))
    return true
  const phrase = at.phrase()
  if (/^\d/.test(next) && (at.w(2) === '%' || /^per/.test(at.w(2)))) return true
  if (!phrase) return false
  const behind = at.tokens[phrase.end]?.lower ?? ''
  const after = at.tokens
    .slice(phrase.end + 1, phrase.end + 6)
    .map((t) => t.lower)
    .join(' ')
  if (/^an?$/.test(next) && /^(?:even|steady|clear|clean|smooth|firm|constant|consistent|uniform|full|crisp|controlled)$/.test(at.w(2)))
    return phrase.files.some((f) => [4, 7, 11, 19].includes(f))
  if (
    behind === 'of' &&
    /(?:^| )(?:\d|two|three|four|five|six|ten|twenty|between)/.test(after) &&
    phrase.files[0] !== 18 &&
    phrase.files[0] !== 6
  )
    return true
  if (behind === 'that' && /^(?:needs?|leaves?|shows?) no\b|^(?:agree|match|balance|meet|fit|hold|tally)\b/.test(after)) return true
  return /^(?:accuracy|precision|fluency|landing)$/.test(phrase.lemma)
}

function toStandard(at: At): boolean {
  if (at.w() !== 'to' || at.q <= at.verb.from) return false
  const seg = at.words(1, 5)
  const phrase = at.phrase()
  const head = phrase?.lemma ?? ''
  if (/^(?:within\b|the (?:nearest|last|second|first|minute|penny|cent|millimetre|letter|gram|degree|pound|inch|satisfaction)\b)/.test(seg))
    return true
  if (/^(?:first|second|third|fourth|fifth) (?:\S+ )?(?:form|place|decimal|order)/.test(seg)) return true
  if (
    at.isExact(1) &&
    !TO_THINGS.test(at.verb.lemma) &&
    (/^[a-zµ°]{1,3}$/.test(at.w(2)) || [2, 3, 4].some((n) => UNITS.has(at.w(n)))) &&
    !at.isPreposition(2)
  )
    return true
  if (at.inClause) return false
  if (/^half\b/.test(seg) || (/^(?:one|an?)$/.test(at.w(1)) && (phrase?.classes.includes('unit') ?? false))) return true
  if (/^(?:regulation|standard|code|specification|industry|scale)\b/.test(seg) && !at.isVerb(2, 'base')) return true
  if (at.w(1) === 'the' && /^the (?:\S+ ){1,3}(?:shown|given|stated|supplied|agreed|specified|provided)\b/.test(seg)) return true
  const isVerb = at.isVerb(1, 'base') && !at.isNoun(1)
  if (phrase && QUALITY.has(head) && !TO_THINGS.test(at.verb.lemma) && !isVerb) return true
  return /^(?:pass|meet|satisfy|withstand|match)$/.test(at.w(1)) && at.q > at.verb.from + 1 && (at.opens(2) || at.isNoun(2))
}

function without(at: At): boolean {
  if (at.w() !== 'without') return false
  const head = at.phrase()?.lemma ?? at.w(1)
  const near = [1, 2, 3, 4].map((n) => at.w(n))
  const hasAid = near.some(isAid)
  const isFault = FAULTS.has(head) || (at.phrase()?.classes.includes('fault') ?? false) || near.some((w) => FAULTS.has(w))
  if (isFault) return true
  if (at.isVerb(1, 'ing')) return !hasAid
  if (hasAid || at.inClause) return false
  return !(at.phrase()?.files.some((f) => [5, 6, 13, 18, 20, 27].includes(f)) ?? false)
}

function thatHolds(at: At): boolean {
  if (at.w() !== 'that' || at.q <= at.verb.from || at.inClause || at.inside === 'condition') return false
  const verb = at.forms.verbsOf(at.w(1)).filter((f) => f.form === 's' || f.form === 'base')
  if (verb.length > 0 && !at.verb.thinks && /\b(?:no|every|never|first time|upright|at least|no more|within)\b/.test(at.words(2, 5)))
    return true
  if (verb.some((f) => HOLDS.has(f.lemma))) return true
  const phrase = at.phrase()
  if (phrase?.isPerson && phrase.end < at.tokens.length) return true
  return /^(?:is|are)$/.test(at.w(1)) && at.w(2) !== 'not'
}

const goes = (at: At): boolean => !at.inClause && at.q > at.verb.from

/** The rules, in the order in which they are tried. */
export const HOW_WELL: readonly Rule[] = [
  ['an amount', amount],
  ['within limits', within],
  ['so many of so many, or so long', spans],
  [
    'so many out of so many',
    (at) => at.isExact(0) && !at.isFirst && /^(?:\S+ )?out of (?:\d|two|three|four|five|six|ten|twenty)/.test(at.words()),
  ],
  ['a style or form', (at) => at.w() === 'in' && goes(at) && /^(?:\S+ ){0,3}?(?:style|form|format|tune|time|full)$/.test(at.words(1, 5))],
  ['with a quality', withQuality],
  ['up to a standard', toStandard],
  ['with reference to a number', (at) => /^reference to /.test(at.words()) && at.w() === 'with' && at.isExact(3)],
  [
    'according to',
    (at) =>
      (at.w() === 'according' && at.w(1) === 'to') ||
      (at.w() === 'in' && /^(?:accordance|line|compliance|keeping|agreement|conformity) with\b/.test(at.words())) ||
      (at.w() === 'as' &&
        !at.inClause &&
        /^(?:required|specified|listed|stated|directed|instructed|prescribed|agreed|recommended|per|shown|described|set out|laid down|laid out)\b/.test(
          at.words(),
        )) ||
      (at.w() === 'as' && /^(?:judged|measured|assessed|rated|scored|verified|confirmed|checked) by\b/.test(at.words())) ||
      (at.w() === 'per' && at.isDeterminer(1)) ||
      (at.w() === 'by' &&
        /^(?:the|an?) (?:stated|given|required|set|standard|agreed) (?:sequence|procedure|order|steps|method)\b/.test(at.words())),
  ],
  [
    'in the right order',
    (at) =>
      at.w() === 'in' &&
      at.q > at.verb.from &&
      /^the (?:(?:correct|right|proper|given|stated|required|prescribed) (?:order|sequence|format|form|manner|style|places?)|(?:manner|order|way|form|sequence|format) (?:laid|prescribed|set|required|specified|given|stated|shown))\b/.test(
        at.words(),
      ),
  ],
  ['lasting so long', (at) => LASTING.test(at.w()) && at.q > at.verb.from && (at.isExact(1) || amountEnd(at.next) > 0)],
  ['correct to', (at) => /^(?:correct|accurate|true)$/.test(at.w()) && /^(?:to|within)$/.test(at.w(1)) && at.q > at.verb.from],
  [
    'against a standard',
    (at) =>
      at.w() === 'against' &&
      !at.inClause &&
      !AGAINST_THINGS.test(at.verb.lemma) &&
      (STANDARDS.has(at.phrase()?.lemma ?? '') || [1, 2, 3, 4, 5, 6].some((n) => STANDARDS.has(at.forms.nounOf(at.w(n))?.lemma ?? ''))),
  ],
  ['by so much', (at) => at.w() === 'by' && at.isExact(1) && (UNITS.has(at.w(2)) || UNITS.has(at.w(3)))],
  ['without a fault', without],
  [
    'so that',
    (at) =>
      (/^(?:so|such)$/.test(at.w()) && at.w(1) === 'that') ||
      (at.w() === 'so' && at.q > at.verb.from + 1 && (at.opens(1) || /^(?:it|they|nothing|nobody)$/.test(at.w(1)))),
  ],
  [
    'well enough',
    (at) =>
      goes(at) &&
      /ly$/.test(at.w()) &&
      !at.isNoun(0) &&
      (at.w(1) === 'enough' ||
        (at.w(1) === 'to' && !at.isVerb(2, 'base')) ||
        (at.w(1) === 'for' && /^(?:an?|the|\d+|two|three)$/.test(at.w(2)))),
  ],
  [
    'an adverb of quality at the end',
    (at) =>
      goes(at) &&
      /^(?:correctly|accurately|precisely|safely|legibly|fluently|independently|consistently|flawlessly|error-free)$/.test(at.w()) &&
      !at.isWord(1),
  ],
  ['word for word', (at) => at.q > at.verb.from && at.w(1) === 'for' && at.w(2) === at.w() && at.isWord(0)],
  [
    'so many times',
    (at) =>
      at.q > at.verb.from &&
      ((/^(?:once|twice)$/.test(at.w()) && /^(?:an?|per|every|each)$/.test(at.w(1))) ||
        (at.isExact(0) && at.w(1) === 'times' && /^(?:in|out|a|per)$/.test(at.w(2))) ||
        (at.w() === 'of' && /^the same (?:height|size|width|length|shape|weight|thickness|depth|tone|colour|color)\b/.test(at.words()))),
  ],
  ['until', (at) => at.w() === 'until' && goes(at)],
  ['free of', (at) => at.w() === 'free' && /^(?:of|from)$/.test(at.w(1))],
  ['that holds', thatHolds],
  [
    'at a rate',
    (at) =>
      at.w() === 'at' &&
      at.q > at.verb.from &&
      (at.isExact(1) ||
        /^(?:a rate|all times|(?:normal|full|half|steady|even|working|walking) (?:speed|pace|tempo|rate))\b/.test(at.words()) ||
        (at.w(1) === 'the' &&
          (STATED.has(at.w(2)) ||
            /^(?:tempo|speed|pace|rate|pressure|temperature|angle|height|level|depth)$/.test(at.phrase()?.lemma ?? '')))),
  ],
  [
    'of even size',
    (at) =>
      at.w() === 'of' && at.q > at.verb.from && /^(?:even|equal|uniform|constant|consistent|matching|identical)$/.test(at.w(1))
        ? starting(at, at.w(-2) === 'in' ? 2 : 0)
        : false,
  ],
  ['every so many', (at) => at.w() === 'every' && at.isExact(1) && at.q > at.verb.from],
  ['at the first try', (at) => /^(?:right first time|on the first (?:attempt|try|go)|at the first (?:attempt|try|go))\b/.test(at.words(0))],
  [
    'leaving nothing',
    (at) =>
      at.q > at.verb.from &&
      /^(?:leaving|keeping|losing|missing|wasting|allowing|holding|staying|breaking|spilling|dropping)$/.test(at.w()) &&
      /\b(?:no|none|nothing|less|within|every|all|fewer|any|at)\b/.test(at.words(1, 4)),
  ],
  [
    'flush with',
    (at) =>
      at.q > at.verb.from + 1 &&
      /^(?:clean|flush|level|plumb|square|flat|smooth|straight)$/.test(at.w()) &&
      /^(?:to|with)$/.test(at.w(1)) &&
      at.isNoun(-1),
  ],
]
