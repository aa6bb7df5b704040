/** Forms of words: which verbs and nouns a word may be a form of. Rules of English spelling, and the forms that follow none. */
import { verbEntry } from '../lexicon'
import type { Word, Words } from './words'

export type Form = 'base' | 's' | 'ing' | 'past'
/** A verb that a word may be a form of. */
export type VerbForm = { readonly lemma: string; readonly form: Form /** How commonly it is met as a verb. */; readonly weight: number }
export type NounForm = { readonly lemma: string; readonly plural: boolean; readonly word: Word }

/** Verbs whose past forms follow no rule, each with them. */
const IRREGULAR_PAST =
  'arise arose arisen,bear bore borne born,beat beaten,become became,begin began begun,bend bent,bet,bind bound,bite bit bitten,bleed bled,blow blew blown,break broke broken,breed bred,bring brought,build built,burn burnt,burst,buy bought,cast,catch caught,choose chose chosen,cling clung,come came,cost,creep crept,cut,deal dealt,dig dug,do did done,draw drew drawn,dream dreamt,drink drank drunk,drive drove driven,eat ate eaten,fall fell fallen,feed fed,feel felt,fight fought,find found,flee fled,fly flew flown,forbid forbade forbidden,forecast,forget forgot forgotten,forgive forgave forgiven,freeze froze frozen,get got gotten,give gave given,go went gone,grind ground,grow grew grown,hang hung,have had,hear heard,hide hid hidden,hit,hold held,hurt,keep kept,kneel knelt,know knew known,lay laid,lead led,lean leant,leap leapt,learn learnt,leave left,lend lent,let,lie lay lain,light lit,lose lost,make made,mean meant,meet met,mow mown,overcome overcame,pay paid,plead pled,prove proven,put,read,ride rode ridden,ring rang rung,rise rose risen,run ran,saw sawn,say said,see saw seen,seek sought,sell sold,send sent,set,sew sewn,shake shook shaken,shave shaven,shear shorn,shed,shine shone,shoot shot,show shown,shrink shrank shrunk,shut,sing sang sung,sink sank sunk,sit sat,sleep slept,slide slid,sling slung,slit,smell smelt,sow sown,speak spoke spoken,speed sped,spell spelt,spend spent,spill spilt,spin spun,spit spat,split,spoil spoilt,spread,spring sprang sprung,stand stood,steal stole stolen,stick stuck,sting stung,stride strode,strike struck,string strung,strive strove striven,swear swore sworn,sweep swept,swell swollen,swim swam swum,swing swung,take took taken,teach taught,tear tore torn,tell told,think thought,thrive throve,throw threw thrown,thrust,tread trod trodden,understand understood,undertake undertook undertaken,undo undid undone,uphold upheld,upset,wake woke woken,wear wore worn,weave wove woven,weep wept,win won,wind wound,withdraw withdrew withdrawn,withhold withheld,withstand withstood,wring wrung,write wrote written'
const PAST_OF = new Map(
  IRREGULAR_PAST.split(',').flatMap((entry) => {
    const [lemma = '', ...forms] = entry.split(' ')
    return forms.map((form) => [form, lemma] as const)
  }),
)
/** Nouns whose plurals follow no rule. */
const PLURAL_OF = new Map(
  'analyses analysis,appendices appendix,axes axis,bacteria bacterium,bases basis,calves calf,children child,crises crisis,criteria criterion,curricula curriculum,data datum,diagnoses diagnosis,elves elf,emphases emphasis,feet foot,formulae formula,fungi fungus,geese goose,halves half,hooves hoof,hypotheses hypothesis,indices index,knives knife,larvae larva,leaves leaf,lives life,loaves loaf,matrices matrix,media medium,men man,mice mouse,nuclei nucleus,oases oasis,parentheses parenthesis,people person,phenomena phenomenon,radii radius,scarves scarf,selves self,shelves shelf,sheaves sheaf,stimuli stimulus,syntheses synthesis,teeth tooth,theses thesis,thieves thief,vertebrae vertebra,vertices vertex,wives wife,wolves wolf,women woman'
    .split(',')
    .map((pair) => pair.split(' ') as [string, string]),
)

