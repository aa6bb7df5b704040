/** Runs the analysis in the browser, off the main thread, on a blueprint of its own. */
import { EMPTY_BLUEPRINT, patchBlueprint } from '../core/blueprint/blueprint'
import { analyse } from '../core/findings/analyse'
import type { FromAnalysis, ToAnalysis } from './analysis-messages'

let blueprint = EMPTY_BLUEPRINT
let known = new Map<string, string>()

self.addEventListener('message', ({ data }: MessageEvent<ToAnalysis>) => {
  blueprint = patchBlueprint(blueprint, data.diff)
  const { findings, ...rest } = analyse(blueprint, data.today)
  const texts = new Map(findings.map((f) => [f.key, JSON.stringify(f)]))
  const message: FromAnalysis = {
    ...rest,
    sequence: data.sequence,
    set: findings.filter((f) => known.get(f.key) !== texts.get(f.key)),
    order: findings.map((f) => f.key),
  }
  known = texts
  self.postMessage(message)
})
