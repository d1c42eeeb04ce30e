export const dayMs = 24 * 3_600_000
/** 1970-01-01 was a Thursday. */
const daysToMonday = 3

/** What a week of a log tells: how often each command was run by menu, by pointer and by key. */
export interface WeekOfUse {
  /** its first day, such as 2026-05-04 */
  readonly monday: string
  readonly commands: Readonly<Record<string, readonly [byMenu: number, byPointer: number, byKey: number]>>
}

/** Uses by week and command, by the log's own clock. */
export function weeksOf(
  ids: Int32Array,
  times: Float64Array,
  how: Uint8Array,
  idOf: (number: number) => string,
): WeekOfUse[] {
  const weeks = new Map<number, Map<number, [number, number, number]>>()
  let week = NaN
  let tallies = new Map<number, [number, number, number]>()
  for (let i = 0; i < ids.length; i++) {
    const at = Math.floor((Math.floor((times[i] as number) / dayMs) + daysToMonday) / 7)
    if (at !== week) {
      week = at
      tallies = weeks.get(at) ?? new Map<number, [number, number, number]>()
      weeks.set(at, tallies)
    }
    const id = ids[i] as number
    let tally = tallies.get(id)
    if (!tally) tallies.set(id, (tally = [0, 0, 0]))
    tally[how[i] as 0 | 1 | 2]++
  }
  return [...weeks]
    .sort(([a], [b]) => a - b)
    .map(([at, of]) => ({
      monday: new Date((7 * at - daysToMonday) * dayMs).toISOString().slice(0, 10),
      commands: Object.fromEntries([...of].sort(([a], [b]) => a - b).map(([id, n]) => [idOf(id), n])),
    }))
}
