import {
  chord,
  plainTriggers,
  reservedBy,
  triggerKey,
  withAct,
  actOf,
  type BenchControl,
  type Modifier,
  type PlaceIndex,
  type Placement,
  type Trigger,
} from '@reach-plot/core'
import { browserCombos } from '@reach-plot/data'
import { reservedNote } from '../../parts/words.js'

/** How an answer can be given to what is asked. */
export type Way = 'chord' | 'act' | 'sequence' | 'drawn'

/** Chords that the control of a trigger sends, so that real pads and decks answer as keyboards do. */
export const sentFor = (
  placements: readonly Placement[],
  commandId: string,
  trigger: Trigger,
): readonly Trigger[] =>
  placements.find((p) => p.commandId === commandId && triggerKey(p.trigger) === triggerKey(trigger))?.sends ??
  []

export function wayOf(trigger: Trigger, sent: readonly Trigger[]): Way {
  if (trigger.kind === 'chord') return 'chord'
  if (trigger.kind === 'key') return 'act'
  if (trigger.kind === 'sequence') return 'sequence'
  // a stroke is drawn whatever it sends
  return trigger.kind !== 'stroke' && sent.length === 1 ? 'chord' : 'drawn'
}

const comboOf = (modifiers: readonly Modifier[], code: string): string =>
  [...modifiers, /^Key[A-Z]$/.test(code) ? code.slice(3).toLowerCase() : code.replace(/^Digit/, '')].join('+')

/** Why a press would not reach this page, in words; null where it should. */
export function swallowed(trigger: Trigger, index: PlaceIndex): string | null {
  const reserved = reservedBy(trigger, index)
  if (reserved) return reservedNote(reserved)
  if (trigger.kind === 'chord' && browserCombos.includes(comboOf(trigger.modifiers, trigger.code)))
    return 'The browser keeps this combination.'
  return null
}

/** What can be meant where a control of the drawing is pressed, worked as what is asked for is: ways of a dial, directions of a field. */
export function meantBy(
  control: BenchControl,
  held: readonly Modifier[],
  page: string | undefined,
  asked: Trigger,
): readonly Trigger[] {
  const all = plainTriggers(control, held, page).map((t) => withAct(t, actOf(asked)))
  return all.length > 0 || control.code === null ? all : [chord(control.code, held)]
}

/** The direction of a stroke that was drawn, 0 up and then clockwise; null for a jerk. @param of how many there are */
export function strokeDirection(dx: number, dy: number, of: number): number | null {
  if (Math.hypot(dx, dy) < leastStrokePx) return null
  const turn = (Math.atan2(dx, -dy) / (2 * Math.PI) + 1) % 1
  return Math.round(turn * of) % of
}

/** Shorter ones are a slip of the hand. Assumed. */
const leastStrokePx = 24
