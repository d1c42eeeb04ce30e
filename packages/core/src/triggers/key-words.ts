import { table } from '../table.js'
import type { Modifier } from './modifiers.js'

/** Words for keys by language, as the data file has them: `de` → `Shift` → [`Umschalt`]. */
export type KeyWordData = Readonly<Record<string, Readonly<Record<string, readonly string[]>>>>

/** What a word, in small letters, stands for: a modifier, or the key of a code. */
export interface KeyWords {
  readonly modifiers: ReadonlyMap<string, Modifier>
  readonly codes: ReadonlyMap<string, string>
  /** names of characters in configuration files, as they are written there: `bracketleft` → `[` */
  readonly characters: ReadonlyMap<string, string>
}

/** Names of keys and characters that configuration files use: W3C and Linux codes, X keysyms. */
export interface KeyNames {
  readonly codes: Readonly<Record<string, string>>
  readonly characters: Readonly<Record<string, string>>
}
const noNames: KeyNames = { codes: {}, characters: {} }

/** Names of modifiers that people write, whatever the system. Common practice, no source. */
const modifierWords = table<Modifier>({
  ctrl: 'Control',
  control: 'Control',
  shift: 'Shift',
  alt: 'Alt',
  option: 'Alt',
  opt: 'Alt',
  altgr: 'AltGraph',
  altgraph: 'AltGraph',
  meta: 'Meta',
  super: 'Meta',
  win: 'Meta',
  windows: 'Meta',
  cmd: 'Meta',
  command: 'Meta',
  mod1: 'Alt',
  mod4: 'Meta',
  mod5: 'AltGraph',
  'alt gr': 'AltGraph',
  'alt graph': 'AltGraph',
  'iso level3 shift': 'AltGraph',
  'windows key': 'Meta',
  'command key': 'Meta',
  '⌘': 'Meta',
  '⌥': 'Alt',
  '⌃': 'Control',
  '⇧': 'Shift',
})

/** Names of keys in English, and their signs. */
const codeWords = table<string>({
  esc: 'Escape',
  escape: 'Escape',
  enter: 'Enter',
  return: 'Enter',
  space: 'Space',
  spacebar: 'Space',
  tab: 'Tab',
  backspace: 'Backspace',
  del: 'Delete',
  delete: 'Delete',
  ins: 'Insert',
  insert: 'Insert',
  home: 'Home',
  end: 'End',
  pgup: 'PageUp',
  'page up': 'PageUp',
  pageup: 'PageUp',
  pgdn: 'PageDown',
  pgdown: 'PageDown',
  'page down': 'PageDown',
  pagedown: 'PageDown',
  up: 'ArrowUp',
  down: 'ArrowDown',
  left: 'ArrowLeft',
  right: 'ArrowRight',
  menu: 'ContextMenu',
  pause: 'Pause',
  print: 'PrintScreen',
  'print screen': 'PrintScreen',
  prtsc: 'PrintScreen',
  'caps lock': 'CapsLock',
  capslock: 'CapsLock',
  'num lock': 'NumLock',
  numlock: 'NumLock',
  'scroll lock': 'ScrollLock',
  scrolllock: 'ScrollLock',
  backspc: 'Backspace',
  bksp: 'Backspace',
  bs: 'Backspace',
  'back space': 'Backspace',
  rubout: 'Backspace',
  cr: 'Enter',
  ret: 'Enter',
  'space bar': 'Space',
  spc: 'Space',
  backtab: 'Tab',
  'page-up': 'PageUp',
  'page-down': 'PageDown',
  arrowup: 'ArrowUp',
  arrowdown: 'ArrowDown',
  arrowleft: 'ArrowLeft',
  arrowright: 'ArrowRight',
  'arrow up': 'ArrowUp',
  'arrow down': 'ArrowDown',
  'arrow left': 'ArrowLeft',
  'arrow right': 'ArrowRight',
  'up arrow': 'ArrowUp',
  'down arrow': 'ArrowDown',
  'left arrow': 'ArrowLeft',
  'right arrow': 'ArrowRight',
  uparrow: 'ArrowUp',
  downarrow: 'ArrowDown',
  leftarrow: 'ArrowLeft',
  rightarrow: 'ArrowRight',
  'cursor up': 'ArrowUp',
  'cursor down': 'ArrowDown',
  'cursor left': 'ArrowLeft',
  'cursor right': 'ArrowRight',
  'context menu': 'ContextMenu',
  contextmenu: 'ContextMenu',
  printscreen: 'PrintScreen',
  'prt scr': 'PrintScreen',
  prtscn: 'PrintScreen',
  'prt sc': 'PrintScreen',
  'sys rq': 'PrintScreen',
  sysrq: 'PrintScreen',
  sysreq: 'PrintScreen',
  caps: 'CapsLock',
  'left shift': 'ShiftLeft',
  'right shift': 'ShiftRight',
  'left ctrl': 'ControlLeft',
  'right ctrl': 'ControlRight',
  'left control': 'ControlLeft',
  'right control': 'ControlRight',
  'left alt': 'AltLeft',
  'right alt': 'AltRight',
  'left super': 'MetaLeft',
  'right super': 'MetaRight',
  'left win': 'MetaLeft',
  'right win': 'MetaRight',
  'left windows': 'MetaLeft',
  'right windows': 'MetaRight',
  henkan: 'Convert',
  'henkan mode': 'Convert',
  muhenkan: 'NonConvert',
  'zenkaku hankaku': 'Backquote',
  kanji: 'Backquote',
  'hiragana katakana': 'KanaMode',
  'eisu toggle': 'CapsLock',
  hangul: 'Lang1',
  'hangul hanja': 'Lang2',
  'volume up': 'AudioVolumeUp',
  'volume down': 'AudioVolumeDown',
  xf86audioraisevolume: 'AudioVolumeUp',
  xf86audiolowervolume: 'AudioVolumeDown',
  xf86audiomute: 'AudioVolumeMute',
  xf86audioplay: 'MediaPlayPause',
  xf86audiopause: 'MediaPlayPause',
  xf86audiostop: 'MediaStop',
  xf86audionext: 'MediaTrackNext',
  xf86audioprev: 'MediaTrackPrevious',
  xf86audiomedia: 'MediaSelect',
  xf86mail: 'LaunchMail',
  xf86homepage: 'BrowserHome',
  xf86www: 'BrowserHome',
  xf86search: 'BrowserSearch',
  xf86back: 'BrowserBack',
  xf86forward: 'BrowserForward',
  xf86reload: 'BrowserRefresh',
  xf86refresh: 'BrowserRefresh',
  xf86favorites: 'BrowserFavorites',
  xf86calculator: 'LaunchApp2',
  xf86explorer: 'LaunchApp1',
  xf86mycomputer: 'LaunchApp1',
  xf86poweroff: 'Power',
  xf86sleep: 'Sleep',
  xf86wakeup: 'WakeUp',
  xf86eject: 'Eject',
  xf86copy: 'Copy',
  xf86cut: 'Cut',
  xf86paste: 'Paste',
  xf86open: 'Open',
  xf86tools: 'MediaSelect',
  'media play': 'MediaPlayPause',
  'media stop': 'MediaStop',
  'media next': 'MediaTrackNext',
  'media previous': 'MediaTrackPrevious',
  '⏎': 'Enter',
  '↵': 'Enter',
  '⌫': 'Backspace',
  '⌦': 'Delete',
  '⎋': 'Escape',
  '⇥': 'Tab',
  '␣': 'Space',
  '↑': 'ArrowUp',
  '↓': 'ArrowDown',
  '←': 'ArrowLeft',
  '→': 'ArrowRight',
  '⇞': 'PageUp',
  '⇟': 'PageDown',
  '↖': 'Home',
  '↘': 'End',
})

