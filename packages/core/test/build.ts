import {
  type Arrangement,
  boardControls,
  emptyPlan,
  homeKeys,
  groupKey,
  parseTrigger,
  triggerKey,
  type GroupKey,
  type TriggerKey,
  reachSolver,
  indexPlaces,
  type BoardId,
  type BottomRow,
  type Command,
  type HandSide,
  type NationalLayout,
  type PlacedDevice,
  type Plan,
  type Program,
  type PlaceIndex,
  type ReachSolver,
  type Environment,
} from '../src/index.js'
import { layouts, systems } from '@reach-plot/data'

/** Builders of what tests need, with the figures that matter given by the test. */
export const layout = (id: string): NationalLayout => layouts.find((l) => l.id === id) as NationalLayout

export const solver = (
  board: BoardId = 'ansi-104',
  bottomRow: BottomRow = 'windows',
  side: HandSide = 'left',
  spanMm = 190,
): ReachSolver => reachSolver({ side, spanMm, rests: homeKeys[side] }, boardControls(board, bottomRow))

export const command = (name: string, change: Partial<Command> = {}): Command => ({
  id: name.toLowerCase().replaceAll(' ', '-'),
  programId: 'fenmap',
  contextIds: [],
  name,
  menu: [],
  usesPerHour: 10,
  ...change,
})

export const program = (change: Partial<Program> = {}): Program => ({
  id: 'fenmap',
  name: 'Fenmap',
  contexts: [
    { id: 'tracing', name: 'Tracing', typing: false, overlaps: [] },
    { id: 'labelling', name: 'Labelling', typing: true, overlaps: [] },
    { id: 'overview', name: 'Overview', typing: false, overlaps: ['tracing'] },
  ],
  ...change,
})

export const envWith = (
  commands: readonly Command[],
  change: Partial<Environment> & { readonly layoutId?: string } = {},
): Environment => {
  const systemId = change.systemId ?? 'gnome'
  return {
    programs: [program()],
    commands,
    systemId,
    system: systems.find((s) => s.id === systemId)!,
    layout: layout(change.layoutId ?? 'us'),
    controls: boardControls('iso-105', 'windows'),
    ...change,
  }
}

/** A device at a place on the desk, upright. */
export const at = (deviceId: string, xMm = 0, yMm = 0): PlacedDevice => ({
  deviceId,
  xMm,
  yMm,
  turnDeg: 0,
  mirrored: false,
  heightMm: 0,
})

/** Placements as `command id → trigger text`. */
export const placements = (text: Readonly<Record<string, string>>) =>
  Object.entries(text).map(([commandId, trigger]) => ({ commandId, trigger: parseTrigger(trigger) }))

export const draft = (given: Arrangement['placements'], change: Partial<Arrangement> = {}): Arrangement => ({
  id: 'draft',
  name: 'Draft',
  isDefault: false,
  placements: given,
  popups: [],
  accepted: [],
  ...change,
})

export const plan = (change: Partial<Plan> = {}): Plan => ({
  ...emptyPlan(),
  programs: [program()],
  ...change,
})

/** Survey of an arrangement over a bench with one board. */
export const index = (
  commands: readonly Command[],
  placed: Readonly<Record<string, string>> = {},
  change: Parameters<typeof envWith>[1] = {},
): PlaceIndex => indexPlaces(placements(placed), envWith(commands, change))

/** The key of a trigger that is written as text. */
export const keyOf = (text: string): TriggerKey => triggerKey(parseTrigger(text))

/** The key of a program's group on a trigger that is written as text. */
export const groupOf = (programId: string, trigger: string): GroupKey => groupKey(programId, keyOf(trigger))
