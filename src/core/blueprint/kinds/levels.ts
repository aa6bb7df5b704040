/** Levels of the three learning domains, lowest first. A level belongs to one domain, so it says its domain. */

/** Anderson & Krathwohl 2001. */
export const THINKING_LEVELS = ['remember', 'understand', 'apply', 'analyse', 'evaluate', 'create'] as const
/** Dave 1970. */
export const SKILL_LEVELS = ['imitate', 'manipulate', 'precise', 'articulated', 'natural'] as const
/** Krathwohl, Bloom & Masia 1964. */
export const ATTITUDE_LEVELS = ['receive', 'respond', 'value', 'organise', 'characterise'] as const

export type ThinkingLevel = (typeof THINKING_LEVELS)[number]
export const DOMAINS = ['cognitive', 'psychomotor', 'affective'] as const
export type Domain = (typeof DOMAINS)[number]
export const LEVELS_OF = { cognitive: THINKING_LEVELS, psychomotor: SKILL_LEVELS, affective: ATTITUDE_LEVELS } as const satisfies Record<
  Domain,
  readonly string[]
>
export const LEVELS = [...THINKING_LEVELS, ...SKILL_LEVELS, ...ATTITUDE_LEVELS] as const
export type Level = (typeof LEVELS)[number]

/** The learning domain that a level belongs to. */
export const domainOf = (level: Level): Domain => DOMAINS.find((d) => (LEVELS_OF[d] as readonly Level[]).includes(level)) as Domain

/** The place of a level in its domain, from 0. Levels of two domains are not to be compared. */
export const rankOf = (level: Level): number => (LEVELS_OF[domainOf(level)] as readonly Level[]).indexOf(level)

/** The highest level of the domain most of them belong to (the cognitive where as many); null for none. */
export function highestOf(levels: readonly Level[]): Level | null {
  const count = (domain: Domain) => levels.filter((l) => domainOf(l) === domain).length
  const domain = DOMAINS.reduce((best, d) => (count(d) > count(best) ? d : best))
  return levels.filter((l) => domainOf(l) === domain).sort((a, b) => rankOf(b) - rankOf(a))[0] ?? null
}
