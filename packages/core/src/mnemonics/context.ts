import type { CommandId, ProgramId } from '../ids.js'
import { standardActionOf, standardActions, type Command } from '../commands/index.js'
import type { NationalLayout, Trigger } from '../triggers/index.js'
import { sharedIdeas, type Idea } from './ideas.js'
import { neighboursOf, type Lying, type Neighbours } from './neighbours.js'
import { oppositeFinder, type OppositeFinder } from './opposites.js'
import { noMemory, shippedWordPairs, type Memory } from './word-pairs.js'
import { meaningWords, stemOf } from './words.js'

/** All that a mnemonic can rest on beside the command's own name. */
export interface MnemonicContext {
  readonly layout: NationalLayout
  readonly finder: OppositeFinder
  readonly neighbours: Neighbours
  readonly ideas: readonly Idea[]
  /** commands of other programs that are the same idea */
  sameIdeas(command: Command): readonly Command[]
  triggersOf(commandId: CommandId): readonly Trigger[]
  /** the standard keys of a command, the usual one first; none for a command that is no standard action */
  standardKeysOf(command: Command): readonly Trigger[]
  /** how many of a program's commands have a word in their name, by its stem, as a share, 0 to 1 */
  wordShare(programId: ProgramId, word: string): number
  programName(programId: ProgramId): string
}

export interface MnemonicSources {
  readonly commands: readonly Command[]
  readonly programs: readonly { readonly id: string; readonly name: string }[]
  readonly layout: NationalLayout
  readonly controls: readonly Lying[]
  readonly memory?: Memory
  /** keys of the standard actions, by the action's name */
  readonly standards?: ReadonlyMap<string, readonly Trigger[]>
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
const noTriggers: readonly Trigger[] = []

/** Share of the commands of each program whose names have a word, by its stem. */
function wordShares(commands: readonly Command[]): ReadonlyMap<ProgramId, ReadonlyMap<string, number>> {
  const counts = new Map<ProgramId, { all: number; of: Map<string, number> }>()
  for (const { programId, name } of commands) {
    let program = counts.get(programId)
    if (!program) counts.set(programId, (program = { all: 0, of: new Map() }))
    program.all++
    for (const stem of new Set(meaningWords(name).map(stemOf)))
      program.of.set(stem, (program.of.get(stem) ?? 0) + 1)
  }
  return new Map(
    [...counts].map(([id, { all, of }]) => [
      id,
      new Map([...of].map(([stem, n]) => [stem, all >= leastForShare ? n / all : 0] as const)),
    ]),
  )
}
/** With fewer commands a word that several share says nothing. Assumed. */
const leastForShare = 10

export function mnemonicContext(
  sources: MnemonicSources,
  triggersOf: MnemonicContext['triggersOf'],
): MnemonicContext {
  const { commands, programs, layout, controls, memory = noMemory, standards } = sources
  const actions = [...standardActions, ...(standards?.keys() ?? [])]
  const names = keptFor(commands, [memory], () => {
    const ideas = sharedIdeas(commands, memory)
    const others = new Map<string, readonly Command[]>()
    for (const idea of ideas)
      for (const command of idea.commands)
        others.set(
          command.id,
          idea.commands.filter((c) => c.programId !== command.programId),
        )
    return {
      ideas,
      others,
      shares: wordShares(commands),
      finder: oppositeFinder(commands, memory.wordPairs ?? shippedWordPairs),
    }
  })
  return {
    layout,
    finder: names.finder,
    neighbours: keptFor(controls, [], () => neighboursOf(controls)),
    ideas: names.ideas,
    sameIdeas: (command) => names.others.get(command.id) ?? none,
    triggersOf,
    standardKeysOf(command) {
      const action = standards ? standardActionOf(command, actions) : null
      return action ? (standards?.get(action) ?? noTriggers) : noTriggers
    },
    wordShare: (programId, word) => names.shares.get(programId)?.get(stemOf(word)) ?? 0,
    programName: (id) => programs.find((p) => p.id === id)?.name ?? id,
  }
}
