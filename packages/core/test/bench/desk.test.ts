import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { deviceModels, w3cCodes } from '@reach-plot/data'
import {
  benchControls,
  boardControls,
  boardIds,
  defaultRests,
  deviceControls,
  deviceFromModel,
  deviceSizeMm,
  drawnDeviceSchema,
  footprint,
  gapMm,
  inPointingHand,
  mirrorBench,
  pitchMm,
  plainTriggers,
  snapMove,
  type Bench,
  type Device,
  type DrawnDevice,
} from '../../src/index.js'
import { at, plan } from '../build.js'

const model = (id: string): DrawnDevice =>
  deviceFromModel(
    deviceModels.find((m) => m.id === id)!,
    id,
  )
const devices: Device[] = [
  ...plan().devices,
  model('pad-20'),
  model('mouse'),
  model('pen-2'),
  model('tablet-6'),
]
const bench: Bench = {
  ...plan().benches[0]!,
  devices: [at('keyboard', 0, 0), at('pad-20', -130, 5), { ...at('mouse', 450, 0), turnDeg: 20 }],
}

describe('the catalogue', () => {
  test.each(deviceModels.map((m) => [m.name, m.id]))(
    '%s is a device with all controls on it',
    (_name, id) => {
      const device = model(id)
      expect(drawnDeviceSchema.safeParse(device).success).toBe(true)
      for (const c of device.controls) {
        expect(c.xMm - c.widthMm / 2, c.id).toBeGreaterThanOrEqual(0)
        expect(c.xMm + c.widthMm / 2, c.id).toBeLessThanOrEqual(device.widthMm)
        expect(c.yMm - c.heightMm / 2, c.id).toBeGreaterThanOrEqual(0)
        expect(c.yMm + c.heightMm / 2, c.id).toBeLessThanOrEqual(device.heightMm)
      }
    },
  )
  test('has pads of 15, 20 and 32 keys, tablets of 4 to 8 buttons, decks of 6, 15 and 32 with pages', () => {
    const count = (id: string, type: string): number =>
      model(id).controls.filter((c) => c.type === type).length
    expect(['pad-15', 'pad-20', 'pad-32'].map((id) => count(id, 'key'))).toEqual([15, 20, 32])
    expect(['tablet-4', 'tablet-6', 'tablet-8'].map((id) => count(id, 'button'))).toEqual([4, 6, 8])
    expect(['deck-6', 'deck-15', 'deck-32'].map((id) => count(id, 'button'))).toEqual([6, 15, 32])
    expect(model('deck-15').pages.length).toBeGreaterThan(1)
    expect(count('pen-2', 'button')).toBe(2)
  })
  // Source: W3C UI Events codes with HID usages (usb.ids, libsdl2) and evdev numbers (linux-libc-dev), data/reference
  test('every code of boards and devices has an evdev number and a HID usage, each its own', () => {
    const all = [
      ...boardIds.flatMap((b) => (['windows', 'mac'] as const).flatMap((row) => boardControls(b, row))),
      ...deviceModels.flatMap((m) => deviceControls(model(m.id))),
    ]
    const codes = [...new Set(all.flatMap((c) => c.code ?? []))]
    expect(codes.length).toBeGreaterThan(100)
    for (const code of codes) {
      expect(w3cCodes[code]?.evdev, code).toBeTypeOf('number')
      expect(w3cCodes[code]?.hid, code).toBeTypeOf('number')
    }
    for (const column of ['evdev', 'hid'] as const)
      expect(new Set(codes.map((c) => w3cCodes[c]![column])).size).toBe(codes.length)
  })
})

test('with the number block at the left the letters keep their pattern, 4.25 units further right', () => {
  const right = new Map(boardControls('iso-105', 'windows').map((c) => [c.id, c]))
  const left = new Map(boardControls('iso-105-left', 'windows').map((c) => [c.id, c]))
  expect([...left.keys()].sort()).toEqual([...right.keys()].sort())
  for (const id of ['KeyA', 'Escape', 'ArrowRight', 'Space'])
    expect(left.get(id)!.xMm - right.get(id)!.xMm).toBeCloseTo(4.25 * pitchMm)
  expect(left.get('NumLock')!.xMm).toBeCloseTo(pitchMm / 2)
  const xs = [...left.values()].map((c) => `${c.xMm.toFixed(1)} ${c.yMm.toFixed(1)}`)
  expect(new Set(xs).size).toBe(xs.length)
})

