/** Trade facts about the left hand on A S D F, ANSI board, span 190 mm. Common practice, no source. */
import { describe, expect, test } from 'vitest'
import {
  aimBox,
  boardControls,
  homeKeys,
  reachSolver,
  type ChordReach,
  type ReachSolver,
  verdictLimits,
} from '../../src/index.js'
import { freePose } from '../../src/hand/pose.js'
import { solver } from '../build.js'

const ansi = solver()
const mac = solver('ansi-104', 'mac')
const leftHalf = 'QWERTASDFGZXCVB'.split('').map((letter) => `Key${letter}`)
const withinReach = (reach: ChordReach | null): boolean => reach !== null && reach.verdict !== 'away'

test.each(leftHalf)('%s of the left half is within finger reach', (code) => {
  expect(['rest', 'easy']).toContain(ansi.reachControls([code]).verdict)
})

test('R and T lie within reach, minus and equals do not, so zoom goes to R and T', () => {
  expect([ansi.reachControls(['KeyR']).verdict, ansi.reachControls(['KeyT']).verdict]).toEqual([
    'easy',
    'easy',
  ])
  expect([ansi.reachControls(['Minus']).verdict, ansi.reachControls(['Equal']).verdict]).toEqual([
    'away',
    'away',
  ])
})

test('1 and 2 go to the little and the ring finger', () => {
  expect(ansi.reachControls(['Digit1']).fingers).toEqual({ Digit1: 'little' })
  expect(ansi.reachControls(['Digit2']).fingers).toEqual({ Digit2: 'ring' })
})

test.each([
  ['Shift', 'KeyH'],
  ['Shift', 'KeyX'],
  ['Control', 'KeyW'],
] as const)('%s and %s work one-handed', (modifier, code) => {
  expect(withinReach(ansi.reachChord([modifier], code, false))).toBe(true)
})

test('Control+Shift+U is no one-hand chord', () => {
  expect(ansi.reachChord(['Control', 'Shift'], 'KeyU', false)?.verdict).toBe('away')
  expect(ansi.reachControls(['ControlLeft', 'ShiftLeft', 'KeyU']).verdict).toBe('away')
})

test.each(['ArrowUp', 'ArrowDown', 'ArrowLeft', 'ArrowRight'])(
  '%s makes the hand leave, and no fingering is given',
  (code) => {
    expect(ansi.reachControls([code])).toMatchObject({ verdict: 'away', fingers: {} })
  },
)

test('on a Mac-style row Control+Command+E and Option+Command+B are one-hand chords', () => {
  expect(withinReach(mac.reachChord(['Control', 'Meta'], 'KeyE', false))).toBe(true)
  expect(withinReach(mac.reachChord(['Alt', 'Meta'], 'KeyB', false))).toBe(true)
})

// common practice, no source
test.each(['left', 'right'] as const)('Space and its neighbours are easy for the %s thumb', (side) => {
  const { hand } = solver('ansi-104', 'windows', side)
  const keys = ['Space', side === 'left' ? 'AltLeft' : 'AltRight']
  for (const id of keys) {
    const box = aimBox(
      boardControls('ansi-104', 'windows').find((c) => c.id === id)!,
      hand.frame,
    )
    expect(Math.sqrt(freePose(hand, [box], [0]).energy)).toBeLessThan(verdictLimits.easy)
  }
})

test('Command on a Mac-style row is the thumb’s', () => {
  expect(mac.reachControls(['MetaLeft'])).toMatchObject({ verdict: 'easy', fingers: { MetaLeft: 'thumb' } })
})

// one finger that takes the palm along: design, from memory
test.each(['Period', 'KeyO', 'KeyL', 'Digit9', 'Digit0', 'F7'])('%s makes the left hand leave', (code) => {
  expect(ansi.reachControls([code]).verdict).toBe('away')
})
test.each(['Escape', 'Comma', 'KeyK', 'Digit8', 'F6'])('%s is a stretch', (code) => {
  expect(ansi.reachControls([code]).verdict).toBe('stretch')
})

describe('efforts agree with a second program of the same model', () => {
  // the constants of that program: its thumb goes 30 mm outward
  const withItsThumb = (bottomRow: 'windows' | 'mac'): ReachSolver =>
    reachSolver(
      { side: 'left', spanMm: 190, rests: homeKeys.left },
      boardControls('ansi-104', bottomRow),
      (hand) => ({
        ...hand,
        weightOut: hand.weightOut.map((w, f) => (f === 0 ? 1 / ((30 * 190) / 206) ** 2 : w)),
      }),
    )
  const ansi = withItsThumb('windows')
  const mac = withItsThumb('mac')
  // Figures of a second, separate program with the same constants, to two decimals.
  test.each([
    [ansi, ['KeyG'], 0.29],
    [ansi, ['KeyB'], 0.56],
    [ansi, ['Digit1'], 0.76],
    [ansi, ['Digit2'], 0.67],
    [ansi, ['Minus'], 2.34],
    [ansi, ['Equal'], 2.7],
    [ansi, ['ShiftLeft', 'KeyX'], 0.37],
    [ansi, ['ShiftLeft', 'KeyH'], 1.18],
    [ansi, ['ControlLeft', 'KeyW'], 1.24],
    [mac, ['AltLeft', 'MetaLeft', 'KeyB'], 1.01],
    [mac, ['ControlLeft', 'MetaLeft', 'KeyE'], 1.35],
  ] as const)('%#: %s', (hand, keys, effort) => {
    expect(hand.reachControls(keys).effort).toBeCloseTo(effort, 2)
  })
  test('Control+Shift+U with the better sides: 3.20', () => {
    expect(ansi.reachChord(['Control', 'Shift'], 'KeyU', false)?.effort).toBeCloseTo(3.2, 2)
  })
})
