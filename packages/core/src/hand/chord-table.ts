import type { Control, LayeredKey } from '../bench/index.js'
import { isModifierCode, modifierCodes, modifiers, type Modifier } from '../triggers/index.js'
import { moveToMs } from './homing.js'
import { otherHandHelp } from './other-hand.js'
import type { ChordReach } from './chord-reach.js'
import { reachSolver, type ReachSolver } from './reach.js'
import { atHome, type ReachSituation } from './situation.js'

/** How the hand reaches every place with one set of modifiers held; by the key's code, or the control's id without one. */
export type ReachByControl = Readonly<Record<string, ChordReach>>

/**
 * One modifier set of the chord table: every key with `held`. Keys that are modifiers themselves are left out when any is held.
 * @param withIds  further controls that are held, such as a pad key that works as a modifier
 */
export function reachWithHeld(
  solver: ReachSolver,
  controls: readonly Control[],
  held: readonly Modifier[],
  altGraph: boolean,
  withIds: readonly string[] = [],
): ReachByControl {
  const out: Record<string, ChordReach> = {}
  for (const place of placesOf(controls, held)) {
    const reach = solver.reachChord(held, place, altGraph, withIds)
    if (reach) out[place] = reach
  }
  return out
}

const placesOf = (controls: readonly Control[], held: readonly Modifier[]): string[] => [
  ...new Set(
    controls
      .filter(({ code }) => code === null || held.length === 0 || !isModifierCode(code))
      .map(({ code, id }) => code ?? id),
  ),
]

/** Keys that layers send with these modifiers, or with fewer. */
const layeredPlaces = (layered: readonly LayeredKey[], held: readonly Modifier[]): string[] =>
  layered.flatMap(({ sends }) => (sends.modifiers.every((m) => held.includes(m)) ? [sends.code] : []))

/** Every set of modifiers, plainest first. */
export const modifierSets = (altGraph: boolean, most = 4): Modifier[][] => {
  const offered = modifiers.filter((m) => m !== 'AltGraph' || altGraph)
  return Array.from({ length: 1 << offered.length }, (_, bits) => offered.filter((_m, i) => (bits >> i) & 1))
    .filter((set) => set.length <= most)
    .sort((a, b) => a.length - b.length)
}

/** Sets of more modifiers are never proposed. */
const mostProposed = 2

/** The sets of modifiers that places are proposed with. */
export const proposedSets = (altGraph: boolean): Modifier[][] => modifierSets(altGraph, mostProposed)

/** The chord table of a hand over a bench: every control with every set of modifiers, each modifier set worked out once. */
export interface ChordTable {
  readonly situation: ReachSituation
  /** a modifier set, worked out now or before; what the bench kept from `previous` is taken from there */
  withHeld(held: readonly Modifier[], withId?: string): ReachByControl
  /** a modifier set as it is known already, to be kept elsewhere; undefined while it is not */
  known(held: readonly Modifier[], withId?: string): ReachSet | undefined
  /** takes a modifier set over that a table of the same situation has worked out */
  takeOver(held: readonly Modifier[], set: ReachSet, withId?: string): void
  /** chords that had to be solved, not taken over */
  readonly solved: number
}

/** One modifier set as it can be kept: plain data with infinities, such as a structured clone takes. */
export interface ReachSet {
  /** of this hand alone */
  readonly direct: ReachByControl
  /** places where another home or the other hand is better than this hand alone */
  readonly helped: ReachByControl
}

/** How the hand reaches a place with modifiers held, and with another control held; undefined while it is not known. */
export type ReachAt = (held: readonly Modifier[], place: string, withId?: string) => ChordReach | undefined

/** Reach as a chord table knows it, modifier set by modifier set as they are asked for. */
export const reachIn =
  (table: ChordTable): ReachAt =>
  (held, place, withId) =>
    table.withHeld(held, withId)[place]

const setName = (held: readonly Modifier[], withId = ''): string => `${held.join('+')}|${withId}`

interface Kept {
  readonly key: string
  /** modifier sets of this hand alone, before others help */
  readonly direct: Map<string, ReachByControl>
  readonly geometry: ReadonlyMap<string, string>
}
const keptOf = new WeakMap<ChordTable, Kept>()

const geometryOf = (c: Control): string =>
  `${c.id} ${c.row} ${c.xMm} ${c.yMm} ${c.capWidthMm ?? c.widthMm} ${c.capHeightMm ?? c.heightMm} ${c.turnDeg ?? 0} ${c.zMm ?? 0}`

/** The controls of each place, as text: two benches have a place in common when the text is the same. */
function geometryByPlace(controls: readonly Control[]): Map<string, string> {
  const out = new Map<string, string>()
  for (const control of controls) {
    const place = control.code ?? control.id
    out.set(place, `${out.get(place) ?? ''};${geometryOf(control)}`)
  }
  return out
}

/**
 * The reach of every chord of the controls, with every modifier set.
 * @param previous the table of the bench as it was: chords of keys that have not moved are not solved again
 * @throws CoreError `REST_MISSING` when a fingertip rests on a control that is not there
 */
