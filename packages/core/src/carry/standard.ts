import type { Command } from '../commands/index.js'
import type { PreparedModel } from '../model/index.js'
import type { Trigger } from '../triggers/index.js'
import { matcherOf, standardKeys } from './standard-commands.js'
import { standingTo, type Standing } from './standing.js'
import { whyUnfit, type UnfitReason } from './unfit.js'

/** A key of the standard that does not serve a person. */
export interface Unfit {
  /** the standard's command */
  readonly command: Command
  readonly trigger: Trigger
  readonly why: UnfitReason
}

/** A person's plan against a standard. */
export interface StandardReport extends Standing {
  readonly unfit: readonly Unfit[]
}

/**
 * What of a standard a person's plan follows, and where the standard does not serve their hand, board or system.
 * @param standard  the arrangement in front of the standard's plan
 * @param own       the arrangement in front of the person's plan
 */
export function standardReport(standard: PreparedModel, own: PreparedModel): StandardReport {
  const keys = standardKeys(standard)
  const match = matcherOf(own.plan, keys)
  const unfit = keys.flatMap((key): Unfit[] => {
    const command = standard.index.commands.get(key.commandId)
    if (!command || !match(key)) return []
    return key.triggers.flatMap((trigger): Unfit[] => {
      const why = whyUnfit(trigger, command, standard, own)
      return why ? [{ command, trigger, why }] : []
    })
  })
  return { ...standingTo(keys, own.plan, own.index), unfit }
}
