import { expect, test } from 'vitest'
import geometry from '@reach-plot/data/reference/xkb-geometry.json'
import { w3cCodes } from '@reach-plot/data'
import {
  benchControls,
  boardControls,
  boardIds,
  bottomRows,
  CoreError,
  pitchMm,
  type BoardId,
  type BottomRow,
} from '../../src/index.js'
import { at, plan } from '../build.js'

type Reference = Readonly<Record<string, readonly number[]>>

/** XKB draws keys on a pitch of 19 mm and rounds to whole mm; ours have 19.05. */
const toXkb = 19 / pitchMm

/** Parts of a board that XKB and this catalogue space alike; the gaps between parts differ, see the last test. */
const parts: Readonly<Record<string, RegExp>> = {
  letters:
    /^(Key[QWERTYUIOPASDFGHJKL]|Digit|Backquote|Minus|Equal|Backspace|Tab|CapsLock|Bracket|Semicolon|Quote)/,
  'lower letters': /^(Key[ZXCVBNM]|Comma|Period|Slash|ShiftRight|IntlBackslash)$/,
  'left function keys': /^F[1-4]$/,
  'middle function keys': /^F[5-8]$/,
  'right function keys': /^F(9|10|11|12)$/,
  editing: /^(Insert|Home|PageUp|Delete|End|PageDown|Arrow)/,
  'print keys': /^(PrintScreen|ScrollLock|Pause)$/,
  numbers: /^Num/,
}

/** Largest difference, mm, of left and top edges within a part, relative to the part's first key. */
function largestDifference(board: BoardId, bottomRow: BottomRow, reference: Reference, part: RegExp): number {
  const controls = boardControls(board, bottomRow).filter((c) => part.test(c.id) && reference[c.id])
  const [first] = controls
  const zero = reference[first!.id]!
  const edge = (c: (typeof controls)[number]): [number, number] => [
    (c.xMm - c.widthMm / 2) * toXkb,
    (c.yMm - c.heightMm / 2) * toXkb,
  ]
  const [x0, y0] = edge(first!)
  return Math.max(
    ...controls.flatMap((c) => {
      const [x, y] = edge(c)
      const [rx = 0, ry = 0] = reference[c.id]!
      return [Math.abs(x - x0 - (rx - zero[0]!)), Math.abs(y - y0 - (ry - zero[1]!))]
    }),
  )
}

// Source: xkb-data 2.35.1, geometry pc(pc104) and pc(pc105).
const geometries = [
  ['ansi-104', geometry.pc104],
  ['iso-105', geometry.pc105],
] as const
test.each(
  geometries.flatMap(([board, reference]) =>
    Object.entries(parts).map(([name, part]) => [board, name, part, reference] as const),
  ),
)(
  '%s: keys of the part "%s" lie as in the XKB geometry, within its rounding of 1 mm',
  (board, _name, part, reference) => {
    expect(largestDifference(board, 'windows', reference, part)).toBeLessThanOrEqual(1)
  },
)

test.each(geometries)('%s has the keys of the XKB geometry, no more and no fewer', (board, reference) => {
  expect(new Set(boardControls(board, 'windows').map((c) => c.id))).toEqual(new Set(Object.keys(reference)))
})

test('the board without a number block has the keys of the full one but for it', () => {
  const full = boardControls('ansi-104', 'windows').filter((c) => !c.id.startsWith('Num'))
  expect(boardControls('ansi-tkl-87', 'windows')).toEqual(full)
  expect(full).toHaveLength(87)
})

test('widths of letter, digit, editing and number keys match XKB within 1 mm', () => {
  const all = new RegExp(
    Object.values(parts)
      .map((p) => p.source)
      .join('|'),
  )
  const compared = boardControls('ansi-104', 'windows').filter((k) => all.test(k.id))
  expect(compared.length).toBeGreaterThan(40)
  for (const c of compared)
    expect(Math.abs(c.widthMm - geometry.pc104[c.id as 'KeyA'][2]!), c.id).toBeLessThanOrEqual(1)
})

test('the main block is as wide as in XKB, though its bottom row is cut into the modifiers of newer boards', () => {
  const controls = new Map(boardControls('ansi-104', 'windows').map((c) => [c.id, c]))
  const span = (from: string, to: string): number =>
    controls.get(to)!.xMm +
    controls.get(to)!.widthMm / 2 -
    (controls.get(from)!.xMm - controls.get(from)!.widthMm / 2)
  // both edges are rounded there, by up to 1 mm each
  const { ControlLeft, ControlRight } = geometry.pc104
  expect(
    Math.abs(
      span('ControlLeft', 'ControlRight') * toXkb - (ControlRight[0]! + ControlRight[2]! - ControlLeft[0]!),
    ),
  ).toBeLessThanOrEqual(2)
})

