import type { Calibration } from '@reach-plot/core/drawing'
import { create } from 'zustand'
import { persist } from 'zustand/middleware'

/** The person's choices about the app itself, kept in this browser. */
export interface Settings {
  readonly theme: 'day' | 'night'
  /** app action → its shortcut, where it differs from the default */
  readonly shortcuts: Readonly<Record<string, string>>
  /** stock → what the printer does to it, as it was measured on this machine's printer */
  readonly calibrations: Readonly<Record<string, Calibration>>
  /** address of the printer that was used last; empty for the stand-in */
  readonly printer: string
  set(change: Partial<Omit<Settings, 'set'>>): void
}

export const useSettings = create<Settings>()(
  persist(
    (set) => ({
      theme: 'day',
      shortcuts: {},
      calibrations: {},
      printer: '',
      set: (change) => set(change),
    }),
    { name: 'reach-plot-settings', version: 1 },
  ),
)
