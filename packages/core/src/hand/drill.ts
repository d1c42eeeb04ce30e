import type { Control } from '../bench/index.js'
import { fingers, type Finger } from './constants.js'
import type { HandAtRest } from './model.js'
import { reachSolver } from './reach.js'

/** One press of the guided test: from the key where the finger rests to another, or to the same one again. */
export interface DrillPress {
  readonly finger: Finger
  readonly restCode: string
  readonly code: string
  readonly distanceMm: number
  readonly widthMm: number
}

/** Keys that are pressed without harm: those that type, not Tab, Caps Lock or Escape. */
const typingKey =
  /^(Key[A-Z]|Digit\d|Semicolon|Quote|Comma|Period|Slash|Minus|Equal|Bracket|Intl|Backquote|Backslash)/

/** Keys away from its own that each finger goes to, and how often each is pressed. Two minutes at two seconds each. */
const targetsEach = 4
const rounds = 3

/**
 * The presses of the guided test for a hand that rests on keys with codes: for each finger its own key and the keys
 * that the model gives to it, near and far, in an order that goes from finger to finger.
 * @returns none when a fingertip rests on a control that sends no code
 * @throws CoreError `REST_MISSING` when a fingertip rests on a control that is not there
 */
export function fitDrill(hand: HandAtRest, controls: readonly Control[]): DrillPress[] {
  const solver = reachSolver(hand, controls)
  const long = fingers.filter((f): f is Exclude<Finger, 'thumb'> => f !== 'thumb')
  const byFinger = long.map((finger): DrillPress[] => {
    const rest = controls.find((c) => c.id === hand.rests[finger])
    if (!rest || rest.code === null) return []
    const restCode = rest.code
    const widthMm = (c: Control): number => Math.min(c.widthMm, c.heightMm)
    const targets = controls
      .filter((c) => c.id !== rest.id && c.code !== null && typingKey.test(c.code))
      .flatMap((c) => {
        const reach = solver.reachControls([c.id])
        return reach.verdict === 'easy' && reach.fingers[c.id] === finger
          ? [{ control: c, distanceMm: reach.distanceMm }]
          : []
      })
      .sort((a, b) => a.distanceMm - b.distanceMm)
    // near and far ones: spread evenly over what the finger has
    const step = Math.max(1, (targets.length - 1) / (targetsEach - 1))
    const chosen = [
      ...new Set(
        Array.from({ length: Math.min(targetsEach, targets.length) }, (_, i) =>
          Math.min(targets.length - 1, Math.round(i * step)),
        ),
      ),
    ].flatMap((i) => targets[i] ?? [])
    return [
      { finger, restCode, code: restCode, distanceMm: 0, widthMm: widthMm(rest) },
      ...chosen.map(({ control, distanceMm }): DrillPress => ({
        finger,
        restCode,
        code: control.code as string,
        distanceMm,
        widthMm: widthMm(control),
      })),
    ]
  })
  if (byFinger.some((list) => list.length === 0)) return []
  const most = Math.max(...byFinger.map((list) => list.length))
  return Array.from({ length: rounds }, (_, round) =>
    Array.from({ length: most }, (_x, i) =>
      byFinger.flatMap((list, f) => {
        // each round begins elsewhere, so that no press is foreseen
        const at = (i + round * 2 + f) % most
        return list[at] ?? []
      }),
    ).flat(),
  ).flat()
}
