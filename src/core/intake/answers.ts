/** What somebody says about a reading: how a table or a column is to be read. A reading can be repeated with them. */
import { z } from 'zod'
import { ROLES } from './column-roles'
import { type Correction, correctionSchema } from './corrections'
import { TABLE_KINDS } from './table-kind'

/** Places as the reading names them: of a table that of its header, of a column that and its number. */
export const answersSchema = z
  .strictObject({
    /** Table to what it lists. */
    tables: z.record(z.string(), z.enum(TABLE_KINDS)).default({}),
    /** Column to what it holds. */
    columns: z.record(z.string(), z.enum(ROLES)).default({}),
    /** Header to what columns under it hold, as corrected in other files: what these do not contradict. */
    headers: z.record(z.string(), z.enum(ROLES)).default({}),
    /** Whether 9/10 is the ninth of October. */
    dates: z.enum(['day first', 'month first']).nullable().default(null),
    /** Whether what a workbook does not show as the rest is meant, by the place of its question. */
    aside: z.record(z.string(), z.enum(['take in', 'leave out'])).default({}),
    /** Corrections of the tree, one after another. */
    steps: z.array(correctionSchema).readonly().default([]),
    /** Values by their paths in the tree, in short. */
    values: z.record(z.string(), z.union([z.string(), z.number(), z.null(), z.array(z.string())])).default({}),
  })
  .readonly()
export type Answers = z.infer<typeof answersSchema>
export const NO_ANSWERS: Answers = { tables: {}, columns: {}, headers: {}, dates: null, aside: {}, steps: [], values: {} }

/** The corrections that answers hold: single values first, then the steps. */
export const correctionsIn = ({ values, steps }: Answers): Correction[] => [
  ...Object.entries(values).map(([path, value]) => {
    const [, place = path, field = ''] = /^(.*)\.([^.]+)$/.exec(path) ?? []
    return { do: 'set' as const, path: place, to: { [field]: value } }
  }),
  ...steps,
]
