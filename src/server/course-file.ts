/** A course as a file in an open format, as it is or as one of its snapshots; what has dates, of one of its offerings. */
import type { Viewer } from '../core/beside/beside'
import { formatNames, formatOf, lackOf, type WrittenFile, writeFile } from '../core/formats/formats'
import { inOffering } from '../core/plan/offering'
import type { ReportChoices } from '../core/review/report'
import { loadBlueprint } from './courses'
import type { Database } from './db/client'
import { fileReader } from './files'
import { noSuchCourse, Refusal } from './problem'
import { reviewMade } from './report'
import { snapshotPlan } from './snapshots'

export type FileWanted = {
  readonly format: string
  readonly viewer: Viewer
  readonly snapshot?: string | null
  readonly offering?: string | null
  /** Of formats of one framework: its id, code or title. */
  readonly framework?: string | null
  /** Of formats of a review: a round, by id or title. */
  readonly round?: string | null
  readonly choices?: ReportChoices
  readonly of?: 'report' | 'tour'
}

/** Throws the 404 refusals: no such format, course, snapshot, or part of it. */
export async function courseFile(db: Database, courseId: string, wanted: FileWanted): Promise<WrittenFile> {
  const format = formatOf(wanted.format)
  if (!format) throw new Refusal(404, 'no-such-format', `A course leaves as ${formatNames()}.`)
  const { viewer, snapshot, framework = null, round = null, choices, of } = wanted
  const loaded = snapshot ? { blueprint: (await snapshotPlan(db, courseId, viewer, snapshot)).plan } : await loadBlueprint(db, courseId)
  if (!loaded) throw noSuchCourse()
  const plan = inOffering(loaded.blueprint, wanted.offering ?? null)
  const file = await writeFile(plan, format, {
    courseId,
    stamp: new Date().toISOString(),
    framework,
    ...reviewMade(db, { courseId, viewer, plan, round, ...(choices ? { choices } : {}), ...(of ? { of } : {}) }),
    file: fileReader(db, courseId),
  })
  if (!file) throw new Refusal(404, 'no-such-part', `This course has ${lackOf(format)} of that name.`)
  return file
}
