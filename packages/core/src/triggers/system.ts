/** The desktops and operating systems that the person may work under. */
export const systemIds = [
  'gnome',
  'kde',
  'xfce',
  'cinnamon',
  'mate',
  'lxqt',
  'sway',
  'i3',
  'openbox',
  'windows',
  'macos',
] as const
/** The desktop or operating system that the person works under. */
export type SystemId = (typeof systemIds)[number]

/** Whether the desktop is one of Linux, where the third-level key, the windows key and text keys work alike. */
export const isLinuxDesktop = (system: SystemId): boolean => system !== 'windows' && system !== 'macos'
