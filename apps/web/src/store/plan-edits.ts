import {
  freshId,
  triggerKey,
  type Arrangement,
  type Chord,
  type Command,
  type Plan,
  type Trigger,
} from '@reach-plot/core'
import { setKeyWords } from './label-edits.js'

/**
 * Edits of a plan, as recipes on an immer draft. Each is one undoable step.
 * An arrangement of defaults is never edited: recipes leave it as it is, and the screens offer a copy first.
 */
const editable = (plan: Plan): Arrangement | null => {
  const arrangement = plan.arrangements.find((a) => a.id === plan.activeArrangementId)
  return arrangement && !arrangement.isDefault ? arrangement : null
}

const holds = (trigger: Trigger) => {
  const key = triggerKey(trigger)
  return (p: { readonly trigger: Trigger }): boolean => triggerKey(p.trigger) === key
}

/** Keys replace keys, and controls those of the same device: a command keeps its triggers on other devices. */
export function isSameDevice(a: Trigger, b: Trigger): boolean {
  const home = (t: Trigger): string => ('code' in t ? '' : t.kind === 'popup' ? 'popup' : t.deviceId)
  return home(a) === home(b)
}

export interface PlaceEdit {
  readonly commandId: string
  readonly trigger: Trigger
  /** keep the triggers that the command has now on the same device */
  readonly keepOld?: boolean
  /** the relay: chords that the control sends */
  readonly sends?: readonly Chord[]
  /** commands that give the trigger up */
  readonly displaced?: readonly string[]
  /** where the first displaced command goes, instead of being let go */
  readonly swapTo?: Trigger
}

export function placeCommand(plan: Plan, edit: PlaceEdit): void {
  const arrangement = editable(plan)
  if (!arrangement) return
  const onTrigger = holds(edit.trigger)
  const displaced = new Set(edit.displaced)
  arrangement.placements = arrangement.placements.filter((p) => {
    if (displaced.has(p.commandId) && onTrigger(p)) return false
    return p.commandId !== edit.commandId || edit.keepOld === true || !isSameDevice(p.trigger, edit.trigger)
  })
  const add = (commandId: string, trigger: Trigger, sends?: readonly Chord[]): void => {
    const here = arrangement.placements.find((p) => p.commandId === commandId && holds(trigger)(p))
    const placement = here ?? { commandId, trigger }
    if (sends) placement.sends = sends.map((s) => ({ ...s }))
    else delete placement.sends
    if (!here) arrangement.placements.push(placement)
  }
  add(edit.commandId, edit.trigger, edit.sends)
  const first = edit.displaced?.[0]
  if (edit.swapTo && first !== undefined) add(first, edit.swapTo)
}

export interface Move {
  readonly commandId: string
  /** null for a command that had no place */
  readonly from: Trigger | null
  /** null for a command that is let go */
  readonly to: Trigger | null
}

/** Many moves as one step: all leave before any arrives, so that they can change places. */
export function moveAll(plan: Plan, moves: readonly Move[]): void {
  const arrangement = editable(plan)
  if (!arrangement) return
  const relays = new Map(
    arrangement.placements.map((p) => [`${p.commandId} ${triggerKey(p.trigger)}`, p.sends] as const),
  )
  for (const { commandId, from } of moves) if (from) unplace(plan, commandId, from)
  for (const { commandId, from, to } of moves) {
    if (!to) continue
    // a relay goes with its control, not to a key that sends itself
    const sends = from && !('code' in to) ? relays.get(`${commandId} ${triggerKey(from)}`) : undefined
    arrangement.placements.push({ commandId, trigger: to, ...(sends && { sends }) })
  }
}

/** Moves one placement of a command from one trigger to another. */
export function movePlacement(plan: Plan, commandId: string, from: Trigger, to: Trigger): void {
  const arrangement = editable(plan)
  const placement = arrangement?.placements.find((p) => p.commandId === commandId && holds(from)(p))
  if (placement) placement.trigger = to
}

