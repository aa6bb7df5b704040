/** From pieces that were brought to one tree, with what they disagree about. */
import type { Source } from './blocks'
import { findContradictions } from './contradictions'
import { Draft, type DraftActivity, type DraftModule, draftActivity, short } from './draft'
import { readStatement, sameCode } from './items'
import { codeKey, readCodes, splitCode, titleKey } from './quantities'
import { type Place, readLine } from './read-prose'
import { readTable } from './read-table'
import type { Understanding, UnderstoodModule } from './understanding'

/** Reads every piece into one tree. Order matters little: what a later piece says of the same thing fills the first. */
export function understand(sources: readonly Source[]): Understanding {
  const draft = new Draft()
  for (const source of sources) {
    const place: Place = { module: null, section: null, week: null, piece: source.name }
    source.blocks.forEach((block, i) => {
      if (block.type === 'table')
        readTable(draft, block, { ...place, piece: `${source.name} ${i}`, ...(block.name === null ? {} : { section: null, module: null }) })
      else readLine(draft, block, place)
    })
  }
  placeMentions(draft)
  resolveReferences(draft)
  findContradictions(draft)
  return {
    title: draft.title,
    outcomes: draft.outcomes,
    modules: orderedModules(draft).map(moduleOf),
    categories: draft.categories,
    problems: draft.problems,
    notUnderstood: draft.notUnderstood,
  }
}

/** By number where all have one, else as they came. */
function orderedModules(draft: Draft): DraftModule[] {
  const filled = draft.modules.filter((m) => m.title !== null || m.objectives.length > 0 || m.activities.length > 0 || m.number !== null)
  return filled.every((m) => m.number !== null) ? filled.toSorted((a, b) => Number(a.number) - Number(b.number)) : filled
}

function moduleOf(m: DraftModule, i: number): UnderstoodModule {
  return {
    number: m.number ?? String(i + 1),
    title: m.title ?? (m.number !== null ? `Module ${m.number}` : m.weeks ? `Week ${m.weeks.first}` : `Module ${i + 1}`),
    weeks: m.weeks,
    objectives: m.objectives.map(({ code, statement, outcomes }) => ({ code, statement, outcomes })),
    activities: m.activities.map(({ piece: _piece, outcomes: _outcomes, ...activity }) => ({
      ...activity,
      // Nobody is graded for answering questions about the course: this is a survey of something else.
      kind: activity.kind === 'survey' && (activity.points ?? 0) > 0 ? ('assignment' as const) : activity.kind,
    })),
  }
}

/** Work that a schedule names: the activity that is meant, or a new one. */
function placeMentions(draft: Draft): void {
  for (const mention of draft.mentions) {
    const found = activityNamed(draft, mention.title, mention.module, mention.piece)
    const given = { ...draftActivity(mention, mention.at, mention.piece), kind: mention.kind, week: mention.week }
    if (found) draft.fill(found, given)
    else if (mention.module) draft.activity(mention.module, given)
  }
  // Grade entries that name one piece of work give it their points.
  for (const entry of draft.categories) {
    const found = entry.count === null || entry.count === 1 ? activityNamed(draft, entry.title, null, '') : undefined
    if (found) {
      draft.fill(found, { title: entry.title, points: entry.points, percent: entry.share, at: entry.at })
      found.category = entry.title
    }
  }
}

/** The activity that a title means: the same letters, or the one whose title begins with it. The module that is named comes first. */
function activityNamed(draft: Draft, title: string, module: DraftModule | null, piece: string): DraftActivity | undefined {
  const key = titleKey(title)
  if (key.length < 3) return undefined
  const all = [...(module ? [module] : []), ...draft.modules.filter((m) => m !== module)]
    .flatMap((m) => m.activities)
    .filter((a) => a.piece !== piece)
  const exact = all.find((a) => titleKey(a.title) === key)
  if (exact) return exact
  // "Quiz 2" is "Quiz 2: Sites", but not "Quiz 21".
  const begins = (a: DraftActivity) => {
    const other = titleKey(a.title)
    const [short, long] = key.length < other.length ? [key, other] : [other, key]
    return short.length >= 4 && /\d$/.test(short) && long.startsWith(short) && !/^\d/.test(long.slice(short.length))
  }
  const near = all.filter(begins)
  return near.length === 1 ? near[0] : undefined
}

