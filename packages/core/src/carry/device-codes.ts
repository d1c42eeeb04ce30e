import { deviceControls, usualTapHoldMs, type Device } from '../bench/index.js'
import { CoreError } from '../errors.js'
import { writeCsv } from '../formats/index.js'
import { modifierCodes, type Chord, type Modifier } from '../triggers/index.js'

/** What a key code is called elsewhere: its usage on page 7 of the HID usage tables, and the name of its evdev key (`KEY_A`). */
export interface CodeNames {
  readonly hid: number | null
  readonly linux?: string
}
/** By W3C code. */
export type CodeTable = Readonly<Record<string, CodeNames>>

/** Page 7 of the HID usage tables, "Keyboard/Keypad" (USB-IF, HID Usage Tables 1.5, chapter 10). */
const keyboardPage = 0x07

/** The left key of a modifier; the right Alt where it is the third-level key. */
const keyOf = (modifier: Modifier): string => modifierCodes(modifier, true)[0] as string

const hex = (n: number, digits: number): string => `0x${n.toString(16).toUpperCase().padStart(digits, '0')}`

/**
 * What each key of a device sends, layer by layer, as HID usages for whoever sets up its firmware (CSV). A key that a layer leaves out sends
 * what it sends without it. Keys without a usage have an empty cell.
 */
export function hidTable(device: Device, codes: CodeTable): string {
  const usage = (code: string): string => {
    const found = codes[code]?.hid
    return found === null || found === undefined ? '' : hex(found, 2)
  }
  const row = (layer: string, controlId: string, how: string, sends: Pick<Chord, 'modifiers' | 'code'>) => [
    layer,
    controlId,
    how,
    [...sends.modifiers, sends.code].join('+'),
    hex(keyboardPage, 2),
    usage(sends.code),
    sends.modifiers.map((m) => usage(keyOf(m))).join(' '),
  ]
  const plain = deviceControls(device).flatMap((c) =>
    c.code === null ? [] : [row('', c.id, 'pressed', { modifiers: [], code: c.code })],
  )
  const held = (device.tapHolds ?? []).map((t) =>
    row('', t.controlId, `held ${t.holdMs ?? usualTapHoldMs} ms`, { modifiers: [], code: keyOf(t.holds) }),
  )
  const layers = (device.layers ?? []).flatMap((layer) => [
    ...layer.openedBy.map(({ controlId, how }) => [
      layer.name,
      controlId,
      `opens it, ${how}`,
      '',
      '',
      '',
      '',
    ]),
    ...layer.keys.flatMap(({ controlId, sends }) =>
      sends.map((s, i) => row(layer.name, controlId, sends.length > 1 ? `press ${i + 1}` : 'pressed', s)),
    ),
  ])
  return writeCsv(
    ['layer', 'key', 'how', 'sends', 'usage page', 'usage', 'modifiers'],
    [...plain, ...held, ...layers],
  )
}

/** A key of a keyboard that sends another code than the one that its place has by itself. */
export interface Remapped {
  readonly from: string
  readonly to: string
}

/** Keys of a board of one's own that send another code than that of the key whose place they have. */
export const remappedKeys = (device: Device, codes: CodeTable): Remapped[] =>
  device.kind === 'board'
    ? []
    : device.controls.flatMap(({ id, code }) =>
        code !== null && code !== id && codes[id] && codes[code] ? [{ from: id, to: code }] : [],
      )

/** USB vendor and product, four hexadecimal digits each: `1d50:6018`. */
const usbId = /^([0-9a-f]{4}):([0-9a-f]{4})$/i

/**
 * Lines of systemd's hardware database (hwdb(7), KEYBOARD_KEY_ of udev's keyboard builtin) that let a keyboard send other codes:
 * scancodes of USB keyboards are the HID usage page and the usage.
 * @param usb  vendor and product, such as `1d50:6018`; every USB keyboard where left out
 * @throws CoreError `USAGE` for an id of another form, and where no key sends another code
 */
export function hwdbLines(device: Device, codes: CodeTable, usb = ''): string {
  const id = usbId.exec(usb.trim())
  if (!id && usb.trim() !== '')
    throw new CoreError('USAGE', {
      where: ['USB id'],
      what: `"${usb.slice(0, 40)}" is no vendor and product of USB`,
      remedy: 'write four digits, a colon and four digits, as lsusb shows them: 1d50:6018',
    })
  const lines = remappedKeys(device, codes).flatMap(({ from, to }) => {
    const [scan, name] = [codes[from]?.hid, codes[to]?.linux]
    if (scan === null || scan === undefined || name === undefined) return []
    const scancode = (keyboardPage * 0x1_0000 + scan).toString(16)
    return [` KEYBOARD_KEY_${scancode}=${name.replace(/^KEY_/, '').toLowerCase()}`]
  })
  if (lines.length === 0)
    throw new CoreError('USAGE', {
      where: [device.name],
      what: 'no key of it sends another code than its own',
      remedy: 'make the board your own and give a key another code first',
    })
  const match = id ? `v${(id[1] as string).toUpperCase()}p${(id[2] as string).toUpperCase()}*` : '*'
  return [`# ${device.name.replace(/\s+/g, ' ')}`, `evdev:input:b0003${match}`, ...lines, ''].join('\n')
}
