/** Runs the analysis in the browser, off the main thread, on a blueprint of its own. */
import { EMPTY_BLUEPRINT, patchBlueprint } from '../core/blueprint/blueprint'
import { sameValue } from '../core/blueprint/values'
import { analyse } from '../core/findings/analyse'
import type { Finding } from '../core/findings/finding'
import { statementsOf } from '../core/objectives/level'
import { isUndecided, useTagger } from '../core/objectives/statement'
import type { FromAnalysis, ToAnalysis } from './analysis-messages'

let blueprint = EMPTY_BLUEPRINT
let last: Pick<ToAnalysis, 'sequence' | 'today'> = { sequence: 0, today: '' }
let known = new Map<string, Finding>()
/** Asked for once, when the first statement needs it: it is larger than all the rest. */
let tagger: Promise<void> | null = null

self.addEventListener('message', ({ data }: MessageEvent<ToAnalysis>) => {
  blueprint = patchBlueprint(blueprint, data.diff)
  report(data)
  if (tagger || !statementsOf(blueprint).some(isUndecided)) return
  tagger = import('../core/objectives/tagger')
    .then(({ tagVerb }) => {
      useTagger(tagVerb)
      report(last)
    })
    .catch(() => {
      // Without a connection it is asked for again at the next change; until then the lexicon decides.
      tagger = null
    })
})

function report(data: Pick<ToAnalysis, 'sequence' | 'today'>): void {
  last = data
  const { findings, ...rest } = analyse(blueprint, data.today)
  const message: FromAnalysis = {
    ...rest,
    sequence: data.sequence,
    set: findings.filter((f) => !sameValue(known.get(f.key), f)),
    order: findings.map((f) => f.key),
  }
  known = new Map(findings.map((f) => [f.key, f]))
  self.postMessage(message)
}
