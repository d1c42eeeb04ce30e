import type { Command } from '../commands/index.js'
import { triggerReach } from '../hand/index.js'
import type { PreparedModel } from '../model/index.js'
import { characterAt, type Trigger } from '../triggers/index.js'

/** Why a key does not serve: the bench lacks it, the system takes it, the layout has another character there, the hand has to leave for it. */
export type UnfitReason =
  'not on their bench' | 'taken by their system' | 'another character on their layout' | 'the hand must move'

/** Why a key of a standard does not serve a person; null where it does. */
export function whyUnfit(
  trigger: Trigger,
  command: Command,
  standard: PreparedModel,
  own: PreparedModel,
): UnfitReason | null {
  if (own.index.stages.device(trigger).length > 0) return 'not on their bench'
  if (trigger.kind === 'chord' && own.index.stages.system(trigger) !== null) return 'taken by their system'
  if (isOtherCharacter(trigger, command, standard, own)) return 'another character on their layout'
  return triggerReach(trigger, own.reachContext)?.verdict === 'away' ? 'the hand must move' : null
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
