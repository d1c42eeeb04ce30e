/** What a column can mean. */
export const roles = ['command', 'keys', 'menu', 'context', 'program', 'uses', 'note', 'ignore'] as const
export type Role = (typeof roles)[number]

/** What each column means, by its place. */
export type Columns = readonly Role[]
