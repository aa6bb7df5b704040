/** The three first steps of each workspace, for whoever opens it for the first time. */
import type { Workspace } from '../../core/workspaces'

export const FIRST_STEPS: Readonly<Record<Workspace, readonly [string, string, string]>> = {
  brief: [
    'Say who the course is for, and how many weeks and credits it has: hours and dates follow from it.',
    'Name the parts that every module has, such as Start, Learn, Try, Show.',
    'Come back here for “Where it stands”: what is done, and what is worth doing next.',
  ],
  outcomes: [
    'Write three to eight course outcomes: what people can do afterwards.',
    'Under each module write objectives, one a line. Enter begins the next.',
    'Tab leads to level and outcomes of a line: type 2 4 to link it to CO2 and CO4.',
  ],
  map: [
    'Type a title in the last row to make a module, then activities in its empty row.',
    'Paste rows from a spreadsheet into an empty row: a first line with names says which column is which.',
    'In “Objectives” type 2a PA: this activity practises and assesses objective 2a.',
  ],
  assessment: [
    'Make categories with their shares until they sum to 100 %.',
    'Give each assessment its category and points: what it counts is worked out.',
    'Look at the right: how much of the grade each outcome gets, and where there is nothing.',
  ],
  calendar: [
    'Set the first day: every date follows from the rules in the map.',
    'Add breaks and closed days. What is due on a closed day is found.',
    'Drag a marker to another day, or press Space on it, then arrows and Enter.',
  ],
  syllabus: [
    'Read it through: outcomes, schedule, grade and policies come from the plan.',
    'Add texts of your own where the plan says nothing.',
    'Publish it. The address stays the same when you publish again.',
  ],
  review: [
    'Take the set of points that ships, or bring the one of your institution: a table will do.',
    'Read it through while you design: each point says which records it looks at.',
    'Under “Colours and texts” see what learners get, and mend what keeps some of them out.',
  ],
}
