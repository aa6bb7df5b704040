/** An action of which nothing is said yet. */
export const NEW_ACTION = {
  source: 'rating',
  roundId: null,
  pointId: null,
  commentId: null,
  what: '',
  personId: null,
  name: null,
  by: null,
  state: 'open',
  records: [],
  outcome: null,
  why: null,
} as const
