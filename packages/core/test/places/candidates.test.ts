/** Every trigger of a bench, and what is known of each whatever the command. */
import { readFileSync } from 'node:fs'
import { describe, expect, test } from 'vitest'
import { keyOf } from '../build.js'
import {
  benchCandidates,
  candidate,
  chordTable,
  heldOf,
  homesOf,
  homingTimeMs,
  modifierSets,
  pageFor,
  parseTrigger,
  placesOn,
  reachContextOf,
  reachIn,
  reachSituation,
  readPlan,
  environmentOf,
  indexPlaces,
  thereAndBackMs,
  triggerReach,
  type Bench,
  type ChordReach,
} from '../../src/index.js'
import { layouts, systems } from '@reach-plot/data'

const plan = readPlan(readFileSync(new URL('../../../../demo/demo.reachplot.json', import.meta.url), 'utf8'))
const arrangement = plan.arrangements.find((a) => a.id === 'draft-1')!
const env = environmentOf(plan, { layouts, systems }, arrangement)
const index = indexPlaces(arrangement.placements, env)
const desk = plan.benches[0]!
const table = chordTable(reachSituation(desk, plan.devices, true))
const reachContext = reachContextOf(index, reachIn(table))
const pageOf = (id: string) => pageFor(id, 'fenmap', env)
const all = benchCandidates(index, modifierSets(true, 2), pageOf)
const byKey = new Map(all.map((c) => [c.key, c]))

describe('the triggers of the demo’s desk', () => {
  test('stand once each, and read back to themselves', () => {
    expect(byKey.size).toBe(all.length)
    for (const c of all) expect(candidate(parseTrigger(c.key), index)).toEqual(c)
  })
  test('are of every kind: chords, taps, holds, dials, wheels, strokes, pairs, pages, pens, pop-up places', () => {
    for (const key of [
      'KeyH',
      'Control+Shift+KeyH',
      'KeyH x2',
      'KeyH hold',
      'pad/dial left',
      'Shift+mouse/wheel up',
      'mouse/field stroke 3/8',
      'pad/k1+pad/k2',
      'deck@fenmap/b1',
      'pen/upper',
      'popup/shapes 6',
    ])
      expect(byKey.has(keyOf(key)), key).toBe(true)
    for (const key of [
      'ShiftLeft',
      'CapsLock',
      'popup/shapes 7',
      'deck@reedcall/b1',
      'deck@fenmap/b1+deck@fenmap/b2',
      'mouse/wheel up',
      'Shift+KeyH x2',
    ])
      expect(
        all.some((c) => c.key === key),
        key,
      ).toBe(false)
  })
  test('those with modifiers hold at most two, and none of them is tapped, held or paired', () => {
    for (const c of all) {
      expect(c.held).toEqual(heldOf(c.trigger))
      expect(c.held.length).toBeLessThanOrEqual(2)
      if (c.held.length > 0) expect(c.plain).toBe(true)
    }
  })
  test('only pads have keys that are pressed together, in either order', () => {
    const pairs = all.filter((c) => c.trigger.kind === 'button' && c.trigger.withId !== undefined)
    expect(pairs.length).toBeGreaterThan(300)
    expect(new Set(pairs.map((c) => c.deviceId))).toEqual(new Set(['pad']))
    for (const c of pairs) expect(c.plain).toBe(false)
  })
  test('know what takes them, what they type, and who has to wait for them', () => {
    expect(byKey.get(keyOf('Meta+KeyL'))!.reserved).toEqual({ by: 'system', action: 'Lock screen' })
    expect(byKey.get(keyOf('deck@fenmap/b15'))!.reserved).toMatchObject({ by: 'page' })
    expect(byKey.get(keyOf('mouse/forward'))!.reserved).toMatchObject({
      by: 'pop-up set',
      set: { name: 'Shapes' },
    })
    expect(byKey.get(keyOf('KeyH'))).toMatchObject({
      reserved: null,
      types: true,
      barred: false,
      locked: false,
    })
    expect(byKey.get(keyOf('F1'))!.barred).toBe(true)
    expect(byKey.get(keyOf('pad/k1'))!.types).toBe(false)
    expect(byKey.get(keyOf('KeyH x2'))!.rivals).toContain('KeyH')
    expect(byKey.get(keyOf('KeyH'))!.rivals).toEqual(
      expect.arrayContaining(['KeyH x2', 'KeyH hold', 'KeyH while']),
    )
    expect(byKey.get(keyOf('pad/k1+pad/k2'))!.rivals).toContain('pad/k1')
    expect(byKey.get(keyOf('pad/dial left'))!.rivals).toEqual([])
  })
  test('with no bare layer there are no taps, holds, pairs or pop-up places', () => {
    const control = benchCandidates(index, [['Control']], pageOf)
    for (const c of control) expect(c.held).toEqual(['Control'])
  })
  test('all that can be made have a time, and places for a command are the same triggers', () => {
    const command = plan.commands.find((c) => c.name === 'Hide shape')!
    const places = placesOn(command, all, reachIn(table), index)
    const made = all.filter((c) => Number.isFinite(triggerReach(c.trigger, reachContext)?.effort ?? Infinity))
    expect(places.map((p) => p.key)).toEqual(made.map((c) => c.key))
    for (const p of places) {
      expect(p.cost.timeMs, p.key).toBeGreaterThanOrEqual(100)
      expect(Number.isFinite(p.totalMs), p.key).toBe(true)
    }
  })
})

