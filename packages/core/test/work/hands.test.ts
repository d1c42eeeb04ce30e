/** Where two hands are, and what each act costs from there, on benches that make them travel. */
import { describe, expect, test } from 'vitest'
import {
  prepare,
  simulateHands,
  triggerReach,
  operatorMs,
  wristBand,
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
    expect(hands.presses[0]).toEqual({ hand: 'left', band: 'in line', deviceId: 'keyboard' })
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
  const notesOf = (text: string) => {
    const hands = simulateHands(place, 'left')
    expect(hands.press(trigger(text))).toBe(true)
    return hands.presses
  }
  test('a hand that reaches is turned as it reaches; one that has moved to its key is in line', () => {
    const reach = triggerReach(trigger('Control+KeyY'), place.reachContext)!
    expect(reach.verdict).toBe('stretch')
    expect(notesOf('Control+KeyY')).toEqual([
      { hand: 'left', band: wristBand(reach.turnDeg), deviceId: 'keyboard' },
    ])
    expect(notesOf('NumpadEnter').map((n) => n.band)).toEqual(['in line'])
  })
  test('a chord that both hands share notes both, each with its own posture', () => {
    const away = triggerReach(trigger('Control+Shift+Period'), place.reachContext)!
    expect(away.verdict).toBe('away')
    const notes = notesOf('Control+Shift+Period')
    expect(notes.map((n) => n.hand).sort()).toEqual(['left', 'right'])
    const own = notes.find((n) => n.hand === 'left')!
    expect(own.band).toBe(wristBand(away.help!.ownReach!.turnDeg))
    // the left hand takes both modifiers on its own side, the right one the point
    expect([...away.help!.ownReach!.keys].sort()).toEqual(['keyboard/ControlLeft', 'keyboard/ShiftLeft'])
    expect(away.help!.keys).toEqual(['keyboard/Period'])
  })
  test('a press of the pointing hand is noted too', () => {
    expect(notesOf('mouse/back')).toEqual([{ hand: 'right', band: 'in line', deviceId: 'mouse' }])
  })
  test('no operator is listed that takes no time, by itself or beside the other hand', () => {
    const hands = simulateHands(place, 'left')
    for (const text of ['KeyF', 'KeyF', 'Control+KeyB', 'pad/k3', 'KeyF']) hands.press(trigger(text))
    expect(hands.operators.filter((o) => !((o.takesMs ?? o.ms) > 0))).toEqual([])
  })
})
