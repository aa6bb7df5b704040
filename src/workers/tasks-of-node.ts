/** Tasks that the server alone does. */
import type { Blueprint } from '../core/blueprint/blueprint'
import type { ReportChoices, ReportDoc } from '../core/review/report'
import type { Review } from '../core/review/review'
import { defineTask, type TaskWork } from './task'

/** `on`: the day on which it is looked at, ISO. */
export type ReportWanted = { readonly review: Review; readonly plan: Blueprint; readonly on: string; readonly choices: ReportChoices }
export const composeReport = defineTask<ReportWanted, ReportDoc | null>('composeReport')
export const reportPdf = defineTask<ReportDoc, Uint8Array>('reportPdf')

export const WORK_OF_NODE = {
  composeReport: async (): Promise<TaskWork<typeof composeReport>> => (await import('./tasks/compose-report')).work,
  reportPdf: async (): Promise<TaskWork<typeof reportPdf>> => (await import('./tasks/report-pdf')).work,
} as const
