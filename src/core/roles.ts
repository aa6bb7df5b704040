/** The roles that people have in a course. What each may do stands in core/access/abilities.ts. */
export const ROLES = ['designer', 'expert', 'reviewer', 'commenter'] as const
export type Role = (typeof ROLES)[number]

export const ROLE_TITLES: Readonly<Record<Role, string>> = {
  designer: 'designer',
  expert: 'subject expert',
  reviewer: 'reviewer',
  commenter: 'commenter',
}
