import { blankOf } from './blank'
import { type Blueprint, blueprintOf } from './blueprint'
import type { NewId } from './ids'
import type { Course } from './kinds'
import { keysBetween } from './order'
import { cleanText } from './text'

export type NewCourse = Pick<Course, 'weeks' | 'creditSystem' | 'credits' | 'delivery'> & {
  readonly title: string
  readonly code: string
  readonly term: string
  readonly firstDay: string
  readonly timeZone: string
}

/** The part pattern a new course begins with (Cairn default); it can be renamed, extended and emptied. */
const PARTS = [
  ['Start', 'orient'],
  ['Learn', 'study'],
  ['Try', 'practise'],
  ['Show', 'demonstrate'],
  ['Look back', 'reflect'],
] as const

/** A course with its facts, one offering and the default part pattern: all else is the designer's. */
export function newCourseBlueprint(input: NewCourse, newId: NewId): Blueprint {
  const keys = keysBetween(null, null, PARTS.length)
  return blueprintOf({
    course: [
      {
        ...blankOf('course'),
        id: 'course',
        title: cleanText(input.title, false) ?? 'Untitled',
        code: cleanText(input.code, false),
        delivery: input.delivery,
        creditSystem: input.creditSystem,
        credits: input.creditSystem === 'none' ? null : input.credits,
        weeks: input.weeks,
      },
    ],
    offering: [
      {
        ...blankOf('offering'),
        id: newId(),
        term: cleanText(input.term, false) ?? 'First offering',
        firstDay: input.firstDay,
        timeZone: input.timeZone,
        weekStart: 'monday',
        order: keys[0] as string,
      },
    ],
    part: PARTS.map(([title, purpose], i) => ({ ...blankOf('part'), id: newId(), title, purpose, order: keys[i] as string })),
  })
}
