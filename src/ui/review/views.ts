/** The views of the review, in the bar and in the list of commands. */
export const REVIEW_VIEWS = [
  { key: 'rate', title: 'Rate' },
  { key: 'compare', title: 'Compare' },
  { key: 'actions', title: 'Actions' },
  { key: 'report', title: 'Report' },
  { key: 'sets', title: 'Sets' },
  { key: 'colours', title: 'Colours and texts' },
] as const
export type ReviewView = (typeof REVIEW_VIEWS)[number]['key']
