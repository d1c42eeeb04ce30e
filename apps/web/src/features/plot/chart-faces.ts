import {
  canCarry,
  chord,
  isModifierCode,
  isLiveIn,
  keyLegend,
  modifierCodes,
  triggerKey,
  triggerName,
  type Command,
  type Modifier,
  type Place,
  type ReachByCode,
} from '@reach-plot/core'
import type { Derived } from '../../store/selectors.js'
import type { KeyFace } from './chart-key.js'
import { offeredHeld } from './layers.js'
import { flaggedRanks, type Places } from './use-places.js'

export interface FaceInput {
  readonly derived: Derived
  readonly front: { readonly programId: string; readonly contextId: string | null }
  readonly held: readonly Modifier[]
  readonly layer: ReachByCode | undefined
  readonly places: Places | null
  readonly chosenCode: string | null
  readonly tabCode: string
}

/** Steps in ms above the best place, or the best key, at which the tint grows paler. */
const placeSteps = [40, 120, 240, 420]
const reachSteps = [1e-6, 0.4, 0.8, 1.4]

const tintOf = (value: number, steps: readonly number[]): number => 5 - steps.filter((s) => value > s).length

/** Commands in front that a trigger holds. */
export function holdersInFront(derived: Derived, front: FaceInput['front'], key: string): readonly Command[] {
  const program = derived.around.programs.find((p) => p.id === front.programId)
  if (!program) return []
  return (derived.survey.holders.get(key) ?? []).filter((c) => isLiveIn(c, program, front.contextId))
}

/** What each key of the bench shows, from the plan, the layer and the chosen command. */
export function keyFaces(input: FaceInput): KeyFace[] {
  const { derived, front, held, layer, places } = input
  const { around, survey, hand } = derived
  const stations = new Set(Object.values(hand.rests))
  const ranks = new Map(places?.ranked.slice(0, flaggedRanks).map((p, i) => [p.trigger.code, i + 1]))
  const best = places?.ranked[0]?.totalMs ?? 0
  const down = new Set(held.flatMap((m) => modifierCodes(m, around.layout.altGraph)))
  const others = offeredHeld(around.layout).filter((h) => h.join() !== held.join())
  return around.controls.map((control): KeyFace => {
    const { code } = control
    const base = {
      control,
      pennants: [],
      rank: null,
      isStation: stations.has(control.id),
      isClash: false,
      isCurrent: false,
      isDown: code !== null && down.has(code),
      isChosen: input.chosenCode === control.id,
      tabIndex: input.tabCode === control.id ? 0 : -1,
      tint: 0,
      timeMs: null,
      caption: '',
    } as const
    if (code === null) return { ...base, legend: 'Fn', state: 'none', description: 'Fn, sends no code' }
    const legend = keyLegend(code, around.layout, around.systemId)
    if (isModifierCode(code))
      return {
        ...base,
        legend,
        state: 'held',
        description: `${legend}, modifier${base.isDown ? ', held' : ''}`,
      }
    const trigger = chord(code, held)
    const key = triggerKey(trigger)
    const holders = holdersInFront(derived, front, key)
    const system = survey.systemActions.get(key)
    const reach = layer?.[code]
    const place = places?.byCode.get(code)
    const state = system !== undefined ? 'system' : holders.length > 0 ? 'taken' : 'free'
    const isClash = holders.length > 0 && derived.clashOf.has(`${front.programId} ${key}`)
    const pennants = [
      ...new Set(
        others
          .filter((h) => holdersInFront(derived, front, triggerKey(chord(code, h))).length > 0)
          .flatMap((h) => h),
      ),
    ]
    const caption =
      holders.length > 0
        ? `${holders[0]?.label ?? holders[0]?.name ?? ''}${holders.length > 1 ? ` +${holders.length - 1}` : ''}`
        : ''
    const away = reach === undefined || reach.verdict === 'away'
    const tint =
      state !== 'free' || away || !canCarry(code)
        ? 0
        : place
          ? tintOf(place.totalMs - best, placeSteps)
          : tintOf(reach.effort, reachSteps)
    return {
      ...base,
      legend,
      state,
      caption,
      tint,
      pennants,
      isClash,
      timeMs: away || !canCarry(code) ? null : reach.timeMs,
      rank: ranks.get(code) ?? null,
      isCurrent: places !== null && derived.triggersOf(places.command.id).some((t) => triggerKey(t) === key),
      description: describeKey(
        triggerName(trigger, around.layout, around.systemId),
        holders,
        system,
        reach,
        place,
        ranks.get(code),
        isClash,
      ),
    }
  })
}

function describeKey(
  name: string,
  holders: readonly Command[],
  system: string | undefined,
  reach: ReachByCode[string] | undefined,
  place: Place | undefined,
  rank: number | undefined,
  isClash: boolean,
): string {
  return [
    name,
    system !== undefined
      ? `kept by the system: ${system}`
      : holders.length > 0
        ? holders.map((c) => `${c.name}, ${c.usesPerHour} an hour`).join('; ')
        : 'free',
    reach &&
      `${reach.verdict}, ${Number.isFinite(reach.timeMs) ? `${Math.round(reach.timeMs)} ms` : 'no finger left'}`,
    rank !== undefined && `rank ${rank}`,
    place && place.mnemonic.score > 0 && place.mnemonic.reason,
    isClash && 'clash',
  ]
    .filter(Boolean)
    .join('. ')
}
