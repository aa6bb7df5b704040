/** From a percent to a letter. */
import { type Blueprint, recordsOf } from '../blueprint/blueprint'
import type { GradeStep } from '../blueprint/kinds'

/** What binary fractions may lose before a half is a half no more. */
const NEAR = 1e-7

/** The steps of the scale from the highest minimum to the lowest; ties by letter. */
export const scaleOf = (blueprint: Blueprint): GradeStep[] =>
  recordsOf(blueprint, 'gradeStep').sort((a, b) => b.minimum - a.minimum || (a.letter < b.letter ? -1 : 1))

/** Rounds hundredths of a percent half up to the course's places; null: not at all. */
export function roundedPercent(hundredths: number, places: number | null): number {
  if (places === null) return hundredths
  const unit = 10 ** (2 - places)
  return Math.floor(hundredths / unit + 0.5 + NEAR) * unit
}

/** Whether a percent, rounded, reaches a minimum; both in hundredths. */
export const reachesMinimum = (hundredths: number, minimum: number, places: number | null): boolean =>
  roundedPercent(hundredths, places) >= minimum - NEAR

/** The first step whose minimum is reached by the rounded percent; null below all of them or without a scale. */
export const letterFor = (steps: readonly GradeStep[], hundredths: number, places: number | null): GradeStep | null =>
  steps.find((s) => reachesMinimum(hundredths, s.minimum, places)) ?? null
