import { CoreError } from '../errors.js'
import type { Control, Row } from './control.js'

/** Key pitch: ISO 9241-410 and its forerunner ask for 19 ± 1 mm (from memory). */
export const pitchMm = 19.05
/** Gap between neighbouring caps, so that a cap of one unit is 18 mm wide, as in the XKB geometries. */
export const capGapMm = 1.05

/** The catalogued keyboards, by id. */
export const boardIds = [
  'ansi-104',
  'iso-105',
  'ansi-tkl-87',
  'laptop-compact',
  'ansi-104-left',
  'iso-105-left',
] as const
/** The id of a catalogued keyboard. */
export type BoardId = (typeof boardIds)[number]
/** Which keys stand beside the space bar: the two usual orders. */
export const bottomRows = ['windows', 'mac'] as const
/** One of the two usual orders of the bottom row. */
export type BottomRow = (typeof bottomRows)[number]

/** `code`, `code*width`, or `_width` for a gap; widths in units of the pitch. */
type RowSpec = {
  readonly row: Row
  readonly yU: number
  readonly heightU?: number
  readonly xU?: number
  readonly keys: string
}

const digits =
  'Backquote Digit1 Digit2 Digit3 Digit4 Digit5 Digit6 Digit7 Digit8 Digit9 Digit0 Minus Equal Backspace*2'
const upperLetters = 'KeyQ KeyW KeyE KeyR KeyT KeyY KeyU KeyI KeyO KeyP BracketLeft BracketRight'
const homeLetters = 'KeyA KeyS KeyD KeyF KeyG KeyH KeyJ KeyK KeyL Semicolon Quote'
const lowerLetters = 'KeyZ KeyX KeyC KeyV KeyB KeyN KeyM Comma Period Slash'
const functionKeys = 'Escape _1 F1 F2 F3 F4 _0.5 F5 F6 F7 F8 _0.5 F9 F10 F11 F12'

const bottom: Readonly<Record<BottomRow, string>> = {
  windows:
    'ControlLeft*1.25 MetaLeft*1.25 AltLeft*1.25 Space*6.25 AltRight*1.25 MetaRight*1.25 ContextMenu*1.25 ControlRight*1.25',
  mac: 'ControlLeft*1.5 AltLeft*1.25 MetaLeft*1.5 Space*6.5 MetaRight*1.5 AltRight*1.25 ControlRight*1.5',
}
const compactBottom: Readonly<Record<BottomRow, string>> = {
  windows: 'ControlLeft*1.25 Fn MetaLeft AltLeft Space*5.75 AltRight ControlRight',
  mac: 'Fn ControlLeft AltLeft MetaLeft*1.25 Space*5.5 MetaRight*1.25 AltRight',
}

// The function row stands half a unit above the numbers: its centre is 1.5 units from theirs, less where a row is lower.
const main = (enter: 'ansi' | 'iso', bottomRow: BottomRow): RowSpec[] => [
  { row: 'function', yU: 0, keys: functionKeys },
  { row: 'number', yU: 1.5, keys: digits },
  { row: 'upper', yU: 2.5, keys: `Tab*1.5 ${upperLetters}${enter === 'ansi' ? ' Backslash*1.5' : ''}` },
  enter === 'ansi'
    ? { row: 'home', yU: 3.5, keys: `CapsLock*1.75 ${homeLetters} Enter*2.25` }
    : { row: 'home', yU: 3.5, keys: `CapsLock*1.75 ${homeLetters} Backslash` },
  enter === 'ansi'
    ? { row: 'lower', yU: 4.5, keys: `ShiftLeft*2.25 ${lowerLetters} ShiftRight*2.75` }
    : { row: 'lower', yU: 4.5, keys: `ShiftLeft*1.25 IntlBackslash ${lowerLetters} ShiftRight*2.75` },
  { row: 'bottom', yU: 5.5, keys: bottom[bottomRow] },
  // The ISO Enter is an L over two rows. Its cap is taken as the upright part, which both rows share.
  ...(enter === 'iso' ? [{ row: 'upper', yU: 2.5, xU: 13.75, heightU: 2, keys: 'Enter*1.25' } as const] : []),
]

// The gap before the editing block is a quarter unit (0.25) and so is the one before the number block.
const editing: RowSpec[] = [
  { row: 'function', yU: 0, xU: 15.25, keys: 'PrintScreen ScrollLock Pause' },
  { row: 'number', yU: 1.5, xU: 15.25, keys: 'Insert Home PageUp' },
  { row: 'upper', yU: 2.5, xU: 15.25, keys: 'Delete End PageDown' },
  { row: 'lower', yU: 4.5, xU: 16.25, keys: 'ArrowUp' },
  { row: 'bottom', yU: 5.5, xU: 15.25, keys: 'ArrowLeft ArrowDown ArrowRight' },
]

