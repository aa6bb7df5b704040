/**
 * Work that may take long, by name: what a request asks for is done in a process beside the server (helpers.ts), with its own
 * line to the database. Adding some: its line here, and `inHelper` where it is asked for.
 */
export const HEAVY = {
  change: async () => (await import('./change-answer')).changeAnswerBytes,
  file: async () => (await import('./course-file')).courseFile,
  publish: async () => (await import('./publication')).publish,
  publishReport: async () => (await import('./report-publication')).publishReport,
  snapshot: async () => (await import('./snapshots')).makeSnapshot,
  copy: async () => (await import('./copies')).copiedCourse,
  changes: async () => (await import('./large')).changesBytes,
  history: async () => (await import('./large')).historyBytes,
  course: async () => (await import('./opened-course')).openedBytes,
  count: async () => (await import('./analysis-cache')).countCourse,
  fromFile: async () => (await import('./courses-from-files')).courseFromFile,
} as const
export type HeavyName = keyof typeof HEAVY

/** What a piece of work is given, after the database. */
export type HeavyArgs<N extends HeavyName> =
  Awaited<ReturnType<(typeof HEAVY)[N]>> extends (db: never, ...args: infer A) => unknown ? A : never
export type HeavyResult<N extends HeavyName> = Awaited<ReturnType<Awaited<ReturnType<(typeof HEAVY)[N]>>>>