/** A verb of our own lexicon counts as met this often besides (Cairn default; tried on labelled lines). */
const IN_LEXICON = 9
/** A verb with a prefix that no list has, as `re-anchor`, is about as common (Cairn default). */
const PREFIXED = 2
const PREFIX = /^(?:re|de|un|dis|mis|over|under|co|pre|out)-?(?=[a-z]{3})/
const DOUBLED = /([b-df-hj-np-tv-z])\1$/

export class Forms {
  private readonly verbs = new Map<string, readonly VerbForm[]>()
  private readonly nouns = new Map<string, NounForm | null>()
  constructor(readonly words: Words) {}

  /** The verbs that a word in small letters may be a form of. */
  verbsOf(text: string): readonly VerbForm[] {
    const known = this.verbs.get(text)
    if (known) return known
    const found = this.readVerbs(text)
    this.verbs.set(text, found)
    return found
  }

  private readVerbs(text: string): readonly VerbForm[] {
    if (!/^[a-z][a-z'-]+$/.test(text)) return []
    const found: VerbForm[] = []
    const add = (lemma: string, form: Form): boolean => {
      const weight = this.verbWeight(lemma)
      if (weight > 0 && !found.some((f) => f.lemma === lemma && f.form === form)) found.push({ lemma, form, weight })
      return weight > 0
    }
    add(text, 'base')
    if (text === 'has' || text === 'does') add(text === 'has' ? 'have' : 'do', 's')
    const past = PAST_OF.get(text)
    if (past) add(past, 'past')
    if (/ies$/.test(text)) add(`${text.slice(0, -3)}y`, 's')
    if (/(?:s|x|z|ch|sh|o)es$/.test(text)) add(text.slice(0, -2), 's')
    if (/[^s]s$/.test(text)) add(text.slice(0, -1), 's')
    if (/ied$/.test(text)) add(`${text.slice(0, -3)}y`, 'past')
    for (const [ending, form] of [
      ['ed', 'past'],
      ['ing', 'ing'],
    ] as const) {
      if (!text.endsWith(ending) || text.length <= ending.length + 1) continue
      const stem = text.slice(0, -ending.length)
      const isFound = add(`${stem}e`, form) || add(stem, form)
      if (!isFound || DOUBLED.test(stem)) add(stem.replace(DOUBLED, '$1'), form)
    }
    if (found.length > 0) return found
    const prefix = PREFIX.exec(text)?.[0] ?? ''
    if (prefix !== '' && !this.words.get(text))
      return this.verbsOf(text.slice(prefix.length)).map((f) => ({ ...f, lemma: prefix + f.lemma, weight: PREFIXED }))
    return /(?:ise|ize|ify)$/.test(text) && !this.words.get(text) ? [{ lemma: text, form: 'base', weight: PREFIXED }] : found
  }

  /** How commonly a word is met as a verb in its base form; 0 where it is none. */
  private verbWeight(lemma: string): number {
    if (lemma.length < 2) return 0
    return (this.words.get(lemma)?.verb ?? 0) + (verbEntry(lemma) ? IN_LEXICON : 0)
  }

  /** The noun that a word in small letters is a form of; null where it is none. Of a compound with hyphens its last part. */
  nounOf(text: string): NounForm | null {
    const known = this.nouns.get(text)
    if (known !== undefined) return known
    const found = this.readNoun(text)
    this.nouns.set(text, found)
    return found
  }

  private readNoun(text: string): NounForm | null {
    const at = (lemma: string, plural: boolean): NounForm | null => {
      const word = this.words.get(lemma)
      return word && word.noun > 0 ? { lemma, plural, word } : null
    }
    const irregular = PLURAL_OF.get(text)
    const found =
      (irregular && at(irregular, true)) ||
      (/ies$/.test(text) && at(`${text.slice(0, -3)}y`, true)) ||
      (/(?:s|x|z|ch|sh|o)es$/.test(text) && at(text.slice(0, -2), true)) ||
      (/[^s]s$/.test(text) && at(text.slice(0, -1), true)) ||
      at(text, false)
    if (found || !text.includes('-')) return found || null
    return this.nounOf(text.slice(text.lastIndexOf('-') + 1))
  }
}
