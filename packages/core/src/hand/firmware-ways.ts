import type { HeldModifier, LayeredKey } from '../bench/index.js'
import { modifierCodes, type Modifier } from '../triggers/index.js'
import { verdicts, type ChordReach } from './chord-reach.js'

/** What the firmware of the devices makes of their controls. */
export interface Firmware {
  readonly layered: readonly LayeredKey[]
  readonly tapHolds: readonly HeldModifier[]
}
export const noFirmware: Firmware = { layered: [], tapHolds: [] }

/** What a solver knows of its controls, for ways that the firmware opens. */
interface FirmwareContext {
  readonly firmware: Firmware
  readonly has: (id: string) => boolean
  /** the controls that send a code, or the one of that id */
  readonly idsOf: (key: string) => readonly string[]
  /** the easiest of some sets of controls that are pressed together; null for none */
  readonly leastOf: (choices: readonly (readonly string[])[]) => ChordReach | null
}

/**
 * How a chord is made best: as the keys of the board send it, by a layer, or with a modifier that a letter holds.
 * @param plain  the first of these; null where no key of the board sends it
 */
export function byFirmware(
  context: FirmwareContext,
  plain: ChordReach | null,
  held: readonly Modifier[],
  key: string,
  altGraph: boolean,
): ChordReach | null {
  const ways = [...layerWays(context, held, key, altGraph), ...tapHoldWays(context, held, key, altGraph)]
  return ways.reduce((best, way) => (best === null || isBetter(way, best) ? way : best), plain)
}

/** The chord as layers of the firmware send it. */
function layerWays(
  { firmware, has, idsOf, leastOf }: FirmwareContext,
  held: readonly Modifier[],
  key: string,
  altGraph: boolean,
): ChordReach[] {
  return firmware.layered.flatMap((layered): ChordReach[] => {
    const { sends, openerId, controlId, how, layerName, waitMs } = layered
    if (sends.code !== key || !sends.modifiers.every((m) => held.includes(m))) return []
    if (!has(openerId) || !has(controlId)) return []
    const others = held.filter((m) => !sends.modifiers.includes(m))
    const sides = others.map((m) => modifierCodes(m, altGraph).flatMap(idsOf))
    const isHeld = how === 'held' || how === 'tap-and-hold'
    const pressed = leastOf(withModifiers([isHeld ? [openerId, controlId] : [controlId]], sides))
    if (!pressed) return []
    const layer = { name: layerName, how }
    if (isHeld) return [{ ...pressed, timeMs: pressed.timeMs + waitMs, layer }]
    // the layer is opened by a press of its own, before
    const opening = leastOf([[openerId]]) as ChordReach
    const hardest = opening.effort > pressed.effort ? opening : pressed
    return [
      {
        ...hardest,
        keys: [openerId, ...pressed.keys],
        fingers: { ...opening.fingers, ...pressed.fingers },
        timeMs: opening.timeMs + pressed.timeMs,
        layer,
      },
    ]
  })
}

/** The chord with one of its modifiers held by a key that types when it is tapped. */
function tapHoldWays(
  { firmware, has, idsOf, leastOf }: FirmwareContext,
  held: readonly Modifier[],
  key: string,
  altGraph: boolean,
): ChordReach[] {
  return firmware.tapHolds.flatMap(({ controlId, holds, waitMs }): ChordReach[] => {
    const keys = idsOf(key).filter((id) => id !== controlId)
    if (!held.includes(holds) || !has(controlId) || keys.length === 0) return []
    const others = held.filter((m) => m !== holds)
    const sides = others.map((m) => [
      ...modifierCodes(m, altGraph).flatMap(idsOf),
      ...firmware.tapHolds.flatMap((t) => (t.holds === m && has(t.controlId) ? [t.controlId] : [])),
    ])
    const reach = leastOf(
      withModifiers(
        keys.map((id) => [controlId, id]),
        sides,
      ),
    )
    return reach ? [{ ...reach, timeMs: reach.timeMs + waitMs }] : []
  })
}

/** All ways of holding one control of each of `sides` before each of the tails, none twice. */
export function withModifiers(
  tails: readonly (readonly string[])[],
  sides: readonly (readonly string[])[],
): readonly (readonly string[])[] {
  let choices = tails
  for (const side of sides.toReversed())
    choices = choices.flatMap((tail) => side.filter((id) => !tail.includes(id)).map((id) => [id, ...tail]))
  return choices
}

/** Whether a way is easier, or as easy and sooner. */
const isBetter = (way: ChordReach, than: ChordReach): boolean => {
  const by = verdicts.indexOf(way.verdict) - verdicts.indexOf(than.verdict)
  return by < 0 || (by === 0 && way.timeMs < than.timeMs)
}
