import { catalogues } from '@reach-plot/data'
import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { keyWords, triggerKey, type Naming } from '../../src/index.js'
import { readKeys, settleStyle, plainStyle, type Speller } from '../../src/spelling/index.js'

const layout = (id: string) => catalogues.layouts.find((l) => l.id === id)!
const codes = [
  ...Object.keys(layout('us').keys),
  'Enter',
  'Escape',
  'Tab',
  'Space',
  'Delete',
  'ArrowLeft',
  ...Array.from({ length: 12 }, (_, i) => `F${i + 1}`),
]
const words = keyWords(catalogues.keyWords, catalogues.keyNames)
const speller = (layoutId: string, systemId: Naming['systemId'] = 'gnome'): Speller => ({
  naming: {
    systemId,
    layout: layout(layoutId),
    keyWords: words,
    legends: new Map([
      ['device/pad', 'Pad'],
      ['pad/k3', 'key 3'],
      ['device/mouse', 'Mouse'],
      ['mouse/left', 'left button'],
      ['mouse/wheel', 'wheel'],
    ]),
  },
  codes,
})
const us = speller('us')
const german = speller('de')
const read = (text: string, by: Speller = us, style = plainStyle): string => {
  const found = readKeys(text, by, style)
  return 'why' in found ? `! ${found.why}` : found.triggers.map(triggerKey).join(' | ')
}

