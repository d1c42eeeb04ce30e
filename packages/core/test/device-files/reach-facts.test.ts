/** Reach on boards with turned sections and thumb groups. Facts: common practice, no source; geometry: xkb-data 2.35.1. */
import { describe, expect, test } from 'vitest'
import {
  boardControls,
  deviceControls,
  defaultRests,
  homeKeys,
  mirrorControls,
  reachSolver,
  type Control,
  type DrawnDevice,
  type HandSide,
  type ReachSolver,
} from '../../src/index.js'
import { board, boardNames, controlsOf, type BoardName } from './boards.js'

const solverOn = (name: BoardName, side: HandSide): ReachSolver =>
  reachSolver({ side, spanMm: 190, rests: defaultRests(board(name), side) }, controlsOf(name))

describe.each(boardNames)('%s', (name) => {
  test.each(['left', 'right'] as const)(
    'the %s hand rests on its home keys, and has its own letters within reach',
    (side) => {
      const solver = solverOn(name, side)
      for (const code of Object.values(homeKeys[side]))
        expect(solver.reachControls([code]).verdict).toBe('rest')
      const own = side === 'left' ? 'QWERTASDFGZXCVB' : 'YUIOPHJKLNM'
      for (const letter of own)
        expect([letter, solver.reachControls([`Key${letter}`]).verdict]).toEqual([
          letter,
          expect.stringMatching(/rest|easy/),
        ])
    },
  )

  test('both hands of the board and of its mirror image agree to 0.1 %', () => {
    const controls = controlsOf(name)
    const mirrored = mirrorControls(controls)
    for (const keys of [['KeyT'], ['KeyE', 'KeyV'], ['Digit4'], ['KeyQ', 'KeyR']]) {
      const rests = defaultRests(board(name), 'left')
      const here = reachSolver({ side: 'left', spanMm: 190, rests }, controls).reachControls(keys)
      const there = reachSolver({ side: 'right', spanMm: 190, rests }, mirrored).reachControls(keys)
      expect(Math.abs(there.effort / here.effort - 1)).toBeLessThan(0.001)
      expect(Math.abs(there.timeMs / here.timeMs - 1)).toBeLessThan(0.001)
    }
  })
})

test('of six keys for a thumb the two nearest are easy, the farthest is a stretch', () => {
  const solver = solverOn('split-wells', 'left')
  const cluster = board('split-wells')
    .controls.filter((c) => c.turnDeg === 20)
    .map((c) => solver.reachControls([c.id]))
    .toSorted((a, b) => a.effort - b.effort)
  expect(cluster).toHaveLength(6)
  expect(cluster.slice(0, 2).map((r) => r.verdict)).toEqual(['easy', 'easy'])
  expect(cluster.at(-1)?.verdict).toBe('stretch')
  expect(cluster.slice(0, 2).flatMap((r) => Object.values(r.fingers))).toEqual(['thumb', 'thumb'])
})

test('the thumb’s keys of each half are marked for it, no letter is', () => {
  for (const name of boardNames) {
    const thumbs = board(name).controls.filter((c) => c.thumb === true)
    expect(thumbs.length).toBeGreaterThan(3)
    expect(thumbs.filter((c) => /^(Key|Digit)/.test(c.code ?? ''))).toEqual([])
  }
})

test('a board that is split without a gap and not turned gives the figures of the board in one piece', () => {
  const whole = boardControls('ansi-104', 'windows')
  const drawn: DrawnDevice = {
    id: 'halves',
    name: 'Halves',
    kind: 'drawn',
    form: 'keyboard',
    widthMm: 450,
    heightMm: 130,
    pages: [],
    controls: whole.map((c) => ({
      id: c.id,
      name: '',
      type: 'key',
      shape: 'rect',
      xMm: c.xMm,
      yMm: c.yMm,
      widthMm: c.widthMm,
      heightMm: c.heightMm,
      code: c.code,
      turnDeg: 0,
      ...(c.row === 'bottom' && { thumb: true }),
    })),
  }
  const figures = (controls: readonly Control[]): unknown[] => {
    const solver = reachSolver({ side: 'left', spanMm: 190, rests: homeKeys.left }, controls)
    return ['KeyT', 'Space', 'AltLeft', 'Digit1', 'KeyB']
      .map((id) => solver.reachControls([id]))
      .concat(solver.reachControls(['ControlLeft', 'KeyW']))
  }
  expect(figures(deviceControls(drawn))).toEqual(figures(whole))
})

test('a half that is turned to the forearm lies better for the same hand than one that is not', () => {
  // the forearm comes from the side: on a straight half the hand itself has to turn to lie as the half does
  const straight = boardControls('ansi-104', 'windows')
  const angle = (20 * Math.PI) / 180
  const turned = straight.map((c) => ({
    ...c,
    xMm: c.xMm * Math.cos(angle) - c.yMm * Math.sin(angle),
    yMm: c.xMm * Math.sin(angle) + c.yMm * Math.cos(angle),
    turnDeg: 20,
  }))
  const rests = homeKeys.left
  const onTurned = reachSolver({ side: 'left', spanMm: 190, rests }, turned).reachControls(['KeyT'])
  const onStraight = reachSolver({ side: 'left', spanMm: 190, rests }, straight).reachControls(['KeyT'])
  expect(onTurned.effort).toBeCloseTo(onStraight.effort, 6)
  expect(onTurned.turnDeg).toBeCloseTo(onStraight.turnDeg, 4)
})
