/** What the course calls a module, in the middle of a sentence and at its beginning. */
import { courseOf } from '../blueprint/blueprint'
import { capital } from '../blueprint/text'
import { derive } from './derive'

export type ModuleWord = { readonly one: string; readonly many: string; readonly One: string; readonly Many: string }

/** The usual plural: a word that ends in s stays as it is. */
export const pluralOf = (word: string): string => (/s$/i.test(word) ? word : `${word}s`)

/** A word at the beginning of a sentence has its first letter large there alone; one in capitals stays so. */
const inside = (word: string): string => (/^\p{Lu}\p{Ll}/u.test(word) ? `${word[0]?.toLowerCase()}${word.slice(1)}` : word)

const wordOf = (given: string | null): ModuleWord => {
  const one = inside(given ?? 'module')
  return { one, many: pluralOf(one), One: capital(given ?? 'module'), Many: pluralOf(capital(given ?? 'module')) }
}

/** The words of a course; those of Cairn where the course says none. */
export const moduleWordOf = derive<ModuleWord>(['course.moduleWord'], (plan) =>
  wordOf(plan.course.size > 0 ? courseOf(plan).moduleWord : null),
)
