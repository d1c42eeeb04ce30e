import { isPointed } from '../clashes/index.js'
import type { Command } from '../commands/index.js'
import { returnMs, verdicts, type ChordReach } from '../hand/index.js'
import type { PlaceIndex } from '../model/index.js'
import type { Trigger } from '../triggers/index.js'

/** Ways of giving a command that are dear: those for which a better place is worth looking for. */
export const dearWays = ['both-hands', 'hand-leaves', 'pointer', 'menu'] as const
export type DearWay = (typeof dearWays)[number]

/** What tells how a command is given. */
export interface DearWaysInput {
  /** triggers whose press reaches the command */
  readonly triggersOf: (id: string) => readonly Trigger[]
  readonly reachOf: (trigger: Trigger) => ChordReach | undefined
  readonly index: PlaceIndex
  /** uses by menu and by pointer, where a log has them */
  readonly counted?: { readonly byMenu: number; readonly byPointer: number } | undefined
}

/**
 * In which dear ways a command is given at best, and by the log: both hands on one chord, a hand leaves where it rests for it, by the
 * pointing hand, through the menu. Several may hold; none for what the hand on the keys makes where it rests.
 */
export function dearWaysOf(
  command: Command,
  { triggersOf, reachOf, index, counted }: DearWaysInput,
): DearWay[] {
  const triggers = triggersOf(command.id)
  const ways = new Set<DearWay>()
  if (triggers.length === 0 || (counted?.byMenu ?? 0) > 0) ways.add('menu')
  if ((counted?.byPointer ?? 0) > 0) ways.add('pointer')
  const [best] = triggers
    .flatMap((trigger) => {
      const reach = reachOf(trigger)
      return reach ? [{ trigger, reach }] : []
    })
    .sort((a, b) => verdicts.indexOf(a.reach.verdict) - verdicts.indexOf(b.reach.verdict))
  if (best && isPointed(best.trigger, index.pointing)) ways.add('pointer')
  else if (best?.reach.verdict === 'away') ways.add(isShared(best.reach) ? 'both-hands' : 'hand-leaves')
  return dearWays.filter((way) => ways.has(way))
}

/** Whether each hand makes a part of it, which is quicker than going there alone. */
const isShared = ({ help, timeMs, ...reach }: ChordReach): boolean =>
  help !== undefined &&
  (help.ownReach?.keys.length ?? 0) > 0 &&
  help.timeMs + help.backMs < timeMs + returnMs({ timeMs, ...reach })
