/** The workspaces of a course in working order: findings belong to them, the strip and the addresses are made of them. */
export const WORKSPACES = ['brief', 'outcomes', 'map', 'assessment', 'calendar', 'syllabus', 'review'] as const
export type Workspace = (typeof WORKSPACES)[number]

export const isWorkspace = (key: string): key is Workspace => WORKSPACES.some((w) => w === key)
