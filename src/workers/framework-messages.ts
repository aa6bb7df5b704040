import type { FrameworkTree } from '../core/frameworks/tree'

export type ToFramework = { readonly sequence: number; readonly name: string; readonly content: string | Uint8Array }
export type FromFramework = { readonly sequence: number } & (
  | { readonly type: 'read'; readonly tree: FrameworkTree }
  | { readonly type: 'progress'; readonly done: number; readonly of: number }
  | { readonly type: 'refused'; readonly message: string }
)
