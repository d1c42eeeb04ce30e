import type { Modifier, Trigger } from '@reach-plot/core'
import { create } from 'zustand'

/** What is looked at: never saved in the plan, never undone. */
export interface ViewState {
  /** program and context in front; a null context means all of them */
  readonly programId: string | null
  readonly contextId: string | null
  readonly commandId: string | null
  /** the chosen place: a key's code, or `device/control` where there is none */
  readonly spot: string | null
  /** key under the pointer or focus; changes often, so only what shows it listens to it */
  readonly hovered: string | null
  /** modifiers chosen by clicking, and those held down just now */
  readonly chosenHeld: readonly Modifier[]
  readonly pressedHeld: readonly Modifier[]
  /** pages opened by hand, by device; other devices follow the program in front */
  readonly openPages: Readonly<Record<string, string>>
  readonly query: string
  readonly triggerQuery: Trigger | null
  readonly onlyUnplaced: boolean
  /** commands that lost their place in this sitting, latest first */
  readonly displaced: readonly string[]
  set(change: Partial<Omit<ViewState, 'set'>>): void
}

export const useView = create<ViewState>()((set) => ({
  programId: null,
  contextId: null,
  commandId: null,
  spot: null,
  openPages: {},
  hovered: null,
  chosenHeld: [],
  pressedHeld: [],
  query: '',
  triggerQuery: null,
  onlyUnplaced: false,
  displaced: [],
  set: (change) => set(change),
}))

/** The modifiers that the chart shows: those held down win over those chosen. */
export const useHeld = (): readonly Modifier[] =>
  useView((s) => (s.pressedHeld.length > 0 ? s.pressedHeld : s.chosenHeld))
