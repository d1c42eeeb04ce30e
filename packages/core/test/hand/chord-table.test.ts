import fc from 'fast-check'
import { readFileSync } from 'node:fs'
import { describe, expect, test } from 'vitest'
import {
  boardControls,
  chordTable,
  handModel,
  heightEnergy,
  homeKeys,
  modifierSets,
  reachWithHeld,
  reachSituation,
  reachSolver,
  readPlan,
  type Bench,
  type Modifier,
} from '../../src/index.js'

const demo = readPlan(readFileSync(new URL('../../../../demo/demo.reachplot.json', import.meta.url), 'utf8'))
const desk = demo.benches[0]!
const situationOf = (bench: Bench) => reachSituation(bench, demo.devices, true)
const moved = (deviceId: string, change: Partial<Bench['devices'][number]>): Bench => ({
  ...desk,
  devices: desk.devices.map((d) => (d.deviceId === deviceId ? { ...d, ...change } : d)),
})

describe('the chord table of a bench', () => {
  const table = chordTable(situationOf(desk))
  const bare = table.withHeld([])
  const control = table.withHeld(['Control'])
  const solvedAtFirst = table.solved

  test('has what the solver finds, key by key', () => {
    const { hand, controls } = situationOf(desk)
    const plain = reachWithHeld(reachSolver(hand, controls), controls, ['Control'], true)
    expect(Object.keys(control).sort()).toEqual(Object.keys(plain).sort())
    for (const [place, reach] of Object.entries(plain)) {
      expect(control[place]!.effort, place).toBe(reach.effort)
      expect(control[place]!.verdict).toBe(reach.verdict)
    }
  })
  test('a layer is worked out once', () => {
    expect(table.withHeld([])).toBe(bare)
    expect(table.solved).toBe(solvedAtFirst)
  })
  test('a moved pad has only its own chords solved anew; a moved mouse none', () => {
    const pad = chordTable(situationOf(moved('pad', { xMm: -150 })), table)
    const byControl = pad.withHeld([])
    expect(pad.solved).toBe(Object.keys(byControl).filter((place) => place.startsWith('pad/')).length)
    expect(byControl['KeyQ']).toEqual(bare['KeyQ'])
    expect(byControl['pad/k1']!.effort).not.toBe(bare['pad/k1']!.effort)
    const mouse = chordTable(situationOf(moved('mouse', { xMm: 600 })), table)
    mouse.withHeld([])
    expect(mouse.solved).toBe(0)
  })
  test('what is taken over equals what would be found afresh', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('pad', 'deck', 'mouse', 'tablet'),
        fc.integer({ min: -60, max: 60 }),
        fc.constantFrom<Modifier[]>([], ['Control'], ['Shift']),
        (deviceId, dx, held) => {
          const placed = desk.devices.find((d) => d.deviceId === deviceId)!
          const bench = moved(deviceId, { xMm: placed.xMm + dx })
          expect(chordTable(situationOf(bench), table).withHeld(held)).toEqual(
            chordTable(situationOf(bench)).withHeld(held),
          )
        },
      ),
      { numRuns: 8 },
    )
  })
  test('a set that was kept and taken over is the set that was worked out, and is not solved again', () => {
    const kept = structuredClone(table.known(['Control'])!)
    expect(Object.keys(kept.helped).length).toBeLessThan(Object.keys(kept.direct).length)
    const later = chordTable(situationOf(desk))
    expect(later.known(['Control'])).toBeUndefined()
    later.takeOver(['Control'], kept)
    expect(later.withHeld(['Control'])).toEqual(control)
    expect(later.solved).toBe(0)
    const pad = chordTable(situationOf(moved('pad', { xMm: -150 })), later)
    pad.withHeld(['Control'])
    expect(pad.solved).toBeLessThan(Object.keys(control).length / 2)
  })
  test('another hand takes nothing over', () => {
    const wide = chordTable(situationOf({ ...desk, hands: [{ ...desk.hands[0]!, spanMm: 210 }] }), table)
    const byControl = wide.withHeld([])
    expect(wide.solved).toBe(Object.keys(byControl).length)
  })
  test('keys pressed with one pad key held are those of the same pad', () => {
    expect(Object.keys(table.withHeld([], 'pad/k6')).every((place) => place.startsWith('pad/'))).toBe(true)
  })
  test('sets of modifiers come plainest first, without AltGr where there is none', () => {
    expect(modifierSets(false).length).toBe(16)
    expect(modifierSets(true, 2).length).toBe(1 + 5 + 10)
    expect(modifierSets(true).map((s) => s.length)).toEqual(
      modifierSets(true)
        .map((s) => s.length)
        .sort(),
    )
  })

  describe('from elsewhere', () => {
    test('a deck is reached by moving the hand to it when that is quicker, and stays away', () => {
      const far = Object.entries(bare).filter(([, r]) => r.viaHome !== undefined)
      for (const [place, reach] of far) {
        expect(reach.verdict).toBe('away')
        expect(place.startsWith(`${reach.viaHome}/`)).toBe(true)
      }
      // a pad far to the left is never quicker to reach by hand than by moving there and pressing near its home
      const away = chordTable(situationOf(moved('pad', { xMm: -700 }))).withHeld([])
      expect(away['pad/k7']).toMatchObject({ verdict: 'away' })
    })
    test('Control+Shift+U needs the other hand, which lets go of the mouse for it', () => {
      const chord = table.withHeld(['Control', 'Shift'])['KeyU']!
      expect(chord.verdict).toBe('away')
      expect(['keyboard/KeyU', 'keyboard/ControlRight keyboard/ShiftRight']).toContain(
        chord.help!.keys.join(' '),
      )
      expect(chord.help!.backMs).toBeGreaterThan(200)
      const { pointingId: _mouse, ...rest } = desk
      const noMouse = {
        ...rest,
        devices: desk.devices.filter((d) => !['mouse', 'pen', 'fine-pen', 'tablet'].includes(d.deviceId)),
      }
      const resting = chordTable(situationOf(noMouse)).withHeld(['Control', 'Shift'])['KeyU']!
      expect(resting.help!.backMs).toBe(0)
      expect(resting.help!.timeMs).toBeLessThan(chord.help!.timeMs)
    })
    test('help never makes a chord that the hand makes alone', () => {
      for (const reach of Object.values(control))
        if (reach.verdict !== 'away') expect(reach.help).toBeUndefined()
    })
  })
})

