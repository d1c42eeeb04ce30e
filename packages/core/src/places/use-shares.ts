import { contextsOverlap, liveContexts, type Command, type Program } from '../commands/index.js'
import type { Environment } from '../model/index.js'

/** Shares of a command's uses by the contexts that it is live in, adding up to 1: by the log, else each context alike. */
export function usesByContext(
  command: Command,
  program: Program,
  { contextUses }: Pick<Environment, 'contextUses'>,
): ReadonlyMap<string, number> {
  const live = liveContexts(command, program)
  const counted = contextUses?.get(command.id)
  const all = counted ? live.reduce((sum, id) => sum + (counted[id] ?? 0), 0) : 0
  return new Map(live.map((id) => [id, all > 0 ? (counted?.[id] ?? 0) / all : 1 / live.length]))
}

/** Share of a command's uses that fall into contexts where text is typed. */
export function typingShare(command: Command, program: Program, env: Environment): number {
  const shares = usesByContext(command, program, env)
  return program.contexts.reduce((sum, { id, typing }) => sum + (typing ? (shares.get(id) ?? 0) : 0), 0)
}

/**
 * How much of two commands' use meets: for each the share of its uses in contexts where the other is live as well.
 * @returns a function of two commands of any programs, which remembers what it has worked out for contexts alike; null for
 * commands that never meet, 0 for those that the log never saw where they would
 */
export function meetingShares(
  programs: readonly Program[],
  env: Pick<Environment, 'contextUses'>,
): (command: Command, other: Command) => number | null {
  const programById = new Map(programs.map((p) => [p.id, p]))
  const shares = new Map<string, ReadonlyMap<string, number>>()
  const met = new Map<string, ReadonlySet<string>>()
  /** Contexts of a program in which commands meet those that are live in some others. */
  const contextsMet = (program: Program, other: Command): ReadonlySet<string> => {
    const live = liveContexts(other, program)
    const key = `${program.id} ${other.contextIds.join(' ')}`
    let found = met.get(key)
    if (!found) {
      const there = program.contexts.filter(({ id }) => live.some((one) => contextsOverlap(program, id, one)))
      met.set(key, (found = new Set(there.map((c) => c.id))))
    }
    return found
  }
  return (command, other) => {
    const program = programById.get(command.programId)
    if (!program || command.programId !== other.programId) return null
    let own = shares.get(command.id)
    if (!own) shares.set(command.id, (own = usesByContext(command, program, env)))
    const there = contextsMet(program, other)
    let sum: number | null = null
    for (const [id, share] of own) if (there.has(id)) sum = (sum ?? 0) + share
    return sum
  }
}
