import type { Control } from '../bench/index.js'
import { CoreError } from '../errors.js'
import { modifierCodes, type Modifier } from '../triggers/index.js'
import { fingers, mostPalmShiftMm, verdictLimits, type Finger } from './constants.js'
import { bestFingering, type Fingering } from './fingering.js'
import { aimBox, toCentreMm, type AimBox } from './aim.js'
import { radToDeg } from './angles.js'
import { withOwnLimits, withOwnReach } from './own.js'
import { handModel, heightEnergy, type HandAtRest, type HandModel } from './model.js'
import { freePose } from './pose.js'
import type { ChordReach, Verdict } from './chord-reach.js'
import { byFirmware, noFirmware, withModifiers, type Firmware } from './firmware-ways.js'
import { chordTimeMs } from './time.js'

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

/** How a chord is solved: the reach and its energy; null when it costs more than the cutoff, or fingers run out. */
type ChordSolver = (ids: readonly string[], cutoff: number) => { reach: ChordReach; energy: number } | null

/** Solves chords of known controls; what each control costs by itself is worked out once. */
function chordSolver(hand: HandModel, byId: ReadonlyMap<string, Control>): ChordSolver {
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
  return (ids, cutoff) => {
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
}

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
  const solve = chordSolver(hand, byId)

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
      // what is held beside modifiers is on no layer
      if (withIds.length > 0) return plain
      const context = { firmware, has: (id: string): boolean => byId.has(id), idsOf, leastOf }
      return byFirmware(context, plain, held, key, altGraph)
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
