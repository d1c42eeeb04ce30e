import { expect, test } from 'vitest'
import handSpan from '@reach-plot/data/reference/hand-span.json'
import {
  boardControls,
  chordTimeMs,
  homeKeys,
  indexOfDifficultyBits,
  movementMs,
  reachContours,
  reachField,
  reachWithHeld,
  spanPercentile,
} from '../../src/index.js'
import { solver } from '../build.js'

const ansi = solver()

test('resting keys cost nothing and are pressed by the fingers that lie on them', () => {
  for (const [finger, code] of Object.entries(homeKeys.left))
    expect(ansi.reachControls([code])).toMatchObject({ verdict: 'rest', fingers: { [code]: finger } })
  expect(ansi.reachControls(['Space'])).toMatchObject({ verdict: 'rest', fingers: { Space: 'thumb' } })
})

test('a right hand on J K L ; reaches as the mirror image does', () => {
  const right = solver('ansi-104', 'windows', 'right')
  expect(right.reachControls(['KeyJ']).verdict).toBe('rest')
  expect(right.reachControls(['KeyP']).fingers).toEqual({ KeyP: 'little' })
  expect(right.reachControls(['KeyQ']).verdict).toBe('away')
})

test('the thumb takes keys of the bottom row only', () => {
  for (const code of ['KeyV', 'KeyB', 'KeyN', 'KeyC'])
    expect(Object.values(ansi.reachControls([code]).fingers)).not.toContain('thumb')
})

test('a modifier without a side takes the side of least energy, and one that is missing gives null', () => {
  expect(ansi.reachChord(['Control'], 'KeyW', false)?.keys).toEqual(['ControlLeft', 'KeyW'])
  expect(solver('ansi-104', 'windows', 'right').reachChord(['Control'], 'KeyP', false)?.keys).toEqual([
    'ControlRight',
    'KeyP',
  ])
  expect(ansi.reachChord([], 'F24', false)).toBeNull()
})

test('where the right Alt is a third-level key, Alt is the left one only', () => {
  const right = solver('ansi-104', 'windows', 'right')
  expect(right.reachChord(['Alt'], 'KeyP', false)?.keys).toEqual(['AltRight', 'KeyP'])
  expect(right.reachChord(['Alt'], 'KeyP', true)?.keys).toEqual(['AltLeft', 'KeyP'])
})

test('more keys than fingers that may take them is away without a number', () => {
  expect(ansi.reachControls(['KeyQ', 'KeyW', 'KeyE', 'KeyR', 'KeyT'])).toMatchObject({
    verdict: 'away',
    effort: Infinity,
  })
})

test.each([
  [[], /1 to 5 keys/],
  [['KeyA', 'KeyA'], /stands twice/],
  [['KeyA', 'Nokey'], /no key "Nokey"/],
] as const)('the chord %j is refused with a reason', (keys, reason) => {
  expect(() => ansi.reachControls(keys)).toThrow(reason)
})

test("Fitts's index in Shannon form: a target as far as it is wide is one bit", () => {
  // MacKenzie (1992): ID = log2(D/W + 1)
  expect(indexOfDifficultyBits(18, 18)).toBe(1)
  expect(indexOfDifficultyBits(0, 18)).toBe(0)
  expect(movementMs(18 * 7, 18)).toBeCloseTo(300)
})

test('a neighbouring key takes about K = 200 ms of the keystroke-level model for an average skilled typist', () => {
  // Card, Moran and Newell (1980), from memory; the nearest key above is one pitch away
  const ms = chordTimeMs([{ distanceMm: 19.05, widthMm: 18 }])
  expect(Math.abs(ms - 200) / 200).toBeLessThan(0.05)
})

test('the reach of a key next door says the same: from the resting tip to the centre of the cap', () => {
  // G beside the index finger on F: one pitch, a cap of 18 mm
  expect(solver('ansi-104').reachControls(['KeyG']).timeMs).toBeCloseTo(
    chordTimeMs([{ distanceMm: 19.05, widthMm: 18 }]),
    6,
  )
  expect(solver('ansi-104').reachControls(['KeyG']).timeMs).toBeCloseTo(204, 0)
})

test('spans stand at the percentiles of the survey', () => {
  // survey of 236 students (Venables and Ripley): 5, 50 and 95 % at 160, 185 and 220.5 mm
  expect(spanPercentile(handSpan, 185)).toBeCloseTo(50)
  expect(spanPercentile(handSpan, 160)).toBeCloseTo(5)
  expect(spanPercentile(handSpan, 220.5)).toBeCloseTo(95)
  expect(spanPercentile(handSpan, 100)).toBe(0)
  expect(spanPercentile(handSpan, 300)).toBe(100)
})

test('a layer has every key that carries a code, and leaves out modifiers when one is held', () => {
  const controls = boardControls('iso-105', 'windows')
  const bare = reachWithHeld(solver('iso-105'), controls, [], true)
  expect(Object.keys(bare)).toHaveLength(105)
  expect(Object.keys(reachWithHeld(solver('iso-105'), controls, ['Shift'], true))).not.toContain(
    'ControlLeft',
  )
})

test('the field is 0 at a resting tip, grows outward, and its contours nest', () => {
  const field = reachField(ansi.hand, { x0Mm: -100, x1Mm: 300, y0Mm: -100, y1Mm: 200, cellMm: 5 })
  const index = (x: number, y: number): number =>
    Math.round((y - field.y0Mm) / 5) * field.columns + Math.round((x - field.x0Mm) / 5)
  const f = boardControls('ansi-104', 'windows').find((c) => c.id === 'KeyF')!
  expect(field.effort[index(f.xMm, f.yMm)]).toBeLessThan(0.15)
  expect(field.effort[index(290, 60)]).toBeGreaterThan(2.05)
  const [easy, stretch] = reachContours(field, 'effort', [0.8, 2.05])
  const area = (ring: number[][]): number =>
    Math.abs(
      ring.reduce((s, [x = 0, y = 0], i) => {
        const [u = 0, v = 0] = ring[(i + 1) % ring.length]!
        return s + x * v - u * y
      }, 0) / 2,
    )
  expect(easy!.value).toBe(0.8)
  expect(area(easy!.coordinates[0]![0]!)).toBeLessThan(area(stretch!.coordinates[0]![0]!))
})
