/**
 * The course picture as plain data: lanes are outcomes (or the elements of a framework), columns are modules as wide as their weeks, every activity is a stone
 * in each lane it serves. Drawing is somebody else's. Lengths are in pixels of the picture.
 */

import { coverageOf } from '../alignment/coverage'
import { purposeOf } from '../alignment/proposals'
import type { Blueprint } from '../blueprint/blueprint'
import type { Activity, Module } from '../blueprint/kinds'
import type { Purpose } from '../blueprint/kinds/activity'
import { fitted, shortened } from '../blueprint/text'
import { DIFFERS_FROM, gradeByOutcome } from '../grading/by-outcome'
import { gradeTable } from '../grading/grade-table'
import { hoursByWeek, isOver } from '../hours/by-week'
import type { Lane } from '../plan/lanes'
import { type CourseIndex, indexCourse } from '../plan/plan-index'
import { servedBy } from '../plan/served'
import { weeksText } from '../syllabus/assemble'

export type StoneSize = 'minutes' | 'grade'

export type Stone = {
  readonly key: string
  readonly activityId: string
  readonly laneId: string
  readonly moduleId: string
  readonly number: string
  readonly purpose: Purpose | null
  /** Whether the activity assesses an objective of this outcome. */
  readonly assesses: boolean
  readonly x: number
  readonly y: number
  /** Half its width and height. Its area stands for its part of the minutes or of the grade. */
  readonly rx: number
  readonly ry: number
}
export type Tie = { readonly activityId: string; readonly x1: number; readonly y1: number; readonly x2: number; readonly y2: number }
export type Hole = {
  readonly laneId: string
  readonly moduleId: string
  readonly objectiveIds: readonly string[]
  readonly lines: readonly string[]
  readonly x: number
  readonly y: number
  readonly width: number
  readonly height: number
}
export type Column = {
  readonly moduleId: string
  readonly number: string
  readonly weeks: string
  readonly title: readonly string[]
  readonly x: number
  readonly width: number
  readonly hours: number | null
  readonly over: boolean
  readonly share: number
}
export type PictureLane = {
  readonly laneId: string
  readonly number: string
  readonly statement: readonly string[]
  readonly y: number
  readonly height: number
  readonly graded: number
  readonly intended: number | null
  readonly off: boolean
}

export type Picture = {
  readonly width: number
  readonly height: number
  /** Where the first column and the first lane begin, and where the lanes end. */
  readonly left: number
  readonly top: number
  readonly bottom: number
  readonly columns: readonly Column[]
  readonly lanes: readonly PictureLane[]
  readonly stones: readonly Stone[]
  readonly ties: readonly Tie[]
  readonly holes: readonly Hole[]
  /** Activities that serve no outcome, and so are in no lane. */
  readonly unplaced: readonly string[]
  /** The top of the scale of hours. */
  readonly mostHours: number
}

/** Cairn defaults of the drawing. */
export const LEFT = 206
export const TOP = 58
export const LANE = 72
const COLUMN_LEAST = 82
const LABEL = 12
const PAD = 8
const GAP = 5
/** Area of a stone for one minute, and for one percent of the grade, in square pixels. */
const AREA_PER_MINUTE = 2
const AREA_PER_PERCENT = 36
const LEAST_RADIUS = 4.5
const MOST_RADIUS = 18
/** Width of a letter at the size of titles, and of a digit at that of numbers, on average. */
const LETTER = 6.4
const DIGIT = 5.4

/** Breaks text into at most `most` lines of about `width` pixels; what does not fit ends in an ellipsis. */
export function wrapText(text: string, width: number, most: number): string[] {
  const room = Math.max(4, Math.floor(width / LETTER))
  const lines: string[] = []
  let line = ''
  for (const word of text.split(/\s+/).filter(Boolean)) {
    const next = line ? `${line} ${word}` : word
    if (next.length <= room || line === '') line = next
    else {
      lines.push(line)
      line = word
    }
  }
  if (line) lines.push(line)
  const shown = lines.slice(0, most)
  const cut = (t: string) => shortened(t, room)
  return shown.map((t, i) => (i === most - 1 && lines.length > most ? `${fitted(t, Math.max(1, room - 1))}…` : cut(t)))
}

