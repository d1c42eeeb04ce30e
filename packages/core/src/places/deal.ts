import type { Control } from '../bench/index.js'
import type { Command } from '../commands/index.js'
import { thereAndBackMs, type ChordReach } from '../hand/index.js'
import type { PlaceIndex } from '../model/index.js'
import { controlRefOf, triggerKey, type Trigger } from '../triggers/index.js'

/** How commands are dealt: the most used where it is quickest, or in their order on neighbouring controls. */
export type DealWay = 'easiest first' | 'in a row'

/** What is done with a place that is taken: it is passed over, or its commands give way. */
export type DealTaken = 'passed over' | 'replaced'

/** One command that gets a place, and those that give way. */
export interface Deal {
  readonly command: Command
  readonly trigger: Trigger
  readonly displaced: readonly Command[]
}

/** Places to deal onto, and what is known of them. */
export interface DealTable {
  readonly triggers: readonly Trigger[]
  readonly index: PlaceIndex
  readonly reachOf: (trigger: Trigger) => ChordReach | undefined
}

/**
 * Deals commands onto places: one each, until one of both is used up. Easiest first sorts the commands by their use and the
 * places by the time there and back, in which near and large ones are quick (Fitts); in a row keeps the order of both, the
 * places as one reads. What is locked or barred is passed over.
 */
export function dealCommands(
  commands: readonly Command[],
  { triggers, index, reachOf }: DealTable,
  way: DealWay,
  taken: DealTaken,
): Deal[] {
  const dealt = new Set(commands.map((c) => c.id))
  const programs = new Set(commands.map((c) => c.programId))
  const msOf = (trigger: Trigger): number => {
    const reach = reachOf(trigger)
    return reach ? thereAndBackMs(reach) : Infinity
  }
  const open = triggers.flatMap((trigger) => {
    const ref = controlRefOf(trigger)
    // those that are dealt themselves are in nobody's way
    const holders = (index.holders.get(triggerKey(trigger)) ?? []).filter(
      (c) => programs.has(c.programId) && !dealt.has(c.id),
    )
    const isKept = index.rules.bars(ref) || index.rules.locksControl(ref) || holders.some(index.rules.locks)
    const isPassed = isKept || (taken === 'passed over' && holders.length > 0)
    return isPassed ? [] : [{ trigger, holders, ms: msOf(trigger) }]
  })
  const movable = commands.filter((c) => !index.rules.locks(c))
  const [rows, places] =
    way === 'in a row'
      ? [movable, open]
      : [
          movable.toSorted((a, b) => b.usesPerHour - a.usesPerHour || (a.id < b.id ? -1 : 1)),
          open.toSorted((a, b) => a.ms - b.ms),
        ]
  return rows.slice(0, places.length).map((command, i) => {
    const { trigger, holders } = places[i] as (typeof places)[number]
    return { command, trigger, displaced: holders }
  })
}

/** Controls as one reads: row by row, from left to right; those of nearly one height are a row. */
export function readingOrder<C extends Pick<Control, 'xMm' | 'yMm' | 'heightMm'>>(
  controls: readonly C[],
): C[] {
  const rows: C[][] = []
  for (const control of controls.toSorted((a, b) => a.yMm - b.yMm)) {
    const row = rows.at(-1)
    const [first] = row ?? []
    if (row && first && control.yMm - first.yMm < first.heightMm / 2) row.push(control)
    else rows.push([control])
  }
  return rows.flatMap((row) => row.toSorted((a, b) => a.xMm - b.xMm))
}
