/** Words of the closed classes: they are few, and what they are no table needs to tell. */
const set = (words: string): ReadonlySet<string> => new Set(words.split(' '))

export const DETERMINERS = set(
  'the a an this that these those each every all both some any no another either neither such what which own certain same other',
)
export const POSSESSIVES = set("its their your his her our my whose one's")
export const NUMBERS = set(
  'one two three four five six seven eight nine ten eleven twelve thirteen fourteen fifteen sixteen twenty thirty forty fifty sixty hundred thousand several many few more most fewer less half multiple enough various',
)
export const PREPOSITIONS = set(
  'of in on at for with by to from into onto over under about between among within without through during against across along around before after behind beyond near off out up down per via towards toward upon using like than until till beneath beside besides above below inside outside throughout despite except as amid',
)
export const PARTICLES = set('up down in out off on over away back through apart together aside by around along forward')
export const PRONOUNS = set(
  'it them they he she we you i us him me itself themselves oneself yourself himself herself ourselves someone anyone everyone something anything everything nothing whoever whatever',
)
export const QUESTION_WORDS = set('how why what which who whom whose when where whether whatever whichever')
export const AUXILIARIES = set(
  "is are was were be been being am isn't aren't has have had do does did will would shall should can could may might must cannot can't won't",
)
export const JOINING = set('and or & nor plus and/or')
export const ADVERBS = set(
  'also then now always often never clearly safely well together independently first again only correctly quickly twice once regularly both not even just still aloud later today alone thus typically usually critically effectively',
)
/** Words that stand where a verb should and are none. */
export const NEVER_VERBS = set(
  'the a an this that these those what why how who when where which is are was were it its they he she i we you your their our my and or but of in on at for with without by from to as if not no yes there here than so very too also then per via both either neither such other others own much many more most less least all any some every each new using well only just even still again second third same given working one two three',
)
/** Nouns that name what other nouns are about: behind one of them a noun and a verb are both the noun (Cairn's list). */
export const ABOUT_OTHERS = set(
  'layout gradient network diagram habit idiom pattern term strategy type skill practice method technique theory system process management control design principle basic rule model form list option structure tool code standard product projection recipe analysis study work care treatment rotation entry planning handling training safety history science culture policy procedure function composition algorithm service station routine case point sheet note card board book line level rate value cost size length time date power resource unit area field site centre center chain chart map table key group team class phase stage cycle effect factor issue problem question trend concept fundamental approach style genre role plan project programme program course material equipment software package database matter topic element preparation maintenance repair production selection review report comprehension development assessment evaluation marking law right duty scheme order colour color',
)
/** Verbs that begin objectives though they are common nouns as well (Cairn's list). */
export const OF_OBJECTIVES = set(
  'state value list name outline account contrast report rank rate place sort label trace sketch note grasp master match quote judge argue prove solve study appreciate order point model respect',
)