/** Codes and whole statements in activities become codes of objectives; statements that no list has become objectives. */
function resolveReferences(draft: Draft): void {
  numberObjectives(draft)
  const objectives = draft.modules.flatMap((m) => m.objectives)
  for (const module of draft.modules) {
    for (const objective of module.objectives)
      objective.outcomes = objective.outcomes.flatMap((ref) =>
        outcomeFor(draft, ref, objective.at, objective.code ?? short(objective.statement)),
      )
    for (const activity of module.activities)
      activity.objectives = [
        ...new Set(
          activity.objectives.flatMap((ref) => {
            const asCode = readCodes(ref)
            const [code] = asCode ?? []
            const near = [...module.objectives, ...objectives]
            if (asCode !== null && code !== undefined) {
              const found =
                near.find((o) => o.code !== null && codeKey(o.code) === codeKey(code)) ??
                near.find((o) => o.code !== null && sameCode(o.code, code))
              if (!found && objectives.length > 0)
                draft.problem('unknown-objective', `${short(activity.title)} refers to objective ${code}, which no list has.`, activity.at)
              return [found?.code ?? code]
            }
            const key = titleKey(ref)
            const match =
              near.find((o) => titleKey(o.statement) === key) ??
              near.find((o) => key.length > 12 && titleKey(`${o.code ?? ''}${o.statement}`).endsWith(key))
            const loose =
              match ?? near.find((o) => key.length > 12 && (key.endsWith(titleKey(o.statement)) || titleKey(o.statement).startsWith(key)))
            if (loose) return [loose.code as string]
            const split = splitCode(ref)
            if (split.code !== null) {
              const named = near.find((o) => o.code !== null && sameCode(o.code, split.code as string))
              if (named) return [named.code as string]
              return [draft.objective(module, readStatement(ref), activity.at).code as string]
            }
            if (ref.split(/\s+/).length < 3) {
              draft.leave(`${activity.title}: ${ref}`, activity.at)
              return []
            }
            const made = draft.objective(module, { code: null, statement: ref, refs: [] }, activity.at)
            numberObjectives(draft)
            return [made.code as string]
          }),
        ),
      ]
    for (const activity of module.activities)
      for (const code of activity.objectives) {
        const objective = draft.modules.flatMap((m) => m.objectives).find((o) => o.code === code)
        if (objective && (objective.outcomes.length === 0 || objective.at === FROM_ROWS)) {
          objective.at = FROM_ROWS
          objective.outcomes = [
            ...new Set([...objective.outcomes, ...activity.outcomes.flatMap((ref) => outcomeFor(draft, ref, activity.at, code))]),
          ]
        }
      }
  }
}

/** Marks objectives whose outcomes stand only in rows of activities. */
const FROM_ROWS = 'rows'

/** Objectives without a code get one of their module and a letter. */
function numberObjectives(draft: Draft): void {
  orderedModules(draft).forEach((module, i) => {
    const taken = new Set(module.objectives.flatMap((o) => (o.code === null ? [] : [codeKey(o.code)])))
    let letter = 0
    for (const objective of module.objectives) {
      if (objective.code !== null) continue
      while (taken.has(`${module.number ?? i + 1}${letterOf(letter)}`)) letter++
      objective.code = `${module.number ?? i + 1}${letterOf(letter)}`
      taken.add(objective.code)
    }
  })
  draft.outcomes.forEach((o, i) => {
    o.code ??= `CO${i + 1}`
  })
}

const letterOf = (n: number): string =>
  n < 26 ? String.fromCharCode(97 + n) : `${letterOf(Math.floor(n / 26) - 1)}${String.fromCharCode(97 + (n % 26))}`

function outcomeFor(draft: Draft, ref: string, at: string, objective: string): string[] {
  const known =
    draft.outcomes.find((o) => o.code !== null && codeKey(o.code) === codeKey(ref)) ??
    draft.outcomes.find((o) => o.code !== null && sameCode(o.code, ref))
  if (known?.code) return [known.code]
  const byText = draft.outcomes.find((o) => titleKey(o.statement) === titleKey(ref))
  if (byText?.code) return [byText.code]
  if (draft.outcomes.length > 0) draft.problem('unknown-outcome', `Objective ${objective} refers to outcome ${ref}, which no list has.`, at)
  return readCodes(ref) ? [ref] : []
}
