import type { Command, Program } from '../commands/index.js'
import { freshId, type Plan, type StandardKey } from '../plan/index.js'
import type { CommandId } from '../ids.js'
import type { PreparedModel } from '../model/index.js'
import { triggerKey, type Trigger } from '../triggers/index.js'

/** What tells a command of one plan from those of another: its program's name, its own, and its variant. */
const commandText = (program: string, command: Pick<Command, 'name' | 'parameter'>): string =>
  [program, command.name, command.parameter ?? ''].join('\u0001').toLowerCase()

const programName = (plan: Plan, id: string): string => plan.programs.find((p) => p.id === id)?.name ?? id

/** A command as a standard names it, in words that another plan can be searched by. */
type Named = Pick<StandardKey, 'commandId' | 'program' | 'name' | 'parameter'>

/** Names a command of a plan for others. */
const namedIn = (plan: Plan, command: Command): Named => ({
  commandId: command.id,
  program: programName(plan, command.programId),
  name: command.name,
  ...(command.parameter !== undefined && { parameter: command.parameter }),
})

/** What a standard says of each of its commands, in the arrangement in front. */
export const standardKeys = ({ plan, index }: Pick<PreparedModel, 'plan' | 'index'>): StandardKey[] =>
  plan.commands.flatMap((command): StandardKey[] => {
    const triggers = index.triggers.get(command.id) ?? []
    return triggers.length === 0 ? [] : [{ ...namedIn(plan, command), triggers: [...triggers] }]
  })

/** Triggers as one text, whatever their order. */
export const keysOf = (triggers: readonly Trigger[]): string => triggers.map(triggerKey).sort().join(' ')

/**
 * The command of a plan that another plan's is: the same name in a program of the same name, else the same id in it, as long as
 * that one is not another's by name.
 */
export function matcherOf(plan: Plan, others: readonly Named[]): (named: Named) => Command | undefined {
  const byName = new Map(plan.commands.map((c) => [commandText(programName(plan, c.programId), c), c]))
  const textOf = (n: Named): string => commandText(n.program, n)
  const isNamed = new Set(others.flatMap((n) => byName.get(textOf(n))?.id ?? []))
  const byId = new Map(plan.commands.map((c) => [c.id as string, c]))
  return (named) => {
    const same = byName.get(textOf(named))
    if (same) return same
    const renamed = byId.get(named.commandId)
    return renamed &&
      !isNamed.has(renamed.id) &&
      programName(plan, renamed.programId).toLowerCase() === named.program.toLowerCase()
      ? renamed
      : undefined
  }
}

/** A plan with commands of another that it lacks. */
export interface Joined {
  readonly plan: Plan
  /** ids in the plan by the ids that the commands have in the other */
  readonly idOf: ReadonlyMap<CommandId, CommandId>
}

/**
 * Brings in what a plan lacks of another's commands, with their programs and contexts; ids that are taken get new ones. What the commands
 * say of each other stays out, since the other command may be called otherwise here.
 */
export function withCommandsOf(plan: Plan, other: Plan, commands: readonly Command[]): Joined {
  const programs = [...plan.programs]
  const joined = [...plan.commands]
  const programIds = new Set<string>(programs.map((p) => p.id))
  const commandIds = new Set<string>(joined.map((c) => c.id))
  const idOf = new Map<CommandId, CommandId>()
  const theirs = new Map(other.programs.map((p) => [p.id as string, p]))
  const freeId = (id: string, name: string, taken: Set<string>): string => {
    if (taken.has(id)) return freshId(name, taken)
    taken.add(id)
    return id
  }
  for (const command of commands) {
    const program = theirs.get(command.programId)
    if (!program) continue
    let at = programs.findIndex((p) => p.name.toLowerCase() === program.name.toLowerCase())
    if (at === -1) {
      at = programs.length
      programs.push({ ...program, id: freeId(program.id, program.name, programIds) })
    }
    const { host, contextIds } = withContexts(programs[at] as Program, program, command.contextIds)
    programs[at] = host
    const { oppositeId: _opposite, siblingIds: _siblings, ...rest } = command
    const id = freeId(command.id, command.name, commandIds)
    idOf.set(command.id, id)
    joined.push({ ...rest, id, programId: host.id, contextIds })
  }
  return { plan: { ...plan, programs, commands: joined }, idOf }
}

/** Contexts of a program in another of the same name: by name, else added to it. */
function withContexts(
  host: Program,
  from: Program,
  ids: readonly string[],
): { readonly host: Program; readonly contextIds: string[] } {
  let contexts = host.contexts
  const taken = new Set(contexts.map((c) => c.id))
  const contextIds = ids.flatMap((id) => {
    const wanted = from.contexts.find((c) => c.id === id)
    if (!wanted) return []
    const known = contexts.find((c) => c.name.toLowerCase() === wanted.name.toLowerCase())
    if (known) return [known.id]
    const ownId = taken.has(id) ? freshId(wanted.name, taken) : id
    contexts = [...contexts, { ...wanted, id: ownId, overlaps: wanted.overlaps.filter((o) => taken.has(o)) }]
    taken.add(ownId)
    return [ownId]
  })
  return { host: { ...host, contexts }, contextIds }
}
