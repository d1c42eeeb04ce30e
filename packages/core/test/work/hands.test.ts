/** Where two hands are, and what each act costs from there, on benches that make them travel. */
import { describe, expect, test } from 'vitest'
import {
  prepare,
  simulateHands,
  triggerReach,
  operatorMs,
  parseTrigger,
  prepareWork,
  type Hands,
  type Plan,
  type Trigger,
} from '../../src/index.js'
import { catalogues, demoModel, demoPlan, draft } from './desk.js'

/** The demo's desk with the pad moved to the left, mm. */
function withPadAt(xMm: number): Plan {
  return {
    ...demoPlan,
    benches: demoPlan.benches.map((b) =>
      b.id === demoPlan.activeBenchId
        ? { ...b, devices: b.devices.map((d) => (d.deviceId === 'pad' ? { ...d, xMm } : d)) }
        : b,
    ),
  }
}
const far = withPadAt(-420)
const farPlace = prepareWork(prepare(far, catalogues, { arrangement: draft })).context.place
const place = prepareWork(demoModel).context.place
const trigger = (text: string): Trigger => parseTrigger(text, [])
const kinds = (hands: Hands): string => hands.operators.map((o) => o.kind).join('')
const total = (hands: Hands): number => hands.operators.reduce((sum, o) => sum + o.ms, 0)

describe('a pad that lies far off', () => {
  test('is one trip, however many of its keys are pressed, and the way from key to key is short', () => {
    const hands = simulateHands(farPlace, 'left')
    for (const key of ['pad/k8', 'pad/k9', 'pad/k8']) expect(hands.press(trigger(key))).toBe(true)
    hands.settle()
    expect(hands.trips).toBe(1)
    const travels = hands.operators.filter((o) => o.kind === 'H').map((o) => o.ms)
    expect(travels.length).toBe(4)
    expect(Math.max(travels[1]!, travels[2]!)).toBeLessThan(Math.min(travels[0]!, travels[3]!) / 2)
    expect(hands.operators.every((o) => o.hand === 'left')).toBe(true)
  })
  test('is left for a key of the board, by a way back', () => {
    const hands = simulateHands(farPlace, 'left')
    hands.press(trigger('pad/k8'))
    hands.press(trigger('KeyF'))
    expect(kinds(hands)).toMatch(/^HF?KHF?K$/)
    hands.settle()
    expect(kinds(hands)).toMatch(/^HF?KHF?K$/)
  })
  test('costs more the farther it lies', () => {
    const times = [-160, -300, -420].map((x) => {
      const plan = withPadAt(x)
      const hands = simulateHands(
        prepareWork(prepare(plan, catalogues, { arrangement: draft })).context.place,
        'left',
      )
      hands.press(trigger('pad/k8'))
      hands.settle()
      return total(hands)
    })
    expect(times).toEqual([...times].sort((a, b) => a - b))
  })
})

describe('the pointing hand', () => {
  test('clicks where it lies, and takes another device up and puts it back', () => {
    const hands = simulateHands(place, 'left')
    hands.press(trigger('mouse/back'))
    expect(kinds(hands)).toBe('B')
    hands.press(trigger('pen/lower'))
    expect(kinds(hands)).toBe('BHB')
    expect(hands.trips).toBe(1)
    hands.settle()
    expect(kinds(hands)).toBe('BHBH')
  })
  test('a modifier beside it is held by the hand on the keys, and stays down for the next step', () => {
    const hands = simulateHands(place, 'left')
    hands.press(trigger('Control+mouse/wheel up'))
    const once = hands.operators.length
    expect(hands.operators.some((o) => o.kind === 'K' && o.hand === 'left')).toBe(true)
    hands.press(trigger('Control+mouse/wheel up'))
    expect(hands.operators.slice(once).every((o) => o.hand === 'right')).toBe(true)
  })
  test('after typing it comes back before it points', () => {
    const hands = simulateHands(place, 'left')
    hands.type(3)
    const typed = hands.operators.length
    hands.menu(['File', 'Save'])
    expect(hands.operators[typed]).toMatchObject({ kind: 'H', hand: 'right' })
    expect(kinds(hands)).toBe('HKHMPBPB')
  })
})

