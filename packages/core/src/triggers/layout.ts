/** A national layout as the core needs it: for each W3C code the characters of levels 1 to 4. */
export interface NationalLayout {
  readonly id: string
  readonly name: string
  /** whether the right Alt is a third-level key */
  readonly altGraph: boolean
  readonly keys: Readonly<Record<string, readonly (string | null)[]>>
}

/** The character that a key types at a level of 1 to 4, or null. A dead key is `dead:NAME`. */
export const characterAt = (layout: NationalLayout, code: string, level: 1 | 2 | 3 | 4): string | null =>
  layout.keys[code]?.[level - 1] ?? null

/** The code of the key that types `char` bare on `layout`, or null. */
export function codeOfCharacter(layout: NationalLayout, char: string): string | null {
  const wanted = char.toLowerCase()
  for (const [code, levels] of Object.entries(layout.keys)) if (levels[0] === wanted) return code
  return null
}
