import fc from 'fast-check'
import { expect, test } from 'vitest'
import {
  boardControls,
  handModel,
  homeKeys,
  reachSolver,
  type Control,
  type HandSide,
} from '../../src/index.js'
import { chordEnergyInCaps, turnLeverMm } from '../../src/hand/energy.js'
import { aimBox } from '../../src/hand/aim.js'
import { gridEnergy } from './grid-search.js'

const board = boardControls('ansi-104', 'windows').filter((c) => c.xMm < 300)

/** All controls turned about the origin, each with its cap. */
const turnAll = (controls: readonly Control[], turnDeg: number): Control[] => {
  const angle = (turnDeg * Math.PI) / 180
  return controls.map((c) => ({
    ...c,
    xMm: c.xMm * Math.cos(angle) - c.yMm * Math.sin(angle),
    yMm: c.xMm * Math.sin(angle) + c.yMm * Math.cos(angle),
    turnDeg: (c.turnDeg ?? 0) + turnDeg,
  }))
}

/** A board whose caps are turned each by its own angle, but for those under the fingertips. */
const crooked = (angles: readonly number[], side: HandSide): Control[] => {
  const home = new Set(Object.values(homeKeys[side]))
  return board.map((c, i) => (home.has(c.id) ? c : { ...c, turnDeg: angles[i % angles.length] as number }))
}

const angle = fc.double({ min: -60, max: 60, noNaN: true })
const chord = fc.uniqueArray(
  fc.constantFrom(...board.filter((c) => c.xMm < 200 && c.xMm > 20).map((c) => c.id)),
  { minLength: 1, maxLength: 3 },
)
const side = fc.constantFrom('left', 'right')

test('bench and hand turned together: no figure changes, whatever is turned on the bench', () => {
  fc.assert(
    fc.property(side, chord, angle, fc.array(angle, { minLength: 3, maxLength: 9 }), (s, ids, turn, own) => {
      const controls = crooked(own, s)
      const hand = { side: s, spanMm: 190, rests: homeKeys[s] } as const
      const before = reachSolver(hand, controls).reachControls(ids)
      const after = reachSolver(hand, turnAll(controls, turn)).reachControls(ids)
      expect(after.verdict).toBe(before.verdict)
      for (const figure of ['effort', 'timeMs', 'distanceMm'] as const)
        expect(after[figure]).toBeCloseTo(before[figure], 4)
      // where the energy is flat the palm is found to a hundredth of a mm
      expect(after.palmShiftMm).toBeCloseTo(before.palmShiftMm, 2)
    }),
    { numRuns: 60 },
  )
})

test('chords on turned keys are never above a plain search of a grid, and near a fine one', () => {
  fc.assert(
    fc.property(
      fc.array(angle, { minLength: 3, maxLength: 9 }),
      fc.uniqueArray(fc.constantFrom('KeyQ', 'KeyT', 'KeyC', 'KeyG', 'Digit3', 'AltLeft', 'ShiftLeft'), {
        minLength: 1,
        maxLength: 2,
      }),
      (own, ids) => {
        const controls = crooked(own, 'left')
        const rest = { side: 'left', spanMm: 190, rests: homeKeys.left } as const
        const found = reachSolver(rest, controls).reachControls(ids).effort ** 2
        const grid = gridEnergy(
          handModel(rest, controls),
          ids.map((id) => controls.find((c) => c.id === id)!),
          { palmMm: 3, turnDeg: 1.5 },
        )
        expect(found).toBeLessThanOrEqual(grid + 1e-9)
        expect(found).toBeGreaterThan(0.8 * grid - 0.01)
      },
    ),
    { numRuns: 12 },
  )
})

test('the gradient of turned caps is that of the energy', () => {
  fc.assert(
    fc.property(
      fc.array(angle, { minLength: 2, maxLength: 2 }),
      fc.infiniteStream(fc.double({ min: -8, max: 8, noNaN: true })),
      (turns, offs) => {
        const rest = { side: 'left', spanMm: 190, rests: homeKeys.left } as const
        const hand = handModel(rest, board)
        const boxes = ['KeyR', 'AltLeft'].map((id, i) =>
          aimBox({ ...board.find((c) => c.id === id)!, turnDeg: turns[i]! }, hand.frame),
        )
        const z = new Float64Array(7)
        boxes.forEach((box, k) => {
          z[3 + 2 * k] = (box.x0 + box.x1) / 2
          z[4 + 2 * k] = (box.y0 + box.y1) / 2
        })
        for (let v = 0; v < 7; v++) z[v] = z[v]! + (offs.next().value as number)
        z[2] = z[2]! / turnLeverMm
        const g = new Float64Array(7)
        chordEnergyInCaps(hand, boxes, [1, 0], z, g, new Float64Array(49))
        for (let v = 0; v < 7; v++) {
          const at = (by: number): number => {
            const moved = Float64Array.from(z)
            moved[v] = moved[v]! + by
            return chordEnergyInCaps(hand, boxes, [1, 0], moved)
          }
          expect(g[v]).toBeCloseTo((at(1e-5) - at(-1e-5)) / 2e-5, 4)
        }
      },
    ),
    { numRuns: 40 },
  )
})

test('a half that is turned to the forearm: its outer keys are reached as on one that lies straight', () => {
  // the hand's own axes follow its fingertips, so that the half can be turned without a twist of the wrist
  const half = turnAll(board, 20)
  const hand = { side: 'left', spanMm: 190, rests: homeKeys.left } as const
  const straight = reachSolver(hand, board).reachControls(['KeyT'])
  expect(reachSolver(hand, half).reachControls(['KeyT']).effort).toBeCloseTo(straight.effort, 6)
})

test('the thumb rests where it is put', () => {
  const controls = board
  const usual = handModel({ side: 'left', spanMm: 190, rests: homeKeys.left }, controls)
  const put = handModel(
    { side: 'left', spanMm: 190, rests: { ...homeKeys.left, thumb: 'AltLeft' } },
    controls,
  )
  const alt = controls.find((c) => c.id === 'AltLeft')!
  expect(usual.tipX[0]).toBeGreaterThan(alt.xMm + alt.widthMm / 2)
  expect(Math.abs(put.tipX[0]! - alt.xMm)).toBeLessThan(alt.widthMm / 2)
  expect(
    reachSolver(
      { side: 'left', spanMm: 190, rests: { ...homeKeys.left, thumb: 'AltLeft' } },
      controls,
    ).reachControls(['AltLeft']),
  ).toMatchObject({ verdict: 'rest', fingers: { AltLeft: 'thumb' } })
})
