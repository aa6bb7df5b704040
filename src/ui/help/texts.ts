/** What Cairn says of itself: for each workspace the three first steps, and ten lines for the help page. */
import type { Workspace } from '../../core/workspaces'

export type HelpText = {
  /** For whoever opens it for the first time. */
  readonly steps: readonly [string, string, string]
  /** What can be done here and how, in working order. */
  readonly lines: readonly string[]
}

export const HELP: Readonly<Record<Workspace, HelpText>> = {
  brief: {
    steps: [
      'Say who the course is for, and how many weeks and credits it has: hours and dates follow from it.',
      'Name the parts that every module has, such as Start, Learn, Try, Show.',
      'Come back here for “Where it stands”: what is done, and what is worth doing next.',
    ],
    lines: [
      '“Where it stands” counts what is planned, assessed, graded and scheduled. Each fact is a way to what it is about.',
      '“Worth doing next” names the three things that come first in working order.',
      'Title, code, audience, prerequisites and delivery stand in the syllabus as they are written here.',
      'Credits and their system say how many hours the course should take; hours a week make the band in the calendar.',
      'The word for a module can be Unit, Block, Week or what your institution says.',
      'Parts are what every module has. Drag one by its handle, or take it with Space and move it with the arrows.',
      'Decisions keep a finding as it is, with your reason. It comes back when what it stands on changes.',
      'Each rule of the analysis can be switched off or given another weight for this course.',
      '“On one page” is the whole course to print: outcomes, modules, what is assessed.',
      'Ctrl+F finds words in every text of the course and replaces them, one by one or all at once.',
    ],
  },
  outcomes: {
    steps: [
      'Write three to eight course outcomes: what people can do afterwards.',
      'Under each module write objectives, one a line. Enter begins the next.',
      'Tab leads to level and outcomes of a line: type 2 4 to link it to CO2 and CO4.',
    ],
    lines: [
      'Each line is read while you type: its verb and level, under what condition, how well. What cannot be observed is marked.',
      'Alt+Enter takes a proposed wording, and again the next one. Alt+V shows verbs of the same level and of the next.',
      'Tab leads from a line to its level, Tab again to its outcomes, also on a line that is not written yet.',
      'Enter in the middle of an objective makes two of it. Backspace at its start joins it to the one above.',
      'Alt with the arrows moves a line, over the border of a module too.',
      'Several lines pasted at once make an objective each, without their bullets and numbers.',
      'Under each outcome stands its ladder: how its objectives climb from module to module.',
      '“Spread” counts objectives by level and module; “Side by side” sets an outcome beside all that supports it.',
      '“Frameworks” holds competencies and standards from outside, and shows where each item is taught, practised and assessed.',
      'Alt+Shift with ↑ and ↓ chooses several lines, to move, link or remove them together.',
    ],
  },
  map: {
    steps: [
      'Type a title in the last row to make a module, then activities in its empty row.',
      'Paste rows from a spreadsheet into an empty row: a first line with names says which column is which.',
      'In “Objectives” type 2a PA: this activity practises and assesses objective 2a.',
    ],
    lines: [
      'A cell is edited by typing. Enter goes on below, Tab to the right, Esc takes it back.',
      'Minutes are read as people write them: 45, 1.5 h, 1h30. Due is a rule: Sun wk 2 is the Sunday of the module’s second week.',
      'The purpose is proposed by the kind and shown muted until it is accepted with Space, Enter.',
      'What a cell names and is not there, a category, a part, an objective, is offered: Make “Discussions”.',
      'The first cell written in an empty row makes it, and Tab goes on in that row.',
      'Ctrl+D fills down, Delete clears, Ctrl+Delete removes rows, Alt with ↑ and ↓ moves them. One Ctrl+Z takes each back.',
      '↑ in the first row leads to the names of the columns: sort, filter, widen, hide and order them.',
      '“Picture” shows outcomes by modules. A stone is an activity; arrows go from stone to stone, Enter to its row.',
      '“Spread” counts activities by purpose and kind in each module, so that a module of reading alone is seen.',
      'Activities that repeat are a series: one definition, numbered by their place. An edit of one asks how far it goes.',
    ],
  },
  assessment: {
    steps: [
      'Make categories with their shares until they sum to 100 %.',
      'Give each assessment its category and points: what it counts is worked out.',
      'Look at the right: how much of the grade each outcome gets, and where there is nothing.',
    ],
    lines: [
      'An activity with points, or said to be an assessment in its details, stands here under its category.',
      'What each counts is divided by points within the share of its category, exactly, and sums to 100 %.',
      'Categories can drop the lowest results; then it is told what each counts when it is kept.',
      '“Grade by outcome” sets what an outcome gets against what was intended. Open one to see how it adds up.',
      '“Where the grade lies” shows when it is earned over the term and when learners first hear how they stand.',
      '“Rubrics” hold criteria and levels. Type in the cells, paste rows from a document, take the fix when sums are off.',
      '“Try marks” tells what marks come to, and what each letter still needs.',
      '“Marking” counts hours a week from the number of learners and the minutes for each submission.',
      'A hurdle is the percentage that has to be reached; extra credit is on top of the 100 %.',
      'Work that is marked by letter or as satisfactory or not yet takes part with an equal part of its category.',
    ],
  },
  calendar: {
    steps: [
      'Set the first day: every date follows from the rules in the map.',
      'Add breaks and closed days. What is due on a closed day is found.',
      'Drag a marker to another day, or press Space on it, then arrows and Enter.',
    ],
    lines: [
      'Dates are rules of the course, such as the Sunday of a module’s second week, and are worked out for the term.',
      'A whole week of break is left out of the count: what comes later moves with its week.',
      'A closed day moves nothing; what is due on it is found and can be moved with one press.',
      'While a marker is being moved it is told what comes of it, before it is set.',
      '“Agenda” lists everything by date, with what opens and what is due.',
      '“Hours” sets the planned time against credits and weeks, and says what times are estimated with.',
      'Times are estimated from sizes: pages, words to write, minutes to watch. Each value can be replaced for this course.',
      'When the term begins on another day, breaks stay where they are until you move them too: it is offered.',
      'When a module gets longer, moving the later ones along is offered.',
      'The calendar file can be given to anybody: learners’ calendars take it as it is.',
    ],
  },
  syllabus: {
    steps: [
      'Read it through: outcomes, schedule, grade and policies come from the plan.',
      'Add texts of your own where the plan says nothing.',
      'Publish it. The address stays the same when you publish again.',
    ],
    lines: [
      'The syllabus is made from the plan and always says what the plan says.',
      'Texts of your own stand where you put them; headings, lists, links and emphasis are kept.',
      'Publishing freezes what is there. Later changes are seen by learners only when it is published again.',
      'Publishing with findings to fix asks first, and names them.',
      'The public page reads without any program in the page, on paper and on a telephone.',
      'Withdrawing ends the page; its address then says that it was withdrawn.',
      'The offering that is chosen above gives dates and term.',
      '“In and out” gives the course as a page, a spreadsheet, a calendar or Cairn’s own file.',
      'The own file opens in any Cairn, and holds everything but the history.',
      'The history, the clock above, tells who changed what, and sets back one record, a day or all of it.',
    ],
  },
}
