import {
  leaveEmpty,
  putBack,
  removePlacement,
  triggerKey,
  triggerName,
  type Command,
  type Trigger,
} from '@reach-plot/core'
import type { OldHabit } from '@reach-plot/core/practice'
import { onEditable, undoAction } from '../../store/actions.js'
import { toast } from '../../store/message.js'
import { usePractice } from '../../store/practice-store.js'
import { useDerived } from '../../store/selectors.js'

const weekMs = 7 * 24 * 3_600_000

/** Old keys that would do harm now, left empty for the first weeks; and back. */
export function useLeftEmpty() {
  const { arrangement, env } = useDerived()
  const { now } = usePractice()
  const said = (text: string): void => void toast(text, { action: undoAction() })
  return {
    leftEmpty: (arrangement.leftEmpty ?? []).map((entry) => ({
      ...entry,
      weeks: Math.max(0, Math.floor((now - entry.sinceTime) / weekMs)),
    })),
    leaveEmpty: ({ oldTrigger, runs }: OldHabit): void => {
      onEditable((plan) =>
        leaveEmpty(
          plan,
          oldTrigger,
          runs.map((c) => c.id),
          Date.now(),
        ),
      )
      said(
        `${triggerName(oldTrigger, env)} stays empty for now; ${runs.map((c) => `“${c.name}”`).join(' and ')} can be put back here.`,
      )
    },
    putBack: (trigger: Trigger): void => {
      onEditable((plan) => putBack(plan, triggerKey(trigger)))
      said(`${triggerName(trigger, env)} carries its command again.`)
    },
  }
}

/** Takes all keys off a command: it goes by its menu from now on. */
export function letGo(command: Command): void {
  onEditable((plan) => removePlacement(plan, command.id))
  toast(`“${command.name}” has no key any more; its menu serves.`, { action: undoAction() })
}