describe('height', () => {
  const controls = boardControls('ansi-104', 'windows')
  const hand = { side: 'left', spanMm: 190, rests: homeKeys.left } as const
  const at = (zMm: number) =>
    reachSolver(
      hand,
      controls.map((c) => ({ ...c, zMm })),
    )
  test('a whole board that is raised with the hand on it changes nothing', () => {
    for (const key of ['KeyT', 'Digit1', 'KeyH'])
      expect(at(40).reachControls([key])).toEqual(at(0).reachControls([key]))
  })
  test('keys above or below the fingertips cost effort and time, the more the farther', () => {
    const raised = (zMm: number) =>
      reachSolver(
        hand,
        controls.map((c) => (c.id === 'KeyR' ? { ...c, zMm } : c)),
      ).reachControls(['KeyR'])
    const efforts = [0, 5, 15, 30, 60].map((z) => raised(z).effort)
    expect(efforts).toEqual(efforts.toSorted((a, b) => a - b))
    expect(new Set(efforts).size).toBe(5)
    expect(raised(-20).effort).toBeCloseTo(raised(20).effort)
    expect(raised(30).timeMs).toBeGreaterThan(raised(0).timeMs)
    expect(raised(120).verdict).toBe('away')
  })
  test('the energy of heights is the least over the palm’s own height', () => {
    const model = handModel(hand, controls)
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: -80, max: 80, noNaN: true }), { minLength: 1, maxLength: 4 }),
        fc.double({ min: -80, max: 80, noNaN: true }),
        (heights, palm) => {
          const there =
            palm * palm * model.shiftWeight +
            heights.reduce((sum, h) => sum + model.heightWeight * (h - palm) ** 2, 0)
          expect(heightEnergy(model, heights)).toBeLessThanOrEqual(there + 1e-9)
          // one more key never makes it easier
          expect(heightEnergy(model, [...heights, 10])).toBeGreaterThanOrEqual(
            heightEnergy(model, heights) - 1e-9,
          )
        },
      ),
    )
  })
})