/** Half-axes of a stone whose ellipse has the given area; flat, as stones are. */
function radii(area: number): { rx: number; ry: number } {
  const r = Math.min(MOST_RADIUS, Math.max(LEAST_RADIUS, Math.sqrt(area / Math.PI)))
  return { rx: r * 1.14, ry: r / 1.14 }
}

/**
 * Lays the picture out. `width` is the room there is; a course with many modules becomes wider. Empty courses give an empty
 * picture.
 */
export function layOutPicture(blueprint: Blueprint, size: StoneSize, width: number): Picture {
  const index = indexCourse(blueprint)
  const columns = columnsOf(blueprint, index, width)
  const placed = stonesByCell(blueprint, index, size)
  const shares = new Map(gradeByOutcome(blueprint).shares.map((s) => [s.laneId, s]))
  const lanes: PictureLane[] = []
  const stones: Stone[] = []
  const holes: Hole[] = []
  let y = TOP
  for (const outcome of index.lanes) {
    const cells = columns.map((column) => ({
      column,
      flow: flow(placed.get(`${outcome.id} ${column.moduleId}`) ?? [], column),
      hole: holeIn(blueprint, index, outcome, column),
    }))
    const height = Math.max(LANE, ...cells.map((c) => c.flow.height + (c.hole ? c.hole.height + GAP : 0) + PAD + 4))
    for (const { column, flow: rows, hole } of cells) {
      const top = y + (height - rows.height - (hole ? hole.height + (rows.height > 0 ? GAP : 0) : 0)) / 2
      for (const s of rows.stones)
        stones.push({ ...s, laneId: outcome.id, moduleId: column.moduleId, key: `${outcome.id} ${s.activityId}`, y: top + s.y })
      if (hole) holes.push({ ...hole, y: top + rows.height + (rows.height > 0 ? GAP : 0) })
    }
    const share = shares.get(outcome.id)
    const off = share?.intended != null && Math.abs(share.graded - share.intended) > DIFFERS_FROM
    lanes.push({
      laneId: outcome.id,
      number: index.numberOf(outcome.id),
      statement: wrapText(outcome.statement, LEFT - 46, 2),
      y,
      height,
      graded: share?.graded ?? 0,
      intended: outcome.intendedShare,
      off,
    })
    y += height
  }
  const last = columns.at(-1)
  return {
    width: last ? last.x + last.width : width,
    height: y + BANDS,
    left: LEFT,
    top: TOP,
    bottom: y,
    columns,
    lanes,
    stones,
    ties: tiesOf(stones),
    holes,
    unplaced: index.activities.filter((a) => servedBy(index, a.id).every((s) => s.laneId === null)).map((a) => a.id),
    mostHours: Math.max(1, (blueprint.course.get('course')?.weeklyHoursMax ?? 0) / 100, ...columns.map((c) => c.hours ?? 0)),
  }
}

/** Room below the lanes for hours and shares. */
export const BANDS = 104

function columnsOf(blueprint: Blueprint, index: CourseIndex, width: number): Column[] {
  const grades = gradeTable(blueprint)
  const weeksOf = (m: Module) => (m.firstWeek === null ? 1 : (m.lastWeek ?? m.firstWeek) - m.firstWeek + 1)
  // A group outside the sequence has a column where something of it is to be seen.
  const isSeen = (m: Module) =>
    m.role === null ||
    index.activitiesOf(m.id).some((a) => grades.effectiveOf(a.id) > 0 || servedBy(index, a.id).some((s) => s.laneId !== null))
  const modules = index.modules.filter(isSeen)
  const total = modules.reduce((sum, m) => sum + weeksOf(m), 0)
  const spare = Math.max(0, width - LEFT - COLUMN_LEAST * modules.length)
  const hours = hoursByWeek(blueprint).moduleWeekly
  const target = blueprint.course.get('course')?.weeklyHoursMax ?? null
  let x = LEFT
  return modules.map((m) => {
    const own = COLUMN_LEAST + (total > 0 ? (spare * weeksOf(m)) / total : 0)
    const weekly = hours.get(m.id) ?? null
    const column: Column = {
      moduleId: m.id,
      number: index.numberOf(m.id),
      weeks: m.firstWeek === null ? '' : weeksText(m.firstWeek, m.lastWeek).replace(/^weeks?/, 'wk'),
      title: wrapText(m.title, own - 2 * PAD, 2),
      x,
      width: own,
      hours: weekly,
      over: weekly !== null && isOver(weekly, target === null ? null : target / 100),
      share: index.activitiesOf(m.id).reduce((sum, a) => sum + grades.effectiveOf(a.id), 0),
    }
    x += own
    return column
  })
}