describe('limits', () => {
  test('what is not on the bench cannot be pressed, and changes nothing', () => {
    const hands = simulateHands(place, 'left')
    expect(hands.press(trigger('F13'))).toBe(false)
    expect(hands.press(trigger('popup/gone 1'))).toBe(false)
    expect(hands.operators).toEqual([])
  })
  test('settling twice is settling once', () => {
    const hands = simulateHands(place, 'left')
    hands.press(trigger('NumpadEnter'))
    hands.settle()
    const after = hands.operators.length
    hands.settle()
    expect(hands.operators.length).toBe(after)
  })
  test('a menu costs one M, then P + B for each level and nothing else', () => {
    const hands = simulateHands(place, 'left')
    hands.menu(['One', 'Two', 'Three'])
    expect(total(hands)).toBe(operatorMs.M + 3 * (operatorMs.P + operatorMs.B))
  })
  test.each([
    ['by heart', 0],
    ['usual', 1],
    ['seldom used', 3],
  ] as const)('menus known %s are looked through %i times', (menus, looks) => {
    const hands = simulateHands({ ...place, menus }, 'left')
    hands.menu(['One', 'Two', 'Three'])
    expect(total(hands)).toBe(looks * operatorMs.M + 3 * (operatorMs.P + operatorMs.B))
  })
  test('presses are noted with the posture of the hand that makes them', () => {
    const hands = simulateHands(place, 'left')
    hands.press(trigger('KeyF'))
    hands.press(trigger('Control+KeyB'))
    expect(hands.presses).toHaveLength(2)
    expect(hands.presses[0]).toMatchObject({ hand: 'left', isStretched: false })
  })
})

describe('a pop-up set', () => {
  const [shown] = draft.popups
  const pick = (at: 'pointer' | 'fingertip', entry = 2) => {
    const arrangement = { ...draft, popups: [{ ...shown!, at }] }
    const { place: workplace } = prepareWork(demoModel.withArrangement(arrangement)).context
    const hands = simulateHands(workplace, 'left')
    expect(hands.press({ kind: 'popup', setId: shown!.id, entry })).toBe(true)
    const opened = simulateHands(workplace, 'left')
    opened.press(shown!.opener)
    return { hands, opened, picked: hands.operators.slice(opened.operators.length) }
  }
  test('at the pointer is picked from by the pointing hand, at the fingertip by the other', () => {
    expect(
      pick('pointer')
        .picked.filter((o) => o.kind !== 'H')
        .map((o) => o.hand),
    ).toEqual(['right', 'right'])
    expect(
      pick('fingertip')
        .picked.filter((o) => o.kind !== 'H')
        .map((o) => o.hand),
    ).toEqual(['left', 'left'])
  })
  test('takes as long as its reach says: opening it, the way to the entry, a press', () => {
    const { reachContext } = place
    const whole = triggerReach({ kind: 'popup', setId: shown!.id, entry: 2 }, reachContext)!
    const opener = triggerReach(shown!.opener, reachContext)!
    const { picked } = pick(shown!.at === 'pointer' ? 'pointer' : 'fingertip')
    const ms = picked.filter((o) => o.kind !== 'H').reduce((sum, o) => sum + o.ms, 0)
    expect(ms).toBeCloseTo(whole.timeMs - opener.timeMs, 6)
  })
})

describe('posture', () => {
  test('a press that the hand stretches or leaves for is noted as stretched', () => {
    const verdictOf = (text: string) => triggerReach(trigger(text), place.reachContext)!.verdict
    const stretchedFor = (text: string) => {
      const hands = simulateHands(place, 'left')
      hands.press(trigger(text))
      return hands.presses.at(-1)!.isStretched
    }
    const codes = [...'QWERTZUIOPASDFGHJKLYXCVBNM']
      .map((c) => `Key${c}`)
      .concat('F9', 'Digit9', 'NumpadEnter')
    const stretch = codes.filter((c) => verdictOf(c) === 'stretch')
    expect(stretch.length).toBeGreaterThan(0)
    expect(stretch.map(stretchedFor)).toEqual(stretch.map(() => true))
    const easy = codes.filter((c) => verdictOf(c) === 'easy' || verdictOf(c) === 'rest')
    expect(easy.length).toBeGreaterThan(5)
    expect(easy.map(stretchedFor)).toEqual(easy.map(() => false))
  })
  test('no operator is listed that takes no time', () => {
    const hands = simulateHands(place, 'left')
    for (const text of ['KeyF', 'KeyF', 'Control+KeyB', 'pad/k3', 'KeyF']) hands.press(trigger(text))
    expect(hands.operators.filter((o) => !(o.ms > 0))).toEqual([])
  })
})
