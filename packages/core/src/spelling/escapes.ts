import { table } from '../table.js'
import type { Modifier } from '../triggers/index.js'

/** A press as a text of control characters tells it: a character or the code of a key, with what is held. */
export interface Press {
  readonly held: readonly Modifier[]
  readonly code?: string
  readonly char?: string
}

const esc = '\u001b'

/** Ways to write one control character, with the text after it. Spellings of readline(3), terminfo(5) and stty(1). */
const spellings: readonly [RegExp, (found: RegExpExecArray) => Unit][] = [
  [/^\\(?:e|E|033|0?33|x1[bB]|u001[bB])/, () => ({ char: esc })],
  [/^\^\[/, () => ({ char: esc })],
  [/^(?:\\C-\\M-|\\M-\\C-)(\\?.)/, (m) => ({ char: last(m), control: true, meta: true })],
  [/^\\C-(\\?.)/, (m) => ({ char: last(m), control: true })],
  [/^\\M-(\\?.)/, (m) => ({ char: last(m), meta: true })],
  [/^\^([@-_a-z?])/, (m) => ({ char: m[1] === '?' ? '\u007f' : last(m), control: m[1] !== '?' })],
  [/^\\(?:d|177|x7[fF])/, () => ({ char: '\u007f' })],
  [/^\\t/, () => ({ char: '\t' })],
  [/^\\[rn]/, () => ({ char: '\r' })],
  [/^\\b/, () => ({ char: '\b' })],
  [/^\\([\\"' ,^:])/, (m) => ({ char: last(m) })],
  [/^\\0(?:00)?(?![0-7])/, () => ({ char: '@', control: true })],
  // a byte of Latin-1, as a key of a national layout sends it
  [/^\\([23][0-7]{2})/, (m) => ({ char: String.fromCharCode(parseInt(last(m), 8)) })],
  [/^([^\\])/su, (m) => ({ char: last(m) })],
]

const last = (found: RegExpExecArray): string => found[1]?.replace(/^\\(?=.)/, '') ?? ''

interface Unit {
  readonly char: string
  readonly control?: boolean
  readonly meta?: boolean
}

/** Whether a text has a control character in one of the ways that key files write it. */
export const hasEscapes = (text: string): boolean =>
  /^\^[@-_a-z?]|\\(?:C-|M-|e|E|033|x1b|u001b|[0-7]{3}|[\\"']$)|\^\[/i.test(text)

/** Final letters of a function key's sequence; ECMA-48 and what terminals of today send, by terminfo. */
const finals = table<string>({
  A: 'ArrowUp',
  B: 'ArrowDown',
  C: 'ArrowRight',
  D: 'ArrowLeft',
  E: 'Numpad5',
  F: 'End',
  H: 'Home',
  M: 'NumpadEnter',
  P: 'F1',
  Q: 'F2',
  R: 'F3',
  S: 'F4',
  Z: 'Tab',
  a: 'ArrowUp',
  b: 'ArrowDown',
  c: 'ArrowRight',
  d: 'ArrowLeft',
})
const numpad = table<string>({
  j: 'NumpadMultiply',
  k: 'NumpadAdd',
  l: 'NumpadComma',
  m: 'NumpadSubtract',
  n: 'NumpadDecimal',
  o: 'NumpadDivide',
  ...Object.fromEntries([...'pqrstuvwxy'].map((letter, i) => [letter, `Numpad${i}`])),
})
const numbers = table<string>({
  1: 'Home',
  2: 'Insert',
  3: 'Delete',
  4: 'End',
  5: 'PageUp',
  6: 'PageDown',
  7: 'Home',
  8: 'End',
  ...Object.fromEntries(
    [11, 12, 13, 14, 15, 17, 18, 19, 20, 21, 23, 24, 25, 26, 28, 29, 31, 32, 33, 34].map((n, i) => [
      n,
      `F${i + 1}`,
    ]),
  ),
})

/** The presses of a text with control characters; null when a sequence is none that a key sends. */
export function pressesOf(text: string): Press[] | null {
  const units: Unit[] = []
  for (let rest = text; rest !== '';) {
    const [found, make] = firstOf(rest)
    if (!found || !make) return null
    units.push(make(found))
    rest = rest.slice(found[0].length)
  }
  const presses: Press[] = []
  for (let at = 0; at < units.length;) {
    const read = sequenceAt(units, at) ?? { press: pressOf(units[at] as Unit), length: 1 }
    if (!read.press) return null
    presses.push(read.press)
    at += read.length
  }
  return presses
}

function firstOf(text: string): [RegExpExecArray | null, ((m: RegExpExecArray) => Unit) | null] {
  for (const [pattern, make] of spellings) {
    const found = pattern.exec(text)
    if (found) return [found, make]
  }
  return [null, null]
}

/** What begins with escape: a function key's sequence, or a press with Alt. */
function sequenceAt(
  units: readonly Unit[],
  at: number,
): { readonly press: Press | null; readonly length: number } | null {
  if (units[at]?.char !== esc || units[at]?.control) return null
  const plain = units
    .slice(at + 1)
    .map((u) => (u.control || u.meta ? '\u0000' : u.char))
    .join('')
  const console = /^\[\[([A-E])/.exec(plain)
  if (console)
    return { press: { held: [], code: `F${'ABCDE'.indexOf(console[1] as string) + 1}` }, length: 4 }
  // the number block in application mode: VT100
  const block = /^O([j-y])/.exec(plain)?.[1]
  if (block !== undefined) {
    const code = numpad[block]
    return { press: code === undefined ? null : { held: [], code }, length: 3 }
  }
  const found = /^(?:\[|O)(\d*)(?:;(\d+))?([A-Za-z~^$@])/.exec(plain)
  if (found) {
    const [all, number = '', more, final = ''] = found
    const isNumbered = /[~^$@]/.test(final)
    const code = isNumbered ? numbers[number] : finals[final]
    // xterm: one more than the sum of Shift 1, Alt 2, Control 4, Meta 8; rxvt by the last letter
    const bits = Math.max(0, Number(more ?? (isNumbered ? '' : number)) - 1)
    const held: Modifier[] = [
      ...(bits & 1 || final === '$' || final === '@' || final === 'Z' || /^\[[a-d]$/.test(all)
        ? ['Shift' as const]
        : []),
      ...(bits & 2 ? ['Alt' as const] : []),
      ...(bits & 4 || final === '^' || final === '@' || /^O[a-d]$/.test(all) ? ['Control' as const] : []),
      ...(bits & 8 ? ['Meta' as const] : []),
    ]
    return { press: code === undefined ? null : { held, code }, length: 1 + all.length }
  }
  const next = units[at + 1]
  if (!next) return { press: { held: [], code: 'Escape' }, length: 1 }
  const inner = sequenceAt(units, at + 1) ?? { press: pressOf(next), length: 1 }
  return {
    press: inner.press && { ...inner.press, held: [...inner.press.held, 'Alt'] },
    length: 1 + inner.length,
  }
}

const controls = table<string>({
  '\t': 'Tab',
  '\r': 'Enter',
  '\b': 'Backspace',
  '\u007f': 'Backspace',
  ' ': 'Space',
})

function pressOf({ char, control, meta }: Unit): Press {
  const held: Modifier[] = [...(control ? (['Control'] as const) : []), ...(meta ? (['Alt'] as const) : [])]
  const small = char.toLowerCase()
  // what a terminal sends for these is what the key of the name sends
  if (control && !meta && 'im'.includes(small) && small !== '')
    return { held: [], code: small === 'i' ? 'Tab' : 'Enter' }
  if (control && char === '@') return { held, code: 'Space' }
  const code = controls[char]
  if (code !== undefined) return { held, code }
  if (char === esc) return { held, code: 'Escape' }
  // a terminal tells capitals apart but where Control is held
  const isCapital = char !== small && !control
  return { held: isCapital ? [...held, 'Shift'] : held, char: isCapital ? small : char }
}
