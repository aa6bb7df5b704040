/** Headings by which people part a syllabus, and what stands below them. */

export type Section = 'outcomes' | 'objectives' | 'activities' | 'schedule' | 'grading' | 'other' | null

const SECTIONS: readonly (readonly [Exclude<Section, null>, RegExp])[] = [
  [
    'grading',
    /^(?:grading|grades?(?: breakdown| table)?|how (?:you are|you will be|work is) (?:graded|assessed|marked|evaluated)|(?:assignments?|assessments?|coursework) (?:and|&) grad(?:ing|es?)|graded components?|final grade|your grade|marking scheme|weighting (?:of|for) \w+|grade (?:distribution|components)|evaluation|assessment (?:overview|weighting|summary|breakdown)|course grade|marks?)\b/,
  ],
  [
    'schedule',
    /^(?:(?:course|weekly|class|teaching|lecture|seminar|tentative|provisional|indicative)\s+)?(?:schedule|calendar|timeline|plan by week|week[- ]by[- ]week)\b|^weekly plan$|^(?:course )?outline (?:and|&) schedule$/,
  ],
  [
    'outcomes',
    /^(?:clos?|plos?|cos?)$|^(?:course )?competenc(?:y|ies)$|^terminal (?:learning )?objectives?$|^learning goals (?:for|of) the course|^(?:course|student|program(?:me)?|overall|intended|key)?(?:[- ]level)?\s*(?:learning\s+)?outcomes?\b|^course (?:learning )?(?:objectives|goals|aims)\b|^(?:aims|goals)\b|by the end of (?:this|the) course|(?:after|on|upon) (?:completing|completion of) (?:this|the) course|successful completion|^what (?:you|students|learners|participants)(?: will|'ll)? (?:learn|be able)|^(?:you|students|learners) will learn\b|^students who (?:pass|complete)\b/,
  ],
  [
    'objectives',
    /^(?:mlos?|los?|ilos?|slos?|ulos?)$|^(?:this|in this) (?:module|unit|week|session)\b.*\b(?:able to|learn(?: how)?(?: to)?)$|^(?:session|lesson|weekly|unit) outcomes$|^(?:objetivos?|objectifs?|lernziele?|leerdoelen)\b|^(?:module|unit|weekly|lesson|specific|session|topic)?\s*(?:learning\s+)?(?:objectives?|goals?)\b|by the end of (?:this|the) (?:module|unit|week|lesson|topic|session)|^(?:in this (?:module|unit|week)|you will be able to|learners will be able to|students will be able to)\b/,
  ],
  [
    'activities',
    /^(?:(?:learning|instructional|course|teaching|study|supporting|supplementary|optional|required|recommended|practice|graded|formative|summative|weekly|module|unit)\s+)?(?:activit(?:y|ies)|tasks?|assignments?|assessments?|what (?:you|learners|students) (?:do|will do)|to do|readings?(?: and \w+)?|materials?|contents?|resources?|homework|graded work|this week)\b|^(?:lessons|lectures|sessions|videos|workshops|seminars|labs|discussions|practice|practicals|exercises|quizzes|deliverables|(?:to[- ]do|module|weekly) (?:list|checklist)|(?:lecture|required|recorded) videos|(?:watch|read|listen|view)(?:(?: (?:and|&) |\s?[/,]\s?)\w+)+|(?:before|in|during|after) class|preparation|what to do)$/,
  ],
  [
    'other',
    /^(?:polic(?:y|ies)|contact|instructors?|office hours|academic integrity|accessibility|accommodations?|late work|attendance|required (?:texts?|materials|books?)|textbooks?|technology|support|about|communication|prerequisites?|description|course description|overview|welcome|credits?|meeting times?|honou?r code|copyright|how to reach|netiquette|diversity|feedback|participation policy|course (?:overview|policies)|academic honesty|plagiarism|make-?up work|students with disabilities|target audience|required software|rationale|before you start|what you need)\b/,
  ],
]

/** "After the three days, new starters can": what stands below is what they can. */
export const opensAbilities = (text: string): boolean =>
  /^(?:after|by|at|on|upon)\b.{5,80}\b(?:can|could|will|should|must|able to)\s*:?$/i.test(text.trim())

/** The section that a line opens, if it is short enough to be its heading or ends in a colon. */
export function sectionOf(text: string): Exclude<Section, null> | null {
  const t = text
    .toLowerCase()
    .normalize('NFD')
    .replace(/\p{M}+/gu, '')
    .replace(/[*_#:]+/g, ' ')
    .replace(/\s+/g, ' ')
    .trim()
  if (t.length > 90) return null
  const named = SECTIONS.find(([, pattern]) => pattern.test(t))?.[0] ?? null
  if (named !== null || !opensAbilities(text)) return named
  return /\b(?:module|unit|week|lesson|session|topic|day)\b/.test(t) ? 'objectives' : 'outcomes'
}
