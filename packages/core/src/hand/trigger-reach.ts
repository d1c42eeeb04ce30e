import {
  heldOf,
  holdWaitMs,
  controlRef,
  controlRefOf,
  type Modifier,
  type PopupSet,
  type Sequence,
  type Trigger,
} from '../triggers/index.js'
import type { ReachAt } from './chord-table.js'
import { pointingMsPerBit, pressMs, strokeLengthMm } from './constants.js'
import type { ChordReach } from './chord-reach.js'
import { indexOfDifficultyBits } from './time.js'

/** What the reach of any trigger is worked out from, beside the trigger. */
export interface ReachContext {
  readonly reachAt: ReachAt
  /** how long the pointing hand takes to take the device up, 0 when it holds it, ms; null for the hand on the keys */
  acquireMs(deviceId: string): number | null
  popup(setId: string): PopupSet | undefined
}

/** Distance and size of a place of a pop-up set from where it comes up, mm. Assumed: a ring of 30 mm, places of 10 mm. */
const popupPoint = { distanceMm: 30, widthMm: 10 } as const

const atPointer = (timeMs: number, verdict: ChordReach['verdict']): ChordReach => ({
  keys: [],
  verdict,
  effort: 0,
  stretch: 0,
  palmShiftMm: 0,
  turnDeg: 0,
  fingers: {},
  spanUse: 0,
  timeMs,
  distanceMm: 0,
})

/** Time of a stroke, ms: press, a movement into the direction's sector by Fitts at the pointer's pace, release. */
export function strokeMs(directions: number): number {
  const sectorMm = 2 * strokeLengthMm * Math.tan(Math.PI / directions)
  // with two directions the sector is the half plane; a stroke is never easier than one bit's worth of aim
  const widthMm = directions === 2 ? strokeLengthMm : Math.min(sectorMm, strokeLengthMm)
  return 2 * pressMs + pointingMsPerBit * indexOfDifficultyBits(strokeLengthMm, widthMm)
}

/** Time added to a press by the way in which it is worked, ms. */
function actMs(trigger: Trigger): number {
  if (trigger.kind !== 'key' && trigger.kind !== 'button') return 0
  if (trigger.act.startsWith('tap')) return (Number(trigger.act.slice(3)) - 1) * 2 * pressMs
  if (trigger.act === 'hold') return holdWaitMs
  return trigger.act === 'during' ? pressMs : 0
}

/**
 * How a trigger of any kind is reached, and its time from rest, one way. Steps of a dial count one step; triggers of
 * the pointing hand assume that it lies on its device; with a chord's modifiers the slower hand counts.
 * @returns undefined while the reach of its place is not known, or when it cannot be made
 */
export function triggerReach(trigger: Trigger, context: ReachContext): ChordReach | undefined {
  if (trigger.kind === 'popup') {
    const set = context.popup(trigger.setId)
    const opener = set && triggerReach(set.opener, context)
    if (!set || !opener) return undefined
    const perBit = set.at === 'pointer' ? pointingMsPerBit : pointingMsPerBit / 2
    const pickMs = perBit * indexOfDifficultyBits(popupPoint.distanceMm, popupPoint.widthMm) + pressMs
    return { ...opener, timeMs: opener.timeMs + pickMs }
  }
  if (trigger.kind === 'sequence') return sequenceReach(trigger, context)
  const held = heldOf(trigger)
  const acquire = 'code' in trigger ? null : context.acquireMs(trigger.deviceId)
  if (acquire !== null) {
    const own = acquire + (trigger.kind === 'stroke' ? strokeMs(trigger.of) : pressMs + actMs(trigger))
    const pointer = atPointer(own, acquire > 0 ? 'away' : trigger.kind === 'stroke' ? 'easy' : 'rest')
    const last = held.at(-1)
    if (last === undefined) return pointer
    const modifiers = context.reachAt(held.slice(0, -1), modifierPlace(last))
    return modifiers && { ...modifiers, timeMs: Math.max(modifiers.timeMs, own) }
  }
  const withId =
    trigger.kind === 'button' && trigger.withId !== undefined
      ? controlRef(trigger.deviceId, trigger.withId)
      : undefined
  const reach = context.reachAt(held, controlRefOf(trigger) as string, withId)
  return reach && { ...reach, timeMs: reach.timeMs + actMs(trigger) }
}

/** One chord after another, each from rest: the hardest tells how it is reached, and their times add up. */
function sequenceReach({ chords }: Sequence, context: ReachContext): ChordReach | undefined {
  const reaches = chords.map((chord) => triggerReach(chord, context))
  let hardest: ChordReach | undefined
  let timeMs = 0
  for (const reach of reaches) {
    if (!reach) return undefined
    timeMs += reach.timeMs
    if (!hardest || reach.effort > hardest.effort) hardest = reach
  }
  return hardest && { ...hardest, timeMs }
}

/** The left key of a modifier; the hand on the keys holds it while the other hand points. */
const modifierPlace = (modifier: Modifier): string =>
  modifier === 'AltGraph' ? 'AltRight' : `${modifier}Left`