const numberBlock: RowSpec[] = [
  { row: 'number', yU: 1.5, xU: 18.5, keys: 'NumLock NumpadDivide NumpadMultiply NumpadSubtract' },
  { row: 'upper', yU: 2.5, xU: 18.5, keys: 'Numpad7 Numpad8 Numpad9' },
  { row: 'upper', yU: 2.5, xU: 21.5, heightU: 2, keys: 'NumpadAdd' },
  { row: 'home', yU: 3.5, xU: 18.5, keys: 'Numpad4 Numpad5 Numpad6' },
  { row: 'lower', yU: 4.5, xU: 18.5, keys: 'Numpad1 Numpad2 Numpad3' },
  { row: 'lower', yU: 4.5, xU: 21.5, heightU: 2, keys: 'NumpadEnter' },
  { row: 'bottom', yU: 5.5, xU: 18.5, keys: 'Numpad0*2 NumpadDecimal' },
]

/** The number block stands first, a quarter unit from the letters; letters and editing block keep their distances. */
const blockAtLeft = (enter: 'ansi' | 'iso', bottomRow: BottomRow): RowSpec[] => [
  ...numberBlock.map((row) => ({ ...row, xU: (row.xU ?? 0) - 18.5 })),
  ...[...main(enter, bottomRow), ...editing].map((row) => ({ ...row, xU: (row.xU ?? 0) + 4.25 })),
]

const compact = (bottomRow: BottomRow): RowSpec[] => [
  {
    row: 'function',
    yU: 0,
    heightU: 0.75,
    keys: `Escape*1.5 F1 F2 F3 F4 F5 F6 F7 F8 F9 F10 F11 F12 Delete*1.5`,
  },
  { row: 'number', yU: 0.75, keys: digits },
  { row: 'upper', yU: 1.75, keys: `Tab*1.5 ${upperLetters} Backslash*1.5` },
  { row: 'home', yU: 2.75, keys: `CapsLock*1.75 ${homeLetters} Enter*2.25` },
  { row: 'lower', yU: 3.75, keys: `ShiftLeft*2.25 ${lowerLetters} ShiftRight*2.75` },
  { row: 'bottom', yU: 4.75, keys: compactBottom[bottomRow] },
  { row: 'bottom', yU: 5.25, xU: 12, heightU: 0.5, keys: 'ArrowLeft ArrowDown ArrowRight' },
  { row: 'bottom', yU: 4.75, xU: 13, heightU: 0.5, keys: 'ArrowUp' },
]

const specs: Readonly<Record<BoardId, { name: string; rows: (bottomRow: BottomRow) => RowSpec[] }>> = {
  'ansi-104': { name: 'Keyboard, ANSI 104', rows: (b) => [...main('ansi', b), ...editing, ...numberBlock] },
  'iso-105': { name: 'Keyboard, ISO 105', rows: (b) => [...main('iso', b), ...editing, ...numberBlock] },
  'ansi-tkl-87': {
    name: 'Keyboard, ANSI without number block, 87',
    rows: (b) => [...main('ansi', b), ...editing],
  },
  'laptop-compact': { name: 'Compact laptop', rows: compact },
  'ansi-104-left': { name: 'Keyboard, ANSI, number block at the left', rows: (b) => blockAtLeft('ansi', b) },
  'iso-105-left': { name: 'Keyboard, ISO, number block at the left', rows: (b) => blockAtLeft('iso', b) },
}

export const isBoardId = (id: string): id is BoardId => (boardIds as readonly string[]).includes(id)
/** The name of a catalogued board as the screen shows it. */
export const boardName = (board: BoardId): string => specs[board].name

/**
 * The keys of a catalogue board, in mm.
 * @throws CoreError `BOARD_UNKNOWN` when `board` is not in `boardIds`
 */
export function boardControls(board: string, bottomRow: BottomRow): Control[] {
  if (!isBoardId(board)) {
    throw new CoreError('BOARD_UNKNOWN', {
      where: ['board'],
      what: `there is no board "${board.slice(0, 40)}"`,
      remedy: `choose one of ${boardIds.join(', ')}`,
    })
  }
  return specs[board].rows(bottomRow).flatMap(rowControls)
}

function rowControls(spec: RowSpec): Control[] {
  const controls: Control[] = []
  const heightU = spec.heightU ?? 1
  let xU = spec.xU ?? 0
  for (const item of spec.keys.split(' ')) {
    if (item.startsWith('_')) {
      xU += Number(item.slice(1))
      continue
    }
    const [id, width] = item.split('*') as [string, string?]
    const widthU = Number(width ?? 1)
    controls.push({
      id,
      code: id === 'Fn' ? null : id,
      row: spec.row,
      xMm: (xU + widthU / 2) * pitchMm,
      yMm: (spec.yU + heightU / 2) * pitchMm,
      widthMm: widthU * pitchMm - capGapMm,
      heightMm: heightU * pitchMm - capGapMm,
    })
    xU += widthU
  }
  return controls
}