describe('spellings of keys', () => {
  // the forms of GTK (accelerator names), Qt (QKeySequence), X keysyms, W3C, evdev, terminfo, readline(3), Apple's and
  // GNOME's guidelines; words of other languages from data/words, itself from GTK and Qt; the rest common practice, no source
  test.each([
    ['Ctrl+Shift+E', 'Control+Shift+KeyE'],
    ['Ctrl-Shift-E', 'Control+Shift+KeyE'],
    ['ctrl shift e', 'Control+Shift+KeyE'],
    ['Ctrl + Shift + E', 'Control+Shift+KeyE'],
    ['C-S-e', 'Control+Shift+KeyE'],
    ['C-x C-s', 'Control+KeyX,Control+KeyS'],
    ['Ctrl+K Ctrl+C', 'Control+KeyK,Control+KeyC'],
    ['Ctrl+K then C', 'Control+KeyK,KeyC'],
    ['g i', 'KeyG,KeyI'],
    ['^A', 'Control+KeyA'],
    ['^X^S', 'Control+KeyX,Control+KeyS'],
    ['\\C-a', 'Control+KeyA'],
    ['"\\C-x\\C-r"', 'Control+KeyX,Control+KeyR'],
    ['\\M-f', 'Alt+KeyF'],
    ['\\ef', 'Alt+KeyF'],
    ['\\e[15~', 'F5'],
    ['\\E[1;5C', 'Control+ArrowRight'],
    ['\\EOP', 'F1'],
    ['^[[3~', 'Delete'],
    ['\\E[Z', 'Shift+Tab'],
    ['^?', 'Backspace'],
    ['<Control><Shift>a', 'Control+Shift+KeyA'],
    ['<Primary>a', 'Control+KeyA'],
    ['<Super>Page_Up', 'Meta+PageUp'],
    ['<Alt>Above_Tab', '! “<Alt>Above_Tab” is no key that is known here'],
    ["['<Super>space', 'F3']", 'Meta+Space | F3'],
    ['@as []', ''],
    ['<C-w>h', 'Control+KeyW,KeyH'],
    ['<F5>', 'F5'],
    ['⌘⇧A', 'Shift+Meta+KeyA'],
    ['⌃⌥⌫', 'Control+Alt+Backspace'],
    ['Command-Option-P', 'Alt+Meta+KeyP'],
    ['Mod4+Shift+q', 'Shift+Meta+KeyQ'],
    ['Strg+Umschalt+F5', 'Control+Shift+F5'],
    ['Maj+Suppr', 'Shift+Delete'],
    ['Mayús+Supr', 'Shift+Delete'],
    ['Num 7', 'Numpad7'],
    ['KP_7', 'Numpad7'],
    ['Ctrl+Num +', 'Control+NumpadAdd'],
    ['KeyA', 'KeyA'],
    ['KEY_LEFTBRACE', 'BracketLeft'],
    ['Left Arrow', 'ArrowLeft'],
    ['Alt+Left', 'Alt+ArrowLeft'],
    ['PgDn', 'PageDown'],
    ['Page Down', 'PageDown'],
    ['Control+bracketleft', 'Control+BracketLeft'],
    ['Mod1+Return', 'Alt+Enter'],
    ['C-A-Left', 'Control+Alt+ArrowLeft'],
    ['W-e', 'Meta+KeyE'],
    ['Alt Gr+E', 'AltGraph+KeyE'],
    ['Super_L', 'MetaLeft'],
    ['Super L', 'Meta+KeyL'],
    ['XF86AudioMute', 'AudioVolumeMute'],
    ['Ctrl++', 'Control+Shift+Equal'],
    ['Ctrl+-', 'Control+Minus'],
    ['Ctrl--', 'Control+Minus'],
    ['Ctrl+,', 'Control+Comma'],
    ['Ctrl+/', 'Control+Slash'],
    ['Ctrl+?', 'Control+Shift+Slash'],
    ['Ctrl+A, F5', 'Control+KeyA | F5'],
    ['Ctrl+A or F5', 'Control+KeyA | F5'],
    ['Ctrl+A / F5', 'Control+KeyA | F5'],
    ['Ctrl+Up/Down', 'Control+ArrowUp | Control+ArrowDown'],
    ['F3; Shift+F3', 'F3 | Shift+F3'],
    ['<kbd>Ctrl</kbd>+<kbd>S</kbd>', 'Control+KeyS'],
    ['`Ctrl+S`', 'Control+KeyS'],
    ['Pad key 3', 'pad/k3'],
    ['Ctrl+mouse wheel up', 'Control+mouse/wheel up'],
    ['F5 (hold)', 'F5 hold'],
    ['—', ''],
    ['Fn+F3', '! “Fn+F3” needs Fn, which no program is told of'],
    ['Ctrl+1-9', '! “Ctrl+1-9” is a range; write each key'],
    ['Ctrl+Shift', '! “Ctrl+Shift” is no key that is known here'],
  ])('%s', (text, expected) => {
    expect(read(text)).toBe(expected)
  })
  test.each([
    ['Ctrl+?', 'Control+Shift+Minus'],
    ['Ctrl+/', 'Control+Shift+Digit7'],
    ['Strg+ü', 'Control+BracketLeft'],
    ['Ctrl+Z', 'Control+KeyY'],
    ['Ctrl+^', 'Control+Backquote'],
    ['Ctrl+@', 'Control+AltGraph+KeyQ'],
    ['Entf', 'Delete'],
    ['Bild auf', 'PageUp'],
    ['Ctrl+ñ', '! “ñ” is not on the layout German'],
  ])('characters are found on the German layout: %s', (text, expected) => {
    expect(read(text, german)).toBe(expected)
  })
  test('Primary is Command on macOS', () => {
    expect(read('<Primary>a', speller('us', 'macos'))).toBe('Meta+KeyA')
  })
})

