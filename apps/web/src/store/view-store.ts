import type { ClashStage, Finger, Modifier, Trigger, Verdict, CommandId, ProgramId } from '@reach-plot/core'
import { create } from 'zustand'

export interface PlaceFilter {
  /** triggers without modifiers */
  readonly bareOnly: boolean
  /** triggers of one device; of all for null */
  readonly deviceId: string | null
  readonly freeOnly: boolean
}

/** What is looked at: never saved in the plan, never undone. */
export interface ViewState {
  /** program and context in front; a null context means all of them */
  readonly programId: ProgramId | null
  readonly contextId: string | null
  readonly commandId: CommandId | null
  /** the chosen place: a key's code, or `device/control` where there is none */
  readonly controlRef: string | null
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
  /** the list of commands: by what a better place would gain, or by use */
  readonly listOrder: 'gain' | 'use'
  /** which of the ranked places are listed */
  readonly placeFilter: PlaceFilter
  /** the finger whose contours are drawn, or the best one for null */
  readonly finger: Finger | null
  /** free places within this verdict are looked for; null when they are not */
  readonly freeWithin: Verdict | null
  /** which findings are listed: of one stage, or chosen ones */
  readonly clashFilter: { readonly stage: ClashStage | null; readonly ids: readonly string[] | null }
  /** commands that lost their place in this sitting, latest first */
  readonly displaced: readonly string[]
  set(change: Partial<Omit<ViewState, 'set'>>): void
}

export const useView = create<ViewState>()((set) => ({
  programId: null,
  contextId: null,
  commandId: null,
  controlRef: null,
  openPages: {},
  hovered: null,
  chosenHeld: [],
  pressedHeld: [],
  query: '',
  triggerQuery: null,
  onlyUnplaced: false,
  listOrder: 'gain',
  displaced: [],
  placeFilter: { bareOnly: false, deviceId: null, freeOnly: false },
  finger: null,
  freeWithin: null,
  clashFilter: { stage: null, ids: null },
  set: (change) => set(change),
}))

/** Opens a page of a device by hand; null goes back to the one that follows the program in use. */
export function turnPage(deviceId: string, pageId: string | null): void {
  const { openPages, set } = useView.getState()
  const { [deviceId]: _before, ...others } = openPages
  set({ openPages: pageId === null ? others : { ...others, [deviceId]: pageId } })
}

/** The modifiers that the chart shows: those held down win over those chosen. */
export const useHeld = (): readonly Modifier[] =>
  useView((s) => (s.pressedHeld.length > 0 ? s.pressedHeld : s.chosenHeld))
