import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import {
  aimBox,
  assignments,
  boardControls,
  chordEnergy,
  fingers,
  handModel,
  homeKeys,
  isAllowed,
  turnLeverMm,
  type AimBox,
} from '../../src/index.js'
import { freePose } from '../../src/hand/pose.js'
import { bestPosture, postureAt } from '../../src/hand/posture.js'

const controls = boardControls('ansi-104', 'windows')
const hand = handModel({ side: 'left', spanMm: 190, rests: homeKeys.left }, controls)
const boxOf = (id: string): AimBox =>
  aimBox(
    controls.find((c) => c.id === id)!,
    hand.frame,
  )

/** A chord of near keys with fingers that may take them. */
const fingeredChord = fc
  .uniqueArray(fc.constantFrom(...controls.filter((c) => c.xMm < 180).map((c) => c.id)), {
    minLength: 2,
    maxLength: 4,
  })
  .chain((keys) => {
    const boxes = keys.map(boxOf)
    const allowed = assignments(keys.length).filter((used) => isAllowed(boxes, used))
    return fc.record({
      keys: fc.constant(keys),
      boxes: fc.constant(boxes),
      used: fc.constantFrom(...allowed),
    })
  })

const anyPoint = (boxes: readonly AimBox[]): fc.Arbitrary<Float64Array> =>
  fc
    .tuple(
      fc.double({ min: -60, max: 60, noNaN: true }),
      fc.double({ min: -60, max: 60, noNaN: true }),
      fc.double({ min: -0.4, max: 0.4, noNaN: true }),
      fc.array(fc.double({ min: 0, max: 1, noNaN: true }), { minLength: 8, maxLength: 8 }),
    )
    .map(([tx, ty, turn, shares]) => {
      const z = new Float64Array(3 + 2 * boxes.length)
      z.set([tx, ty, turn * turnLeverMm])
      boxes.forEach((box, k) => {
        z[3 + 2 * k] = box.x0 + (box.x1 - box.x0) * shares[2 * k]!
        z[4 + 2 * k] = box.y0 + (box.y1 - box.y0) * shares[2 * k + 1]!
      })
      return z
    })

describe('the whole energy', () => {
  test('has the gradient that finite differences give', () => {
    fc.assert(
      fc.property(
        fingeredChord.chain((c) =>
          fc.record({
            ...(Object.fromEntries(Object.entries(c).map(([k, v]) => [k, fc.constant(v)])) as {
              boxes: fc.Arbitrary<AimBox[]>
              used: fc.Arbitrary<readonly number[]>
            }),
            z: anyPoint(c.boxes),
          }),
        ),
        ({ boxes, used, z }) => {
          const n = z.length
          const g = new Float64Array(n)
          chordEnergy(hand, boxes, used, z, g, new Float64Array(n * n))
          const step = 1e-5
          for (let v = 0; v < n; v++) {
            const plus = z.slice()
            const minus = z.slice()
            plus[v]! += step
            minus[v]! -= step
            const slope =
              (chordEnergy(hand, boxes, used, plus) - chordEnergy(hand, boxes, used, minus)) / (2 * step)
            expect(Math.abs(slope - g[v]!)).toBeLessThan(1e-5 * (1 + Math.abs(slope)))
          }
        },
      ),
      { numRuns: 60 },
    )
  })

  test('is convex between any two points', () => {
    fc.assert(
      fc.property(
        fingeredChord.chain((c) =>
          fc.tuple(
            fc.constant(c),
            anyPoint(c.boxes),
            anyPoint(c.boxes),
            fc.double({ min: 0, max: 1, noNaN: true }),
          ),
        ),
        ([{ boxes, used }, a, b, share]) => {
          const between = a.map((value, v) => value + share * (b[v]! - value))
          const line =
            (1 - share) * chordEnergy(hand, boxes, used, a) + share * chordEnergy(hand, boxes, used, b)
          expect(chordEnergy(hand, boxes, used, between)).toBeLessThanOrEqual(line + 1e-9)
        },
      ),
      { numRuns: 200 },
    )
  })
})

