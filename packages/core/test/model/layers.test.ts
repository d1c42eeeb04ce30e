/** Layers of a device's firmware, from the reach of a chord to the check of what arrives. */
import { catalogues, deviceModels } from '@reach-plot/data'
import { describe, expect, test } from 'vitest'
import {
  benchCandidates,
  checkArrangement,
  deviceFromModel,
  emptyPlan,
  makeBoardOwn,
  modifierSets,
  parseTrigger,
  placeCommand,
  type Chord,
  prepare,
  type DeviceModel,
  type DrawnDevice,
  type Plan,
} from '../../src/index.js'
import { planSchema } from '../../src/plan/plan.js'
import { command, program } from '../build.js'

const chord = (text: string): Chord => parseTrigger(text) as Chord

type Layers = NonNullable<DrawnDevice['layers']>

const sends = (controlId: string, text: string): Layers[number]['keys'][number] => ({
  controlId,
  sends: [chord(text)],
})

const nav = (how: Layers[number]['openedBy'][number]['how'], holdMs?: number): Layers => [
  {
    id: 'nav',
    name: 'Nav',
    openedBy: [{ controlId: 'AltLeft', how, ...(holdMs !== undefined && { holdMs }) }],
    keys: [sends('KeyE', 'F13'), sends('KeyR', 'ArrowLeft'), sends('KeyT', 'Control+ArrowRight')],
  },
]

/** One’s own keyboard with such a firmware, and a program with a command. */
function planWith(change: Partial<DrawnDevice>): Plan {
  const own = makeBoardOwn(emptyPlan(), 'keyboard')
  return planSchema.parse({
    ...own,
    devices: [{ ...own.devices[0], ...change }],
    programs: [program()],
    commands: [command('Trace', { id: 'trace' })],
  })
}
const placed = (plan: Plan, trigger: Chord): Plan =>
  placeCommand(plan, { commandId: plan.commands[0]!.id, trigger })
const modelOf = (change: Partial<DrawnDevice>) => prepare(planWith(change), catalogues)

describe('a layer that is held', () => {
  const { table, index } = modelOf({ layers: nav('held') })

  test('gives a key that the board has not, by the chord that the hand makes', () => {
    expect(table.withHeld([])['F13']).toMatchObject({
      keys: ['keyboard/AltLeft', 'keyboard/KeyE'],
      verdict: expect.stringMatching(/easy|stretch/),
      layer: { name: 'Nav', how: 'held' },
    })
  })
  test('brings a far key near, with further modifiers too', () => {
    const without = modelOf({}).table
    expect(without.withHeld([])['ArrowLeft']?.verdict).toBe('away')
    expect(table.withHeld([])['ArrowLeft']?.verdict).not.toBe('away')
    expect(table.withHeld(['Shift'])['ArrowLeft']?.keys).toHaveLength(3)
  })
  test('a chord that it sends whole needs no modifier of the hand', () => {
    expect(table.withHeld(['Control'])['ArrowRight']?.keys).toEqual(['keyboard/AltLeft', 'keyboard/KeyT'])
    expect(table.withHeld([])['ArrowRight']?.layer).toBeUndefined()
  })
  test('keys that stand nearer without it are pressed without it', () => {
    expect(table.withHeld([])['KeyE']?.layer).toBeUndefined()
  })
  test('what it sends is offered as a place, once, and arrives', () => {
    const found = benchCandidates(index, modifierSets(false, 1), () => undefined).map((c) => c.key)
    expect(found.filter((key) => key === 'F13')).toHaveLength(1)
    const onF13 = placed(planWith({ layers: nav('held') }), chord('F13'))
    const kinds = (plan: Plan): string[] =>
      checkArrangement(prepare(plan, catalogues)).map((c) => c.clash.kind)
    expect(kinds(onF13)).not.toContain('key-missing')
    expect(kinds({ ...onF13, devices: planWith({}).devices })).toContain('key-missing')
  })
})

test('tap-and-hold waits until the key counts as held', () => {
  const plain = modelOf({ layers: nav('held') }).table.withHeld([])['F13']!
  const waiting = modelOf({ layers: nav('tap-and-hold', 180) }).table.withHeld([])['F13']!
  expect(waiting.timeMs).toBeCloseTo(plain.timeMs + 180, 6)
})

test('a layer for one press is opened first: two presses, one after the other', () => {
  const { table } = modelOf({ layers: nav('once') })
  const opening = table.withHeld([])['AltLeft']!
  const then = table.withHeld([])['KeyE']!
  expect(table.withHeld([])['F13']?.timeMs).toBeCloseTo(opening.timeMs + then.timeMs, 6)
})

test('the finger that the target needs cannot hold the layer: the posture decides', () => {
  // one finger for two keys is no chord, so other fingers take them, at their cost
  const layers: Layers = [
    { id: 'l', name: 'L', openedBy: [{ controlId: 'KeyF', how: 'held' }], keys: [sends('KeyR', 'F13')] },
  ]
  const { fingers, effort } = modelOf({ layers }).table.withHeld([])['F13']!
  expect(new Set(Object.values(fingers)).size).toBe(2)
  expect(effort).toBeGreaterThan(modelOf({}).table.withHeld([])['KeyR']!.effort)
})

describe('a key that holds a modifier when it is held', () => {
  const tapHolds = [{ controlId: 'KeyA', holds: 'Control' as const, holdMs: 150 }]
  const with_ = modelOf({ tapHolds })

  test('is another way of holding it, after its time, where that is easier', () => {
    const plain = modelOf({}).table.withHeld(['Control'])['KeyT']!
    const held = with_.table.withHeld(['Control'])['KeyT']!
    expect(held.keys).toEqual(['keyboard/KeyA', 'keyboard/KeyT'])
    expect(held.effort).toBeLessThan(plain.effort)
  })
  test('a command on its tap is warned of, with both chances', () => {
    const plan = placed(planWith({ tapHolds }), chord('KeyA'))
    const found = checkArrangement(prepare(plan, catalogues)).find(
      (c) => c.clash.kind === 'tap-hold-key',
    )?.clash
    expect(found).toMatchObject({ severity: 'caution', message: expect.stringContaining('150 ms') })
    const other = placed(planWith({}), chord('KeyA'))
    expect(checkArrangement(prepare(other, catalogues)).map((c) => c.clash.kind)).not.toContain(
      'tap-hold-key',
    )
  })
})

test('a board of the catalogue with thumb keys: F13 on a layer under the thumb is at rest', () => {
  const model = (deviceModels as unknown as readonly DeviceModel[]).find((m) => m.id === 'split-60')!
  const device: DrawnDevice = {
    ...deviceFromModel(model, 'keyboard'),
    layers: [
      { id: 'l', name: 'Fn', openedBy: [{ controlId: 'Space', how: 'held' }], keys: [sends('KeyD', 'F13')] },
    ],
  }
  const plan = { ...emptyPlan(), devices: [device] }
  const { table } = prepare(plan, catalogues)
  expect(table.withHeld([])['F13']).toMatchObject({
    verdict: 'rest',
    fingers: { 'keyboard/Space': 'thumb', 'keyboard/KeyD': 'middle' },
  })
})
