import { defaultLabelOptions, type LabelOptions } from '@reach-plot/core'
import { create } from 'zustand'
import { persist } from 'zustand/middleware'

/** The person's choices about the app itself, kept in this browser. */
export interface Settings {
  readonly theme: 'day' | 'night'
  /** app action → its shortcut, where it differs from the default */
  readonly shortcuts: Readonly<Record<string, string>>
  readonly labels: LabelOptions
  set(change: Partial<Omit<Settings, 'set'>>): void
}

export const useSettings = create<Settings>()(
  persist(
    (set) => ({
      theme: 'day',
      shortcuts: {},
      labels: defaultLabelOptions,
      set: (change) => set(change),
    }),
    { name: 'reach-plot-settings', version: 1 },
  ),
)
