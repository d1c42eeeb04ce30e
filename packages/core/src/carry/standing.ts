import type { Command } from '../commands/index.js'
import type { PlaceIndex } from '../model/index.js'
import type { Plan } from '../plan/index.js'
import type { Trigger } from '../triggers/index.js'
import { matcherOf } from './standard-commands.js'
import { keysOf } from './standard.js'

/** A command that deviates from the standard that the plan follows. */
export interface OwnDeviation {
  readonly command: Command
  readonly standard: readonly Trigger[]
  readonly own: readonly Trigger[]
  /** empty where the person has not said */
  readonly why: string
}

/** What of a plan is the standard's, and what is the person's own. */
export interface Standing {
  /** commands whose keys are those of the standard */
  readonly asStandard: readonly Command[]
  readonly deviations: readonly OwnDeviation[]
  /** commands with a key about which the standard says nothing */
  readonly ours: readonly Command[]
  /** names of commands of the standard that the plan lacks */
  readonly lacking: readonly string[]
}

/** How a plan stands to the standard that it follows; null where it follows none. */
export function standingOf(plan: Plan, { triggers }: Pick<PlaceIndex, 'triggers'>): Standing | null {
  const { standard } = plan
  if (!standard) return null
  const match = matcherOf(plan, standard.keys)
  const whyOf = new Map(standard.deviations.map((d) => [d.commandId as string, d.why]))
  const asStandard: Command[] = []
  const deviations: OwnDeviation[] = []
  const lacking: string[] = []
  const told = new Set<string>()
  for (const key of standard.keys) {
    const command = match(key)
    if (!command) {
      lacking.push(key.name)
      continue
    }
    told.add(command.id)
    const own = triggers.get(command.id) ?? []
    if (keysOf(own) === keysOf(key.triggers)) asStandard.push(command)
    else deviations.push({ command, standard: key.triggers, own, why: whyOf.get(command.id) ?? '' })
  }
  const ours = plan.commands.filter((c) => !told.has(c.id) && (triggers.get(c.id)?.length ?? 0) > 0)
  return { asStandard, deviations, ours, lacking }
}
