import type { Command } from '../commands/index.js'
import type { MnemonicScore } from '../mnemonics/index.js'
import type { PlaceIndex } from '../model/index.js'
import { triggerKey, type Trigger } from '../triggers/index.js'

/** A command that would suit a free trigger. */
export interface CommandMatch {
  readonly command: Command
  readonly mnemonic: MnemonicScore
}

/** Weight of use in the choice: twice the uses count as one step more. Assumed. */
const worth = (command: Command, score: number): number =>
  (0.2 + score) * (1 + Math.log2(1 + command.usesPerHour))

/**
 * For each free trigger the command that suits it best by its name and then by its use; each command once, the plainest
 * triggers first.
 * @param open  commands without a place
 */
export function matchingCommands(
  free: readonly Trigger[],
  open: readonly Command[],
  index: PlaceIndex,
): ReadonlyMap<string, CommandMatch> {
  const out = new Map<string, CommandMatch>()
  const left = new Set(open)
  for (const trigger of free) {
    const key = triggerKey(trigger)
    let best: (CommandMatch & { readonly worth: number }) | null = null
    for (const command of left) {
      const mnemonic = index.readerOf(command).score(trigger, key)
      const value = worth(command, mnemonic.score)
      if (mnemonic.score > 0 && (!best || value > best.worth)) best = { command, mnemonic, worth: value }
    }
    if (!best) continue
    left.delete(best.command)
    out.set(key, { command: best.command, mnemonic: best.mnemonic })
  }
  return out
}
