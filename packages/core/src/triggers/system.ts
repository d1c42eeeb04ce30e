/** The desktops and operating systems that the person may work under. */
export const systemIds = ['gnome', 'windows', 'macos'] as const
/** The desktop or operating system that the person works under. */
export type SystemId = (typeof systemIds)[number]
