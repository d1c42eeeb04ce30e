/**
 * KeyboardEvent codes of the key names of XKB. Source: the names of xkb-data's keycodes file for evdev, whose numbers are those of the
 * kernel, and the W3C's list of UI Events codes.
 */
const named: Readonly<Record<string, string>> = {
  ESC: 'Escape',
  TLDE: 'Backquote',
  AE11: 'Minus',
  AE12: 'Equal',
  AE13: 'IntlYen',
  BKSP: 'Backspace',
  TAB: 'Tab',
  AD11: 'BracketLeft',
  AD12: 'BracketRight',
  AC12: 'Backslash',
  BKSL: 'Backslash',
  RTRN: 'Enter',
  CAPS: 'CapsLock',
  AC10: 'Semicolon',
  AC11: 'Quote',
  LFSH: 'ShiftLeft',
  LSGT: 'IntlBackslash',
  AB08: 'Comma',
  AB09: 'Period',
  AB10: 'Slash',
  AB11: 'IntlRo',
  RTSH: 'ShiftRight',
  LCTL: 'ControlLeft',
  LWIN: 'MetaLeft',
  LALT: 'AltLeft',
  SPCE: 'Space',
  RALT: 'AltRight',
  RWIN: 'MetaRight',
  LMTA: 'MetaLeft',
  RMTA: 'MetaRight',
  COMP: 'ContextMenu',
  MENU: 'ContextMenu',
  RCTL: 'ControlRight',
  PRSC: 'PrintScreen',
  SCLK: 'ScrollLock',
  PAUS: 'Pause',
  INS: 'Insert',
  HOME: 'Home',
  PGUP: 'PageUp',
  DELE: 'Delete',
  END: 'End',
  PGDN: 'PageDown',
  UP: 'ArrowUp',
  LEFT: 'ArrowLeft',
  DOWN: 'ArrowDown',
  RGHT: 'ArrowRight',
  NMLK: 'NumLock',
  KPDV: 'NumpadDivide',
  KPMU: 'NumpadMultiply',
  KPSU: 'NumpadSubtract',
  KPAD: 'NumpadAdd',
  KPEN: 'NumpadEnter',
  KPDL: 'NumpadDecimal',
  KPEQ: 'NumpadEqual',
  KPPT: 'NumpadComma',
  HENK: 'Convert',
  MUHE: 'NonConvert',
  HKTG: 'KanaMode',
  HELP: 'Help',
  UNDO: 'Undo',
  CUT: 'Cut',
  COPY: 'Copy',
  PAST: 'Paste',
  FIND: 'Find',
  MUTE: 'AudioVolumeMute',
  'VOL-': 'AudioVolumeDown',
  'VOL+': 'AudioVolumeUp',
  POWR: 'Power',
}

const rows: Readonly<Record<string, string>> = {
  AD: 'QWERTYUIOP',
  AC: 'ASDFGHJKL',
  AB: 'ZXCVBNM',
}

/** The code of a key of an XKB file, by its name there; null for one that has none. */
export function xkbCode(name: string): string | null {
  const known = named[name]
  if (known !== undefined) return known
  const digit = /^AE(\d\d)$/.exec(name)
  if (digit && Number(digit[1]) <= 10) return `Digit${Number(digit[1]) % 10}`
  const letter = /^(A[BCD])(\d\d)$/.exec(name)
  const key = letter && rows[letter[1] as string]?.[Number(letter[2]) - 1]
  if (key !== undefined && key !== null) return `Key${key}`
  const plain = /^(FK|KP)(\d\d?)$/.exec(name)
  if (!plain) return null
  const number = Number(plain[2])
  if (plain[1] === 'KP') return number <= 9 ? `Numpad${number}` : null
  return number >= 1 && number <= 24 ? `F${number}` : null
}