test('the Mac-style bottom row and letters match an aluminium keyboard of XKB within 1 mm', () => {
  const reference: Reference = geometry.applealu_ansi
  const controls = new Map(boardControls('ansi-104', 'mac').map((c) => [c.id, c]))
  // pitch of neighbours, from left edge to left edge: 1.5, 1.25 and 1.5 units of modifiers
  const step = (a: string, b: string): number =>
    controls.get(b)!.xMm -
    controls.get(b)!.widthMm / 2 -
    (controls.get(a)!.xMm - controls.get(a)!.widthMm / 2)
  for (const [a, b] of [
    ['ControlLeft', 'AltLeft'],
    ['AltLeft', 'MetaLeft'],
    ['MetaLeft', 'Space'],
    ['KeyQ', 'KeyP'],
    ['KeyA', 'KeyL'],
    ['KeyZ', 'KeyM'],
    ['Tab', 'KeyQ'],
    ['CapsLock', 'KeyA'],
    ['ShiftLeft', 'KeyZ'],
  ] as const) {
    expect(
      Math.abs(step(a, b) * toXkb - (reference[b]![0]! - reference[a]![0]!)),
      `${a} to ${b}`,
    ).toBeLessThanOrEqual(1)
  }
})

test('the gaps that differ from XKB are those of common boards: half a unit over the numbers, a quarter between blocks', () => {
  const at = new Map(boardControls('ansi-104', 'windows').map((c) => [c.id, c]))
  expect((at.get('Digit1')!.yMm - at.get('F1')!.yMm) / pitchMm).toBeCloseTo(1.5, 9)
  expect((at.get('Insert')!.xMm - at.get('Backspace')!.xMm) / pitchMm).toBeCloseTo(1 + 0.25 + 0.5, 9)
  expect((at.get('NumLock')!.xMm - at.get('PageUp')!.xMm) / pitchMm).toBeCloseTo(1.25, 9)
})

test.each(boardIds.flatMap((b) => bottomRows.map((r) => [b, r] as const)))(
  '%s with a %s bottom row has unique W3C codes and no overlapping caps',
  (board, row) => {
    const controls = boardControls(board, row)
    expect(new Set(controls.map((c) => c.id)).size).toBe(controls.length)
    expect(controls.filter((c) => c.code !== null && !(c.code in w3cCodes)).map((c) => c.id)).toEqual([])
    for (const a of controls) {
      for (const b of controls) {
        if (a === b) continue
        const apart =
          Math.abs(a.xMm - b.xMm) >= (a.widthMm + b.widthMm) / 2 ||
          Math.abs(a.yMm - b.yMm) >= (a.heightMm + b.heightMm) / 2
        expect(apart, `${a.id} and ${b.id}`).toBe(true)
      }
    }
  },
)

test('every row of a main block ends at fifteen units', () => {
  for (const row of bottomRows) {
    const right = (id: string): number => {
      const c = boardControls('ansi-104', row).find((k) => k.id === id)!
      return c.xMm + c.widthMm / 2
    }
    for (const id of ['Backspace', 'Backslash', 'Enter', 'ShiftRight', 'ControlRight'])
      expect(right(id)).toBeCloseTo(15 * pitchMm - 0.525, 6)
  }
})

test('an unknown board is refused with the boards that there are', () => {
  expect(() => boardControls('ansi-999', 'windows')).toThrow(CoreError)
  expect(() => boardControls('ansi-999', 'windows')).toThrow(/ansi-104, iso-105/)
})

test('benchControls lays devices at their places and names a missing one', () => {
  const given = plan()
  const bench = { ...given.benches[0]!, devices: [at('keyboard', 100, -20)] }
  const moved = benchControls(bench, given.devices)
  const plain = boardControls('ansi-104', 'windows')
  expect(moved[0]!.xMm - plain[0]!.xMm).toBeCloseTo(100)
  expect(moved[0]!.yMm - plain[0]!.yMm).toBeCloseTo(-20)
  expect(() => benchControls({ ...bench, devices: [at('pad')] }, given.devices)).toThrow(/"pad"/)
})
