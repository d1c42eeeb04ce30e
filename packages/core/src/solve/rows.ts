import type { Clash } from '../clashes/index.js'
import type { Command } from '../commands/index.js'
import type { ChordReach, ChordTable } from '../hand/index.js'
import type { Placed, PlaceSurvey } from '../model/index.js'
import type { Candidate } from '../places/index.js'
import type { Plan } from '../plan/index.js'
import { spotOf, triggerKey, type Trigger } from '../triggers/index.js'

/** What may move. */
export interface SolveScope {
  /** everything, or only commands that have no place yet */
  readonly what: 'everything' | 'unplaced'
  /** at most this many moves */
  readonly mostMoves?: number
  /** only commands of this program */
  readonly programId?: string
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

export interface ProblemInput {
  readonly plan: Plan
  readonly survey: PlaceSurvey
  readonly placements: readonly Placed[]
  /** clashes of the arrangement as it is */
  readonly clashes: readonly Clash[]
  readonly table: ChordTable
}

/** A row for each placement, the cheapest of a command being the one that counts; one for each command without. */
export function solveRows(
  { plan, survey, placements, clashes }: ProblemInput,
  handMs: (trigger: Trigger) => number,
): SolveRow[] {
  const blocked = new Set(
    clashes
      .filter((c) => c.severity === 'blocks')
      .flatMap((c) => c.commandIds.map((id) => `${id} ${triggerKey(c.trigger)}`)),
  )
  const byCommand = new Map<string, number[]>()
  placements.forEach(({ commandId }, n) => byCommand.set(commandId, [...(byCommand.get(commandId) ?? []), n]))
  return plan.commands.flatMap((command): SolveRow[] => {
    const own = byCommand.get(command.id) ?? []
    if (!survey.commands.has(command.id) || own.length === 0)
      return [{ command, role: 'main', placement: null }]
    const cost = (n: number): number => {
      const { trigger } = placements[n] as Placed
      return blocked.has(`${command.id} ${triggerKey(trigger)}`) ? Infinity : handMs(trigger)
    }
    const main = own.reduce((best, n) => (cost(n) < cost(best) ? n : best))
    return own.map((n) => ({ command, role: n === main ? 'main' : 'further', placement: n }))
  })
}

export function mayMove(
  { command, placement }: SolveRow,
  { survey, placements }: ProblemInput,
  scope: SolveScope,
): boolean {
  const trigger = placement === null ? null : (placements[placement] as Placed).trigger
  if (survey.rules.keeps(command) || (trigger && survey.rules.keepsSpot(spotOf(trigger)))) return false
  if (scope.what === 'unplaced' && placement !== null) return false
  if (scope.programId !== undefined && command.programId !== scope.programId) return false
  return scope.deviceId === undefined || !trigger || isOnDevice(trigger, scope.deviceId, survey)
}

export function isOnDevice(trigger: Trigger, deviceId: string, { around }: PlaceSurvey): boolean {
  if ('deviceId' in trigger) return trigger.deviceId === deviceId
  if (!('code' in trigger)) return false
  return around.controls.some((c) => c.code === trigger.code && c.id.startsWith(`${deviceId}/`))
}
