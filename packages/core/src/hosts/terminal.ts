import type { Program } from '../commands/index.js'
import {
  characterAt,
  chord,
  codeOfCharacter,
  triggerKey,
  type Chord,
  type NationalLayout,
  type TriggerKey,
} from '../triggers/index.js'
import type { StageTake } from './take.js'

/** What terminals send, and what the line discipline takes, as the data file has it. */
export interface TerminalKeys {
  /** terminfo's name of a key → what it sends, escapes written as terminfo writes them */
  readonly terminfo: Readonly<Record<string, string>>
  /** function of a special character → the character, such as `intr` → `^C` */
  readonly lineDiscipline: Readonly<Record<string, string>>
}

/** What a chord becomes in a terminal: the octets that arrive, or null when nothing does. */
export type Octets = string | null

/** terminfo's names of editing keys without modifiers, and the start of those with. */
const editingNames: Readonly<Record<string, readonly [plain: string, held: string, shift: string]>> = {
  ArrowUp: ['kcuu1', 'kUP', 'kri'],
  ArrowDown: ['kcud1', 'kDN', 'kind'],
  ArrowRight: ['kcuf1', 'kRIT', 'kRIT'],
  ArrowLeft: ['kcub1', 'kLFT', 'kLFT'],
  Home: ['khome', 'kHOM', 'kHOM'],
  End: ['kend', 'kEND', 'kEND'],
  Insert: ['kich1', 'kIC', 'kIC'],
  Delete: ['kdch1', 'kDC', 'kDC'],
  PageUp: ['kpp', 'kPRV', 'kPRV'],
  PageDown: ['knp', 'kNXT', 'kNXT'],
}

/** terminfo numbers function keys on: 13 to 24 with Shift, 25 to 36 with Control, 37 to 48 with both, 49 to 60 with Alt, 61 to 63 with Alt and Shift. */
const functionShift: Readonly<Record<string, number>> = {
  '': 0,
  Shift: 12,
  Control: 24,
  'Control+Shift': 36,
  Alt: 48,
  'Shift+Alt': 60,
}

/** Signs that Control makes a control character of, beside the letters: ECMA-48 C0, columns 4 and 5 less 64. */
const controlSigns = '@[\\]^_'
/** What terminals send for Control with signs and digits that have no control character. From memory. */
const controlOthers: Readonly<Record<string, string>> = {
  ' ': '\0',
  '2': '\0',
  '3': '\x1b',
  '4': '\x1c',
  '5': '\x1d',
  '6': '\x1e',
  '7': '\x1f',
  '8': '\x7f',
  '/': '\x1f',
  '?': '\x7f',
}

const numpadCharacters: Readonly<Record<string, string>> = {
  NumpadAdd: '+',
  NumpadSubtract: '-',
  NumpadMultiply: '*',
  NumpadDivide: '/',
  NumpadDecimal: '.',
}

const unescape = (text: string): string => text.replaceAll('\\E', '\x1b').replaceAll('^?', '\x7f')

/** The octets that a chord sends in a terminal without an extended key protocol (ECMA-48, terminfo). */
export function terminalOctets(sent: Chord, layout: NationalLayout, terminal: TerminalKeys): Octets {
  const held = new Set<string>(sent.modifiers)
  if (held.has('Meta')) return null
  const alt = held.has('Alt')
  const plain = octetsWithoutAlt(sent, held, layout, terminal)
  if (plain !== undefined) return plain === null ? null : alt ? `\x1b${plain}` : plain
  return namedKey(sent, terminal)
}

/** Keys that send characters; undefined for keys that send sequences. */
function octetsWithoutAlt(
  { code }: Chord,
  held: ReadonlySet<string>,
  layout: NationalLayout,
  terminal: TerminalKeys,
): Octets | undefined {
  const [shift, control] = [held.has('Shift'), held.has('Control')]
  switch (code) {
    case 'Enter':
    case 'NumpadEnter':
      return '\r'
    case 'Tab':
      return shift && !control ? unescape(terminal.terminfo['kcbt'] ?? '\\E[Z') : '\t'
    case 'Escape':
      return '\x1b'
    case 'Backspace':
      return control ? '\b' : '\x7f'
    case 'Space':
      return control ? '\0' : ' '
  }
  const level = held.has('AltGraph') ? (shift ? 4 : 3) : shift ? 2 : 1
  const digit = /^Numpad(\d)$/.exec(code)?.[1]
  const character = digit ?? numpadCharacters[code] ?? characterAt(layout, code, level)
  if (character === null) return undefined
  if (character.startsWith('dead:')) return control ? null : character
  return control ? controlOctet(character, characterAt(layout, code, 1)) : character
}

