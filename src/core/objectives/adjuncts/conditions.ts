/** What opens a condition: what is given, used or allowed, and where it is done. Cairn's lists and rules, tried on labelled lines. */
import { lacksAid } from './aids'
import type { At, Rule } from './place'

const set = (words: string): ReadonlySet<string> => new Set(words.split(' '))
/** Verbs whose "from", "with" or "on" names their object. */
const FROM_OBJECT =
  /^(?:differentiate|distinguish|discriminate|separate|tell|remove|protect|translate|convert|extract|lift|take|move|travel|come|release|exclude|save|free|recover|escape|prevent|keep|defend|isolate|borrow|buy|order|obtain|collect|choose|select|pick|hang|clear|strip|wean|transfer|pour|unload|drain|subtract|deduct|guard|shield|evacuate|rescue)$/
const WITH_OBJECT =
  /^(?:deal|work|comply|agree|communicate|compare|combine|mix|replace|connect|match|cooperate|collaborate|help|provide|equip|fill|cover|align|integrate|interact|negotiate|associate|share|liaise|cope|engage|converse|blend|link|correlate|contrast|reconcile|finish|coat|treat|line|season|garnish|serve|supply|present|assist|charge|load|pair|conclude|begin|end|start)$/
const ON_OBJECT =
  /^(?:reflect|report|comment|focus|rely|depend|advise|agree|insist|decide|brief|act|elaborate|expand|build|lecture|concentrate|improve|base|write|put|place|lay|mount|spread|fix|load)$/
const PUTS =
  /^(?:put|place|lay|mount|plant|store|install|fix|hang|load|insert|attach|fasten|fit|pour|pack|park|stack|keep|leave|set|hold|position|embed|file|save|deposit|dip|soak|immerse|enter|write|work|live|stand|participate|respond|invest|engage|specialise|serve|spread)$/
/** Where work is done. */
const SETTINGS = set(
  'pair group team role simulation writing word language public class front dark light field lab laboratory workshop clinic flat classroom studio kitchen position arm case meeting moot passage news setting environment article room scenario ward interview conversation weather wind rain traffic emergency simulator condition rehearsal exam seminar competition game match drill mock context situation order wheelchair silence mode database sandbox snow fog',
)
/** On what it is done. */
const SUPPORTS = set(
  'paper diagram map photograph model manikin mannequin panel simulator bench machine screen worksheet board partner patient sample site video film plan drawing cross-section lathe arm timeline chart worktop rig dummy phone slide whiteboard keyboard grid graph track ice water horseback slope engine vehicle form budget',
)
const HOLDERS =
  /^(?:child|company|firm|system|problem|recipe|house|room|cake|salad|schema|experiment|design|building|family|client|customer|group|guest|animal|dog|horse|car|menu|table|network|person|people)$/
/** What somebody wears or has in the body belongs to them. */
const BELONGS = /^(?:cast|bag|pacemaker|stent|catheter|stoma|brace|implant|prosthesis|wheelchair|frame|aid)$/
const TOOLS = /^(?:kit|software|tool|data|gloves?|chart|map|key|cards?|whip|model|code|python|spreadsheet)$/
const ABOUT =
  /^(?:report|essay|advice|lecture|data|view|effect|impact|influence|tax|information|article|opinion|paper|talk|presentation|debate|rule|limit|attack|problem|question|decision|policy|hit|ban)$/

const goes = (at: At): boolean => !at.inClause && at.q > at.verb.from && at.inside !== 'criterion'

function withTool(at: At): boolean {
  if (at.w() !== 'with' || at.inClause || at.inside === 'criterion' || WITH_OBJECT.test(at.verb.lemma)) return false
  const phrase = at.phrase()
  if (!phrase) return false
  const { files, lemma } = phrase
  const before = at.forms.nounOf(at.w(-1))
  const isHeldBy = before !== null && (at.isPersonAt(-1) || before.word.files[0] === 5 || HOLDERS.test(before.lemma))
  const isTool = files.includes(6) || files.includes(8) || phrase.classes.includes('instrument') || TOOLS.test(lemma)
  if (isHeldBy && (BELONGS.test(lemma) || !(files[0] === 6 && at.opens(1)))) return false
  if (/^(?:example|illustration|quotation|reason|word)$/.test(lemma)) return false
  if (at.verb.hands && /^(?:an?|the)$/.test(at.w(1)) && ![7, 11, 12, 26].includes(files[0] ?? 0)) return true
  const isText =
    files[0] === 10 || (files.includes(9) && /^(?:criterion|model|method|technique|procedure|theory|formula|key|rule)$/.test(lemma))
  return (
    isTool ||
    isText ||
    phrase.isPerson ||
    /^(?:either|both|one|two|only)$/.test(at.w(1)) ||
    /^(?:time|practice|guidance)$/.test(lemma) ||
    (/^(?:an?|the)$/.test(at.w(1)) && files.includes(4))
  )
}

