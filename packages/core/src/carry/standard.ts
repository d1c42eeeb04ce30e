import type { Command } from '../commands/index.js'
import { triggerReach } from '../hand/index.js'
import type { PreparedModel } from '../model/index.js'
import { characterAt, triggerKey, type Trigger } from '../triggers/index.js'
import { matcherOf, namedIn, type Named } from './standard-commands.js'

/** How a person's plan differs from the standard in one command. */
export interface Deviation {
  readonly command: Command
  readonly standard: readonly Trigger[]
  /** what they have instead */
  readonly own: readonly Trigger[]
}

/** Why a key does not serve: the bench lacks it, the system takes it, the layout has another character there, the hand has to leave for it. */
export const unfitReasons = [
  'not on their bench',
  'taken by their system',
  'another character on their layout',
  'the hand must move',
] as const

/** Why the standard's key does not serve a person. */
export interface Unfit {
  readonly command: Command
  readonly trigger: Trigger
  readonly why: (typeof unfitReasons)[number]
}

/** A person's plan against a standard. */
export interface StandardReport {
  /** commands of the standard that the plan has, by id or by program and name */
  readonly shared: number
  /** commands of the standard that the plan lacks */
  readonly lacking: readonly Command[]
  readonly deviations: readonly Deviation[]
  readonly unfit: readonly Unfit[]
}

/** A program that binds characters has the key of the person's layout that types it, not the one that lies there. */
function isOtherCharacter(
  trigger: Trigger,
  command: Command,
  standard: PreparedModel,
  own: PreparedModel,
): boolean {
  const program = standard.plan.programs.find((p) => p.id === command.programId)
  if (program?.binds !== 'characters' || !('code' in trigger)) return false
  const [there, here] = [standard, own].map((m) => characterAt(m.env.layout, trigger.code, 1))
  return there !== here
}

/** Triggers as one text, whatever their order. */
export const keysOf = (triggers: readonly Trigger[]): string => triggers.map(triggerKey).sort().join(' ')

/**
 * What of a standard a person's plan follows, and where the standard does not serve their hand, board or system.
 * @param standard  the arrangement in front of the standard's plan
 * @param own       the arrangement in front of the person's plan
 */
export function standardReport(standard: PreparedModel, own: PreparedModel): StandardReport {
  const named = standard.plan.commands.map((c) => namedIn(standard.plan, c))
  const match = matcherOf(own.plan, named)
  const lacking: Command[] = []
  const deviations: Deviation[] = []
  const unfit: Unfit[] = []
  let shared = 0
  for (const [i, command] of standard.plan.commands.entries()) {
    const wanted = standard.index.triggers.get(command.id) ?? []
    const theirs = match(named[i] as Named)
    if (!theirs) {
      if (wanted.length > 0) lacking.push(command)
      continue
    }
    shared++
    const has = own.index.triggers.get(theirs.id) ?? []
    if (keysOf(has) !== keysOf(wanted)) deviations.push({ command, standard: wanted, own: has })
    for (const trigger of wanted) {
      const why = whyUnfit(trigger, command, standard, own)
      if (why) unfit.push({ command, trigger, why })
    }
  }
  return { shared, lacking, deviations, unfit }
}

/** Why a key of a standard does not serve a person; null where it does. */
export function whyUnfit(
  trigger: Trigger,
  command: Command,
  standard: PreparedModel,
  own: PreparedModel,
): Unfit['why'] | null {
  if (own.index.stages.device(trigger).length > 0) return 'not on their bench'
  if (trigger.kind === 'chord' && own.index.stages.system(trigger) !== null) return 'taken by their system'
  if (isOtherCharacter(trigger, command, standard, own)) return 'another character on their layout'
  return triggerReach(trigger, own.reachContext)?.verdict === 'away' ? 'the hand must move' : null
}
