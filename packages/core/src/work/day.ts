import type { HandSide } from '../bench/index.js'
import type { Command } from '../commands/index.js'
import { fingers, tappingCapacity, type Finger } from '../hand/index.js'
import type { MenuKnowledge } from '../plan/index.js'
import type { Routine } from '../usage/index.js'
import type { PressNote } from './workplace.js'
import { operatorKinds, operatorMs, type Operator, type OperatorKind } from './operators.js'
import { timeCommand, timeWork, type TimedWork, type Way, type WorkContext } from './routine.js'
import { strainIndex, type StrainIndex, type StrainInput } from './strain.js'

/** One part of a day: a routine, or the uses of a command outside routines. */
export interface DayPart {
  readonly id: string
  readonly name: string
  readonly kind: 'routine' | 'command'
  readonly timesPerHour: number
  readonly work: TimedWork
}

export type ByFinger = Readonly<Record<Finger, number>>

export interface DayLoad {
  readonly hoursPerDay: number
  /** ms of command work in an hour */
  readonly msPerHour: number
  /** the same where menus are known by heart, as usual, or seldom used */
  readonly msByMenus: Readonly<Record<MenuKnowledge, number>>
  readonly msByKind: Readonly<Record<OperatorKind, number>>
  /** times an hour that a hand leaves its home, or the pointing hand what it holds */
  readonly tripsPerHour: number
  readonly pressesPerHour: Readonly<Record<HandSide, ByFinger>>
  /** share of the uses given by keys, by the pointing hand on its device, through menus; 0 to 1 */
  readonly shares: Readonly<Record<Way, number>>
  readonly strain: Readonly<Record<HandSide, StrainIndex>>
  /** most time first */
  readonly parts: readonly DayPart[]
}

const emptyFingers = (): Record<Finger, number> => ({ thumb: 0, index: 0, middle: 0, ring: 0, little: 0 })

/** Uses of each command that do not stand in a routine. */
function usesOutside(commands: readonly Command[], routines: readonly Routine[]): Map<string, number> {
  const left = new Map(commands.map((c) => [c.id, c.usesPerHour]))
  for (const { steps, timesPerHour } of routines)
    for (const step of steps)
      if (step.kind === 'command')
        left.set(step.commandId, Math.max(0, (left.get(step.commandId) ?? 0) - timesPerHour))
  return left
}

/**
 * An hour of work: every routine as often as it is done, and every command as often as it is used outside routines,
 * each by itself from rest and back.
 */
export function dayLoad(
  commands: readonly Command[],
  routines: readonly Routine[],
  hoursPerDay: number,
  context: WorkContext,
): DayLoad {
  const outside = usesOutside(commands, routines)
  const parts: DayPart[] = [
    ...routines.map((r): DayPart => ({
      id: r.id,
      name: r.name,
      kind: 'routine',
      timesPerHour: r.timesPerHour,
      work: timeWork(r.steps, context),
    })),
    ...commands.flatMap((c): DayPart[] => {
      const timesPerHour = outside.get(c.id) ?? 0
      return timesPerHour > 0
        ? [{ id: c.id, name: c.name, kind: 'command', timesPerHour, work: timeCommand(c, context) }]
        : []
    }),
  ].sort((a, b) => b.timesPerHour * b.work.ms - a.timesPerHour * a.work.ms)
  const msByKind = Object.fromEntries(operatorKinds.map((k) => [k, 0])) as Record<OperatorKind, number>
  const pressesPerHour = { left: emptyFingers(), right: emptyFingers() }
  const ways: Record<Way, number> = { key: 0, pointer: 0, menu: 0 }
  let trips = 0
  let walks = 0
  let levels = 0
  for (const { timesPerHour, work } of parts) {
    trips += timesPerHour * work.trips
    walks += timesPerHour * work.menuWalks
    levels += timesPerHour * work.menuLevels
    for (const way of work.ways) if (way) ways[way.way] += timesPerHour
    for (const operator of work.operators) {
      msByKind[operator.kind] += timesPerHour * operator.ms
      countPresses(operator, timesPerHour, pressesPerHour)
    }
  }
  const msPerHour = operatorKinds.reduce((sum, k) => sum + msByKind[k], 0)
  // looking for entries is the only M there is, so that without it all else stays
  const looks = { 'by heart': 0, usual: walks, 'seldom used': levels }
  const byHeart = msPerHour - looks[context.place.menus ?? 'usual'] * operatorMs.M
  const given = ways.key + ways.pointer + ways.menu
  const share = (way: Way): number => (given > 0 ? ways[way] / given : 0)
  return {
    hoursPerDay,
    msPerHour,
    msByMenus: {
      'by heart': byHeart,
      usual: byHeart + walks * operatorMs.M,
      'seldom used': byHeart + levels * operatorMs.M,
    },
    msByKind,
    tripsPerHour: trips,
    pressesPerHour,
    shares: { key: share('key'), pointer: share('pointer'), menu: share('menu') },
    strain: {
      left: strainIndex(strainInput('left', parts, hoursPerDay)),
      right: strainIndex(strainInput('right', parts, hoursPerDay)),
    },
    parts,
  }
}

