import type { Control, HeldModifier, LayeredKey, LayerOpening } from '../bench/index.js'
import { CoreError } from '../errors.js'
import { modifierCodes, type Modifier } from '../triggers/index.js'
import { fingers, mostPalmShiftMm, verdictLimits, type Finger } from './constants.js'
import { bestFingering, type Fingering } from './fingering.js'
import { aimBox, toCentreMm, type AimBox } from './aim.js'
import { radToDeg } from './angles.js'
import { withOwnLimits, withOwnReach } from './own.js'
import { handModel, heightEnergy, type HandAtRest, type HandModel } from './model.js'
import { freePose } from './pose.js'
import { chordTimeMs } from './time.js'

/** How the hand reaches a trigger, the best first. */
export const verdicts = ['rest', 'easy', 'stretch', 'away'] as const
/** How the hand reaches a trigger from where it rests. */
export type Verdict = (typeof verdicts)[number]

/** The posture that takes a chord: keys, fingers, energy, verdict, ms. */
export interface ChordReach {
  /** ids of the controls held, modifiers first */
  readonly keys: readonly string[]
  readonly verdict: Verdict
  /** √E; Infinity when the hand has no finger left for a key */
  readonly effort: number
  /** largest deviation of a used finger, in comfort radii */
  readonly stretch: number
  readonly palmShiftMm: number
  readonly turnDeg: number
  /** finger of each control; empty for `away`, where the model gives no advice */
  readonly fingers: Readonly<Record<string, Finger>>
  /** largest distance between two used fingertips over their largest practical span */
  readonly spanUse: number
  /** from rest to the last key down, one way, ms */
  readonly timeMs: number
  /** the longest way of a finger from where it rests, mm */
  readonly distanceMm: number
  /** the device that the hand moves to first, where that is quicker than reaching from home */
  readonly viaHome?: string
  /** how it is made from there */
  readonly viaReach?: ChordReach
  /** the layer of the device's firmware by which it is sent, where that is the best way */
  readonly layer?: { readonly name: string; readonly how: LayerOpening }
  /** what the other hand can do about a chord that this one has to leave for */
  readonly help?: OtherHandHelp
}

/** A chord shared with the other hand. */
export interface OtherHandHelp {
  /** controls that the other hand takes */
  readonly keys: readonly string[]
  /** until the last key is down, from both hands at rest, ms */
  readonly timeMs: number
  /** until the other hand is back where it was, ms; 0 when it rests on keys */
  readonly backMs: number
  /** how the other hand would make its part from its home keys */
  readonly reach: ChordReach
  /** how this hand makes what is left to it; null where that is nothing */
  readonly ownReach: ChordReach | null
}

/** Least effort still counts as rest below this: the solver's rounding, far under anything felt. */
const restEffort = 1e-6

export function verdictOf(
  effort: number,
  spanUse: number,
  keyCount = 2,
  palmShiftMm = 0,
  limits: HandModel['limits'] = verdictLimits,
): Verdict {
  if (effort < restEffort) return 'rest'
  if (spanUse > 1) return 'away'
  // one finger that takes the whole palm along has left, however little that strains it
  if (keyCount === 1 && palmShiftMm > mostPalmShiftMm) return 'away'
  if (effort <= limits.easy) return 'easy'
  return effort <= limits.stretch ? 'stretch' : 'away'
}

/** The model of a hand with what is its person's own. */
export function ownHand(resting: HandAtRest, controls: readonly Control[]): HandModel {
  const hand = handModel(resting, controls)
  const fitted = resting.reach ? withOwnReach(hand, resting.reach) : hand
  return resting.limits ? withOwnLimits(fitted, resting.limits) : fitted
}

/** Solves postures for one hand over one set of controls. */
export interface ReachSolver {
  readonly hand: HandModel
  has(id: string): boolean
  /** middle of a control and the smaller side of its cap, mm */
  centreOf(id: string): { readonly xMm: number; readonly yMm: number; readonly targetMm: number }
  /**
   * How the hand makes a chord of these controls, all at once.
   * @throws CoreError `CHORD_UNREADABLE` for no key, more than five, a repeated or an unknown control id
   */
  reachControls(ids: readonly string[]): ChordReach
  /**
   * The same for modifiers of either side and a key: the sides of least energy.
   * @param key  a key code, or the id of a control that sends none; of several keys with the code the best is taken
   * @param withIds  further controls that are held
   * @returns null when there is no such key or one of the modifiers is lacking
   */
  reachChord(
    held: readonly Modifier[],
    key: string,
    altGraph: boolean,
    withIds?: readonly string[],
  ): ChordReach | null
}