describe('what only the column tells', () => {
  test('one first chord before several others is a sequence, not two keys', () => {
    const style = settleStyle(['Ctrl+K, Ctrl+C', 'Ctrl+K, Ctrl+U', 'Ctrl+A'], us)
    expect(read('Ctrl+K, Ctrl+C', us, style)).toBe('Control+KeyK,Control+KeyC')
    expect(read('F3, F4', us, settleStyle(['F3, F4', 'F5, F6'], us))).toBe('F3 | F4')
  })
  test('small and capital letters of one key are two', () => {
    expect(read('G', us, settleStyle(['g', 'G', 'x'], us))).toBe('Shift+KeyG')
    expect(read('G', us, settleStyle(['G', 'X'], us))).toBe('KeyG')
  })
  test('a hyphen again and again is no key', () => {
    expect(read('-', us, settleStyle(['-', 'F1', '-'], us))).toBe('')
    expect(read('-', us, settleStyle(['-', '+', 'F1'], us))).toBe('Minus')
  })
  test('two letters are two keys where single letters are the usual and some pair is a letter twice', () => {
    const style = settleStyle(['j', 'k', 'x', 'gg', 'zt', 'G'], us)
    expect(read('gg', us, style)).toBe('KeyG,KeyG')
    expect(read('zt', us, style)).toBe('KeyZ,KeyT')
    expect(read('no', us, style)).toBe('! “no” is no key that is known here')
    expect(read('gg', us, settleStyle(['gg', 'F5', 'Ctrl+A'], us))).toMatch(/^!/)
    expect(read('zt', us, settleStyle(['j', 'k', 'x', 'zt'], us))).toMatch(/^!/)
    expect(read('gg', us, settleStyle(['j', 'k', 'x', 'gg', 'save', 'open', 'close', 'quit'], us))).toMatch(
      /^!/,
    )
  })
  test('a column of buttons is a mouse’s, not arrow keys', () => {
    // the buttons of Openbox's mouse bindings, rc.xml of its Debian package
    const cells = ['Left', 'Middle', 'Right', 'A-Left', 'C-A-Up', 'W-Down']
    const style = settleStyle(cells, us)
    expect(cells.map((c) => read(c, us, style))).toEqual([
      'mouse/left',
      'mouse/wheel',
      'mouse/right',
      'Alt+mouse/left',
      'Control+Alt+mouse/wheel up',
      'Meta+mouse/wheel down',
    ])
    expect(read('Left', us, settleStyle(['Left', 'Right', 'Up'], us))).toBe('ArrowLeft')
  })
  test('signs before characters in property lists', () => {
    const cells = ['@~f', '^a', '$@z', '~d']
    expect(cells.map((c) => read(c, us, settleStyle(cells, us)))).toEqual([
      'Alt+Meta+KeyF',
      'Control+KeyA',
      'Shift+Meta+KeyZ',
      'Alt+KeyD',
    ])
  })
})

describe('words that are no keys', () => {
  const isWord = (word: string): boolean =>
    !words.codes.has(word) &&
    !words.modifiers.has(word) &&
    !words.characters.has(word) &&
    !/^f\d+$/.test(word)
  const letters = (least: number) =>
    fc.string({ unit: fc.constantFrom(...'abcdefghijklmnopqrstuvwxyzäöüé'), minLength: least, maxLength: 12 })
  test('none of 10,000 becomes one, alone, beside a modifier, with hyphens or capitals', () => {
    fc.assert(
      fc.property(letters(2).filter(isWord), (word) => {
        for (const text of [
          word,
          `Ctrl+${word}`,
          `${word}+a`,
          `<Control>${word}`,
          word.toUpperCase(),
          `${word}-${word}`,
        ])
          for (const by of [us, german]) expect(read(text, by)).toMatch(/^!/)
      }),
      { numRuns: 10_000, seed: 7 },
    )
  }, 60_000)
  test('whatever is in a cell, reading ends and tells triggers or why', () => {
    fc.assert(
      fc.property(
        fc.string({ maxLength: 60, unit: fc.constantFrom(...'Ctrl+-, /|;<>[]\'"\\^eC~xKP_7⌘ ') }),
        (text) => {
          const found = readKeys(text, us, plainStyle)
          expect('why' in found ? found.why.length > 0 : found.triggers.length >= 0).toBe(true)
        },
      ),
      { numRuns: 2000, seed: 7 },
    )
  })
})
