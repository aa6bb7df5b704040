/** Lines made of the words of the table by chance, the same every time. */
import { FORMS } from '../../../src/core/objectives/tagger'

export const TABLE_WORDS = FORMS.words.lemmas().filter((w) => !w.includes('_'))
export const JOINING =
  'the a and or of to with without how that by for in on at from within , ; . : ( ) 5 % so until be is are will can'.split(' ')

/** `n` lines of 2 to 15 words, by a plain generator of numbers (Park & Miller 1988). */
export function* randomLines(n: number): Generator<string> {
  let state = 20_260
  const next = (below: number) => {
    state = (state * 48_271) % 2_147_483_647
    return state % below
  }
  for (let i = 0; i < n; i++) {
    const length = 2 + next(14)
    yield Array.from({ length }, () => (next(3) === 0 ? JOINING[next(JOINING.length)] : TABLE_WORDS[next(TABLE_WORDS.length)])).join(' ')
  }
}