/** What the firmware of the devices makes of their controls. */
export interface Firmware {
  readonly layered: readonly LayeredKey[]
  readonly tapHolds: readonly HeldModifier[]
}
const noFirmware: Firmware = { layered: [], tapHolds: [] }

/**
 * A solver for one hand over one set of controls; keeps what is common to all chords.
 * @param adjust  gives the hand other constants than the usual ones
 * @param firmware  layers and keys that hold modifiers, as further ways to a chord
 * @throws CoreError `REST_MISSING` when a fingertip rests on a control that is not there
 */
export function reachSolver(
  restingHand: HandAtRest,
  controls: readonly Control[],
  adjust: (hand: HandModel) => HandModel = (hand) => hand,
  firmware: Firmware = noFirmware,
): ReachSolver {
  const hand = adjust(ownHand(restingHand, controls))
  const byId = new Map(controls.map((c) => [c.id, c]))
  const byCode = new Map<string, string[]>()
  for (const { code, id } of controls) if (code !== null) byCode.set(code, [...(byCode.get(code) ?? []), id])
  const idsOf = (key: string): readonly string[] => byCode.get(key) ?? (byId.has(key) ? [key] : [])
  const boxes = new Map<string, AimBox>()
  const singles = new Map<string, Float64Array>()

  const boxOf = (id: string): AimBox => {
    let box = boxes.get(id)
    if (!box) boxes.set(id, (box = aimBox(byId.get(id) as Control, hand.frame)))
    return box
  }
  const singlesOf = (id: string): Float64Array => {
    const known = singles.get(id)
    if (known) return known
    const box = boxOf(id)
    const found: Float64Array = Float64Array.from(fingers, (_, f) =>
      f === 0 && !box.bottomRow
        ? Infinity
        : freePose(hand, [box], [f]).energy + (hand.fingerCost[f] as number),
    )
    singles.set(id, found)
    return found
  }

  const solve = (ids: readonly string[], cutoff: number): { reach: ChordReach; energy: number } | null => {
    const chordBoxes = ids.map(boxOf)
    const lift = heightEnergy(
      hand,
      chordBoxes.map((box) => box.z - hand.restZMm),
    )
    const best = bestFingering(hand, chordBoxes, ids.map(singlesOf), cutoff - lift)
    if (!best) return null
    const energy = best.leastEnergy + lift
    return { reach: describe(hand, ids, chordBoxes, best.fingering, energy), energy }
  }

  return {
    hand,
    has: (id) => byId.has(id),
    centreOf(id) {
      const { xMm, yMm, widthMm, heightMm, capWidthMm, capHeightMm } = byId.get(id) as Control
      return { xMm, yMm, targetMm: Math.min(capWidthMm ?? widthMm, capHeightMm ?? heightMm) }
    },
    reachControls(ids) {
      checkIds(ids, byId)
      return solve(ids, Infinity)?.reach ?? outOfFingers(ids)
    },
    reachChord(held, key, altGraph, withIds = []) {
      const plain = reachPlain(held, key, altGraph, withIds)
      if (withIds.length > 0 || (firmware.layered.length === 0 && firmware.tapHolds.length === 0))
        return plain
      return [...layerWays(held, key, altGraph), ...tapHoldWays(held, key, altGraph)].reduce(
        (best, way) => (best === null || isBetter(way, best) ? way : best),
        plain,
      )
    },
  }

  /** The sides of least energy for modifiers and a key that the bench has. */
  function reachPlain(
    held: readonly Modifier[],
    key: string,
    altGraph: boolean,
    withIds: readonly string[],
  ): ChordReach | null {
    const keys = idsOf(key).filter((id) => !withIds.includes(id))
    return leastOf(
      withModifiers(
        keys.map((id) => [...withIds, id]),
        held.map((m) => modifierCodes(m, altGraph).flatMap(idsOf)),
      ),
    )
  }

  function leastOf(choices: readonly (readonly string[])[]): ChordReach | null {
    if (choices.length === 0) return null
    let best: ChordReach | null = null
    let leastEnergy = Infinity
    for (const ids of choices) {
      const found = ids.length <= 5 ? solve(ids, leastEnergy) : null
      if (!found || found.energy >= leastEnergy) continue
      best = found.reach
      leastEnergy = found.energy
    }
    return best ?? outOfFingers(choices[0] as string[])
  }

  /** The chord as layers of the firmware send it. */
  function layerWays(held: readonly Modifier[], key: string, altGraph: boolean): ChordReach[] {
    return firmware.layered.flatMap((layered): ChordReach[] => {
      const { sends, openerId, controlId, how, layerName, waitMs } = layered
      if (sends.code !== key || !sends.modifiers.every((m) => held.includes(m))) return []
      if (!byId.has(openerId) || !byId.has(controlId)) return []
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
  function tapHoldWays(held: readonly Modifier[], key: string, altGraph: boolean): ChordReach[] {
    return firmware.tapHolds.flatMap(({ controlId, holds, waitMs }): ChordReach[] => {
      const keys = idsOf(key).filter((id) => id !== controlId)
      if (!held.includes(holds) || !byId.has(controlId) || keys.length === 0) return []
      const others = held.filter((m) => m !== holds)
      const sides = others.map((m) => [
        ...modifierCodes(m, altGraph).flatMap(idsOf),
        ...firmware.tapHolds.flatMap((t) => (t.holds === m && byId.has(t.controlId) ? [t.controlId] : [])),
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
}

/** All ways of holding one control of each of `sides` before each of the tails, none twice. */
function withModifiers(
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

function describe(
  hand: HandModel,
  ids: readonly string[],
  boxes: readonly AimBox[],
  { used, aims, pose }: Fingering,
  energy: number,
): ChordReach {
  let spanUse = 0
  for (let a = 0; a < used.length; a++) {
    for (let b = a + 1; b < used.length; b++) {
      const dx = (aims[2 * a] as number) - (aims[2 * b] as number)
      const dy = (aims[2 * a + 1] as number) - (aims[2 * b + 1] as number)
      const largest = hand.practicalMm[(used[a] as number) * 5 + (used[b] as number)] as number
      const dz = (boxes[a] as AimBox).z - (boxes[b] as AimBox).z
      spanUse = Math.max(spanUse, Math.hypot(dx, dy, dz) / largest)
    }
  }
  let stretch = 0
  const moves = used.map((f, k) => {
    const x = aims[2 * k] as number
    const y = aims[2 * k + 1] as number
    const dx = x - ((hand.tipX[f] as number) + pose.tx - pose.turn * (hand.leverY[f] as number))
    const dy = y - ((hand.tipY[f] as number) + pose.ty + pose.turn * (hand.leverX[f] as number))
    const wx = (dx > 0 ? hand.weightIn[f] : hand.weightOut[f]) as number
    const wy = (dy > 0 ? hand.weightBack[f] : hand.weightForward[f]) as number
    stretch = Math.max(stretch, Math.sqrt(wx * dx * dx + wy * dy * dy))
    return {
      distanceMm: toCentreMm(
        boxes[k] as AimBox,
        hand.tipX[f] as number,
        hand.tipY[f] as number,
        hand.restZMm,
      ),
      widthMm: (boxes[k] as AimBox).targetMm,
      msPerBit: hand.msPerBit[f] as number,
    }
  })
  const effort = Math.sqrt(energy)
  const palmShiftMm = Math.hypot(pose.tx, pose.ty)
  const verdict = verdictOf(effort, spanUse, ids.length, palmShiftMm, hand.limits)
  return {
    keys: ids,
    verdict,
    effort,
    stretch,
    palmShiftMm,
    turnDeg: Math.abs(radToDeg(pose.turn)),
    fingers:
      verdict === 'away'
        ? {}
        : Object.fromEntries(ids.map((id, k) => [id, fingers[used[k] as number] as Finger])),
    spanUse,
    timeMs: chordTimeMs(moves, hand.pressMs),
    distanceMm: Math.max(...moves.map((m) => m.distanceMm)),
  }
}

/** More keys than fingers that may take them: the other hand has to come over. */
const outOfFingers = (ids: readonly string[]): ChordReach => ({
  keys: ids,
  verdict: 'away',
  effort: Infinity,
  stretch: Infinity,
  palmShiftMm: 0,
  turnDeg: 0,
  fingers: {},
  spanUse: 0,
  timeMs: Infinity,
  distanceMm: Infinity,
})

function checkIds(ids: readonly string[], known: ReadonlyMap<string, Control>): void {
  const fail = (what: string, remedy: string): never => {
    throw new CoreError('CHORD_UNREADABLE', { where: ['keys'], what, remedy })
  }
  if (ids.length === 0 || ids.length > 5)
    fail(`a hand presses 1 to 5 keys, not ${ids.length}`, 'name one key for each finger')
  const repeated = ids.find((id, k) => ids.indexOf(id) !== k)
  if (repeated !== undefined) fail(`"${repeated}" stands twice`, 'name each key once')
  const unknown = ids.find((id) => !known.has(id))
  if (unknown !== undefined)
    fail(`the board has no key "${unknown.slice(0, 40)}"`, 'use W3C key codes such as KeyU or ControlLeft')
}
