/** Where a reading of lines and rows stands, and how it says what became of them. */
import type { DraftActivity, DraftModule } from './draft'
import type { Fate } from './ledger'
import type { Section } from './sections'

/** Where in a text one is. */
export type Place = {
  /** What rows of goals among rows of work go on listing. */
  goals?: 'objectives' | 'outcomes' | undefined
  module: DraftModule | null
  section: Section
  week: number | null
  piece: string
  /** The activity that lines below may say more of. */
  activity?: DraftActivity | null
  /** The text of the syllabus that lines below belong to. */
  text?: { text: string } | null
}

/** Says what a line became. */
export type Became = (what: string, thing?: object, fate?: Fate) => void
