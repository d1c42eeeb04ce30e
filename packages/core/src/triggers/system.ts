export const systemIds = ['gnome', 'windows', 'macos'] as const
/** The desktop or operating system that the person works under. */
export type SystemId = (typeof systemIds)[number]

export const isSystemId = (id: string): id is SystemId => (systemIds as readonly string[]).includes(id)