export function chordTable(situation: ReachSituation, previous?: ChordTable): ChordTable {
  const { hand, controls, altGraph, layered, tapHolds } = situation
  const solver = reachSolver(hand, controls, undefined, { layered, tapHolds })
  const geometry = geometryByPlace(controls)
  const restsAt = [...Object.values(hand.rests), hand.thumbRest].map((id) => {
    const control = controls.find((c) => c.id === id)
    return control && geometryOf(control)
  })
  const key = JSON.stringify([hand, restsAt, altGraph, layered, tapHolds])
  const old = previous && keptOf.get(previous)
  const before = old?.key === key ? old : undefined
  const isSame = (place: string): boolean => geometry.get(place) === before?.geometry.get(place)
  const direct = new Map<string, ReachByControl>()
  const final = new Map<string, ReachByControl>()
  const improve = fromElsewhere(situation, solver)
  let solved = 0

  const directReach = (name: string, held: readonly Modifier[], withId?: string): ReachByControl => {
    const oldReach = before?.direct.get(name)
    const heldSame =
      oldReach !== undefined &&
      held.every((m) => modifierCodes(m, altGraph).every(isSame)) &&
      (withId === undefined || isSame(withId))
    const out: Record<string, ChordReach> = {}
    const device = withId?.slice(0, withId.indexOf('/') + 1)
    // only controls of one device are pressed together
    const near = device === undefined ? controls : controls.filter((c) => c.id.startsWith(device))
    const places = new Set([
      ...placesOf(near, held),
      ...(withId === undefined ? layeredPlaces(layered, held) : []),
    ])
    for (const place of places) {
      const known = heldSame && isSame(place)
      if (!known) solved++
      const reach = known
        ? oldReach[place]
        : solver.reachChord(held, place, altGraph, withId === undefined ? [] : [withId])
      if (reach) out[place] = reach
    }
    return out
  }
  const table: ChordTable = {
    situation,
    get solved() {
      return solved
    },
    withHeld(held, withId) {
      const name = setName(held, withId)
      let byControl = final.get(name)
      if (!byControl) {
        const own = directReach(name, held, withId)
        direct.set(name, own)
        byControl = Object.fromEntries(
          Object.entries(own).map(([place, reach]) => [place, improve(place, reach)]),
        )
        final.set(name, byControl)
      }
      return byControl
    },
    known(held, withId) {
      const name = setName(held, withId)
      const [own, all] = [direct.get(name), final.get(name)]
      if (!own || !all) return undefined
      const helped = Object.entries(all).filter(([place, reach]) => reach !== own[place])
      return { direct: own, helped: Object.fromEntries(helped) }
    },
    takeOver(held, set, withId) {
      const name = setName(held, withId)
      direct.set(name, set.direct)
      final.set(name, { ...set.direct, ...set.helped })
    },
  }
  keptOf.set(table, { key, direct, geometry })
  return table
}

/** The reach of a few chords of a situation, each worked out when it is asked for: what a chord table would say of it. */
export function reachAtOnce(situation: ReachSituation): ReachAt {
  const { hand, controls, altGraph, layered, tapHolds } = situation
  const solver = reachSolver(hand, controls, undefined, { layered, tapHolds })
  const improve = fromElsewhere(situation, solver)
  return (held, place, withId) => {
    const reach = solver.reachChord(held, place, altGraph, withId === undefined ? [] : [withId])
    return reach ? improve(place, reach) : undefined
  }
}

/** What another home and the other hand make of a chord that the hand has to leave for. */
function fromElsewhere(
  { hand, controls, altGraph, homes, otherHand }: ReachSituation,
  solver: ReachSolver,
): (place: string, reach: ChordReach) => ChordReach {
  const [own, ...others] = homes
  const elsewhere = others.map((home) => {
    const there = controls.filter((c) => c.id.startsWith(`${home.deviceId}/`))
    return { home, ids: new Set(there.map((c) => c.id)), solver: reachSolver(atHome(hand, home), there) }
  })
  const helper = otherHand && { ...otherHand, solver: remembering(reachSolver(otherHand.hand, controls)) }
  const mine = remembering(solver)
  const viaHome = (reach: ChordReach, id: string): ChordReach => {
    const there = elsewhere.find(({ ids }) => ids.has(id))
    const near = there && own && there.solver.reachChord([], id, altGraph)
    if (!near || !own || near.verdict === 'away') return reach
    const timeMs = moveToMs(own, there.home) + near.timeMs
    return timeMs < reach.timeMs ? { ...reach, timeMs, viaHome: there.home.deviceId, viaReach: near } : reach
  }
  return (place, reach) => {
    if (reach.verdict !== 'away') return reach
    const moved = reach.keys.length === 1 && place.includes('/') ? viaHome(reach, place) : reach
    const help = helper && otherHandHelp(moved, helper, mine, altGraph)
    return help ? { ...moved, help } : moved
  }
}

/** The same parts of chords are asked for again with every key. */
function remembering(solver: ReachSolver): ReachSolver {
  const known = new Map<string, ChordReach>()
  return {
    ...solver,
    reachControls(ids) {
      const name = ids.join(' ')
      let reach = known.get(name)
      if (!reach) known.set(name, (reach = solver.reachControls(ids)))
      return reach
    },
  }
}
