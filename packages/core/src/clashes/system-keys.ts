import { chord, codeOfCharacter, isModifier, triggerKey, type NationalLayout } from '../triggers/index.js'

/** Combinations that a system or desktop takes, as the data files give them. */
export interface SystemKeys {
  readonly id: string
  readonly name: string
  readonly keys: readonly {
    readonly modifiers: readonly string[]
    /** a place on the keyboard */
    readonly code?: string
    /** a letter or sign, wherever the layout has it */
    readonly char?: string
    readonly action: string
  }[]
}

/** Trigger key → what the system does with it. Letters are looked up on the layout, as the systems themselves do. */
export function systemActions(system: SystemKeys, layout: NationalLayout): ReadonlyMap<string, string> {
  const out = new Map<string, string>()
  for (const key of system.keys) {
    const code = key.code ?? codeOfCharacter(layout, key.char ?? '')
    if (code === null) continue
    const id = triggerKey(chord(code, key.modifiers.filter(isModifier)))
    if (!out.has(id)) out.set(id, key.action)
  }
  return out
}
