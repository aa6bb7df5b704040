/**
 * The sentences of the findings, apart from the rules that find them: one file a workspace in words/. A rule says which facts it
 * found, under names; the sentence is made of them here and nowhere else. Facts are as the plan holds them: ISO dates, hundredths.
 */

import type { ModuleWord } from '../plan/module-word'

/** The words of one rule. `N` are the named facts of a finding, `F` those of each of its fixes. */
export type RuleWords<N = never, F extends FixWords = FixWords> = {
  /** Why it matters, in one sentence. `word`: what the course calls a module. */
  readonly why: string | ((word: ModuleWord) => string)
  /** One line for several, without its full stop: "3 of 31 objectives have no assessment yet". Rules that report what is missing have it. */
  readonly summary?: (count: number, outOf: number) => string
  /** `word`: what the course calls a module. */
  readonly says: (facts: N, word: ModuleWord) => string
  /** The labels of its fixes, by their code. */
  readonly fixes?: F
}
type FixWords = Readonly<Record<string, (facts: never, word: ModuleWord) => string>>

/** Why it matters that a rule is kept. */
export const whyOf = ({ why }: RuleWords, word: ModuleWord): string => (typeof why === 'string' ? why : why(word))

/** The words of a workspace's rules, by the code of the rule. */
export type Words = Readonly<Record<string, RuleWords>>
