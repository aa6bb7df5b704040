/** When a finding that was kept with a reason stays kept. */

/** Signs that part a sentence, those inside a number aside. */
const SIGNS = /(?<!\d)[.,;:!?…]+|[.,;:!?…]+(?!\d)/g
const bare = (facts: string): string =>
  facts
    .replace(SIGNS, ' ')
    .replace(/\s+/g, ' ')
    .replace(/ (?=["\]])/g, '')
    .trim()

/** Whether two facts say the same but for commas, full stops and spaces: then nothing was decided anew. */
export const sameButCommas = (a: string, b: string): boolean => a === b || bare(a) === bare(b)
