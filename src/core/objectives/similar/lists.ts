/** What planners use for one another and the dictionary does not say, and what must not be taken for one another. Cairn defaults. */

const set = (text: string): ReadonlySet<string> => new Set(text.split(/\s+/))

/** Words that say nothing about what is performed. */
export const EMPTY = set(
  `a an the this that these those its their your his her our my it they them he she you we i each every all both some any of and or to
  be is are was were been do does did have has had will can could should would may might must not no so as than then there here one own
  such other another new given different various several suitable appropriate proper relevant certain pair couple set kind type sort
  piece way following using able out up away themselves itself small short brief`,
)
/** Words that open a clause inside the object: "how tides form". */
export const OPENS_CLAUSE = set('how why what which when where who whom whose whether that')
/** Prepositions that tell what part a word plays. */
export const ROLES = set(
  `in on with from into onto to for by at under over above below against between among through about without during after before
  across along behind within inside outside beyond near towards toward past upon until per via`,
)
export const NUMBERS: ReadonlyMap<string, string> = new Map(
  Object.entries({
    two: '2',
    pair: '2',
    couple: '2',
    both: '2',
    three: '3',
    four: '4',
    five: '5',
    six: '6',
    seven: '7',
    eight: '8',
  }).concat(Object.entries({ nine: '9', ten: '10', twelve: '12', twenty: '20', second: 'second', third: 'third', hundred: 'hundred' })),
)
/** Verbs that say only that something is done: the noun behind them says what. */
export const LIGHT = set(
  'conduct perform do undertake make give take execute carry carry_out hold put use run lead have apply get produce complete',
)
/** Verbs that say of a piece of work only that it comes about. */
export const MAKING = set(
  'prepare create produce draft develop make construct compose build write formulate devise generate draw design plan',
)
/** Verbs that say only that something is put into words. */
export const TELLING = set('explain describe outline clarify tell say state show give discuss summarise')
/** Words that name little by themselves. */
export const VAGUE = set('effect change make happen occur way process become get work reason fact example matter use')

/** Verbs that stand for one another in objectives. */
export const VERB_CLUSTERS: readonly ReadonlySet<string>[] = [
  'identify recognise recognize name list label spot point pinpoint enumerate point_out',
  'explain describe outline clarify tell say account discuss elucidate illustrate show account_for',
  'evaluate assess appraise judge critique review rate examine inspect',
  'choose select pick decide pick_out',
  'compare contrast differentiate distinguish',
  'install fit mount attach erect',
  'repair mend fix restore',
  'administer give inject dispense',
  'calculate compute determine find work_out figure_out reckon',
  'translate render',
  'predict forecast anticipate foresee',
  'teach instruct train coach tutor school',
  'justify defend substantiate argue give',
  'lead guide conduct direct',
  'diagnose find find_out troubleshoot trace',
  'summarise condense abstract sum_up recap',
  'reduce cut lower decrease',
  'solve work_out resolve',
  'prove show demonstrate establish',
  'draft write compose pen author draw_up create prepare produce write_up',
  'plan draw_up prepare design devise organise schedule',
  'scale convert adapt adjust',
  'analyse examine investigate study dissect',
  'weld join',
  'evacuate lead',
  'sharpen hone',
  'negotiate bargain haggle',
  'interpret read',
  'carry_out perform conduct execute do run',
  'put_up erect pitch set_up assemble',
  'check verify inspect test confirm',
  'state give name list',
  'build construct make assemble put_together',
  'sketch draw',
  'use apply employ operate',
  'present report',
].map(set)

/** Nouns that planners use for one another. */
export const NOUN_CLUSTERS: readonly ReadonlySet<string>[] = [
  'part component element piece section',
  'cause reason origin',
  'effect impact consequence result outcome influence',
  'method technique approach procedure way process',
  'error mistake slip fault bug',
  'stage phase step',
  'danger hazard risk',
  'text passage document article paper',
  'data figures reading',
  'main major key principal primary chief',
  'important essential central',
  'kind type sort category class',
  'role function purpose',
  'difference distinction',
  'problem issue',
  'rule regulation law',
  'firm company business organisation organization',
  'customer client',
  'picture image photo photograph',
  'software program application',
  'tool instrument device',
  'job task',
  'feature characteristic trait property attribute',
  'theory model',
  'plan scheme',
  'stream river creek',
  'rain rainfall',
  'illness disease',
  'mean average',
  'sign symptom indicator',
  'duty obligation responsibility',
  'goal aim objective target',
  'worker employee staff',
  'food meal dish',
  'car vehicle',
  'house home dwelling',
  'benefit advantage',
  'drawback disadvantage weakness',
  'state condition',
  'price cost',
  'land plot',
  'lamp light',
  'result finding',
  'household domestic',
  'website webpage',
  'safe safely',
  'defence defense',
  'immunisation vaccine',
  'diet eat',
  'number amount quantity',
  'help aid',
  'study research',
  'talk speech presentation',
  'test exam quiz',
  'teacher tutor instructor',
  'pupil student learner',
  'letter email message',
  'shop store',
  'lorry truck',
  'flat apartment',
  'film movie',
  'road street',
  'garden yard',
  'turn become form',
].map(set)

/** What is about one of these is not about the other. */
export const CONTRARIES: readonly (readonly [string, string])[] = [
  ['cause', 'effect'],
  ['strength', 'weakness'],
  ['benefit', 'drawback'],
  ['advantage', 'disadvantage'],
  ['right', 'duty'],
  ['buyer', 'seller'],
  ['input', 'output'],
  ['float', 'sink'],
  ['cost', 'benefit'],
  ['landlord', 'tenant'],
  ['teacher', 'pupil'],
  ['raise', 'lower'],
  ['beginning', 'end'],
  ['debit', 'credit'],
  ['profit', 'loss'],
  ['supply', 'demand'],
  ['success', 'failure'],
  ['cause', 'consequence'],
  ['lend', 'borrow'],
  ['start', 'stop'],
]