describe('the free pose', () => {
  test('is a lower bound of the whole energy, and the optimum where no span or crossing is active', () => {
    fc.assert(
      fc.property(fingeredChord, ({ boxes, used }) => {
        const free = freePose(hand, boxes, used)
        const start = postureAt(hand, boxes, used, free.pose)
        const best = bestPosture(hand, boxes, used, start)
        expect(free.energy).toBeLessThanOrEqual(best.energy + 1e-9)
        expect(best.energy).toBeLessThanOrEqual(start.energy + 1e-9)
        if (!start.coupled) expect(start.energy).toBeCloseTo(free.energy, 9)
      }),
      { numRuns: 150 },
    )
  })
})

test('no small step from the best posture lowers the energy', () => {
  fc.assert(
    fc.property(
      fingeredChord,
      fc.integer({ min: 0, max: 10 }),
      fc.double({ min: -0.5, max: 0.5, noNaN: true }),
      ({ boxes, used }, at, step) => {
        const best = bestPosture(
          hand,
          boxes,
          used,
          postureAt(hand, boxes, used, freePose(hand, boxes, used).pose),
        )
        const z = Float64Array.of(best.pose.tx, best.pose.ty, best.pose.turn * turnLeverMm, ...best.aims)
        const v = at % z.length
        z[v]! += step
        if (v >= 3) {
          const box = boxes[(v - 3) >> 1]!
          z[v] =
            v % 2 === 1
              ? Math.min(Math.max(z[v]!, box.x0), box.x1)
              : Math.min(Math.max(z[v]!, box.y0), box.y1)
        }
        expect(chordEnergy(hand, boxes, used, z)).toBeGreaterThanOrEqual(best.energy - 1e-9)
      },
    ),
    { numRuns: 150 },
  )
})

test('assignments give each key a finger of its own', () => {
  expect([1, 2, 3, 4, 5].map((n) => assignments(n).length)).toEqual([5, 20, 60, 120, 120])
  for (const used of assignments(3)) expect(new Set(used).size).toBe(3)
})

// Parncutt and others (1997), table 1, in semitones of 13.75 mm at a span of 206 mm (from memory).
test.each([
  ['thumb', 'little', 10, 15],
  ['thumb', 'index', 5, 10],
  ['index', 'middle', 2, 5],
  ['ring', 'little', 2, 5],
  ['index', 'little', 6, 10],
] as const)(
  'the span of %s and %s is %i semitones relaxed and %i at most, scaled by the hand',
  (a, b, relaxed, practical) => {
    const at = fingers.indexOf(a) * 5 + fingers.indexOf(b)
    expect(hand.relaxedMm[at]).toBeCloseTo((relaxed * 13.75 * 190) / 206, 9)
    expect(hand.practicalMm[at]).toBeCloseTo((practical * 13.75 * 190) / 206, 9)
    expect(hand.relaxedMm[fingers.indexOf(b) * 5 + fingers.indexOf(a)]).toBe(hand.relaxedMm[at])
  },
)

test('an aim box keeps 5 mm from the cap’s edges, and is a line or a point on small keys', () => {
  expect(boxOf('KeyF').x1 - boxOf('KeyF').x0).toBeCloseTo(8, 6)
  expect(boxOf('Space').x1 - boxOf('Space').x0).toBeCloseTo(6.25 * 19.05 - 1.05 - 10, 6)
  const low = aimBox(
    boardControls('laptop-compact', 'windows').find((c) => c.id === 'ArrowUp')!,
    hand.frame,
  )
  expect(low.y1).toBe(low.y0)
})

test('a fingertip on a control that is not there is named', () => {
  expect(() =>
    handModel({ side: 'left', spanMm: 190, rests: { ...homeKeys.left, ring: 'KeyÖ' } }, controls),
  ).toThrow(/ring finger rests on "KeyÖ"/)
})
