import { forceLevels, type Force, type HandSide } from '../bench/index.js'
import type { Command } from '../commands/index.js'
import { fingers, tappingCapacity, type Finger } from '../hand/index.js'
import type { MenuKnowledge } from '../plan/index.js'
import type { Routine } from '../usage/index.js'
import { operatorKinds, operatorMs, type Operator, type OperatorKind } from './operators.js'
import { menuOnly, timeCommand, timeWork, type TimedWork, type Way, type WorkContext } from './routine.js'
import { noStrain, strainIndex, type StrainIndex, type StrainInput } from './strain.js'

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
 * each by itself from rest and back. Uses that the log shows through the menu although there is a key stay there.
 */
export function dayLoad(
  commands: readonly Command[],
  routines: readonly Routine[],
  hoursPerDay: number,
  context: WorkContext,
): DayLoad {
  const outside = usesOutside(commands, routines)
  const forces = context.place.forces
  const forceOf = (deviceId: string | null): Force => forces?.get(deviceId ?? '') ?? 'light'
  const parts: DayPart[] = [
    ...routines.map((r): DayPart => ({
      id: r.id,
      name: r.name,
      kind: 'routine',
      timesPerHour: r.timesPerHour,
      work: timeWork(r.steps, context),
    })),
    ...commands.flatMap((c): DayPart[] => {
      const uses = outside.get(c.id) ?? 0
      if (uses <= 0) return []
      const byMenu = context.triggersOf(c.id).length > 0 ? (context.menuShareOf?.(c.id) ?? 0) : 0
      const part = { id: c.id, name: c.name, kind: 'command' } as const
      return [
        ...(byMenu < 1
          ? [{ ...part, timesPerHour: uses * (1 - byMenu), work: timeCommand(c, context) }]
          : []),
        ...(byMenu > 0
          ? [
              {
                ...part,
                name: `${c.name}, by the menu as logged`,
                timesPerHour: uses * byMenu,
                work: timeCommand(c, menuOnly(context)),
              },
            ]
          : []),
      ]
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
      left: strainOf('left', parts, hoursPerDay, forceOf),
      right: strainOf('right', parts, hoursPerDay, forceOf),
    },
    parts,
  }
}

/** Typed characters fall on eight fingers alike; a click is the index finger's. Assumed. */
function countPresses(
  { kind, hand, finger, fingers: used, count = 1 }: Operator,
  times: number,
  into: Record<HandSide, Record<Finger, number>>,
): void {
  if (kind === 'K' && hand === null) {
    for (const side of ['left', 'right'] as const)
      for (const f of fingers) if (f !== 'thumb') into[side][f] += (times * count) / 8
  } else if (hand !== null && (kind === 'K' || kind === 'B')) {
    // a tap that is repeated presses more often than its keys tell
    const last = used?.at(-1) ?? finger ?? 'index'
    for (let i = 0; i < count; i++) into[hand][used?.[i] ?? last] += times
  }
}

/** Most of the presses decide about a category once they are this share of all. Assumed. */
const decidingShare = 0.1

/** What the six factors of the Strain Index are for one hand; null for one that does nothing. */
function strainInput(
  side: HandSide,
  parts: readonly DayPart[],
  hoursPerDay: number,
  forceOf: (deviceId: string | null) => Force,
): StrainInput | null {
  let exertionMs = 0
  let efforts = 0
  let presses = 0
  const byForce = new Map<Force, number>()
  let turned = 0
  let beyond = 0
  for (const { timesPerHour, work } of parts) {
    for (const { kind, hand, ms: holdsUpMs, takesMs: ms = holdsUpMs, count = 1 } of work.operators) {
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
      const force = forceOf(note.deviceId)
      byForce.set(force, (byForce.get(force) ?? 0) + timesPerHour)
      turned += Number(note.band === 'turned to 15°') * timesPerHour
      beyond += Number(note.band === 'turned beyond 15°') * timesPerHour
    }
  }
  const decides = (part: number): boolean => presses > 0 && part / presses >= decidingShare
  if (efforts === 0) return null
  // the hardest that a tenth of the presses take
  const intensity = forceLevels.findLast((_, i) =>
    decides(forceLevels.slice(i).reduce((sum, f) => sum + (byForce.get(f) ?? 0), 0)),
  )
  return {
    intensity: intensity ?? 'light',
    exertionPercent: Math.min(100, (exertionMs / 3_600_000) * 100),
    effortsPerMinute: efforts / 60,
    posture: decides(beyond) ? 'bad' : decides(turned + beyond) ? 'fair' : 'good',
    speed: 'fair',
    hoursPerDay,
  }
}

/** The Strain Index of one hand; 0 for one that does nothing. */
function strainOf(side: HandSide, ...rest: Rest<Parameters<typeof strainInput>>): StrainIndex {
  const input = strainInput(side, ...rest)
  return input ? strainIndex(input) : noStrain
}
type Rest<T extends readonly unknown[]> = T extends readonly [unknown, ...infer R] ? R : never

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

/** Looks for an entry (M) on a walk through a menu of so many levels. */
const looksFor = (levels: number, menus: MenuKnowledge): number =>
  ({ 'by heart': 0, usual: 1, 'seldom used': levels })[menus]

/** Time of a command that has no trigger, ms: M as well as menus are known, then P + B for each level of its menu. */
export const menuMs = (levels: number, menus: MenuKnowledge = 'usual'): number =>
  looksFor(levels, menus) * operatorMs.M + levels * (operatorMs.P + operatorMs.B)
