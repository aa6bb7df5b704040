/** How the rules of each workspace are declared. A new workspace: its words, its line here. */
import { rulesOf } from './context'
import { ASSESSMENT_WORDS } from './words/assessment'
import { CALENDAR_WORDS } from './words/calendar'
import { LEARNER_PAGE_WORDS } from './words/learner-texts'
import { MAP_WORDS } from './words/map'
import { OUTCOMES_WORDS } from './words/outcomes'
import { REVIEW_WORDS } from './words/review'

export const outcomesRule = rulesOf('outcomes', OUTCOMES_WORDS)
export const mapRule = rulesOf('map', MAP_WORDS)
export const assessmentRule = rulesOf('assessment', ASSESSMENT_WORDS)
export const syllabusRule = rulesOf('syllabus', LEARNER_PAGE_WORDS)
export const reviewRule = rulesOf('review', REVIEW_WORDS)
export const calendarRule = rulesOf('calendar', CALENDAR_WORDS)
