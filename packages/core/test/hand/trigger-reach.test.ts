import { describe, expect, test } from 'vitest'
import {
  holdWaitMs,
  movementMs,
  parseTrigger,
  pressMs,
  strokeMs,
  triggerReach,
  type ChordReach,
  type PopupSet,
  type ReachContext,
} from '../../src/index.js'
import { deskWith } from '../work/desk.js'

const { reachContext } = deskWith({}).context.place
const at = (text: string, context: ReachContext = reachContext): ChordReach =>
  triggerReach(parseTrigger(text, []), context)!

describe('acts', () => {
  test('each further tap is a release and a press', () => {
    for (const [act, taps] of [
      ['x2', 2],
      ['x3', 3],
      ['x5', 5],
    ] as const)
      expect(at(`KeyR ${act}`).timeMs - at('KeyR').timeMs).toBeCloseTo((taps - 1) * 2 * pressMs, 9)
  })
  test('a hold waits until it counts', () => {
    expect(at('KeyR hold').timeMs - at('KeyR').timeMs).toBeCloseTo(holdWaitMs, 9)
  })
  test('an act changes neither the finger nor the effort', () => {
    for (const act of ['x2', 'hold']) {
      expect(at(`KeyR ${act}`).effort).toBe(at('KeyR').effort)
      expect(at(`KeyR ${act}`).fingers).toEqual(at('KeyR').fingers)
    }
  })
})

describe('strokes', () => {
  test('more directions take longer to aim', () => {
    const times = ([2, 4, 6, 8, 12] as const).map(strokeMs)
    expect(times).toEqual([...times].sort((a, b) => a - b))
    expect(times[3]!).toBeGreaterThan(times[1]!)
  })
  test('a press, a movement into the sector at the pointer’s pace, and a release', () => {
    const sector = 2 * 20 * Math.tan(Math.PI / 8)
    expect(strokeMs(8)).toBeCloseTo(2 * pressMs + movementMs(20, sector, 1000 / 4.5), 9)
  })
  test('of the mouse in hand are easy, and of a device that has to be taken up a trip', () => {
    expect(at('mouse/field stroke 2/8').verdict).toBe('easy')
    expect(at('mouse/field stroke 2/8').timeMs).toBeCloseTo(strokeMs(8), 9)
    const pen = at('pen/lower')
    expect(pen.verdict).toBe('away')
    expect(pen.timeMs).toBeGreaterThan(at('mouse/back').timeMs)
  })
  test('with a modifier take the slower of the two hands', () => {
    const plain = at('mouse/field stroke 2/8').timeMs
    const held = at('Shift+mouse/field stroke 2/8')
    expect(held.timeMs).toBeGreaterThanOrEqual(plain)
    expect(held.fingers).not.toEqual({})
  })
})

describe('pop-up sets', () => {
  const set: PopupSet = {
    id: 'near',
    name: 'Near',
    opener: parseTrigger('KeyF', []) as PopupSet['opener'],
    at: 'fingertip',
    entries: 6,
  }
  const withSet = (where: PopupSet['at']): ReachContext => ({
    ...reachContext,
    popup: () => ({ ...set, at: where }),
  })
  test('take their opener and a pick; at the pointer it is slower than at the fingertip', () => {
    const finger = at('popup/near 3', withSet('fingertip'))
    const pointer = at('popup/near 3', withSet('pointer'))
    expect(finger.timeMs).toBeGreaterThan(at('KeyF').timeMs + pressMs)
    expect(pointer.timeMs).toBeGreaterThan(finger.timeMs)
  })
  test('that are not there cannot be priced', () => {
    expect(triggerReach(parseTrigger('popup/gone 1', []), reachContext)).toBeUndefined()
  })
})

test('a key that is not on the bench has no reach', () => {
  expect(triggerReach(parseTrigger('F13', []), reachContext)).toBeUndefined()
})

test('a further modifier never makes a chord quicker', () => {
  for (const code of ['KeyA', 'KeyF', 'KeyR', 'Digit2', 'KeyH', 'Enter'])
    for (const held of ['Shift', 'Control', 'Alt'])
      expect(at(`${held}+${code}`).timeMs, `${held}+${code}`).toBeGreaterThan(at(code).timeMs)
})
