import type { ProgramId } from '../ids.js'
import { z } from '../zod.js'

/** Why a proposal is declined. */
export const declineReasons = [
  'too far',
  'hard to remember',
  'means something else',
  'used to its key',
  'not possible there',
] as const
/** Why a proposal is declined. */
export type DeclineReason = (typeof declineReasons)[number]

const ids = z.array(z.string().min(1).max(200)).max(20_000)

/** What the person wants left alone: nothing that proposes or moves places breaks these. */
export const rulesSchema = z.strictObject({
  /** commands that stay where they are */
  lockedCommandIds: ids,
  /** places (a key's code, or `device/control`) whose commands stay, and that take no others */
  lockedControls: ids,
  /** programs whose commands all stay where they are */
  lockedProgramIds: ids,
  /** places that must not carry anything */
  barredControls: ids,
  /** proposals that the person has declined, `command id` and `trigger key`, and why: Solve does not make them again */
  declined: z
    .array(
      z.strictObject({
        commandId: z.string().min(1).max(200),
        key: z.string().min(1).max(200),
        why: z.enum(declineReasons),
      }),
    )
    .max(5000)
    .optional(),
  /** devices to which Solve proposes nothing */
  devicesLeftOut: ids.optional(),
  /** commands on their standard keys may be moved by Solve, too; else they stay */
  standardsFree: z.boolean().optional(),
})
/** What Solve may not touch: locked commands, programs and controls. */
export type Rules = z.infer<typeof rulesSchema>

/** Nothing locked. */
export const noRules: Rules = {
  lockedCommandIds: [],
  lockedControls: [],
  lockedProgramIds: [],
  barredControls: [],
}

/** Rules as sets, asked often. */
export interface RuleBook {
  /** whether a command stays, whatever it stands on */
  locks(command: { readonly id: string; readonly programId: ProgramId }): boolean
  /** whether what stands on a place stays there */
  locksControl(controlRef: string | null): boolean
  bars(controlRef: string | null): boolean
}

/** The rules of a plan as quick look-ups. */
export function ruleBook(rules: Rules = noRules): RuleBook {
  const commands = new Set(rules.lockedCommandIds)
  const programs = new Set(rules.lockedProgramIds)
  const controlRefs = new Set(rules.lockedControls)
  const barred = new Set(rules.barredControls)
  return {
    locks: (command) => commands.has(command.id) || programs.has(command.programId),
    locksControl: (controlRef) => controlRef !== null && controlRefs.has(controlRef),
    bars: (controlRef) => controlRef !== null && barred.has(controlRef),
  }
}
