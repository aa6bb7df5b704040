/** Every task, and by what each is done; the work is fetched in the worker, when it is asked for. */

import { type Remote, releaseProxy } from 'comlink'
import type { Records } from '../core/blueprint/blueprint'
import type { ChainLayout, ChainShape } from '../core/design/chains'
import type { ReadReview } from '../core/formats/review-file'
import type { FrameworkTree } from '../core/frameworks/tree'
import type { Answers } from '../core/intake/answers'
import type { LedgerLine } from '../core/intake/ledger'
import type { Understanding } from '../core/intake/understanding'
import type { Problem, Result } from '../core/result'
import type { SheetRead } from '../core/review/rating-sheet'
import type { ReadSet } from '../core/review/read-set'
import { defineTask, type TaskServer, type TaskWork } from './task'

/** A piece that was brought: text, or a file as it is. */
export type Piece = { readonly name: string; readonly content: string | Uint8Array }
/** What was brought, and what somebody has said about how it is to be read. */
export type Brought = { readonly pieces: readonly Piece[]; readonly answers: Answers }
/** What is understood, and the files that could not be read. */
export type Understood = {
  readonly understanding: Understanding
  /** The same for the same reading, and for no other. */
  readonly key: string
  readonly unreadable: readonly { readonly name: string; readonly message: string }[]
}

export const understandPieces = defineTask<Brought, Understood>('understandPieces')
/** What became of every cell and line: asked for when somebody wants to see it. */
export const readLedger = defineTask<Brought, readonly LedgerLine[]>('readLedger')
export const readFrameworkPiece = defineTask<Piece, Result<FrameworkTree, string>, { readonly done: number; readonly of: number }>(
  'readFrameworkPiece',
)
/** A file of Cairn's own: its records, its JSON as it stands in it, and the files that came with it, by id. */
export type PlanRead = { readonly records: Records; readonly text: string; readonly files: ReadonlyMap<string, Uint8Array> }
export const readPlan = defineTask<Piece, Result<PlanRead, readonly Problem[]>>('readPlan')

/** A set of quality points: pasted, or a file. */
export const readSetPiece = defineTask<Piece, Result<ReadSet, Problem>>('readSetPiece')

/** A review file. */
export const readReviewPiece = defineTask<Piece, Result<ReadReview, Problem>>('readReviewPiece')

/** A rating sheet that was filled in, of points with these codes. */
export const readRatingSheet = defineTask<Piece & { readonly codes: readonly string[] }, Result<SheetRead, Problem>>('readRatingSheet')

/** Where activities stand in the drawing of what builds on what. */
export const layOutChains = defineTask<ChainShape, ChainLayout>('layOutChains')

/** Adding a task: its declaration above, its work in tasks/, its line here. */
export const WORK = {
  understandPieces: async (): Promise<TaskWork<typeof understandPieces>> => (await import('./tasks/understand-pieces')).work,
  readLedger: async (): Promise<TaskWork<typeof readLedger>> => (await import('./tasks/understand-pieces')).ledger,
  readFrameworkPiece: async (): Promise<TaskWork<typeof readFrameworkPiece>> => (await import('./tasks/read-framework-piece')).work,
  readPlan: async (): Promise<TaskWork<typeof readPlan>> => (await import('./tasks/read-plan')).work,
  readSetPiece: async (): Promise<TaskWork<typeof readSetPiece>> => (await import('./tasks/read-set-piece')).work,
  readReviewPiece: async (): Promise<TaskWork<typeof readReviewPiece>> => (await import('./tasks/read-review-piece')).work,
  readRatingSheet: async (): Promise<TaskWork<typeof readRatingSheet>> => (await import('./tasks/read-rating-sheet')).work,
  layOutChains: async (): Promise<TaskWork<typeof layOutChains>> => (await import('./tasks/lay-out-chains')).work,
} as const

/** What a worker exposes: it does the tasks that are declared. */
export const taskServer = (works: Readonly<Record<string, () => Promise<unknown>>>): TaskServer => ({
  run: async (name, input, told) => {
    const fetchWork = Object.hasOwn(works, name) ? works[name] : undefined
    if (!fetchWork) throw new Error(`there is no task ${name}`)
    const work = (await fetchWork()) as (input: unknown, told: (progress: unknown) => void) => unknown
    try {
      return await work(input, told)
    } finally {
      // Whoever asked keeps a port open for what it is told, until it hears that nothing more comes.
      ;(told as Partial<Remote<typeof told>>)[releaseProxy]?.()
    }
  },
})
