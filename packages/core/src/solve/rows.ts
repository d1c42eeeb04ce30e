import type { ProgramId } from '../ids.js'
import { splitControlRef } from '../bench/index.js'
import type { Clash } from '../clashes/index.js'
import type { Command } from '../commands/index.js'
import type { ChordReach } from '../hand/index.js'
import type { PlaceIndex, PreparedModel } from '../model/index.js'
import type { Candidate } from '../places/index.js'
import type { Placed } from '../plan/index.js'
import { controlRefOf, triggerKey, type Trigger } from '../triggers/index.js'

/** What may move. */
export interface SolveScope {
  /** everything, or only commands that have no place yet */
  readonly what: 'everything' | 'unplaced'
  /** at most this many moves */
  readonly mostMoves?: number
  /** only commands of this program */
  readonly programId?: ProgramId
  /** only commands on this device, and those without a place, to places on it */
  readonly deviceId?: string
}

/** One place of a command: the one that counts, which the solver puts, or a further one, which may only be let go. */
export interface SolveRow {
  readonly command: Command
  readonly role: 'main' | 'further'
  /** number of the placement in the arrangement; null for a command without a place */
  readonly placement: number | null
}

export interface SolveSlot {
  readonly candidate: Candidate
  readonly trigger: Trigger
  readonly key: string
  readonly reach: ChordReach
  /** what a use costs the hand, ms; Infinity when it cannot be made */
  readonly handMs: number
}

/** What is solved: a prepared model, and the clashes of its arrangement as it is. */
export interface ProblemInput {
  readonly model: PreparedModel
  readonly clashes: readonly Clash[]
}

/** A row for each placement, the cheapest of a command being the one that counts; one for each command without. */
export function solveRows(
  { model, clashes }: ProblemInput,
  handMs: (trigger: Trigger) => number,
): SolveRow[] {
  const { placements } = model.arrangement
  const blocked = new Set(
    clashes
      .filter((c) => c.severity === 'blocks')
      .flatMap((c) => c.commandIds.map((id) => `${id} ${triggerKey(c.trigger)}`)),
  )
  const byCommand = new Map<string, number[]>()
  placements.forEach(({ commandId }, n) => byCommand.set(commandId, [...(byCommand.get(commandId) ?? []), n]))
  return model.plan.commands.flatMap((command): SolveRow[] => {
    const all = byCommand.get(command.id) ?? []
    // a chain runs more than the command: it holds its trigger, and does not count as the command's own
    const own = all.filter((n) => placements[n]?.then === undefined)
    const chains = all.filter((n) => placements[n]?.then !== undefined)
    const further = chains.map((placement): SolveRow => ({ command, role: 'further', placement }))
    if (!model.index.commands.has(command.id) || own.length === 0)
      return [{ command, role: 'main', placement: null }, ...further]
    const cost = (n: number): number => {
      const { trigger } = placements[n] as Placed
      return blocked.has(`${command.id} ${triggerKey(trigger)}`) ? Infinity : handMs(trigger)
    }
    const main = own.reduce((best, n) => (cost(n) < cost(best) ? n : best))
    return [
      ...own.map((n): SolveRow => ({ command, role: n === main ? 'main' : 'further', placement: n })),
      ...further,
    ]
  })
}

export function mayMove(
  { command, placement }: SolveRow,
  { model }: ProblemInput,
  scope: SolveScope,
): boolean {
  const { index } = model
  const placed: Placed | null = placement === null ? null : (model.arrangement.placements[placement] ?? null)
  const trigger = placed?.trigger ?? null
  // sequences, chains and what holds in some contexts only stay where the person has put them
  if (placed?.then || placed?.contextIds || trigger?.kind === 'sequence') return false
  if (index.rules.locks(command) || (trigger && index.rules.locksControl(controlRefOf(trigger)))) return false
  // what stands on its standard key is known there
  if (trigger && index.env.rules?.standardsFree !== true && isOnStandardKey(command, trigger, index))
    return false
  if (scope.what === 'unplaced' && placement !== null) return false
  if (scope.programId !== undefined && command.programId !== scope.programId) return false
  return scope.deviceId === undefined || !trigger || isOnDevice(trigger, scope.deviceId, index)
}

/** Whether a command stands on a key that its standard action has on this system. */
export const isOnStandardKey = (command: Command, trigger: Trigger, { mnemonics }: PlaceIndex): boolean =>
  mnemonics.standardKeysOf(command).some((t) => triggerKey(t) === triggerKey(trigger))

/** Whether the person has left out the device, or every device that has the key. */
export function isLeftOut(trigger: Trigger, { env }: PlaceIndex): boolean {
  const out = env.rules?.devicesLeftOut ?? []
  if (out.length === 0) return false
  if ('deviceId' in trigger) return out.includes(trigger.deviceId)
  if (!('code' in trigger)) return false
  const on = env.controls.filter((c) => c.code === trigger.code)
  return on.length > 0 && on.every((c) => out.includes(splitControlRef(c.id).deviceId))
}

export function isOnDevice(trigger: Trigger, deviceId: string, { env }: PlaceIndex): boolean {
  if ('deviceId' in trigger) return trigger.deviceId === deviceId
  if (!('code' in trigger)) return false
  return env.controls.some((c) => c.code === trigger.code && c.id.startsWith(`${deviceId}/`))
}
