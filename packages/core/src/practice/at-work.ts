import type { Command } from '../commands/index.js'
import type { Usage } from '../usage/index.js'
import { dayMs, type Known } from './cards.js'

/** Shares of a week's uses, 0 to 1. */
export interface WeekAtWork {
  readonly monday: string
  readonly uses: number
  readonly byMenu: number
  readonly byPointer: number
  readonly byKey: number
}

/** A key that is known in practice and not used in the work. */
export interface StillByMenu {
  readonly command: Command
  /** uses in the weeks looked at, since its key was first practised; and the share of them through the menu */
  readonly uses: number
  readonly byMenu: number
}

/** How the log's weeks went, and which learned keys are not used in them. */
export interface AtWork {
  readonly weeks: readonly WeekAtWork[]
  readonly still: readonly StillByMenu[]
}

/** So many of the latest weeks tell what the hand does now. Assumed. */
const latestWeeks = 4
/** A key is known in practice with so many answers, the last of them right. Assumed. */
const knownAnswers = 3
/** Fewer uses tell nothing, and a smaller share through the menu is nothing to mend. Assumed. */
const leastUses = 5
const leastMenuShare = 0.3

/** What the weeks of a log say of keys that were learned; empty where the log has none. */
export function atWork(
  usage: Pick<Usage, 'weeks'> | null,
  known: readonly Known[],
  commands: ReadonlyMap<string, Command>,
): AtWork {
  const all = usage?.weeks ?? []
  const weeks = all.map(({ monday, commands: of }): WeekAtWork => {
    const [menu, pointer, key] = Object.values(of).reduce<[number, number, number]>(
      ([a, b, c], [x, y, z]) => [a + x, b + y, c + z],
      [0, 0, 0],
    )
    const uses = menu + pointer + key
    return {
      monday,
      uses,
      byMenu: uses > 0 ? menu / uses : 0,
      byPointer: uses > 0 ? pointer / uses : 0,
      byKey: uses > 0 ? key / uses : 0,
    }
  })
  const latest = all.slice(-latestWeeks)
  const still = known.flatMap(({ commandId, answers, lastRight, firstTime }): StillByMenu[] => {
    const command = commands.get(commandId)
    if (!command || answers < knownAnswers || !lastRight) return []
    // the weeks before it was first practised tell nothing of it
    const since = latest.filter(({ monday }) => Date.parse(monday) + 7 * dayMs > firstTime)
    const uses = since.flatMap((w) => w.commands[commandId] ?? [0, 0, 0])
    const sum = uses.reduce((a, b) => a + b, 0)
    const menu = uses.filter((_, i) => i % 3 === 0).reduce((a, b) => a + b, 0)
    return sum >= leastUses && menu / sum >= leastMenuShare
      ? [{ command, uses: sum, byMenu: menu / sum }]
      : []
  })
  return { weeks, still: still.sort((a, b) => b.uses * b.byMenu - a.uses * a.byMenu) }
}
