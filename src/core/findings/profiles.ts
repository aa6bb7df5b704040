/** How loud each rule is: by the profile of the course, and by what the course says itself. */

import { type Blueprint, recordsOf } from '../blueprint/blueprint'
import type { Course } from '../blueprint/kinds'
import { capital } from '../blueprint/text'
import type { Weight } from './finding'

export type RuleWeight = Weight | 'off'
export type Profile = NonNullable<Course['profile']>

/** Profiles name only what they change (Cairn defaults). The semester course is what the rules themselves say. */
const PROFILES: Readonly<Record<Profile, Readonly<Partial<Record<string, RuleWeight>>>>> = {
  semester: { 'no-condition': 'off', 'no-how-well': 'off' },
  competency: {
    'share-differs': 'off',
    'total-off-credits': 'off',
    'outcome-level-not-reached': 'off',
    'hours-over-target': 'idea',
    'criterion-unlinked': 'fix',
    'objective-not-assessed': 'check',
    'too-long': 'off',
  },
  'self-paced': {
    'no-condition': 'off',
    'no-how-well': 'off',
    'due-while-closed': 'off',
    'due-outside-term': 'off',
    'due-outside-module': 'off',
    'too-many-due': 'off',
    'feedback-too-late': 'off',
    'marking-over-available': 'off',
    'hours-over-target': 'idea',
    'share-differs': 'off',
  },
}

export const PROFILE_WORDS: Readonly<Record<Profile, string>> = {
  semester: 'a semester course',
  competency: 'a competency unit',
  'self-paced': 'a self-paced short course',
}

/** What a profile says of a rule; null where the rule's own weight stands. */
export const profileWeight = (profile: Profile | null, code: string): RuleWeight | null => PROFILES[profile ?? 'semester'][code] ?? null

/** The weight that stands for a rule in a course; null where the rule's own does. The course's own word goes first. */
export function ruleWeights(blueprint: Blueprint): (code: string) => RuleWeight | null {
  const own = new Map(recordsOf(blueprint, 'ruleSetting').map((s) => [s.code, s.weight]))
  const profile = blueprint.course.get('course')?.profile ?? null
  return (code) => own.get(code) ?? profileWeight(profile, code)
}

/** A rule's code as words: `objective-not-assessed` is `Objective not assessed`. */
export const ruleTitle = (code: string): string => capital(code).replaceAll('-', ' ')
