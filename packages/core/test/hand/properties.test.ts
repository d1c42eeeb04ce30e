import fc from 'fast-check'
import { expect, test } from 'vitest'
import { boardControls, homeKeys, mirrorControls, reachSolver, type Control } from '../../src/index.js'
import { gridEnergy } from './grid-search.js'

const controls = boardControls('ansi-104', 'windows')
const byId = new Map(controls.map((c) => [c.id, c]))
const anyKey = fc.constantFrom(...controls.map((c) => c.id))
const chordOf = (least: number, most: number, key = anyKey): fc.Arbitrary<string[]> =>
  fc.uniqueArray(key, { minLength: least, maxLength: most })
const leftHand = (spanMm = 190, board: readonly Control[] = controls) =>
  reachSolver({ side: 'left', spanMm, rests: homeKeys.left }, board)
const span = fc.integer({ min: 130, max: 260 })

test('mirroring the board and the hand changes nothing', () => {
  // the right hand rests on the reflections of A S D F
  const mirrored = mirrorControls(controls)
  fc.assert(
    fc.property(chordOf(1, 4), span, (keys, spanMm) => {
      const left = leftHand(spanMm).reachControls(keys)
      const right = reachSolver({ side: 'right', spanMm, rests: homeKeys.left }, mirrored).reachControls(keys)
      expect(right.effort === left.effort || Math.abs(right.effort - left.effort) < 1e-9).toBe(true)
      expect(right.verdict).toBe(left.verdict)
      expect(right.fingers).toEqual(left.fingers)
    }),
    { numRuns: 60 },
  )
})

test('a larger span never raises the energy', () => {
  fc.assert(
    fc.property(chordOf(1, 4), span, fc.integer({ min: 1, max: 60 }), (keys, spanMm, more) => {
      const small = leftHand(spanMm).reachControls(keys).effort
      const large = leftHand(Math.min(260, spanMm + more)).reachControls(keys).effort
      expect(large).toBeLessThanOrEqual(small + 1e-9)
    }),
    { numRuns: 60 },
  )
})

test('adding a key never lowers the energy', () => {
  const solver = leftHand()
  fc.assert(
    fc.property(chordOf(2, 4), (keys) => {
      const all = solver.reachControls(keys).effort
      for (const left of keys)
        expect(solver.reachControls(keys.filter((k) => k !== left)).effort).toBeLessThanOrEqual(all + 1e-9)
    }),
    { numRuns: 60 },
  )
})

// Keys of the left half, where the grid stays small enough for a unit test; the bench runs it over the whole board.
const nearKey = fc.constantFrom(...controls.filter((c) => c.xMm < 110 && c.yMm > 25).map((c) => c.id))

test('the energy is never above that of a brute-force grid over all fingers and poses', () => {
  const solver = leftHand()
  fc.assert(
    fc.property(chordOf(1, 3, nearKey), (keys) => {
      const energy = solver.reachControls(keys).effort ** 2
      const grid = gridEnergy(
        solver.hand,
        keys.map((k) => byId.get(k)!),
        { palmMm: 4, turnDeg: 2 },
      )
      expect(energy).toBeLessThanOrEqual(grid + 1e-9)
    }),
    { numRuns: 25, seed: 4747 },
  )
})

test('a fine grid comes within 1 % of the energy for chords of one and two keys, so the reference is no straw man', () => {
  const solver = leftHand()
  for (const keys of [
    ['KeyT'],
    ['Digit1'],
    ['ControlLeft', 'KeyW'],
    ['ShiftLeft', 'KeyH'],
    ['AltLeft', 'KeyE'],
  ]) {
    const energy = solver.reachControls(keys).effort ** 2
    const grid = gridEnergy(
      solver.hand,
      keys.map((k) => byId.get(k)!),
      { palmMm: 2, turnDeg: 1 },
    )
    expect(grid).toBeGreaterThanOrEqual(energy - 1e-9)
    expect(grid).toBeLessThanOrEqual(energy * 1.01 + 0.003)
  }
})
