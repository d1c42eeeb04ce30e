import { z } from '../zod.js'
import type { SetUpStep } from './set-up.js'

/** What became of a step: done at a moment, or not possible there, and why. */
const tickSchema = z.strictObject({
  /** ms since 1970 */
  at: z.number().min(0),
  /** why it is not possible there; done where left out */
  note: z.string().max(500).optional(),
})
export type Tick = z.infer<typeof tickSchema>

/** By the id of a step. The person's own, beside the plan. */
export const ticksSchema = z.record(z.string().max(2000), tickSchema)
export type Ticks = z.infer<typeof ticksSchema>

/** How far the set-up of a place is. */
export interface SetUpProgress {
  readonly done: number
  readonly impossible: number
  readonly all: number
}

export function progressOf(steps: readonly SetUpStep[], ticks: Ticks): SetUpProgress {
  const ticked = steps.flatMap((s) => ticks[s.id] ?? [])
  const impossible = ticked.filter((t) => t.note !== undefined).length
  return { done: ticked.length - impossible, impossible, all: steps.length }
}

/** The next thing to do: the first step that is not ticked off. */
export const nextStep = (steps: readonly SetUpStep[], ticks: Ticks): SetUpStep | null =>
  steps.find((s) => ticks[s.id] === undefined) ?? null
