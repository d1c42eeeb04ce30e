import type { CommandId, ProgramId } from '../ids.js'
import type { Command } from '../commands/index.js'
import type { NationalLayout, Trigger } from '../triggers/index.js'
import { sharedIdeas, type Idea } from './ideas.js'
import { neighboursOf, type Lying, type Neighbours } from './neighbours.js'
import { oppositeFinder, type OppositeFinder } from './opposites.js'
import { noMemory, shippedWordPairs, type Memory } from './word-pairs.js'

/** All that a mnemonic can rest on beside the command's own name. */
export interface MnemonicContext {
  readonly layout: NationalLayout
  readonly finder: OppositeFinder
  readonly neighbours: Neighbours
  readonly ideas: readonly Idea[]
  /** commands of other programs that are the same idea */
  sameIdeas(command: Command): readonly Command[]
  triggersOf(commandId: CommandId): readonly Trigger[]
  programName(programId: ProgramId): string
}

export interface MnemonicSources {
  readonly commands: readonly Command[]
  readonly programs: readonly { readonly id: string; readonly name: string }[]
  readonly layout: NationalLayout
  readonly controls: readonly Lying[]
  readonly memory?: Memory
}

/** What only changes with the inventory or the bench; kept, since every change of an arrangement asks for it anew. */
const kept = new WeakMap<object, { readonly parts: readonly unknown[]; readonly value: unknown }>()
function keptFor<T>(owner: object, parts: readonly unknown[], make: () => T): T {
  const known = kept.get(owner)
  if (known && known.parts.every((part, i) => part === parts[i])) return known.value as T
  const value = make()
  kept.set(owner, { parts, value })
  return value
}

const none: readonly Command[] = []

export function mnemonicContext(
  sources: MnemonicSources,
  triggersOf: MnemonicContext['triggersOf'],
): MnemonicContext {
  const { commands, programs, layout, controls, memory = noMemory } = sources
  const names = keptFor(commands, [memory], () => {
    const ideas = sharedIdeas(commands, memory)
    const others = new Map<string, readonly Command[]>()
    for (const idea of ideas)
      for (const command of idea.commands)
        others.set(
          command.id,
          idea.commands.filter((c) => c.programId !== command.programId),
        )
    return { ideas, others, finder: oppositeFinder(commands, memory.wordPairs ?? shippedWordPairs) }
  })
  return {
    layout,
    finder: names.finder,
    neighbours: keptFor(controls, [], () => neighboursOf(controls)),
    ideas: names.ideas,
    sameIdeas: (command) => names.others.get(command.id) ?? none,
    triggersOf,
    programName: (id) => programs.find((p) => p.id === id)?.name ?? id,
  }
}
