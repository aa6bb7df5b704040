/** The syllabus as it is stored when it is published: with the version of its form, by which every later Cairn reads it. */
import { colour } from '../blueprint/types/colour'
import { rich } from '../blueprint/types/rich'
import { schemaOf } from '../blueprint/types/schema-of'
import { checkLadder, type JsonObject, type Upgrade, upgradeFile } from '../blueprint/upgrades'
import { COLOUR_FIELDS } from '../learner-pages/palette'
import { err, ok, type Problem, type Result } from '../result'
import { z } from '../zod'
import type { Syllabus } from './assemble'

export const SYLLABUS_VERSION = 3
/** Version 1 was published without saying so until Cairn 0.2; it is what has no version. */
const UPGRADES: readonly Upgrade[] = [
  // 2 adds the cover.
  { from: 1, lift: (syllabus) => ({ ...syllabus, cover: null }) },
  // 3 adds colours.
  { from: 2, lift: (syllabus) => ({ ...syllabus, colours: null }) },
]
checkLadder(UPGRADES, SYLLABUS_VERSION)

const text = z.string()
const orNone = z.nullable(text)
const richText = schemaOf(rich(), 'record') as z.ZodMiniType<Syllabus['sections'][number]['body']>
const due = z.object({ number: text, title: text, share: orNone })
const schema: z.ZodMiniType<Syllabus> = z.object({
  title: text,
  code: orNone,
  subtitle: orNone,
  institution: orNone,
  cover: z.nullable(z.object({ fileId: text, alt: text })),
  colours: z.nullable(z.record(z.enum(COLOUR_FIELDS), schemaOf(colour(), 'record') as z.ZodMiniType<string>)),
  language: text,
  facts: z.array(z.object({ label: text, value: text })),
  description: z.nullable(richText),
  outcomes: z.array(z.object({ number: text, statement: text })),
  moduleWord: text,
  modules: z.array(
    z.object({
      number: text,
      title: text,
      subtitle: orNone,
      weeks: orNone,
      objectives: z.array(z.object({ number: text, statement: text, outcomes: z.array(text) })),
    }),
  ),
  schedule: z.array(
    z.object({
      label: text,
      dates: text,
      modules: z.array(text),
      closed: z.array(text),
      due: z.array(z.extend(due, { when: text })),
    }),
  ),
  undated: z.array(due),
  grades: z.nullable(
    z.object({
      byShares: z.boolean(),
      rows: z.array(z.object({ title: text, items: text, points: text, share: text })),
      total: z.object({ points: text, share: text }),
    }),
  ),
  sections: z.array(z.object({ title: text, body: richText })),
})

export const storedSyllabus = (syllabus: Syllabus): JsonObject => ({ formatVersion: SYLLABUS_VERSION, ...syllabus })

/** A syllabus that some version of Cairn stored, lifted to this one; or why it cannot be shown. */
export function readSyllabus(
  stored: unknown,
  upgrades: readonly Upgrade[] = UPGRADES,
  current: number = SYLLABUS_VERSION,
): Result<Syllabus, Problem> {
  if (typeof stored !== 'object' || stored === null) return err({ code: 'no-syllabus', message: 'this is no syllabus', at: '' })
  const lifted = upgradeFile({ formatVersion: 1, ...stored }, upgrades, current)
  if (!lifted.ok) return lifted
  const read = schema.safeParse(lifted.value)
  if (read.success) return ok(read.data)
  const [issue] = read.error.issues
  return err({ code: 'no-syllabus', message: issue?.message ?? 'this is no syllabus', at: issue?.path.join('.') ?? '' })
}
