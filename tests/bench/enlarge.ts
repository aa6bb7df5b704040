/**
 * Courses of any size for benchmarks and for looking at: the demo course told again for further catchments.
 * As a program: `node --import tsx tests/bench/enlarge.ts TIMES > course.json`
 */
import { readFileSync } from 'node:fs'
import { pathToFileURL } from 'node:url'

const CATCHMENTS = ['Aldbeck', 'Fernmere', 'Osk', 'Tarn Gill', 'Hollin', 'Skelder', 'Brae', 'Wyke', 'Corse', 'Merrow']
const COPIED = [
  'outcomes',
  'modules',
  'objectives',
  'objectiveOutcomes',
  'rubrics',
  'rubricLevels',
  'criteria',
  'criterionObjectives',
  'descriptors',
  'activities',
  'alignments',
  'assessments',
] as const
/** Fields that name a record which is copied too. */
const ENDS = ['id', 'moduleId', 'objectiveId', 'outcomeId', 'activityId', 'rubricId', 'levelId', 'criterionId']
const LONGEST_COURSE = 60

type Entry = Record<string, unknown>
type NativeFile = { readonly course: Entry } & Record<string, Entry[]>

export const demoFile = (): string => readFileSync(new URL('../../demo/measuring-small-streams.json', import.meta.url), 'utf8')

/** "Assess the 2 hazards": by its number what is performed upon is another thing, so that no copy asks for the same as another. */
const numbered = (statement: unknown, n: number): string =>
  String(statement).replace(/^\S+ (?:(?:the|a|an|how|what|where) )?/, (to) => `${to}${n} `)

/**
 * A native file with `times` as many outcomes, modules, objectives, activities and links as the given one; parts,
 * categories and calendar stay. Each copy comes some weeks after the one before, as far as a course may last.
 */
export function enlarge(text: string, times: number): string {
  const file = JSON.parse(text) as NativeFile
  const weeks = Number(file.course.weeks)
  const laps = Math.floor(Math.min(LONGEST_COURSE, weeks * times) / weeks)
  const copyOf = (entry: Entry, n: number): Entry => {
    // The first keeps all but its statements: with a number only in the others, each would be held against it.
    if (n === 0) return times > 1 && 'statement' in entry ? { ...entry, statement: numbered(entry['statement'], 2) } : entry
    const place = CATCHMENTS[n % CATCHMENTS.length] + (n < CATCHMENTS.length ? '' : ` ${Math.floor(n / CATCHMENTS.length) + 1}`)
    const later = (n % laps) * weeks
    return Object.fromEntries(
      Object.entries(entry).map(([field, value]) => {
        if (ENDS.includes(field)) return [field, `${value}-${n}`]
        if (field === 'statement') return [field, numbered(value, n + 2)]
        if (field === 'title') return [field, `${value}, at ${place}`]
        if (field === 'firstWeek' || field === 'lastWeek') return [field, Number(value) + later]
        return [field, value]
      }),
    )
  }
  // Groups outside the sequence are of the course, not of a catchment.
  const outside = new Set((file['modules'] ?? []).filter((m) => m['role']).map((m) => m['id']))
  const isOutside = (entry: Entry) => outside.has(entry['id']) || outside.has(entry['moduleId'])
  const copies = Array.from({ length: times }, (_, n) => n)
  return JSON.stringify({
    ...file,
    course: { ...file.course, title: `${file.course.title}, ${times} catchments`, weeks: laps * weeks },
    ...Object.fromEntries(
      COPIED.map((list) => [
        list,
        copies.flatMap((n) => (file[list] ?? []).filter((entry) => n === 0 || !isOutside(entry)).map((entry) => copyOf(entry, n))),
      ]),
    ),
  })
}

if (import.meta.url === pathToFileURL(process.argv[1] ?? '').href) process.stdout.write(enlarge(demoFile(), Number(process.argv[2] ?? 10)))