function fromSource(at: At): boolean {
  if (at.w() !== 'from' || at.inClause || at.inside === 'criterion') return false
  const isObject =
    FROM_OBJECT.test(at.verb.lemma) && !at.tokens.slice(at.verb.from, at.q).some((t) => t.lower === 'from' || t.lower === 'between')
  const phrase = at.phrase()
  if (isObject || !phrase || /^(?:to|into)$/.test(at.tokens[phrase.end]?.lower ?? '')) return false
  const [file] = phrase.files
  if (at.verb.hands && /^(?:its|their|the|an?|memory|raw|only|just)$/.test(at.w(1)) && [6, 9, 10].includes(file ?? 0)) return true
  return at.verb.thinks || ![29, 38, 40].includes(at.verb.file) || phrase.files.some((f) => f === 9 || f === 10)
}

function inSetting(at: At): boolean {
  if (at.w() !== 'in' || !goes(at)) return false
  const phrase = at.phrase()
  if (!phrase) return /^(?:pairs|groups|teams|public|class)$/.test(at.w(1))
  const { lemma, files } = phrase
  const seg = at.words(1, phrase.length)
  const isPlayed =
    /\b(?:simulated|mock|role|role-play|practice|training|real|realistic|live|poor|strong|heavy|controlled|supervised|open|cold|hot|dark|early|late|noisy|busy|mixed)\b/.test(
      seg,
    )
  if (SETTINGS.has(lemma) || SETTINGS.has(at.w(1)) || files[0] === 19 || (files[0] === 28 && lemma !== 'time' && !at.isExact(1)))
    return true
  if (isPlayed && (files[0] !== 10 || /^(?:an? )?(?:simulated|mock)/.test(seg))) return true
  if (/^(?:order|sequence)$/.test(lemma) && /ing\b/.test(at.w(1))) return true
  return (
    at.verb.hands &&
    at.isBehindObject &&
    !PUTS.test(at.verb.lemma) &&
    (at.opens(1) || at.adjective(1) > 0) &&
    !/^(?:list|table|chart|array|text|document|essay|sentence|paragraph|figure|set|line|file)$/.test(lemma) &&
    ![6, 8, 10, 13].includes(files[0] ?? 0)
  )
}

function onSupport(at: At): boolean {
  if (at.w() !== 'on' || !goes(at) || ON_OBJECT.test(at.verb.lemma)) return false
  const before = at.forms.nounOf(at.w(-1))
  if (before && ABOUT.test(before.lemma)) return false
  const phrase = at.phrase()
  if (!phrase) return false
  return (
    SUPPORTS.has(phrase.lemma) ||
    (/^(?:an?|one)$/.test(at.w(1)) && phrase.files[0] === 6) ||
    /^(?:field|site|foot|paper)$/.test(at.w(1)) ||
    /^(?:live|real|working|tight|limited|moving|slippery|steep|training|practice|simulated|mock|marked|given|stated|overcast|windy|rainy|busy|set|named)$/.test(
      at.w(2),
    ) ||
    phrase.lemma === 'breath'
  )
}

function underConditions(at: At): boolean {
  if (at.w() !== 'under' || !goes(at)) return false
  const phrase = at.phrase()
  if (/^(?:rule|law|code)$/.test(phrase?.lemma ?? '')) return false
  const isThing = phrase?.files.includes(8) || phrase?.files[0] === 6
  return (
    !isThing ||
    /\b(?:light|lamp|microscope|loupe|conditions?|supervision|pressure|exam\w*|time|controlled|test|load|weight)\b/.test(at.words(1, 4))
  )
}

function atPlace(at: At): boolean {
  if (at.w() !== 'at' || !goes(at)) return false
  const phrase = at.phrase()
  const lemma = phrase?.lemma ?? ''
  if (
    at.verb.hands &&
    at.isBehindObject &&
    /^(?:the|an?)$/.test(at.w(1)) &&
    !/^(?:right|angle|joint|corner|junction|point|edge|end|base|top|beginning)$/.test(lemma)
  )
    return true
  if (/^the (?:end|start|beginning) of\b/.test(at.words()) || /^(?:night|sea|drop-off|height)$/.test(at.w(1))) return true
  if (
    /^(?:the|an?)$/.test(at.w(1)) &&
    /^(?:bench|desk|counter|table|stated|given|fixed|wheel|keyboard|bedside|site|workstation|till|depth|height|distance|scale|angle)$/.test(
      at.w(2),
    )
  )
    return true
  return (
    /^an?$/.test(at.w(1)) &&
    (phrase?.classes.includes('event') || /^(?:hearing|meeting|interview|tribunal|viewing|inspection|event|fair|ceremony)$/.test(lemma)) ===
      true
  )
}

