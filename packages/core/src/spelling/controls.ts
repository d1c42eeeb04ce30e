import { parseTrigger, type Modifier, type Naming, type Trigger } from '../triggers/index.js'
import type { Speller } from './style.js'

/** What pointers are called in tables, and which control of a mouse it is. Common practice, no source. */
const pointerWords: readonly [RegExp, string][] = [
  [/^(?:left[- ]?(?:mouse[- ]?)?(?:click|button)|click|lmb|mouse ?1|button ?1|mouse left)$/, 'left'],
  [/^(?:right[- ]?(?:mouse[- ]?)?(?:click|button)|rmb|mouse ?2|button ?3|mouse right)$/, 'right'],
  [/^(?:double[- ]?click|double[- ]?left[- ]?click)$/, 'left x2'],
  [/^(?:middle[- ]?(?:mouse[- ]?)?(?:click|button)|mmb|button ?2|wheel (?:click|button))$/, 'wheel'],
  [/^(?:mouse ?4|back button|button ?8)$/, 'back'],
  [/^(?:mouse ?5|forward button|button ?9)$/, 'forward'],
  [/^(?:mouse )?(?:wheel|scroll)[- ]?up$|^scrollup$|^wheelup$|^mousewheelup$|^button ?4$/, 'wheel up'],
  [
    /^(?:mouse )?(?:wheel|scroll)[- ]?down$|^scrolldown$|^wheeldown$|^mousewheeldown$|^button ?5$/,
    'wheel down',
  ],
]

interface Controls {
  readonly refs: readonly string[]
  /** by a control's name, and by its device's and its own, in small letters */
  readonly byName: ReadonlyMap<string, string>
}
const known = new WeakMap<Naming, Controls>()

function controlsOf(naming: Naming): Controls {
  const made = known.get(naming)
  if (made) return made
  const byName = new Map<string, string>()
  const refs = [...(naming.legends ?? [])].filter(
    ([ref]) => /^[^@/]+\/[^/]+$/.test(ref) && !/^(?:device|popup)\//.test(ref),
  )
  for (const [ref, name] of refs) {
    const device = naming.legends?.get(`device/${ref.split('/')[0] ?? ''}`)
    for (const words of [name, ...(device === undefined ? [] : [`${device} ${name}`])])
      if (!byName.has(words.toLocaleLowerCase())) byName.set(words.toLocaleLowerCase(), ref)
  }
  const controls = { refs: refs.map(([ref]) => ref), byName }
  known.set(naming, controls)
  return controls
}

/** A control of a device by its name, or a button or the wheel of the mouse by its usual words, with what is held. */
export function namedControl(text: string, { naming }: Speller): Trigger | null {
  const { refs, byName } = controlsOf(naming)
  const wanted = text.trim().toLocaleLowerCase()
  const named = byName.get(wanted)
  if (named !== undefined) return parsedOrNull(named)
  const { held, rest } = heldIn(wanted, naming.keyWords?.modifiers)
  for (const [pattern, control] of pointerWords) {
    if (!pattern.test(rest)) continue
    const mouse = refs.find((ref) => ref.endsWith('/wheel'))?.split('/')[0]
    return mouse === undefined ? null : parsedOrNull([...held, `${mouse}/${control}`].join('+'))
  }
  return null
}

/** How a column of buttons names them; its settings write what is held before, each with a hyphen. */
const buttonWord = /^(?:.*[-+])?(left|right|middle|up|down|back|forward|button[1-9])$/i

/** Whether a text may be a button of the mouse in a column of buttons. */
export const isButtonWord = (text: string): boolean => buttonWord.test(text.trim())

const prefixed: Readonly<Record<string, Modifier>> = { a: 'Alt', c: 'Control', s: 'Shift', w: 'Meta' }

/** A button or the wheel of the mouse in a column that names buttons alone: `A-Left`, `Middle`, `C-Up`. */
export function buttonOf(text: string, speller: Speller): Trigger | null {
  const words = text.trim().toLowerCase().split(/[-+]/)
  const button = words.pop() ?? ''
  const named = /^(?:up|down)$/.test(button) ? `scroll ${button}` : `${button} button`
  const held = words.map((word) => prefixed[word] ?? speller.naming.keyWords?.modifiers.get(word))
  if (held.some((modifier) => modifier === undefined)) return null
  return namedControl([...held, /^button\d$/.test(button) ? button : named].join('+'), speller)
}

function heldIn(
  text: string,
  words: ReadonlyMap<string, Modifier> = new Map(),
): { readonly held: readonly Modifier[]; readonly rest: string } {
  const held: Modifier[] = []
  let rest = text
  for (
    let found = /^(\S+?)\s*[+-]\s*(?=\S)/.exec(rest);
    found;
    found = /^(\S+?)\s*[+-]\s*(?=\S)/.exec(rest)
  ) {
    const modifier = words.get(found[1] as string)
    if (!modifier) break
    held.push(modifier)
    rest = rest.slice(found[0].length)
  }
  return { held, rest }
}

function parsedOrNull(text: string): Trigger | null {
  try {
    return parseTrigger(text)
  } catch {
    return null
  }
}
