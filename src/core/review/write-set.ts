/** Sets of quality points as files: JSON as it is read again, CSV a row a point. */
import { csvText } from '../csv'
import { SET_FORMAT, SET_VERSION } from './read-set'
import type { ReviewSet, SetPoint } from './review-set'

/** What is open is left out. */
const filled = (values: Readonly<Record<string, unknown>>) =>
  Object.fromEntries(Object.entries(values).filter(([, v]) => v !== null && !(Array.isArray(v) && v.length === 0)))

/** The set as JSON of the set file. */
export function setJson({ key, title, version, language, note, rule, areas }: ReviewSet): object {
  const ruled = filled(rule)
  return {
    format: SET_FORMAT,
    formatVersion: SET_VERSION,
    ...filled({ key, title, version, language, note }),
    ...(Object.keys(ruled).length > 0 ? { rule: ruled } : {}),
    areas: areas.map((area) => ({ title: area.title, points: area.points.map((p) => filled(p)) })),
  }
}

const CSV_COLUMNS = [
  ['code', (p) => p.code],
  ['area', (_, area) => area],
  ['statement', (p) => p.statement],
  ['why', (p) => p.why],
  ['where', (p) => p.where],
  ['priority', (p) => p.priority],
  ['weight', (p) => (p.weight === null ? null : String(p.weight))],
  ['tags', (p) => p.tags.join('; ')],
  ['findings', (p) => p.findings.join('; ')],
  ['looks at', (p) => p.looksAt.join('; ')],
  ['basis', (p) => p.basis],
  ['as learner', (p) => p.asLearner],
] as const satisfies readonly (readonly [string, (point: SetPoint, area: string) => string | null])[]

export const SET_COLUMNS: readonly string[] = CSV_COLUMNS.map(([name]) => name)
/** The cells of a set, a row a point. */
export const setRows = ({ areas }: ReviewSet): string[][] =>
  areas.flatMap(({ title, points }) => points.map((p) => CSV_COLUMNS.map(([, cell]) => cell(p, title) ?? '')))

/** The set as CSV (RFC 4180), with a byte order mark; text that a spreadsheet would take for a formula is led by an apostrophe. */
export const setCsv = (set: ReviewSet): string => csvText(SET_COLUMNS, setRows(set))