/** The data's names of keys that are codes of ours under another word. */
const dataKeys = table<string>({
  PgUp: 'pgup',
  Page_Up: 'pgup',
  'Page Up': 'pgup',
  PgDown: 'pgdn',
  Page_Down: 'pgdn',
  'Page Down': 'pgdn',
  BackSpace: 'backspace',
  Backtab: 'backtab',
  SysReq: 'sysreq',
})

/** Codes of keys on old and office keyboards whose names are those of commands, which they are in any table. */
const alsoCommands = new Set(
  [
    'Again',
    'Copy',
    'Cut',
    'Eject',
    'Find',
    'Help',
    'Open',
    'Paste',
    'Power',
    'Props',
    'Select',
    'Sleep',
  ].concat(['Suspend', 'Undo', 'WakeUp']),
)

/** Words of all languages; English first, so that no other language takes an English word for another key. */
export function keyWords(data: KeyWordData = {}, names: KeyNames = noNames): KeyWords {
  const modifiers = new Map<string, Modifier>(Object.entries(modifierWords) as [string, Modifier][])
  const codes = new Map<string, string>(Object.entries(codeWords) as [string, string][])
  for (const words of Object.values(data))
    for (const [key, names] of Object.entries(words)) {
      const english = dataKeys[key] ?? key.toLowerCase()
      const [modifier, code] = [modifierWords[english], codeWords[english]]
      for (const name of names) {
        const word = name.toLocaleLowerCase()
        if (modifiers.has(word) || codes.has(word)) continue
        if (modifier !== undefined) modifiers.set(word, modifier)
        else if (code !== undefined) codes.set(word, code)
      }
    }
  for (const [name, code] of Object.entries(names.codes)) {
    // “Keys” is a word, and KeyS a code
    if (/^Key[A-Z]$/.test(name)) continue
    const word = name.toLocaleLowerCase()
    if (!alsoCommands.has(name) && !codes.has(word) && !modifiers.has(word)) codes.set(word, code)
  }
  return { modifiers, codes, characters: new Map(Object.entries(names.characters)) }
}
