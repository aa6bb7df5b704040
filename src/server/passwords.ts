/** Which passwords are refused: short ones, common ones with what is easily made of them, one's own name and address. */

import { PASSWORD_MAX, PASSWORD_MIN } from '../core/forms/account'

/** Below this a password is found in under a million tries by one who begins with the common ones (zxcvbn's scale; Cairn default). */
const LEAST_SCORE = 2
/** What is longer is as good for being so long; reading it all would take long too. */
const READ_CHARACTERS = 60

/** So many letters and digits must be left when one's own name and address are taken out (Cairn default). */
const LEAST_OWN = 5

type Judge = (password: string, own: readonly string[]) => number
let judge: Promise<Judge> | undefined

/** Lists of 49,000 common passwords and of English words, read when the first password is judged. */
async function loadJudge(): Promise<Judge> {
  const [{ ZxcvbnFactory }, common, english] = await Promise.all([
    import('@zxcvbn-ts/core'),
    import('@zxcvbn-ts/language-common'),
    import('@zxcvbn-ts/language-en'),
  ])
  const zxcvbn = new ZxcvbnFactory({
    dictionary: { ...common.dictionary, ...english.dictionary },
    graphs: common.adjacencyGraphs,
  })
  return (password, own) => zxcvbn.check(password.slice(0, READ_CHARACTERS), [...own]).score
}

/** Why a password is refused, as a sentence; null where it is taken. */
export async function passwordProblem(password: string, own: readonly string[] = []): Promise<string | null> {
  const length = [...password].length
  if (length < PASSWORD_MIN) return `A password has at least ${PASSWORD_MIN} characters.`
  if (length > PASSWORD_MAX) return `A password has at most ${PASSWORD_MAX} characters.`
  const parts = own
    .flatMap((text) => [text, ...text.split(/[\s@.]+/)])
    .filter((t) => t.length >= 4)
    .sort((a, b) => b.length - a.length)
  const rest = parts.reduce((text, part) => text.replaceAll(part.toLowerCase(), ''), password.toLowerCase())
  if (rest.replace(/[^\p{L}\p{N}]/gu, '').length < LEAST_OWN) return 'That password is your own name or address. Choose another.'
  judge ??= loadJudge()
  if ((await (await judge)(password, parts)) < LEAST_SCORE)
    return 'That password is one of the first that would be tried. Choose another: three or four words that do not belong together are good.'
  return null
}