type Sized = Omit<Stone, 'laneId' | 'moduleId' | 'key' | 'x' | 'y'>

/** The stones of every cell, sized by the part of the activity that serves the outcome. */
function stonesByCell(blueprint: Blueprint, index: CourseIndex, size: StoneSize): Map<string, Sized[]> {
  const grades = gradeTable(blueprint)
  const cells = new Map<string, Sized[]>()
  const areaOf = (activity: Activity, part: number) =>
    size === 'minutes'
      ? (activity.minutes ?? 0) * part * AREA_PER_MINUTE
      : (grades.effectiveOf(activity.id) / 100) * part * AREA_PER_PERCENT
  for (const activity of index.activities) {
    const parts = new Map<string, number>()
    for (const { laneId, part } of servedBy(index, activity.id)) if (laneId) parts.set(laneId, (parts.get(laneId) ?? 0) + part)
    const assessed = new Set(
      index
        .alignmentsOf(activity.id)
        .filter((l) => l.stages.includes('assesses'))
        .flatMap((l) => index.lanesOf(l.objectiveId).map((o) => o.id)),
    )
    for (const [laneId, part] of parts) {
      const key = `${laneId} ${activity.moduleId}`
      const stone = {
        activityId: activity.id,
        number: index.numberOf(activity.id),
        purpose: purposeOf(activity),
        assesses: assessed.has(laneId),
        ...radii(areaOf(activity, part)),
      }
      cells.set(key, [...(cells.get(key) ?? []), stone])
    }
  }
  return cells
}

/** Sets stones in rows as text is set; positions are from the cell's top and the picture's left. */
function flow(
  stones: readonly Sized[],
  column: Column,
): { readonly stones: readonly (Sized & { readonly x: number; readonly y: number })[]; readonly height: number } {
  const rows: { items: { stone: Sized; x: number }[]; height: number }[] = []
  let x = column.x + PAD
  for (const stone of stones) {
    const wide = Math.max(2 * stone.rx, stone.number.length * DIGIT) + GAP
    let row = rows.at(-1)
    if (!row || x + wide - GAP > column.x + column.width - PAD + 2) {
      x = column.x + PAD
      row = { items: [], height: 0 }
      rows.push(row)
    }
    row.items.push({ stone, x: x + (wide - GAP) / 2 })
    row.height = Math.max(row.height, 2 * stone.ry)
    x += wide
  }
  let y = 0
  const set = rows.flatMap((row) => {
    const middle = y + row.height / 2
    y += row.height + LABEL + 1
    return row.items.map(({ stone, x: at }) => ({ ...stone, x: at, y: middle }))
  })
  return { stones: set, height: y }
}

/** Objectives of a module that support the outcome and that nothing assesses. */
function holeIn(blueprint: Blueprint, index: CourseIndex, outcome: Lane, column: Column): Omit<Hole, 'y'> | null {
  const { stateOf } = coverageOf(blueprint)
  const open = index
    .objectivesIn(outcome.id)
    .filter((o) => o.moduleId === column.moduleId && !['assessed', 'checked'].includes(stateOf(o.id)))
  if (open.length === 0) return null
  const names = open.map((o) => index.numberOf(o.id)).join(', ')
  const lines = wrapText(`${names} not assessed yet`, column.width - 3 * PAD, 3)
  return {
    laneId: outcome.id,
    moduleId: column.moduleId,
    objectiveIds: open.map((o) => o.id),
    lines,
    x: column.x + PAD,
    width: column.width - 2 * PAD,
    height: lines.length * 14 + 8,
  }
}

/** A thin line between the stones of one activity, from lane to lane. */
function tiesOf(stones: readonly Stone[]): Tie[] {
  const before = new Map<string, Stone>()
  return stones.flatMap((stone) => {
    const above = before.get(stone.activityId)
    before.set(stone.activityId, stone)
    return above ? [{ activityId: stone.activityId, x1: above.x, y1: above.y + above.ry + LABEL, x2: stone.x, y2: stone.y - stone.ry }] : []
  })
}