describe('there and back', () => {
  const away = (change: Partial<ChordReach> = {}): ChordReach => ({
    keys: ['KeyP'],
    verdict: 'away',
    effort: 3,
    stretch: 2,
    palmShiftMm: 60,
    turnDeg: 8,
    fingers: {},
    spanUse: 0.5,
    timeMs: 500,
    distanceMm: 180,
    ...change,
  })
  test('what the hand makes without leaving has no way back', () => {
    expect(thereAndBackMs(away({ verdict: 'easy' }))).toBe(500)
    // a stretch pays the way of the palm that it takes along
    expect(thereAndBackMs(away({ verdict: 'stretch', palmShiftMm: 18 }))).toBe(600)
  })
  test('a hand that leaves comes back by the distance, to a home key', () => {
    expect(thereAndBackMs(away())).toBeCloseTo(500 + homingTimeMs(180, 18))
    expect(thereAndBackMs(away({ distanceMm: 400 }))).toBeGreaterThan(thereAndBackMs(away()))
  })
  test('the other hand’s help counts when it is cheaper, with its way back', () => {
    const own = { reach: away(), ownReach: null }
    const help = (timeMs: number, backMs: number) =>
      away({ help: { keys: ['KeyP'], timeMs, backMs, ...own } })
    expect(thereAndBackMs(help(300, 200))).toBe(500)
    expect(thereAndBackMs(help(3000, 2000))).toBe(thereAndBackMs(away()))
    // a chord that one hand has no fingers for
    expect(
      thereAndBackMs(
        away({
          distanceMm: Infinity,
          timeMs: Infinity,
          help: { keys: ['KeyP'], timeMs: 400, backMs: 300, ...own },
        }),
      ),
    ).toBe(700)
  })
})

describe('homes of the hand', () => {
  const homes = homesOf(desk.hands[0]!, desk, plan.devices)
  test('are all devices that the hand on the keys can rest on, its own first', () => {
    expect(homes.map((h) => h.deviceId)).toEqual(['keyboard', 'pad', 'deck', 'tablet'])
    expect(homes[1]!.rests).toMatchObject({ little: 'pad/k6', index: 'pad/k9' })
  })
  test('lie between their resting fingertips', () => {
    for (const initialSlot of homes) {
      const tips = Object.values(initialSlot.rests).map((id) => env.controls.find((c) => c.id === id)!)
      expect(initialSlot.xMm).toBeGreaterThanOrEqual(Math.min(...tips.map((c) => c.xMm)))
      expect(initialSlot.xMm).toBeLessThanOrEqual(Math.max(...tips.map((c) => c.xMm)))
      expect(initialSlot.targetMm).toBeGreaterThan(5)
    }
  })
  test('a hand at home on the pad has the pad at rest and the keyboard away, and goes there by way of its home keys', () => {
    const hand = desk.hands[0]!
    const onPad: Bench = {
      ...desk,
      hands: [{ side: 'left', spanMm: 190, deviceId: 'pad', rests: hand.otherRests!['pad']! }],
    }
    const bare = chordTable(reachSituation(onPad, plan.devices, true)).withHeld([])
    expect(bare['pad/k8']!.verdict).toBe('rest')
    expect(bare['KeyK']!.verdict).toBe('away')
    expect(table.withHeld([])['KeyD']!.verdict).toBe('rest')
  })
})
