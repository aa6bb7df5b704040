/** The kind of knowledge that an objective asks for (Anderson & Krathwohl 2001), proposed from its object; patterns are Cairn defaults. */
import { domainOf, type Level } from '../blueprint/kinds/levels'

export const KNOWLEDGE = ['factual', 'conceptual', 'procedural', 'metacognitive'] as const
export type Knowledge = (typeof KNOWLEDGE)[number]

const SELF =
  /\b(?:(?:your|their|his|her|one’s|one's|my) own (?:[\w-]+ )?(?:learning|thinking|practice|performance|progress|strateg\w+|bias\w*|assumptions|skills|work)|study strateg\w+|learning strateg\w+|self-\w+|how (?:you|they) learn)\b/i
const DOING = /\b(?:how to|procedures?|techniques?|methods?|steps|algorithms?|protocols?|routines?|process of|workflows?)\b/i
const CONCEPTS =
  /\b(?:principles?|theor\w+|concepts?|relationships?|models?|structures?|classif\w+|categor\w+|why|how|causes?|effects?|differences?|between|laws?|systems?|doctrine|patterns?|influences?|functions?|meaning)\b/i
const FACTS =
  /\b(?:terms?|names?|dates?|parts?|symbols?|facts?|definitions?|values?|lists?|ratios?|periods?|bones?|capitals?|vocabulary|keywords?|notes|signs|elements|steps|milestones|members|formula\w*)\b/i

/** Proposes the kind of knowledge from the level and the words of the object; null where no level is known. */
export function knowledgeOf(level: Level | null, object: string): Knowledge | null {
  if (SELF.test(object)) return 'metacognitive'
  if (level === null) return null
  if (domainOf(level) === 'psychomotor') return 'procedural'
  if (DOING.test(object) && level !== 'remember') return 'procedural'
  if (level === 'remember') return CONCEPTS.test(object) && !FACTS.test(object) ? 'conceptual' : 'factual'
  return level === 'apply' ? 'procedural' : 'conceptual'
}
