/** How institutions write the same specification: numbers, headings, bullets, sentences that open a list. */

type Heads = {
  readonly elements: string
  readonly skills: string
  readonly performance: string
  readonly knowledge: string
  readonly conditions: string
  readonly range: string
}
export type SpecHabit = {
  readonly name: string
  readonly heads: Heads
  /** As it stands in the text, and as it is kept. */
  readonly element: (e: number) => readonly [shown: string, code: string | null]
  readonly criterion: (e: number, c: number) => readonly [shown: string, code: string | null]
  readonly bullet: string
  readonly leads: { readonly performance: string; readonly knowledge: string; readonly conditions: string | null }
  /** An opening above the criteria of an element, or null. */
  readonly lead: string | null
}
const letter = (n: number) => 'abcdefghij'[n - 1] as string
const ROMAN = ['I', 'II', 'III', 'IV', 'V', 'VI']

export const SPEC_HABITS: readonly SpecHabit[] = [
  {
    name: 'council',
    heads: {
      elements: 'Elements and performance criteria',
      skills: 'Foundation skills',
      performance: 'Performance evidence',
      knowledge: 'Knowledge evidence',
      conditions: 'Assessment conditions',
      range: 'Range',
    },
    element: (e) => [`${e}.`, `${e}`],
    criterion: (e, c) => [`${e}.${c}`, `${e}.${c}`],
    bullet: '•',
    leads: {
      performance: 'The candidate must show evidence of the ability to:',
      knowledge: 'The candidate must be able to demonstrate knowledge of:',
      conditions: null,
    },
    lead: null,
  },
  {
    name: 'authority',
    heads: {
      elements: 'ELEMENTS',
      skills: 'REQUIRED SKILLS',
      performance: 'EVIDENCE REQUIREMENTS',
      knowledge: 'REQUIRED KNOWLEDGE',
      conditions: 'CONTEXT OF ASSESSMENT',
      range: 'Range includes',
    },
    element: (e) => [`Element ${e}:`, `${e}`],
    criterion: (e, c) => [`${e}.${c}.`, `${e}.${c}`],
    bullet: '-',
    leads: { performance: 'To be judged competent, a person has to:', knowledge: 'Knowledge of:', conditions: null },
    lead: 'Performance criteria',
  },
  {
    name: 'college',
    heads: {
      elements: 'Learning outcomes and assessment criteria',
      skills: 'Transferable skills',
      performance: 'Evidence required',
      knowledge: 'Knowledge and understanding',
      conditions: 'Assessment arrangements',
      range: 'This covers',
    },
    element: (e) => [`LO${e}`, `LO${e}`],
    criterion: (e, c) => [`${e}.${c}`, `${e}.${c}`],
    bullet: '*',
    leads: { performance: 'Learners must:', knowledge: 'Learners need to know:', conditions: 'The following apply:' },
    lead: 'The learner can:',
  },
  {
    name: 'guild',
    heads: {
      elements: 'Tasks and criteria',
      skills: 'Skills',
      performance: 'What the candidate must show',
      knowledge: 'What the candidate must know',
      conditions: 'Where and how it is assessed',
      range: 'Applies to',
    },
    element: (e) => [`${e})`, `${e}`],
    criterion: (e, c) => [`${e}${letter(c)})`, `${e}${letter(c)}`],
    bullet: '–',
    leads: { performance: 'You must:', knowledge: 'You must know about:', conditions: null },
    lead: 'You must be able to:',
  },
  {
    name: 'agency',
    heads: {
      elements: 'PERFORMANCE STANDARDS',
      skills: 'CORE SKILLS',
      performance: 'PERFORMANCE REQUIREMENTS',
      knowledge: 'UNDERPINNING KNOWLEDGE',
      conditions: 'ASSESSMENT REQUIREMENTS',
      range: 'Scope',
    },
    element: (e) => ['ABCDEF'[e - 1] as string, 'ABCDEF'[e - 1] as string],
    criterion: (e, c) => [`${'ABCDEF'[e - 1]}${c}`, `${'ABCDEF'[e - 1]}${c}`],
    bullet: '▪',
    leads: { performance: 'Evidence must include:', knowledge: 'Evidence must include:', conditions: null },
    lead: null,
  },
  {
    name: 'board',
    heads: {
      elements: 'Units of work and how they are judged',
      skills: 'Skills that are needed',
      performance: 'Proof of performance',
      knowledge: 'Background knowledge',
      conditions: 'Conditions for assessment',
      range: 'Includes',
    },
    element: (e) => [`${ROMAN[e - 1]}.`, `${ROMAN[e - 1]}`],
    criterion: (e, c) => [`${e}.${c})`, `${e}.${c}`],
    bullet: '○',
    leads: { performance: 'Each candidate will:', knowledge: 'Each candidate will explain:', conditions: null },
    lead: null,
  },
  {
    name: 'trust',
    heads: {
      elements: 'Competencies and indicators',
      skills: 'Employability skills',
      performance: 'Practical evidence',
      knowledge: 'Essential knowledge',
      conditions: 'Conditions of assessment',
      range: 'Variables',
    },
    element: (e) => [`E${e}`, `E${e}`],
    criterion: (e, c) => [`PC${e}.${c}`, `PC${e}.${c}`],
    bullet: '●',
    leads: { performance: 'Evidence is needed that the person can:', knowledge: 'The person understands:', conditions: 'Please note:' },
    lead: 'Indicators:',
  },
]
