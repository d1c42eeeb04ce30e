import { z } from 'zod'

const ids = z.array(z.string().min(1).max(200)).max(20_000)

/** What the person wants left alone: nothing that proposes or moves places breaks these. */
export const rulesSchema = z.strictObject({
  /** commands that stay where they are */
  keptCommandIds: ids,
  /** places (a key's code, or `device/control`) whose commands stay, and that take no others */
  keptSpots: ids,
  /** programs whose commands all stay where they are */
  keptProgramIds: ids,
  /** places that must not carry anything */
  barredSpots: ids,
})
export type Rules = z.infer<typeof rulesSchema>

export const noRules: Rules = { keptCommandIds: [], keptSpots: [], keptProgramIds: [], barredSpots: [] }

/** Rules as sets, asked often. */
export interface RuleBook {
  /** whether a command stays, whatever it stands on */
  keeps(command: { readonly id: string; readonly programId: string }): boolean
  /** whether what stands on a place stays there */
  keepsSpot(spot: string | null): boolean
  bars(spot: string | null): boolean
}

export function ruleBook(rules: Rules = noRules): RuleBook {
  const commands = new Set(rules.keptCommandIds)
  const programs = new Set(rules.keptProgramIds)
  const spots = new Set(rules.keptSpots)
  const barred = new Set(rules.barredSpots)
  return {
    keeps: (command) => commands.has(command.id) || programs.has(command.programId),
    keepsSpot: (spot) => spot !== null && spots.has(spot),
    bars: (spot) => spot !== null && barred.has(spot),
  }
}