/** Typed characters fall on eight fingers alike; a click is the index finger's. Assumed. */
function countPresses(
  { kind, hand, finger, count = 1 }: Operator,
  times: number,
  into: Record<HandSide, Record<Finger, number>>,
): void {
  if (kind === 'K' && hand === null) {
    for (const side of ['left', 'right'] as const)
      for (const f of fingers) if (f !== 'thumb') into[side][f] += (times * count) / 8
  } else if (hand !== null && (kind === 'K' || kind === 'B')) into[hand][finger ?? 'index'] += times * count
}

/** Most of the presses decide about a category once they are this share of all. Assumed. */
const decidingShare = 0.1

/** What the six factors of the Strain Index are for one hand. */
function strainInput(side: HandSide, parts: readonly DayPart[], hoursPerDay: number): StrainInput {
  let exertionMs = 0
  let efforts = 0
  let presses = 0
  let stretched = 0
  let turned = 0
  let beyond = 0
  for (const { timesPerHour, work } of parts) {
    for (const { kind, hand, ms, count = 1 } of work.operators) {
      if (kind === 'K' && hand === null) {
        // both hands type by turns
        exertionMs += (timesPerHour * ms) / 2
        efforts += (timesPerHour * count) / 2
      } else if (hand === side) {
        exertionMs += timesPerHour * ms
        if (kind !== 'F') efforts += timesPerHour
      }
    }
    for (const note of work.presses) {
      if (note.hand !== side) continue
      presses += timesPerHour
      stretched += isOut(note) * timesPerHour
      turned += Number(note.band === 'turned to 15°') * timesPerHour
      beyond += Number(note.band === 'turned beyond 15°') * timesPerHour
    }
  }
  const decides = (part: number): boolean => presses > 0 && part / presses >= decidingShare
  return {
    intensity: decides(stretched) ? 'somewhat hard' : 'light',
    exertionPercent: Math.min(100, (exertionMs / 3_600_000) * 100),
    effortsPerMinute: efforts / 60,
    posture: decides(beyond) ? 'bad' : decides(turned + beyond) ? 'fair' : 'good',
    speed: 'fair',
    hoursPerDay,
  }
}

const isOut = (note: PressNote): number => Number(note.isStretched)

/**
 * Presses an hour that a finger is fit for when all presses of its hand are shared by tapping ability: Hoke (1922).
 * A finger above it works more than its share.
 */
export function fairShares(side: HandSide, presses: ByFinger): ByFinger {
  const all = fingers.reduce((sum, f) => sum + presses[f], 0)
  const ability = tappingCapacity[side]
  const whole = fingers.reduce((sum, f) => sum + ability[f], 0)
  return Object.fromEntries(fingers.map((f) => [f, (all * ability[f]) / whole])) as ByFinger
}

/** Time of a command that has no trigger, ms: M once, then P + B for each level of its menu. */
export const menuMs = (levels: number): number => operatorMs.M + levels * (operatorMs.P + operatorMs.B)