/** Fixed wordings that hold wherever they stand, also in a clause. */
const FIXED: readonly (readonly [RegExp, RegExp])[] = [
  [/^over$/, /^the (?:phone|radio|telephone|internet|counter|air)\b/],
  [/^as$/, /^a (?:group|team|pair|class|whole|crew)\b|^part of\b/],
  [/^for$/, /^an? (?:fictional|fictitious|hypothetical|imaginary|named|mock|simulated|real|given|stated)\b/],
  [
    /^in$/,
    /^response to\b|^front of\b|^the presence\b|^(?:your|their|his|her|one's|my|our|plain|everyday|simple|lay) (?:own )?(?:words?|language|terms|english)\b|^language\b|^writing\b/,
  ],
  [/^(?:provided|faced|equipped)$/, /^with\b/],
  [/^based$/, /^on\b/],
  [
    /^by$/,
    /^means of\b|^(?:hand|ear|eye|sight|touch|taste|feel|phone|telephone|smell|heart|comparison|reference|computer|machine|email)\b/,
  ],
  [/^with$/, /^the (?:help|aid|use|assistance|support)\b|^access to\b|^reference to (?!\d)/],
  [/^on$/, /^the basis\b/],
  [/^from$/, /^memory\b/],
  [/^following$/, /^(?:the|an?) /],
]

/** The rules, in the order in which they are tried. */
export const CONDITIONS: readonly Rule[] = [
  ['given', (at) => at.w() === 'given' && (at.opens(1) || at.isNoun(1) || at.w(1) === 'only') && !at.opens(-1) && !at.isPreposition(-1)],
  [
    'using',
    (at) => at.w() === 'using' && !/^(?:when|while|for|before|after|by|of)$/.test(at.w(-1)) && (at.isFirst || !at.isPreposition(-1)),
  ],
  ['a fixed wording', (at) => at.inside !== 'criterion' && FIXED.some(([word, behind]) => word.test(at.w()) && behind.test(at.words()))],
  ['via', (at) => at.w() === 'via' && at.q > at.verb.from],
  [
    'alone',
    (at) =>
      /^(?:unaided|unassisted|alone|individually|blindfolded|single-handed|solo)$/.test(at.w()) &&
      at.q > at.verb.from &&
      at.inside !== 'criterion' &&
      (!at.isWord(1) || at.isPreposition(1)),
  ],
  [
    'working',
    (at) => /^(?:working|wearing|supervised|accompanied|assisted)$/.test(at.w()) && goes(at) && (at.isNoun(-1) || !at.isWord(-1)),
  ],
  ['without an aid', (at) => at.w() === 'without' && at.inside !== 'criterion' && (!at.inClause || lacksAid(at))],
  ['within a frame', (at) => at.w() === 'within' && goes(at) && /\b(?:budget|context)\b/.test(at.words(1, 4))],
  ['when', (at) => /^(?:when|while|during|once|whenever)$/.test(at.w()) && goes(at) && at.w(1) !== 'also'],
  ['before or after', (at) => /^(?:before|after)$/.test(at.w()) && goes(at) && at.w(-1) !== 'day'],
  ['under', underConditions],
  ['with', withTool],
  ['from', fromSource],
  ['in', inSetting],
  ['on', onSupport],
  ['at', atPlace],
  ['behind', (at) => at.w() === 'behind' && goes(at) && at.verb.hands],
  ['along', (at) => at.w() === 'along' && goes(at) && /^(?:an?|the|twelve)$/.test(at.w(1)) && at.inside === null],
  ['over a given way', (at) => /^(?:over|along|through)$/.test(at.w()) && /^an? (?:given|stated)\b/.test(at.words())],
  [
    'where hands are at work',
    (at) => {
      if (
        !at.verb.hands ||
        !at.isBehindObject ||
        !goes(at) ||
        !/^(?:over|between|through|during|among|amid|beneath|below|above|near|inside|outside)$/.test(at.w())
      )
        return false
      const phrase = at.phrase()
      if (!phrase) return false
      return !(at.w() === 'through' && [6, 8, 17].includes(phrase.files[0] ?? 0)) && !(at.w() === 'over' && PUTS.test(at.verb.lemma))
    },
  ],
]
