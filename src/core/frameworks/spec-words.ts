/** What the sentences of specifications say: how often, how many, and wordings that ask for nothing. */

const NUMBER_WORDS: Readonly<Record<string, number>> = {
  one: 1,
  two: 2,
  three: 3,
  four: 4,
  five: 5,
  six: 6,
  seven: 7,
  eight: 8,
  nine: 9,
  ten: 10,
  twelve: 12,
}
const NUMBER = `(\\d{1,3}|${Object.keys(NUMBER_WORDS).join('|')})`
const numberOf = (word: string): number => NUMBER_WORDS[word.toLowerCase()] ?? Number(word)

/** How often something must be shown: "on at least three occasions", "four different arrays", "twice". */
export function timesIn(text: string): number | null {
  if (/\btwice\b/i.test(text)) return 2
  const found =
    new RegExp(`\\b${NUMBER}\\s+(?:separate\\s+|different\\s+|distinct\\s+|occasions?\\b|times\\b|instances?\\b)`, 'i').exec(text) ??
    new RegExp(`\\bat least ${NUMBER}\\s+\\p{L}`, 'iu').exec(text) ??
    new RegExp(`\\bminimum of ${NUMBER}\\s+\\p{L}`, 'iu').exec(text)
  const n = found ? numberOf(found[1] as string) : Number.NaN
  return n > 1 && n <= 200 ? n : null
}

/** How many of a list are enough: "any two of the following", "one or more of", "at least three of these". */
export function anyOfIn(text: string): number | null {
  const found = new RegExp(`\\b(?:any|at least|a minimum of|minimum of)\\s+${NUMBER}\\s+(?:or more\\s+)?of\\b`, 'i').exec(text)
  if (found) return numberOf(found[1] as string)
  if (/\b(?:one or more|at least one|any one|either)\b.*\bof\b/i.test(text)) return 1
  return null
}

/** Wordings that every specification repeats and that ask for nothing. */
export const BOILERPLATE =
  /^(?:elements (?:describe|define)|performance criteria (?:describe|specify)|this section (?:describes|lists)|foundation skills essential to performance|foundation skills are (?:explicit|the)|the (?:foundation )?skills (?:listed )?(?:below|in this table)|where bold|bold(?:ed)? italicised|these (?:elements|criteria) )/i

/** How a mail begins, and how it ends. */
export const GREETING =
  /^(?:(?:from|to|cc|sent|date|subject):|on .{5,80} wrote:?$|(?:hi|hello|dear|hey|begin forwarded|-+ ?(?:forwarded|original) message|here is|here[’']s|please find|see below|attached|as (?:promised|discussed)|fyi)\b)/i
export const SIGN_OFF =
  /^(?:(?:kind|best|warm|many)?\s*(?:regards|wishes|thanks)|thanks|thank you|cheers|yours (?:sincerely|faithfully)|sincerely|all the best|--\s*$)[\s,.!]*(?:\p{L}+){0,2}$/iu
