/** Checks of the hand against published figures and open data; the source stands beside each. */
import { describe, expect, test } from 'vitest'
import {
  boardControls,
  codeOfCharacter,
  fingerCapacity,
  handModel,
  homeKeys,
  homesOf,
  homingMs,
  homingTimeMs,
  indexOfDifficultyBits,
  keyLegend,
  movementMs,
  moveToMs,
  pressMs,
  readPlan,
  reachSituation,
  spanPercentile,
  spanRangeMm,
  tappingCapacity,
  wristBand,
} from '../../src/index.js'
import { handSpan, layouts } from '@reach-plot/data'
import { readFileSync } from 'node:fs'
import { layout } from '../build.js'
import neighbours from './zxcvbn-neighbours.json' with { type: 'json' }

const controls = boardControls('ansi-104', 'windows')
const demo = readPlan(readFileSync(new URL('../../../../demo/demo.reachplot.json', import.meta.url), 'utf8'))

describe('spans between fingertips', () => {
  // Parncutt, Sloboda, Clarke, Raekallio and Desain (1997), Music Perception 14, table 1, in semitones (from memory)
  const table = [
    ['thumb', 'index', 5, 10],
    ['thumb', 'middle', 7, 12],
    ['thumb', 'ring', 9, 14],
    ['thumb', 'little', 10, 15],
    ['index', 'middle', 2, 5],
    ['index', 'ring', 4, 7],
    ['index', 'little', 6, 10],
    ['middle', 'ring', 2, 4],
    ['middle', 'little', 4, 7],
    ['ring', 'little', 2, 5],
  ] as const
  const order = ['thumb', 'index', 'middle', 'ring', 'little']
  test.each(table)('%s to %s: relaxed to %i, practical to %i semitones', (a, b, relaxed, practical) => {
    const hand = handModel({ side: 'left', spanMm: 206, rests: homeKeys.left }, controls)
    const at = order.indexOf(a) * 5 + order.indexOf(b)
    // an octave of a piano is 165 mm
    expect(hand.relaxedMm[at]! / (165 / 12)).toBeCloseTo(relaxed)
    expect(hand.practicalMm[at]! / (165 / 12)).toBeCloseTo(practical)
  })
  test('scale with the hand: a hand of 103 mm has half the spans', () => {
    const half = handModel({ side: 'left', spanMm: 103, rests: homeKeys.left }, controls)
    const full = handModel({ side: 'left', spanMm: 206, rests: homeKeys.left }, controls)
    for (let i = 0; i < 25; i++) expect(half.practicalMm[i]! * 2).toBeCloseTo(full.practicalMm[i]!)
  })
})

describe('times', () => {
  test('the index of difficulty of 64 mm to a target of 8 mm is 3.17 bits', () => {
    // MacKenzie (1992), "Fitts' law as a research and design tool in HCI", Shannon form (from memory)
    expect(indexOfDifficultyBits(64, 8)).toBeCloseTo(3.17, 2)
  })
  test('a doubled distance to a doubled target takes the same time', () => {
    // Fitts (1954): only the ratio counts
    expect(movementMs(200, 20)).toBeCloseTo(movementMs(100, 10))
  })
  test('a neighbouring key takes about K, 200 ms, of the keystroke-level model', () => {
    // Card, Moran and Newell (1980), average skilled typist (from memory)
    expect(Math.abs(movementMs(19.05, 18) + pressMs - 200)).toBeLessThan(20)
  })
  test('from the letters to the mouse of the demo’s desk and back comes to H, 400 ms, on the average, within a fifth', () => {
    // Card, Moran and Newell (1980): H = 400 ms, homing the hand between keyboard and mouse (from memory); the mouse is
    // what the hand closes on, 57 mm wide, without the field that its drawing shows beside it
    const bench = demo.benches[0]!
    const { otherHand } = reachSituation(bench, demo.devices, true)
    const mouse = otherHand!.holds!
    const keys = controls.find((c) => c.code === 'KeyJ')!
    const there = moveToMs(keys, mouse)
    const back = homingTimeMs(Math.hypot(mouse.xMm - keys.xMm, mouse.yMm - keys.yMm), 18)
    expect(Math.abs((there + back) / 2 / homingMs - 1)).toBeLessThan(0.2)
    // a mouse is a larger target than a home key, so the way to it is the shorter one
    expect(there).toBeLessThan(back)
  })
  test('the farther of two homes takes longer to move to, and a larger target less', () => {
    const bench = demo.benches[0]!
    const [keyboard, pad] = homesOf(bench.hands[0]!, bench, demo.devices)
    expect([keyboard!.deviceId, pad!.deviceId]).toEqual(['keyboard', 'pad'])
    expect(moveToMs(keyboard!, { ...pad!, xMm: pad!.xMm - 200 })).toBeGreaterThan(moveToMs(keyboard!, pad!))
    expect(moveToMs(keyboard!, { ...pad!, targetMm: 60 })).toBeLessThan(moveToMs(keyboard!, pad!))
  })
})

