import type { Command } from '../commands/index.js'
import type { PlaceIndex } from '../model/index.js'
import type { Plan, StandardKey } from '../plan/index.js'
import type { Trigger } from '../triggers/index.js'
import { keysOf, matcherOf } from './standard-commands.js'

/** A command that deviates from a standard. */
export interface Deviation {
  /** what the standard says of it */
  readonly key: StandardKey
  /** the person's command */
  readonly command: Command
  readonly own: readonly Trigger[]
  /** empty where the person has not said */
  readonly why: string
}

/** What of a plan is the standard's, and what is the person's own. */
export interface Standing {
  /** commands whose keys are those of the standard */
  readonly asStandard: readonly Command[]
  readonly deviations: readonly Deviation[]
  /** commands with a key about which the standard says nothing */
  readonly ours: readonly Command[]
  /** what the standard says of commands that the plan lacks */
  readonly lacking: readonly StandardKey[]
}

/** How a plan stands to what a standard says. */
export function standingTo(
  keys: readonly StandardKey[],
  plan: Plan,
  { triggers }: Pick<PlaceIndex, 'triggers'>,
): Standing {
  const match = matcherOf(plan, keys)
  const whyOf = new Map((plan.standard?.deviations ?? []).map((d) => [d.commandId as string, d.why]))
  const asStandard: Command[] = []
  const deviations: Deviation[] = []
  const lacking: StandardKey[] = []
  const told = new Set<string>()
  for (const key of keys) {
    const command = match(key)
    if (!command) {
      lacking.push(key)
      continue
    }
    told.add(command.id)
    const own = triggers.get(command.id) ?? []
    if (keysOf(own) === keysOf(key.triggers)) asStandard.push(command)
    else deviations.push({ key, command, own, why: whyOf.get(command.id) ?? '' })
  }
  const ours = plan.commands.filter((c) => !told.has(c.id) && (triggers.get(c.id)?.length ?? 0) > 0)
  return { asStandard, deviations, ours, lacking }
}

/** How a plan stands to the standard that it follows, as it was taken over last; null where it follows none. */
export const standingOf = (plan: Plan, index: Pick<PlaceIndex, 'triggers'>): Standing | null =>
  plan.standard ? standingTo(plan.standard.keys, plan, index) : null
