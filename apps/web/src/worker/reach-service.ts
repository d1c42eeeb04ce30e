import { chordTable, ownHand, reachContours, reachField, type ChordTable } from '@reach-plot/core'
import { fillTable, reachShelf } from './kept-reach.js'
import type { KeyedSituation, ReachService } from './reach-protocol.js'

let current: { readonly key: string; readonly table: ChordTable } | null = null

/** The chord table of a situation; the one before is asked for what the bench has kept. */
function tableOf(situation: KeyedSituation): ChordTable {
  if (current?.key !== situation.key)
    current = { key: situation.key, table: chordTable(situation, current?.table) }
  return current.table
}

let latestKey = ''

/** Lets waiting messages in, so that a hand that is dragged to a new span does not queue what is stale by then. */
const turn = (): Promise<void> => new Promise((resolve) => setTimeout(resolve))

/** What the reach worker does; it keeps the chord table of the latest situation. */
export const reachService: ReachService = {
  async withHeld(situation, held, withId) {
    latestKey = situation.key
    await turn()
    // the page drops answers for a situation that it has left
    const isLatest = (): boolean => latestKey === situation.key
    if (!isLatest()) return {}
    const table = tableOf(situation)
    await fillTable(table, [{ held, withId }], await reachShelf(situation.key), isLatest)
    return isLatest() ? table.withHeld(held, withId) : {}
  },
  chart(situation, { area, timesMs, efforts, finger }) {
    const hand = ownHand(situation.hand, situation.controls)
    const field = reachField(hand, area, finger === null ? undefined : [finger])
    return {
      times: reachContours(field, 'timeMs', timesMs),
      efforts: reachContours(field, 'effort', efforts),
    }
  },
}
