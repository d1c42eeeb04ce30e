import type { Change } from '../compare/index.js'
import { canBeLiveTogether, type Command } from '../commands/index.js'
import type { PlaceIndex } from '../model/index.js'
import { triggerKey, type Trigger } from '../triggers/index.js'

/** A key that a command had, and what pressing it from habit does now. */
export interface OldHabit {
  readonly command: Command
  readonly oldTrigger: Trigger
  /** commands that answer there now in the same program; none: nothing happens */
  readonly runs: readonly Command[]
  readonly isHarmful: boolean
}

/** What the old keys of changed commands do now, harmful ones first, then the most used. */
export function oldHabits(
  changes: readonly Change[],
  { holders, env }: Pick<PlaceIndex, 'holders' | 'env'>,
): OldHabit[] {
  const programs = new Map(env.programs.map((p) => [p.id, p]))
  return changes
    .flatMap(({ command, from }) =>
      from.map((oldTrigger) => {
        const program = programs.get(command.programId)
        const runs = (holders.get(triggerKey(oldTrigger)) ?? []).filter(
          (c) => program !== undefined && c.id !== command.id && canBeLiveTogether(c, command, program),
        )
        return { command, oldTrigger, runs, isHarmful: runs.some((c) => c.damage !== undefined) }
      }),
    )
    .sort(
      (a, b) =>
        Number(b.isHarmful) - Number(a.isHarmful) ||
        Number(b.runs.length > 0) - Number(a.runs.length > 0) ||
        b.command.usesPerHour - a.command.usesPerHour,
    )
}
