/** Geometry files of the X keyboard extension: those of Debian's xkb-data, read as they are. */
import { existsSync, readdirSync, readFileSync } from 'node:fs'
import fc from 'fast-check'
import { beforeAll, describe, expect, test } from 'vitest'
import { CoreError, readDevice, writeDevice } from '../../src/index.js'
import {
  geometryNames,
  readBoardFile,
  readGeometry,
  xkbCode,
  type Geometry,
} from '../../src/device-files/index.js'
import { board, boardNames, geometry } from './boards.js'

const folder = '/usr/share/X11/xkb/geometry'
const files = existsSync(folder)
  ? readdirSync(folder, { recursive: true, encoding: 'utf8' })
      .filter(
        (name) =>
          !name.includes('README') && existsSync(`${folder}/${name}`) && !isFolder(`${folder}/${name}`),
      )
      .map((name) => ({ name, text: readFileSync(`${folder}/${name}`, 'latin1') }))
  : []

function isFolder(path: string): boolean {
  try {
    readdirSync(path)
    return true
  } catch {
    return false
  }
}

describe.skipIf(files.length === 0)('the files of xkb-data', () => {
  let boards: Geometry[] = []
  beforeAll(() => {
    boards = files.flatMap(({ name, text }) =>
      geometryNames(text, name).map((board) => readGeometry(text, name, board)),
    )
  })

  test('every board of every file is read, with keys that lie on it', () => {
    expect(boards.length).toBeGreaterThan(80)
    for (const { keys } of boards) expect(keys.length).toBeGreaterThan(9)
  })

  test.each(boardNames)(
    '%s: every key where another reader of the same file puts it, turned as there',
    (name) => {
      const wanted = geometry(name)
      const same = boards.filter(
        ({ keys }) =>
          keys.length === wanted.keys.length &&
          wanted.keys.every((key) =>
            keys.some(
              (k) =>
                k.name === key.name &&
                Math.abs(k.xMm - key.xMm) < 0.01 &&
                Math.abs(k.yMm - key.yMm) < 0.01 &&
                k.widthMm === key.widthMm &&
                k.heightMm === key.heightMm &&
                k.turnDeg === key.turnDeg,
            ),
          ),
      )
      expect(same.length).toBeGreaterThanOrEqual(1)
    },
  )
})

const small = `
// a comment
default xkb_geometry "two halves" {
  description = "Two halves";
  width = 10 + 90; height= 60;
  shape "NORM" { cornerRadius=1, { [18,18] }, { [2,1], [16,16] } };
  shape "TALL" { { [18, 37] } };
  key.gap = 1;
  section "Left" {
    left = 10; top = 5; angle = 90;
    row { top = 1; left = 1; keys { <AC01>, { <AC02>, 3 }, { <AC03>, "TALL", color="grey" } }; };
  };
  section "Right" {
    left = 60; top = 5;
    row.vertical = True;
    row { keys { <AC07>, <AB07> }; };
    overlay "Pad" { <AC07>=<KP4> };
  };
  indicator "Lamp" { left= 3; };
};
xkb_geometry "other" { shape "N" { { [10,10] } }; section "S" { row { keys { <ESC> }; }; }; };
`

test('gaps, shapes, sums, rows either way and a section that is turned about its corner', () => {
  const { keys, widthMm, description } = readGeometry(small, 'small')
  expect([widthMm, description]).toEqual([100, 'Two halves'])
  expect(keys.map((k) => [k.name, k.xMm, k.yMm, k.widthMm, k.heightMm, k.turnDeg])).toEqual([
    // 90° clockwise about (10, 5): (x, y) goes to (10 − y, 5 + x)
    ['AC01', 0, 16, 18, 18, 90],
    ['AC02', 0, 37, 18, 18, 90],
    ['AC03', -9.5, 56, 18, 37, 90],
    ['AC07', 69, 15, 18, 18, 0],
    ['AB07', 69, 34, 18, 18, 0],
  ])
})

test('a board is named; one that is not there lists those that are', () => {
  expect(geometryNames(small, 'small')).toEqual(['two halves', 'other'])
  expect(readGeometry(small, 'small', 'other').keys).toHaveLength(1)
  expect(() => readGeometry(small, 'small', 'third')).toThrow(/two halves, other/)
})

test('a fault names its line', () => {
  expect(() => readGeometry(small.replace('<AC07>, <AB07>', '<AC07> <AB07>'), 'small')).toThrow(/line 16/)
})

test('no text makes the reader do anything but read or say what is wrong', () => {
  const parts = small.split(/(?<=[;{}\s])/)
  fc.assert(
    fc.property(fc.array(fc.constantFrom(...parts), { maxLength: 60 }), fc.nat(4), (some, cut) => {
      try {
        readGeometry(some.join('').slice(cut), 'some')
      } catch (error) {
        expect(error).toBeInstanceOf(CoreError)
      }
    }),
    { numRuns: 400 },
  )
})

test.each(boardNames)('%s as a device is valid and comes back from its file', (name) => {
  const device = board(name)
  expect(readDevice(writeDevice(device), 'x')).toEqual(device)
  expect(device.controls.filter((c) => c.code !== null).length).toBeGreaterThan(80)
})

test('what a file is, its contents tell', () => {
  expect(readBoardFile(small, 'anything.txt').form).toBe('xkb')
  expect(readBoardFile(writeDevice(board('split-wells')), 'a').form).toBe('device')
  expect(() => readBoardFile('hello', 'a.txt')).toThrow(CoreError)
})

test('key names have the codes of the keys that they stand for', () => {
  expect(['AC01', 'AD10', 'AB07', 'AE10', 'AE01', 'FK12', 'KP7', 'LSGT', 'FN'].map(xkbCode)).toEqual([
    'KeyA',
    'KeyP',
    'KeyM',
    'Digit0',
    'Digit1',
    'F12',
    'Numpad7',
    'IntlBackslash',
    null,
  ])
})
