/** A small desk with a device of every form, and an arrangement on it that has no fault at all. */
import {
  benchControls,
  deviceLegends,
  homeKeys,
  parseTrigger,
  type Bench,
  type Command,
  type Device,
  type DrawnControl,
  type DrawnDevice,
  type Placed,
  type Program,
  type Environment,
} from '../../src/index.js'
import { envWith, at, command, program } from '../build.js'

const control = (id: string, xMm: number, change: Partial<DrawnControl> = {}): DrawnControl => ({
  id,
  name: id,
  type: 'key',
  shape: 'rect',
  xMm,
  yMm: 30,
  widthMm: 18,
  heightMm: 18,
  code: null,
  ...change,
})
const drawn = (
  id: string,
  form: DrawnDevice['form'],
  controls: DrawnControl[],
  pages: DrawnDevice['pages'] = [],
): DrawnDevice => ({ id, name: id, kind: 'drawn', form, widthMm: 200, heightMm: 60, controls, pages })

export const devices: Device[] = [
  { id: 'keyboard', name: 'Keyboard', kind: 'board', board: 'iso-105', bottomRow: 'windows' },
  { id: 'laptop', name: 'Laptop', kind: 'board', board: 'laptop-compact', bottomRow: 'windows' },
  drawn('pad', 'pad', [
    control('k1', 12),
    control('k2', 32),
    control('k3', 52),
    control('dial', 90, { type: 'dial', stepsPerTurn: 8 }),
    control('fine', 130, { type: 'dial', stepsPerTurn: 40 }),
  ]),
  drawn(
    'deck',
    'deck',
    [control('b1', 12, { type: 'button' }), control('b2', 32, { type: 'button' })],
    [
      { id: 'main', name: 'Main', opens: [{ controlId: 'b2', pageId: 'more' }] },
      { id: 'more', name: 'More', opens: [] },
    ],
  ),
  drawn('mouse', 'mouse', [
    control('field', 60, { type: 'field', directions: 12, widthMm: 60, heightMm: 50 }),
    control('plain', 120, { type: 'field', directions: 8, widthMm: 40, heightMm: 40 }),
    control('wheel', 180, { type: 'wheel', clicks: true }),
  ]),
  drawn('glass', 'touch', [
    control('corner', 20, { type: 'zone' }),
    control('middle', 100, { type: 'zone' }),
  ]),
]

export const benchOf = (ids: readonly string[]): Bench => ({
  id: 'desk',
  name: 'Desk',
  devices: ids.map((id, i) => at(id, i * 500, 0)),
  hands: [{ side: 'left', spanMm: 190, deviceId: ids[0] as string, rests: homeKeys.left }],
})

export const allDevices = ['keyboard', 'pad', 'deck', 'mouse', 'glass']

export const tracing = { contextIds: ['tracing'] }
export const fenmap: Program = program()
export const reedcall: Program = program({
  id: 'reedcall',
  name: 'Reedcall',
  contexts: [{ id: 'tag', name: 'Tag', typing: false, overlaps: [] }],
})

/** Commands that stand well: nobody beside them, no system key, no text. */
export const cleanCommands: readonly Command[] = [
  command('Measure', tracing),
  command('Fit chart', tracing),
  command('Thicker stroke', { ...tracing, kind: 'stepped' }),
  command('Place name', { contextIds: ['labelling'] }),
  command('Play', { programId: 'reedcall' }),
]
export const cleanPlaces: Readonly<Record<string, string>> = {
  measure: 'KeyM',
  'fit-chart': 'Control+Shift+KeyO',
  'thicker-stroke': 'pad/fine right',
  'place-name': 'Control+KeyJ',
  play: 'Alt+Shift+KeyP',
}

export interface Scene {
  readonly placements: readonly Placed[]
  readonly env: Environment
}

export interface SceneChange extends Omit<Partial<Environment>, 'commands'> {
  readonly layoutId?: string
  readonly commands?: readonly Command[]
  readonly places?: Readonly<Record<string, string>>
  /** further triggers of commands that have one already */
  readonly besides?: readonly (readonly [string, string])[]
  readonly sends?: Readonly<Record<string, readonly string[]>>
  readonly bench?: readonly string[]
}

/** The clean scene with more commands, places and settings. */
export function scene(change: SceneChange = {}): Scene {
  const { commands = [], places = {}, sends = {}, bench = allDevices, besides = [], ...rest } = change
  const given = { ...cleanPlaces, ...places }
  return {
    placements: [...Object.entries(given), ...besides].map(([commandId, text]) => ({
      commandId,
      trigger: parseTrigger(text),
      ...(sends[commandId] &&
        text.includes('/') && {
          sends: sends[commandId].map(
            (t) => parseTrigger(t) as Extract<ReturnType<typeof parseTrigger>, { kind: 'chord' }>,
          ),
        }),
    })),
    env: envWith([...cleanCommands, ...commands], {
      programs: [fenmap, reedcall],
      devices,
      legends: deviceLegends(devices),
      controls: benchControls(benchOf(bench), devices),
      ...rest,
    }),
  }
}
