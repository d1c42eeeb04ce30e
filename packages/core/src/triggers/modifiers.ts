/** Held modifiers. `AltGraph` is the third-level key of national layouts, the right Alt where a layout has one. */
export const modifiers = ['Control', 'Shift', 'Alt', 'AltGraph', 'Meta'] as const
/** A modifier, by its W3C UI Events name. */
export type Modifier = (typeof modifiers)[number]

const codesOf: Readonly<Record<Modifier, readonly string[]>> = {
  Control: ['ControlLeft', 'ControlRight'],
  Shift: ['ShiftLeft', 'ShiftRight'],
  Alt: ['AltLeft', 'AltRight'],
  AltGraph: ['AltRight'],
  Meta: ['MetaLeft', 'MetaRight'],
}

/**
 * The codes that can hold `modifier`, left side first.
 * @param altGraph whether the national layout makes the right Alt a third-level key
 */
export const modifierCodes = (modifier: Modifier, altGraph: boolean): readonly string[] =>
  modifier === 'Alt' && altGraph ? ['AltLeft'] : codesOf[modifier]

/** Whether a word is the id of a modifier. */
export const isModifier = (name: string): name is Modifier => (modifiers as readonly string[]).includes(name)

/** Whether the key with this code is itself a modifier key. */
export const isModifierCode = (code: string): boolean => modifiers.some((m) => codesOf[m].includes(code))

/** Modifiers in the one order in which the project writes them, without repeats. */
export const sortModifiers = (given: readonly Modifier[]): Modifier[] =>
  modifiers.filter((m) => given.includes(m))
