import { splitControlRef, type Control } from '../bench/index.js'
import { canBeLiveTogether, type Command } from '../commands/index.js'
import { triggerReach, type ChordReach, type Finger } from '../hand/index.js'
import type { PreparedModel } from '../model/index.js'
import { isFree, placeJudge, reachedPlaces, type CandidatePlace } from '../places/index.js'
import {
  characterAt,
  controlRef,
  controlRefOf,
  triggerKey,
  type Trigger,
  type TriggerKey,
} from '../triggers/index.js'

/** What of the idea behind a trigger another place can keep: what is printed on it, the finger that works it, where it lies or points. */
export const keptIdeas = ['letter', 'direction', 'finger'] as const
/** What of the idea behind a trigger another place keeps. */
export type KeptIdea = (typeof keptIdeas)[number]

/** What a kept idea may cost in time, ms a use. Assumed. */
const ideaWorthMs: Readonly<Record<KeptIdea, number>> = { letter: 600, direction: 400, finger: 300 }

/** A command that has lost a trigger: it is not on the bench, is taken, or out of the hand's reach. */
export interface LostTrigger {
  /** the command in the plan that looks for a place */
  readonly command: Command
  readonly trigger: Trigger
}

/** Where a lost trigger goes. */
export interface NearestPlace extends LostTrigger {
  readonly place: CandidatePlace
  /** empty where no free place keeps anything of it: then it is the cheapest */
  readonly keeps: readonly KeptIdea[]
}

/**
 * For each lost trigger the free place of a bench that keeps most of its idea for its cost, the most used command first; no
 * place is given twice where both commands are live. What finds no place at all is left out.
 * @param from  the bench and arrangement on which the triggers were
 * @param to    the bench that places are looked for on
 * @param coming triggers that other commands are about to take
 * @returns after steps that tell how many are looked at
 */
export function* nearestPlaces(
  lost: readonly LostTrigger[],
  from: PreparedModel,
  to: PreparedModel,
  coming: readonly LostTrigger[] = [],
): Generator<number, readonly NearestPlace[], void> {
  const ideaThere = ideasOn(from)
  const ideaHere = ideasOn(to)
  const placesOf = reachedPlaces(to)
  const given = new Map<TriggerKey, Command[]>()
  const give = (key: TriggerKey, command: Command): void =>
    void given.set(key, [...(given.get(key) ?? []), command])
  for (const { command, trigger } of coming) give(triggerKey(trigger), command)
  const isGiven = (key: TriggerKey, command: Command): boolean => {
    const program = to.plan.programs.find((p) => p.id === command.programId)
    return (given.get(key) ?? []).some((c) => !program || canBeLiveTogether(c, command, program))
  }
  const found: NearestPlace[] = []
  const often = lost.toSorted(
    (a, b) => b.command.usesPerHour - a.command.usesPerHour || (a.command.id < b.command.id ? -1 : 1),
  )
  for (const [i, { command, trigger }] of often.entries()) {
    const wanted = ideaThere(trigger, triggerReach(trigger, from.reachContext))
    const judge = placeJudge(command, to.index, to.plan.weights)
    let best: NearestPlace | null = null
    let least = Infinity
    for (const { at, reach, handMs } of placesOf(command.programId)) {
      // places come by what they cost the hand: none that follows can be better
      if (handMs - mostWorthMs >= least) break
      if (!at.plain || reach.verdict === 'away' || isGiven(at.key, command)) continue
      const keeps = keptOf(wanted, ideaHere(at.trigger, reach))
      const worthMs = keeps.reduce((sum, k) => sum + ideaWorthMs[k], 0)
      if (handMs - worthMs >= least) continue
      const place = judge(at, reach)
      const costMs = place.totalMs - worthMs
      if (costMs >= least || !isFree(place)) continue
      least = costMs
      best = { command, trigger, place, keeps }
    }
    if (best) {
      give(best.place.key, command)
      found.push(best)
    }
    yield i + 1
  }
  return found
}

const mostWorthMs = keptIdeas.reduce((sum, k) => sum + ideaWorthMs[k], 0)

type Idea = Readonly<Record<KeptIdea, string | null>>

const keptOf = (a: Idea, b: Idea): KeptIdea[] => keptIdeas.filter((k) => a[k] !== null && a[k] === b[k])

/** What a trigger of a bench stands for: the letter on it, the finger, and the way in which it lies or points. */
function ideasOn(model: PreparedModel): (trigger: Trigger, reach: ChordReach | undefined) => Idea {
  const { env, hand } = model
  // of two boards with the same key the first is meant
  const controls = new Map(env.controls.toReversed().map((c) => [c.code ?? c.id, c]))
  const byId = new Map(env.controls.map((c) => [c.id, c]))
  const restOf = (finger: Finger): Control | undefined =>
    byId.get(controlRef(hand.deviceId, hand.rests[finger] ?? ''))
  return (trigger, reach) => {
    const ref = controlRefOf(trigger)
    // where the hand goes to another device first, its fingers are told from there
    const finger = ref === null ? undefined : (reach?.viaReach ?? reach)?.fingers[ref]
    const control = ref === null ? undefined : controls.get(ref)
    return {
      letter: letterOf(trigger, ref, model),
      finger: finger ?? null,
      direction: directionOf(trigger, control, finger && restOf(finger), env.controls),
    }
  }
}

/** What is printed: the character of a key, the name of one that types none, the legend of a button where it is one sign. */
function letterOf(trigger: Trigger, ref: string | null, { env }: PreparedModel): string | null {
  if ('code' in trigger)
    return characterAt(env.layout, trigger.code, 1)?.toLowerCase() ?? trigger.code.toLowerCase()
  const legend = ref === null ? undefined : env.legends?.get(ref)
  return legend !== undefined && legend.length === 1 ? legend.toLowerCase() : null
}

const sectors = ['right', 'back right', 'back', 'back left', 'left', 'front left', 'front', 'front right']
/** Nearer than this it lies under the finger, mm: half a key. */
const underMm = 9.5

function directionOf(
  trigger: Trigger,
  control: Control | undefined,
  rest: Control | undefined,
  controls: readonly Control[],
): string | null {
  if (trigger.kind === 'stroke') return sectorOf(Math.PI / 2 - (2 * Math.PI * trigger.direction) / trigger.of)
  if (trigger.kind === 'turn') return trigger.turn === 'left' || trigger.turn === 'up' ? 'less' : 'more'
  if (!control) return null
  const from = rest && isBeside(control, rest) ? rest : middleOf(control, controls)
  const [dx, dy] = [control.xMm - from.xMm, control.yMm - from.yMm]
  return Math.hypot(dx, dy) < underMm ? 'under' : sectorOf(Math.atan2(-dy, dx))
}

const isBeside = (a: Control, b: Control): boolean =>
  splitControlRef(a.id).deviceId === splitControlRef(b.id).deviceId

/** Where no finger rests on a device, its controls lie around its middle. */
function middleOf(control: Control, controls: readonly Control[]): { xMm: number; yMm: number } {
  const own = controls.filter((c) => isBeside(c, control))
  return {
    xMm: own.reduce((sum, c) => sum + c.xMm, 0) / own.length,
    yMm: own.reduce((sum, c) => sum + c.yMm, 0) / own.length,
  }
}

/** @param angle radians, anticlockwise from the right */
const sectorOf = (angle: number): string =>
  sectors[(Math.round(angle / (Math.PI / 4)) + 16) % sectors.length] as string
