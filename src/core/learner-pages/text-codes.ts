/** What can keep readers out of a text. */
export const TEXT_CODES = [
  'heading-skips',
  'heading-empty',
  'heading-typed',
  'list-typed',
  'link-empty',
  'link-bare',
  'link-vague',
  'link-same-text',
  'table-no-header',
  'table-layout',
  'table-header-empty',
  'table-merged',
  'image-no-alt',
  'image-decorative-alt',
  'image-alt-name',
  'image-alt-long',
  'sensory-only',
] as const
export type TextCode = (typeof TEXT_CODES)[number]
