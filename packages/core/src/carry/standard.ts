import type { Command } from '../commands/index.js'
import { triggerReach } from '../hand/index.js'
import type { PreparedModel } from '../model/index.js'
import { triggerKey, type Trigger } from '../triggers/index.js'

/** How a person's plan differs from the standard in one command. */
export interface Deviation {
  readonly command: Command
  readonly standard: readonly Trigger[]
  /** what they have instead */
  readonly own: readonly Trigger[]
}

/** Why the standard's key does not serve a person. */
export interface Unfit {
  readonly command: Command
  readonly trigger: Trigger
  /** their bench lacks it, their hand has to leave for it, or their system takes it */
  readonly why: 'not on their bench' | 'the hand must move' | 'taken by their system'
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

const keysOf = (triggers: readonly Trigger[]): string => triggers.map(triggerKey).sort().join(' ')

/**
 * What of a standard a person's plan follows, and where the standard does not serve their hand, board or system.
 * @param standard  the arrangement in front of the standard's plan
 * @param own       the arrangement in front of the person's plan
 */
export function standardReport(standard: PreparedModel, own: PreparedModel): StandardReport {
  const match = matcher(standard, own)
  const lacking: Command[] = []
  const deviations: Deviation[] = []
  const unfit: Unfit[] = []
  let shared = 0
  for (const command of standard.plan.commands) {
    const wanted = standard.index.triggers.get(command.id) ?? []
    const theirs = match(command)
    if (!theirs) {
      if (wanted.length > 0) lacking.push(command)
      continue
    }
    shared++
    const has = own.index.triggers.get(theirs.id) ?? []
    if (keysOf(has) !== keysOf(wanted)) deviations.push({ command, standard: wanted, own: has })
    for (const trigger of wanted) {
      const why = whyUnfit(trigger, own)
      if (why) unfit.push({ command, trigger, why })
    }
  }
  return { shared, lacking, deviations, unfit }
}

function whyUnfit(trigger: Trigger, own: PreparedModel): Unfit['why'] | null {
  if (own.index.stages.device(trigger).length > 0) return 'not on their bench'
  if (trigger.kind === 'chord' && own.index.stages.system(trigger) !== null) return 'taken by their system'
  return triggerReach(trigger, own.reachContext)?.verdict === 'away' ? 'the hand must move' : null
}

/** The person's command for one of the standard: the same id, or the same name in a program of the same name. */
function matcher(standard: PreparedModel, own: PreparedModel): (command: Command) => Command | undefined {
  const textOf = (model: PreparedModel, c: Command): string =>
    [model.plan.programs.find((p) => p.id === c.programId)?.name, c.name, c.parameter ?? '']
      .join('\u0001')
      .toLowerCase()
  const byId = new Map(own.plan.commands.map((c) => [c.id as string, c]))
  const byName = new Map(own.plan.commands.map((c) => [textOf(own, c), c]))
  return (command) => byId.get(command.id) ?? byName.get(textOf(standard, command))
}