/** Control with a letter is the letter less 96, whatever else is held; with most signs nothing arrives that tells it. */
function controlOctet(character: string, bare: string | null): Octets {
  const letter = /^[a-z]$/i.test(character) ? character : /^[a-z]$/i.test(bare ?? '') ? bare : null
  if (letter !== null) return String.fromCharCode((letter as string).toLowerCase().charCodeAt(0) - 96)
  if (controlSigns.includes(character)) return String.fromCharCode(character.charCodeAt(0) - 64)
  return controlOthers[character] ?? null
}

/** Function and editing keys: told apart with modifiers only where terminfo lists them. */
function namedKey({ code, modifiers: held }: Chord, { terminfo }: TerminalKeys): Octets {
  if (held.includes('AltGraph')) return null
  const digit = /^F(\d+)$/.exec(code)?.[1]
  if (digit !== undefined) {
    const shift = functionShift[held.join('+')]
    // F13 and on have no modifiers left
    const number = Number(digit) > 12 && held.length > 0 ? null : Number(digit) + (shift ?? NaN)
    const found = number === null ? undefined : terminfo[`kf${number}`]
    return found === undefined ? null : unescape(found)
  }
  const names = editingNames[code]
  if (!names) return null
  // terminfo writes the modifiers as 1 plus 1 for Shift, 2 for Alt, 4 for Control
  const sum = (['Shift', 'Alt', 'Control'] as const).reduce(
    (total, m, i) => total + (held.includes(m) ? 2 ** i : 0),
    1,
  )
  const name = sum === 1 ? names[0] : sum === 2 ? names[2] : `${names[1]}${sum}`
  const found = terminfo[name]
  return found === undefined ? null : unescape(found)
}

/** Chords by which programs know what has several: Tab for Ctrl+I, Enter, Escape, the bare key of a control letter. */
export function arrivesAs(
  sent: Chord,
  layout: NationalLayout,
  terminal: TerminalKeys,
): { readonly chord: Chord; readonly isSame: boolean } | null {
  const octets = terminalOctets(sent, layout, terminal)
  if (octets === null) return null
  const known = chordFor(octets, layout)
  const plain = known ?? sent
  return { chord: plain, isSame: triggerKey(plain) === triggerKey(sent) }
}

const namedOctets: Readonly<Record<string, Chord>> = {
  '\t': chord('Tab'),
  '\r': chord('Enter'),
  '\x1b': chord('Escape'),
  '\x7f': chord('Backspace'),
  ' ': chord('Space'),
  '\0': chord('Space', ['Control']),
}

/** The plainest chord that sends these octets; null where the chord itself is the plainest. */
function chordFor(octets: string, layout: NationalLayout): Chord | null {
  const named = namedOctets[octets]
  if (named) return named
  if (octets.length > 1 && octets.startsWith('\x1b')) {
    const inner = chordFor(octets.slice(1), layout)
    // Alt sends Escape first
    return octets.length === 2 && inner ? chord(inner.code, [...inner.modifiers, 'Alt']) : null
  }
  const code = octets.charCodeAt(0)
  if (octets.length !== 1 || code >= 32) return null
  const letter = code <= 26 ? String.fromCharCode(code + 96) : String.fromCharCode(code + 64)
  const at = codeOfCharacter(layout, letter)
  return at === null ? null : chord(at, ['Control'])
}

/** Chords that a program in a terminal can be told by: control letters though they are Tab and Enter too. */
const isControlLetter = ({ code, modifiers: held }: Chord, layout: NationalLayout): boolean =>
  held.includes('Control') &&
  !held.includes('Shift') &&
  /^[a-z[\]\\^_@]$/i.test(characterAt(layout, code, 1) ?? '')