describe('hands of the survey', () => {
  // Venables and Ripley, `survey` of the R package MASS: span of the writing hand of 236 students
  test.each([
    [160, 5],
    [185, 50],
    [220.5, 95],
  ])('a span of %f mm is the %i. percentile', (spanMm, percentile) =>
    expect(spanPercentile(handSpan, spanMm)).toBeCloseTo(percentile, 0),
  )
  test('the spans that the model is drawn for hold all but the outermost hundredths', () => {
    expect(spanPercentile(handSpan, spanRangeMm.min)).toBeLessThan(1.5)
    expect(spanPercentile(handSpan, spanRangeMm.max)).toBe(100)
  })
})

test('the strongest finger is the index, the weakest the little one, on both hands', () => {
  // Hoke (1922), tapping ability, left little to index and right index to little (from memory)
  expect(['little', 'ring', 'middle', 'index'].map((f) => tappingCapacity.left[f as 'index'])).toEqual([
    48, 57, 63, 66,
  ])
  expect(['index', 'middle', 'ring', 'little'].map((f) => tappingCapacity.right[f as 'index'])).toEqual([
    70, 69, 62, 56,
  ])
  for (const side of ['left', 'right'] as const) {
    expect(fingerCapacity(side, 'index')).toBe(1)
    expect(fingerCapacity(side, 'little')).toBeLessThan(fingerCapacity(side, 'ring'))
  }
})

test('the wrist falls into the bands of RULA', () => {
  // McAtamney and Corlett (1993), wrist: in line, up to 15°, beyond (from memory)
  expect([0, 8, 15, 16].map(wristBand)).toEqual([
    'in line',
    'turned to 15°',
    'turned to 15°',
    'turned beyond 15°',
  ])
})

test('keys that an open adjacency graph calls neighbours lie at most 24 mm apart, all others at least 30 mm', () => {
  const us = layout('us')
  const at = (char: string) => controls.find((c) => c.code === codeOfCharacter(us, char))!
  const near = new Set(neighbours.pairs)
  const chars = [...new Set(neighbours.pairs.join(''))]
  let compared = 0
  for (const [i, a] of chars.entries())
    for (const b of chars.slice(i + 1)) {
      const [p, q] = [at(a), at(b)]
      const mm = Math.hypot(p.xMm - q.xMm, p.yMm - q.yMm)
      const isNear = near.has([a, b].sort().join(''))
      compared++
      if (isNear) expect(mm, `${a} ${b}`).toBeLessThanOrEqual(24.1)
      else expect(mm, `${a} ${b}`).toBeGreaterThan(30)
    }
  expect(compared).toBeGreaterThan(900)
})

test('the letter of a key is the one that XKB has at its first level, on layouts of eight countries', () => {
  // Debian xkb-data 2.35.1; a few rows of national layouts by hand (from memory)
  const rows: Readonly<Record<string, string>> = {
    de: 'QWERTZUIOPÜ',
    fr: 'AZERTYUIOP',
    us: 'QWERTYUIOP',
    es: 'QWERTYUIOP',
    se: 'QWERTYUIOPÅ',
    dk: 'QWERTYUIOPÅ',
    no: 'QWERTYUIOPÅ',
    cz: 'QWERTZUIOPÚ',
  }
  for (const [id, text] of Object.entries(rows)) {
    const found = layouts.find((l) => l.id === id)!
    expect(found, id).toBeDefined()
    const codes = [
      'KeyQ',
      'KeyW',
      'KeyE',
      'KeyR',
      'KeyT',
      'KeyY',
      'KeyU',
      'KeyI',
      'KeyO',
      'KeyP',
      'BracketLeft',
    ]
    expect([...text].map((_, i) => keyLegend(codes[i]!, found, 'gnome')).join(''), id).toBe(text)
  }
})
