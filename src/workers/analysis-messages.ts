import type { BlueprintDiff } from '../core/blueprint/blueprint'
import type { Analysis } from '../core/findings/analyse'
import type { Finding } from '../core/findings/finding'

export type ToAnalysis = { readonly sequence: number; readonly diff: BlueprintDiff; readonly today: string }
/** Findings that are new or differ, and the keys of all in order. */
export type FromAnalysis = Omit<Analysis, 'findings'> & {
  readonly sequence: number
  readonly set: readonly Finding[]
  readonly order: readonly string[]
}
