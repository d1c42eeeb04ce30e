import { execFileSync } from 'node:child_process'
import { existsSync, mkdirSync, mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { w3cCodes } from '@reach-plot/data'
import { describe, expect, test } from 'vitest'
import {
  addLayer,
  chord,
  makeBoardOwn,
  setLayerKey,
  setOpener,
  type Device,
  type Plan,
} from '../../src/index.js'
import { hidTable, hwdbLines, remappedKeys } from '../../src/carry/index.js'
import { demo } from '../shuffled.js'

const board = demo.devices.find((d) => d.kind === 'board')!
const own = makeBoardOwn(demo, board.id)
const deviceOf = (plan: Plan): Device => plan.devices.find((d) => d.id === board.id)!
/** The example's board, with CapsLock sending Escape and two keys exchanged. */
const changed: Device = (() => {
  const device = deviceOf(own)
  if (device.kind !== 'drawn') throw new Error('the board was not made own')
  const to: Readonly<Record<string, string>> = { CapsLock: 'Escape', KeyA: 'KeyB', KeyB: 'KeyA' }
  return { ...device, controls: device.controls.map((c) => ({ ...c, code: to[c.id] ?? c.code })) }
})()

describe('codes of a device', () => {
  test('usages of the HID tables: A is 04, Escape 29, the left modifiers E0 to E3 (HID Usage Tables 1.5, page 7)', () => {
    let plan = addLayer(own, board.id).plan
    const layer = deviceOf(plan).layers!.at(-1)!
    plan = setOpener(plan, board.id, layer.id, 'Space', 'held')
    plan = setLayerKey(plan, board.id, layer.id, 'KeyA', chord('Escape', ['Control', 'Shift']))
    const rows = hidTable(deviceOf(plan), w3cCodes).split(/\r?\n/)
    expect(rows).toContain(',KeyA,pressed,KeyA,0x07,0x04,')
    expect(rows).toContain('Layer 1,Space,"opens it, held",,,,')
    expect(rows).toContain('Layer 1,KeyA,pressed,Control+Shift+Escape,0x07,0x29,0xE0 0xE1')
  })

  test('keys that send another code are told by the place that they have', () => {
    expect(remappedKeys(deviceOf(own), w3cCodes)).toEqual([])
    expect(remappedKeys(board, w3cCodes)).toEqual([])
    expect(remappedKeys(changed, w3cCodes)).toEqual(
      expect.arrayContaining([
        { from: 'CapsLock', to: 'Escape' },
        { from: 'KeyA', to: 'KeyB' },
      ]),
    )
    expect(() => hwdbLines(board, w3cCodes)).toThrow(/no key of it sends another code/)
    expect(() => hwdbLines(changed, w3cCodes, 'a board')).toThrow(/as lsusb shows them/)
  })

  // systemd's own reader of these files; Debian has it with udev
  test.skipIf(!existsSync('/usr/bin/systemd-hwdb'))(
    'systemd-hwdb reads the lines, and answers for the keyboard that is meant',
    () => {
      const root = mkdtempSync(join(tmpdir(), 'reach-plot-hwdb-'))
      mkdirSync(join(root, 'etc/udev/hwdb.d'), { recursive: true })
      writeFileSync(join(root, 'etc/udev/hwdb.d/90-board.hwdb'), hwdbLines(changed, w3cCodes, '1d50:6018'))
      execFileSync('systemd-hwdb', ['--strict', '--root', root, 'update'])
      const query = (id: string): string[] =>
        execFileSync('systemd-hwdb', ['--root', root, 'query', id], { encoding: 'utf8' })
          .trim()
          .split('\n')
          .sort()
      expect(query('evdev:input:b0003v1D50p6018e0111-e0,1,4')).toEqual([
        'KEYBOARD_KEY_70004=b',
        'KEYBOARD_KEY_70005=a',
        'KEYBOARD_KEY_70039=esc',
      ])
      expect(query('evdev:input:b0003v1D50p6019e0111-e0')).toEqual([''])
    },
  )
})