describe('the desk', () => {
  test('a turned device keeps its shape: distances between its controls stay', () => {
    fc.assert(
      fc.property(fc.integer({ min: -180, max: 180 }), fc.boolean(), (turnDeg, mirrored) => {
        const turned = benchControls(
          { ...bench, devices: [{ ...at('pad-20', 30, -40), turnDeg, mirrored }] },
          devices,
        )
        const plain = deviceControls(devices[1]!)
        for (const [i, c] of turned.entries()) {
          const a = Math.hypot(c.xMm - turned[0]!.xMm, c.yMm - turned[0]!.yMm)
          const b = Math.hypot(plain[i]!.xMm - plain[0]!.xMm, plain[i]!.yMm - plain[0]!.yMm)
          expect(a).toBeCloseTo(b, 6)
        }
      }),
    )
  })
  test('a quarter turn swaps width and depth of a cap', () => {
    const [key] = benchControls({ ...bench, devices: [{ ...at('tablet-6'), turnDeg: 90 }] }, devices)
    expect(key).toMatchObject({ capWidthMm: 14, capHeightMm: 12 })
    expect(key!.widthMm).toBeCloseTo(12)
    expect(key!.heightMm).toBeCloseTo(14)
  })
  test('mirroring twice gives the bench back', () => {
    const twice = mirrorBench(mirrorBench(bench, devices), devices)
    expect(twice.hands).toEqual(bench.hands)
    twice.devices.forEach((d, i) => {
      expect(d.xMm).toBeCloseTo(bench.devices[i]!.xMm, 2)
      expect(d.yMm).toBeCloseTo(bench.devices[i]!.yMm, 2)
      expect(d.turnDeg).toBeCloseTo(bench.devices[i]!.turnDeg)
      expect(d.mirrored).toBe(bench.devices[i]!.mirrored)
    })
    const once = mirrorBench(bench, devices)
    expect(once.hands[0]!.side).toBe('right')
    expect(once.devices[0]!.mirrored).toBe(false)
    expect(once.devices[1]).toMatchObject({ mirrored: true })
    // the pad changes from left of the board to right of it
    expect(once.devices[1]!.xMm).toBeGreaterThan(once.devices[0]!.xMm)
  })
  test('gaps are clear distances, negative where devices overlap', () => {
    const print = (xMm: number) => footprint(at('pad-20', xMm, 0), devices[1]!)
    const { widthMm } = deviceSizeMm(devices[1]!)
    expect(gapMm(print(0), print(widthMm + 12)).straightMm).toBeCloseTo(12)
    expect(gapMm(print(widthMm + 12), print(0)).straightMm).toBeCloseTo(12)
    expect(gapMm(print(0), print(20)).straightMm).toBeLessThan(0)
  })
  test('snapping brings edges into line within its distance, and leaves the rest alone', () => {
    const print = (xMm: number, yMm: number) => footprint(at('pad-20', xMm, yMm), devices[1]!)
    const snapped = snapMove(print(203, 4), [print(0, 0)], 6)
    expect(snapped.dxMm).toBe(0)
    expect(snapped.dyMm).toBeCloseTo(-4)
    expect(snapped.guides.map((g) => g.axis)).toEqual(['y'])
    expect(snapMove(print(400, 300), [print(0, 0)], 6)).toEqual({ dxMm: 0, dyMm: 0, guides: [] })
  })
  test('the pointing hand holds one device at a time', () => {
    const both = { ...bench, devices: [...bench.devices, at('pen-2', 700, 0)] }
    expect(inPointingHand(both, devices)).toBe('mouse')
    expect(inPointingHand({ ...both, pointingId: 'pen-2' }, devices)).toBe('pen-2')
    expect(inPointingHand({ ...bench, devices: [at('keyboard')] }, devices)).toBeNull()
  })
})

describe('resting fingertips', () => {
  test.each(['pad-15', 'pad-20', 'pad-32', 'deck-15', 'keypad-17'])(
    'on %s lie side by side in one row',
    (id) => {
      const device = model(id)
      const rests = defaultRests(device, 'left')
      const y = Object.values(rests).map((r) => device.controls.find((c) => c.id === r)!.yMm)
      const x = ['little', 'ring', 'middle', 'index'].map(
        (f) => device.controls.find((c) => c.id === rests[f as 'little'])!.xMm,
      )
      expect(Math.max(...y) - Math.min(...y)).toBeLessThan(1)
      expect(x).toEqual(x.toSorted((a, b) => a - b))
      expect(defaultRests(device, 'right').index).toBe(rests.little)
    },
  )
})

test('controls offer what they can do: presses, ways, directions; clicks only with modifiers', () => {
  const mouse = benchControls(bench, devices).filter((c) => c.deviceId === 'mouse')
  const of = (controlId: string, held: readonly 'Control'[] = []) =>
    plainTriggers(
      mouse.find((c) => c.controlId === controlId)!,
      held,
    ).map((t) => t.kind)
  expect(of('back')).toEqual(['button'])
  expect(of('left')).toEqual([])
  expect(of('wheel')).toEqual([])
  expect(of('wheel', ['Control'])).toEqual(['turn', 'turn', 'button'])
  expect(of('field')).toHaveLength(8)
})
