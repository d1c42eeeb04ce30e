import type { Naming } from '../triggers/index.js'

/** What spellings are read with. */
export interface Speller {
  readonly naming: Naming
  /** keys that there are, for legends that are no characters */
  readonly codes: readonly string[]
  /** names of programs and contexts that the plan has, by which their columns are known */
  readonly known?: { readonly programs: ReadonlySet<string>; readonly contexts: ReadonlySet<string> }
  /** names of a key file's own, such as `$mod` */
  readonly variables?: ReadonlyMap<string, string>
}

/** How a column writes what one cell cannot tell. */
export interface SpellingStyle {
  /** a capital letter is its key with Shift */
  readonly capitalIsShift: boolean
  /** chords with a comma between are pressed one after another, not one or the other */
  readonly commaIsSequence: boolean
  /** a hyphen alone is no key */
  readonly dashIsNone: boolean
  /** `@ ~ ^ $` before a character are Command, Option, Control and Shift, as property lists write */
  readonly signsAreModifiers: boolean
  /** two letters without anything between are two keys: `gg`, `zt` */
  readonly lettersAreSequence: boolean
  /** Left, Middle, Right, Up and Down are a mouse's buttons and wheel, not arrow keys: `A-Left` */
  readonly wordsAreButtons: boolean
  /** a key stands before it, so that words that are commands too are keys */
  readonly isAfterKey?: boolean
}
export const plainStyle: SpellingStyle = {
  capitalIsShift: false,
  commaIsSequence: false,
  dashIsNone: false,
  signsAreModifiers: false,
  lettersAreSequence: false,
  wordsAreButtons: false,
}

/** Two letters that may be two keys, one after the other; `no` is left a word. */
export const isLetterPair = (text: string): boolean =>
  /^[A-Za-z]{2}$/.test(text) && text.toLowerCase() !== 'no'
