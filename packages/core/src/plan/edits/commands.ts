import type { ProgramId } from '../../ids.js'
import { freshId } from '../ids.js'
import type { Command, Program } from '../../commands/index.js'
import type { Placement, Plan } from '../plan.js'
import { edit, editWith } from './edit.js'
import { setKeyWordsIn } from './labels.js'

/** Changes parts of a command. */
export const editCommand = edit(editCommandIn)

function editCommandIn(plan: Plan, id: string, change: Partial<Omit<Command, 'id'>>): void {
  const command = plan.commands.find((c) => c.id === id)
  if (!command) return
  // a rate that is set otherwise is as sure as a guess
  if (change.usesPerHour !== undefined && change.usesPerHour !== command.usesPerHour)
    delete command.rateSpread
  Object.assign(command, change)
  // an emptied optional field is left out, as the file format has it
  if (!command.label) delete command.label
  if (!command.oppositeId) delete command.oppositeId
  if (!command.parameter) delete command.parameter
  if (!command.icon) delete command.icon
  if (!command.note) delete command.note
  if (!command.damage) delete command.damage
  if (command.hints?.length === 0) delete command.hints
  if (command.siblingIds?.length === 0) delete command.siblingIds
}

/** Gives a command to another program, where it is live everywhere; ties to commands of the old one end. */
export const moveToProgram = edit((plan: Plan, id: string, programId: ProgramId) => {
  const command = plan.commands.find((c) => c.id === id)
  if (!command || command.programId === programId || !plan.programs.some((p) => p.id === programId)) return
  command.programId = programId
  command.contextIds = []
  delete command.oppositeId
  delete command.siblingIds
  for (const { placements } of plan.arrangements)
    for (const placed of placements) if (placed.commandId === id) delete placed.contextIds
  for (const other of plan.commands) {
    if (other.oppositeId === id) delete other.oppositeId
    if (other.siblingIds?.includes(id))
      editCommandIn(plan, other.id, { siblingIds: other.siblingIds.filter((x) => x !== id) })
  }
})

/** Adds a command to a program; gives the plan and the new id. */
export const addCommand = editWith(addCommandIn)

export function addCommandIn(
  plan: Plan,
  programId: ProgramId,
  contextIds: readonly string[],
  name: string,
): string {
  const id = freshId(`${programId} ${name}`, new Set(plan.commands.map((c) => c.id)))
  plan.commands.push({ id, programId, contextIds: [...contextIds], name, menu: [], usesPerHour: 0 })
  return id
}

/** A placement when a command goes: a chain goes on without it. */
function withoutCommand(placed: Placement, id: string): Placement[] {
  const { then = [], ...rest } = placed
  const [first, ...more] = [placed.commandId, ...then].filter((c) => c !== id)
  if (first === undefined) return []
  if (more.length === then.length) return [placed]
  return [{ ...rest, commandId: first, ...(more.length > 0 && { then: more }) }]
}

/** A command by the names of what it belongs to; an empty context is everywhere. */
export interface NamedCommand {
  readonly name: string
  readonly program: string
  readonly context: string
}

/** Adds a command with the program and context that it names, made where the plan lacks them. */
export const addNamedCommand = edit((plan: Plan, named: NamedCommand) => addNamedIn(plan, named))

/** @param onlyNew  leaves a command alone that the program has by that name already */
export function addNamedIn(
  plan: Plan,
  { name, program: programName, context: contextName }: NamedCommand,
  onlyNew = false,
): void {
  const program = programNamed(plan, programName)
  const contextId = contextNamed(
    program,
    contextName === '' && program.contexts.length === 0 ? 'Main' : contextName,
  )
  if (onlyNew && plan.commands.some((c) => c.programId === program.id && isNamed(c, name))) return
  addCommandIn(plan, program.id, contextName === '' || contextId === null ? [] : [contextId], name)
}

const isNamed = (x: { readonly id: string; readonly name: string }, name: string): boolean =>
  x.id === name || x.name.toLowerCase() === name.toLowerCase()

function programNamed(plan: Plan, name: string): Program {
  const known = plan.programs.find((p) => isNamed(p, name))
  if (known) return known
  plan.programs.push({ id: freshId(name, new Set(plan.programs.map((p) => p.id))), name, contexts: [] })
  // read back, since what was pushed is a draft only then
  return plan.programs.at(-1) as Program
}

function contextNamed(program: Program, name: string): string | null {
  if (name === '') return null
  const known = program.contexts.find((c) => isNamed(c, name))
  if (known) return known.id
  const id = freshId(name, new Set(program.contexts.map((c) => c.id)))
  program.contexts.push({ id, name, typing: false, overlaps: [] })
  return id
}

/** Takes a command away everywhere: from all arrangements and from commands that name it as their opposite. */
export const deleteCommand = edit((plan: Plan, id: string) => {
  plan.commands = plan.commands.filter((c) => c.id !== id)
  for (const command of plan.commands) {
    if (command.oppositeId === id) delete command.oppositeId
    if (command.siblingIds?.includes(id))
      editCommandIn(plan, command.id, { siblingIds: command.siblingIds.filter((x) => x !== id) })
  }
  plan.rules.lockedCommandIds = plan.rules.lockedCommandIds.filter((x) => x !== id)
  const { memory } = plan
  memory.sameIdeas = memory.sameIdeas
    .map((group) => group.filter((x) => x !== id))
    .filter((group) => group.length > 1)
  memory.otherIdeas = memory.otherIdeas.filter((pair) => !pair.includes(id))
  for (const routine of plan.routines)
    routine.steps = routine.steps.filter((s) => s.kind !== 'command' || s.commandId !== id)
  plan.routines = plan.routines.filter((r) => r.steps.length > 0)
  for (const arrangement of plan.arrangements)
    arrangement.placements = arrangement.placements.flatMap((placed) => withoutCommand(placed, id))
  if (plan.standard) plan.standard.deviations = plan.standard.deviations.filter((d) => d.commandId !== id)
  const { labels } = plan
  labels.texts = labels.texts.filter((t) => t.commandId !== id)
  for (const { controlId } of labels.keys.filter((key) => key.words?.some((w) => w.commandId === id)))
    setKeyWordsIn(plan, controlId, id, null)
})