export function unplace(plan: Plan, commandId: string, trigger?: Trigger): void {
  const arrangement = editable(plan)
  if (!arrangement) return
  arrangement.placements = arrangement.placements.filter(
    (p) => p.commandId !== commandId || (trigger !== undefined && !holds(trigger)(p)),
  )
}

export function copyArrangement(plan: Plan, id: string): void {
  const source = plan.arrangements.find((a) => a.id === id)
  if (!source) return
  const names = new Set(plan.arrangements.map((a) => a.name))
  let name = `${source.name}, copy`
  for (let n = 2; names.has(name); n++) name = `${source.name}, copy ${n}`
  const copy = {
    ...source,
    id: freshId(name, new Set(plan.arrangements.map((a) => a.id))),
    name,
    isDefault: false,
  }
  plan.arrangements.push({ ...copy, placements: source.placements.map((p) => ({ ...p })) })
  plan.activeArrangementId = copy.id
}

export function renameArrangement(plan: Plan, id: string, name: string): void {
  const arrangement = plan.arrangements.find((a) => a.id === id)
  if (arrangement && !arrangement.isDefault && name.trim() !== '')
    arrangement.name = name.trim().slice(0, 120)
}

export function deleteArrangement(plan: Plan, id: string): void {
  const at = plan.arrangements.findIndex((a) => a.id === id)
  if (at === -1 || plan.arrangements[at]?.isDefault || plan.arrangements.length === 1) return
  plan.arrangements.splice(at, 1)
  if (plan.activeArrangementId === id)
    plan.activeArrangementId = (plan.arrangements[Math.max(0, at - 1)] as Arrangement).id
}

export function editCommand(plan: Plan, id: string, change: Partial<Omit<Command, 'id'>>): void {
  const command = plan.commands.find((c) => c.id === id)
  if (!command) return
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
export function moveToProgram(plan: Plan, id: string, programId: string): void {
  const command = plan.commands.find((c) => c.id === id)
  if (!command || command.programId === programId || !plan.programs.some((p) => p.id === programId)) return
  command.programId = programId
  command.contextIds = []
  delete command.oppositeId
  delete command.siblingIds
  for (const other of plan.commands) {
    if (other.oppositeId === id) delete other.oppositeId
    if (other.siblingIds?.includes(id))
      editCommand(plan, other.id, { siblingIds: other.siblingIds.filter((x) => x !== id) })
  }
}

export function addCommand(
  plan: Plan,
  programId: string,
  contextIds: readonly string[],
  name: string,
): string {
  const id = freshId(`${programId} ${name}`, new Set(plan.commands.map((c) => c.id)))
  plan.commands.push({ id, programId, contextIds: [...contextIds], name, menu: [], usesPerHour: 0 })
  return id
}

/** Takes a command away everywhere: from all arrangements and from commands that name it as their opposite. */
export function deleteCommand(plan: Plan, id: string): void {
  plan.commands = plan.commands.filter((c) => c.id !== id)
  for (const command of plan.commands) {
    if (command.oppositeId === id) delete command.oppositeId
    if (command.siblingIds?.includes(id))
      editCommand(plan, command.id, { siblingIds: command.siblingIds.filter((x) => x !== id) })
  }
  plan.rules.keptCommandIds = plan.rules.keptCommandIds.filter((x) => x !== id)
  const { memory } = plan
  memory.sameIdeas = memory.sameIdeas
    .map((group) => group.filter((x) => x !== id))
    .filter((group) => group.length > 1)
  memory.otherIdeas = memory.otherIdeas.filter((pair) => !pair.includes(id))
  for (const routine of plan.routines)
    routine.steps = routine.steps.filter((s) => s.kind !== 'command' || s.commandId !== id)
  plan.routines = plan.routines.filter((r) => r.steps.length > 0)
  for (const arrangement of plan.arrangements)
    arrangement.placements = arrangement.placements.filter((p) => p.commandId !== id)
  const { labels } = plan
  labels.texts = labels.texts.filter((t) => t.commandId !== id)
  for (const { controlId } of labels.keys.filter((key) => key.words?.some((w) => w.commandId === id)))
    setKeyWords(plan, controlId, id, null)
}