/** Special characters that the line discipline takes until the program turns it off, and what they do. */
const lineWords: Readonly<Record<string, string>> = {
  intr: 'end the program',
  quit: 'end the program with a dump',
  susp: 'stop the program and go back to the shell',
  start: 'go on with the output',
  stop: 'hold the output',
  eof: 'end the input',
  lnext: 'take the next key as it is',
}

/** Keys of terminal windows themselves. From memory: what several of them have. */
const windowKeys: ReadonlyMap<TriggerKey, string> = new Map(
  (
    [
      [chord('PageUp', ['Shift']), 'scroll back'],
      [chord('PageDown', ['Shift']), 'scroll on'],
      [chord('Insert', ['Shift']), 'paste'],
      [chord('PageUp', ['Control']), 'previous tab'],
      [chord('PageDown', ['Control']), 'next tab'],
      [chord('F10'), 'open the menu'],
      [chord('F11'), 'full screen'],
      [chord('F1'), 'help'],
      ...['KeyC', 'KeyV', 'KeyT', 'KeyN', 'KeyW', 'KeyF', 'KeyQ'].map(
        (code) => [chord(code, ['Control', 'Shift']), 'copy, paste, tabs and windows'] as const,
      ),
      ...Array.from({ length: 9 }, (_, i) => [chord(`Digit${i + 1}`, ['Alt']), `tab ${i + 1}`] as const),
    ] as const
  ).map(([sent, does]) => [triggerKey(sent), does]),
)

/** What a terminal does with a chord of a program that runs in it, the gravest first; none where it arrives as itself. */
export function terminalTakes(
  sent: Chord,
  program: Program,
  layout: NationalLayout,
  terminal: TerminalKeys | undefined,
): StageTake[] {
  if (program.host !== 'terminal' || !terminal) return []
  const base = { stage: 'host', by: 'The terminal', evidence: 'catalogue' } as const
  const window = windowKeys.get(triggerKey(sent))
  const ofWindow: StageTake[] =
    window === undefined || program.takesHostKeys === true
      ? []
      : [
          {
            ...base,
            kind: 'terminal-window',
            severity: 'caution',
            does: window,
            remedy:
              'Turn it off in the settings of the terminal window, then say so in the program’s settings.',
            evidence: 'from memory',
          },
        ]
  if (program.extendedKeys === true) return ofWindow
  const extended = `Where ${program.name} and the terminal speak an extended key protocol, say so in its settings.`
  const arrives = arrivesAs(sent, layout, terminal)
  if (!arrives)
    return [
      {
        ...base,
        kind: 'terminal-never',
        severity: 'blocks',
        does: 'nothing is sent for it',
        remedy: extended,
      },
      ...ofWindow,
    ]
  const line = lineTake(sent, program, layout, terminal)
  if (line) return [line, ...ofWindow]
  if (arrives.isSame) return ofWindow
  const isBindable = isControlLetter(sent, layout)
  return [
    {
      ...base,
      kind: 'terminal-collapses',
      severity: isBindable ? 'caution' : 'blocks',
      does: isBindable ? 'the same as for another key' : 'it arrives as another key',
      remedy: extended,
    },
    ...ofWindow,
  ]
}

function lineTake(
  sent: Chord,
  program: Program,
  layout: NationalLayout,
  { lineDiscipline, terminfo }: TerminalKeys,
): StageTake | null {
  if (program.takesHostKeys === true) return null
  const octets = terminalOctets(sent, layout, { lineDiscipline, terminfo })
  const found = Object.entries(lineWords).find(([name]) => {
    const sign = /^\^(.)$/.exec(lineDiscipline[name] ?? '')?.[1]
    return sign !== undefined && octets === String.fromCharCode(sign.charCodeAt(0) - 64)
  })
  return found
    ? {
        stage: 'host',
        kind: 'terminal-line',
        severity: 'blocks',
        by: 'The terminal’s line discipline',
        does: found[1],
        remedy: `Full-screen programs mostly turn this off. Where ${program.name} does, say so in its settings.`,
        evidence: 'catalogue',
      }
    : null
}
