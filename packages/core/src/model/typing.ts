import {
  characterAt,
  triggerKey,
  type Chord,
  type NationalLayout,
  type SystemId,
  type TriggerKey,
} from '../triggers/index.js'

/** Keys that edit text or move in it when pressed bare or with Shift. */
const editingKeys = new Set([
  'Enter',
  'NumpadEnter',
  'Backspace',
  'Delete',
  'Tab',
  'ArrowLeft',
  'ArrowRight',
  'ArrowUp',
  'ArrowDown',
  'Home',
  'End',
  'PageUp',
  'PageDown',
])

/** What a press puts into a text: a character, an accent that waits, or an edit. */
export type Typed =
  | { readonly kind: 'character' | 'accent'; readonly character: string }
  /** what it does to the text, where the table of standard shortcuts says */
  | { readonly kind: 'edit'; readonly does?: string }
  | { readonly kind: 'unknown' }

/**
 * What a trigger does to text while text can be typed, or null when it types nothing.
 * Windows takes Control+Alt for the third-level key; macOS types with Option on nearly every key, with characters that
 * no data here tells (both from memory).
 */
export function typedBy(
  trigger: Chord,
  layout: NationalLayout,
  system: SystemId,
  textActions?: ReadonlyMap<TriggerKey, string>,
): Typed | null {
  const does = textActions?.get(triggerKey(trigger))
  return does === undefined ? charactersOf(trigger, layout, system) : { kind: 'edit', does }
}

function charactersOf(trigger: Chord, layout: NationalLayout, system: SystemId): Typed | null {
  const held = new Set<string>(trigger.modifiers)
  if (held.has('Meta')) return null
  const shift = held.has('Shift')
  let third = held.has('AltGraph')
  if (held.has('Control') && held.has('Alt') && system === 'windows' && layout.altGraph) third = true
  else if (held.has('Control')) return null
  else if (held.has('Alt')) {
    return system === 'macos' && characterAt(layout, trigger.code, 1) !== null ? { kind: 'unknown' } : null
  }
  const level = third ? (shift ? 4 : 3) : shift ? 2 : 1
  const char = characterAt(layout, trigger.code, level)
  if (char !== null)
    return char.startsWith('dead:')
      ? { kind: 'accent', character: char }
      : { kind: 'character', character: char }
  if (!third && /^Numpad(\d|Add|Subtract|Multiply|Divide|Decimal)$/.test(trigger.code))
    return { kind: 'unknown' }
  return !third && editingKeys.has(trigger.code) ? { kind: 'edit' } : null
}
