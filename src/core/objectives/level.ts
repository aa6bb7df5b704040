import type { Objective, Outcome } from '../blueprint/kinds'
import type { Level } from '../blueprint/kinds/levels'
import { readStatement } from './statement'

/** The level that counts: the designer's own choice, else the one its verb stands for; null when neither says. */
export const levelOf = (line: Pick<Outcome | Objective, 'statement' | 'level'>): Level | null =>
  line.level ?? readStatement(line.statement).level
