import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { boardControls, homeKeys, reachSolver, type OwnLimits, type OwnReach } from '../../src/index.js'

const controls = boardControls('ansi-104', 'windows')
const rest = { side: 'left', spanMm: 190, rests: homeKeys.left } as const
const usual = reachSolver(rest, controls)
const sparing = (limits: OwnLimits) => reachSolver({ ...rest, limits }, controls)
const near = controls.filter((c) => c.xMm < 190).map((c) => c.id)
const chord = fc.uniqueArray(fc.constantFrom(...near), { minLength: 1, maxLength: 2 })

describe('what a person spares the hand', () => {
  test('a rested finger takes no key, and its own key goes to another', () => {
    const solver = sparing({ fingers: { ring: 'rested' } })
    fc.assert(
      fc.property(chord, (ids) => {
        expect(Object.values(solver.reachControls(ids).fingers)).not.toContain('ring')
      }),
      { numRuns: 60 },
    )
    expect(solver.reachControls(['KeyS'])).toMatchObject({ verdict: 'easy' })
  })
  test('a spared finger is used where nothing else does, and is no rest', () => {
    const solver = sparing({ fingers: { little: 'spared' } })
    expect(usual.reachControls(['KeyA']).verdict).toBe('rest')
    expect(solver.reachControls(['KeyA']).verdict).toBe('easy')
    expect(solver.reachControls(['ControlLeft']).fingers).toEqual({ ControlLeft: 'little' })
  })
  test('no limit makes a chord easier', () => {
    const limits = fc.record({
      fingers: fc.dictionary(fc.constantFrom('thumb', 'index', 'ring'), fc.constantFrom('rested', 'spared')),
      isWristStill: fc.boolean(),
      shortReach: fc.uniqueArray(fc.constantFrom('forward', 'back', 'in', 'out')),
    })
    fc.assert(
      fc.property(limits, chord, (own, ids) => {
        const spared = sparing(own as OwnLimits).reachControls(ids)
        expect(spared.effort).toBeGreaterThanOrEqual(usual.reachControls(ids).effort - 1e-6)
      }),
      { numRuns: 60 },
    )
  })
  test('a still wrist does not turn', () => {
    const ids = ['ControlLeft', 'KeyT']
    expect(usual.reachControls(ids).turnDeg).toBeGreaterThan(3)
    expect(sparing({ isWristStill: true }).reachControls(ids).turnDeg).toBeLessThan(2)
  })
})

test('factors of one are the average hand; larger radii make nothing harder', () => {
  const one: OwnReach = {
    radius: 1,
    fingers: { thumb: 1, index: 1, middle: 1, ring: 1, little: 1 },
    directions: { forward: 1, back: 1, in: 1, out: 1 },
    span: 1,
    shift: 1,
    turn: 1,
    easy: 1,
    stretch: 1,
    answers: 24,
    agreement: { before: 1, after: 1 },
  }
  const with_ = (reach: OwnReach) => reachSolver({ ...rest, reach }, controls)
  fc.assert(
    fc.property(chord, (ids) => {
      const before = usual.reachControls(ids)
      expect(with_(one).reachControls(ids).effort).toBeCloseTo(before.effort, 9)
      expect(with_({ ...one, radius: 1.3 }).reachControls(ids).effort).toBeLessThanOrEqual(
        before.effort + 1e-9,
      )
    }),
    { numRuns: 40 },
  )
})
