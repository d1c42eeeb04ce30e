import {
  canCarry,
  isModifierCode,
  isLiveIn,
  reservedBy,
  keyLegend,
  modifierCodes,
  plainTriggers,
  triggerKey,
  triggerName,
  type BenchControl,
  type Command,
  type Modifier,
  type PageOf,
  type CandidatePlace,
  type ReachByControl,
  type Trigger,
  groupKey,
  type TriggerKey,
} from '@reach-plot/core'
import type { Derived } from '../store/selectors.js'
import type { FacePart, KeyFace } from './key-face.js'
import { reservedNote } from '../parts/words.js'
import { offeredHeld } from '../parts/held-sets.js'
import { flaggedRanks, type Places } from './places.js'

export interface FaceInput {
  readonly derived: Derived
  readonly front: { readonly programId: string; readonly contextId: string | null }
  readonly held: readonly Modifier[]
  readonly byControl: ReachByControl | undefined
  readonly places: Places | null
  readonly pageOf: PageOf
  readonly chosenRef: string | null
  /** controls that are free within the verdict that is looked for; null when nothing is looked for */
  readonly free?: ReadonlySet<string> | null
  /** id of the control that takes the tab */
  readonly tabId: string
}

/** Steps in ms above the best place, or the best key, at which the tint grows paler. */
const placeSteps = [40, 120, 240, 420]
const reachSteps = [1e-6, 0.4, 0.8, 1.4]

const tintOf = (value: number, steps: readonly number[]): number => 5 - steps.filter((s) => value > s).length

/** Commands in front that a trigger holds. */
export function holdersInFront(
  derived: Derived,
  front: FaceInput['front'],
  key: TriggerKey,
): readonly Command[] {
  const program = derived.env.programs.find((p) => p.id === front.programId)
  if (!program) return []
  return (derived.index.holders.get(key) ?? []).filter((c) => isLiveIn(c, program, front.contextId))
}

/** The place under a finger: the key's code, or the control's id on the bench. */
export const refOfControl = (control: Pick<BenchControl, 'code' | 'id'>): string => control.code ?? control.id

/** Numbered controls show their number; narrow ones nothing, for their name would cover their neighbours. */
function shortName(control: BenchControl): string {
  const name = (control.name ?? control.controlId).replace(/^(key|button) (?=\d)/, '')
  return (control.capWidthMm < 12 || control.clicks === true) && name.length > 2 ? '' : name
}

const nameOf = (holders: readonly Command[]): string =>
  holders.length === 0
    ? ''
    : `${holders[0]?.label ?? holders[0]?.name ?? ''}${holders.length > 1 ? ` +${holders.length - 1}` : ''}`

/** What each key of the bench shows, from the plan, the modifier set and the chosen command. */
export function keyFaces(input: FaceInput): KeyFace[] {
  const { derived, front, held, byControl, places } = input
  const { env, index } = derived
  const stations = new Set(Object.values(derived.rests))
  const ranks = new Map<string, number>()
  places?.ranked.slice(0, flaggedRanks).forEach((place, i) => ranks.set(triggerKey(place.trigger), i + 1))
  const best = places?.ranked[0]?.totalMs ?? 0
  const down = new Set(held.flatMap((m) => modifierCodes(m, env.layout.altGraph)))
  const others = offeredHeld(env.layout).filter((h) => h.join() !== held.join())
  const current = new Set(places ? derived.triggersOf(places.command.id).map(triggerKey) : [])

  return env.controls.map((control): KeyFace => {
    const { code } = control
    const controlRef = refOfControl(control)
    const page = code === null ? input.pageOf(control.deviceId) : undefined
    const base = {
      control,
      controlRef,
      pennants: [],
      parts: [],
      rank: null,
      isStation: stations.has(control.id),
      isClash: false,
      isLocked: false,
      isCurrent: false,
      isDown: code !== null && down.has(code),
      isChosen: input.chosenRef === controlRef,
      tabIndex: input.tabId === control.id ? 0 : -1,
      tint: 0,
      timeMs: null,
      caption: '',
    } as const
    const triggers = plainTriggers(control, held, page)
    const [trigger] = triggers
    const legend = code === null ? shortName(control) : keyLegend(code, env.layout, env.systemId)
    if (code !== null && isModifierCode(code))
      return {
        ...base,
        legend,
        state: 'held',
        description: `${legend}, modifier${base.isDown ? ', held' : ''}`,
      }
    const asChord: Trigger | undefined =
      trigger ?? (code === null ? undefined : { kind: 'chord', modifiers: [...held], code })
    if (!asChord)
      return {
        ...base,
        legend,
        state: 'none',
        description: `${control.name ?? legend}, carries no command by itself`,
      }

    const key = triggerKey(asChord)
    const parts = triggers.length > 1 ? triggers.map((t) => partOf(t, input, ranks)) : []
    const holders = parts.length > 0 ? parts.flatMap((p) => p.holders) : holdersInFront(derived, front, key)
    const barred = index.rules.bars(controlRef)
    const taken = parts.length > 0 ? null : reservedBy(asChord, index)
    const kept = barred ? 'must not be used' : taken === null ? null : reservedNote(taken)
    const reach = byControl?.[controlRef]
    const place = places?.byControlRef.get(controlRef)
    const isFull = parts.length > 0 ? parts.every((p) => p.holders.length > 0) : holders.length > 0
    const state = kept !== null ? 'system' : isFull ? 'taken' : 'free'
    const keys = triggers.length > 0 ? triggers.map(triggerKey) : [key]
    // what works with a snag is told under Clashes; a mark on every other key would say nothing
    const isClash =
      holders.length > 0 &&
      keys.some(
        (k) => (derived.clashOf.get(groupKey(front.programId, k))?.severity ?? 'caution') !== 'caution',
      )
    const pennants = [
      ...new Set(
        others
          .filter((h) =>
            plainTriggers(control, h, page).some(
              (t) => holdersInFront(derived, front, triggerKey(t)).length > 0,
            ),
          )
          .flatMap((h) => h),
      ),
    ]
    const cannot = code !== null && !canCarry(code)
    const passed = input.free ? input.free.has(controlRef) : true
    const away = !control.pointing && (reach === undefined || reach.verdict === 'away')
    const tint =
      state !== 'free' || away || cannot || !passed
        ? 0
        : place
          ? tintOf(place.totalMs - best, placeSteps)
          : reach
            ? tintOf(reach.effort, reachSteps)
            : 0
    const rank = Math.min(...keys.map((k) => ranks.get(k) ?? Infinity))
    const opens = 'pageId' in asChord ? index.stages.opensPage(asChord) : undefined
    return {
      ...base,
      legend,
      state,
      caption:
        opens !== undefined
          ? opens === null
            ? '‹ back'
            : `${env.legends?.get(`${control.deviceId}@${opens}`) ?? opens} ›`
          : parts.length > 0
            ? ''
            : nameOf(holders),
      parts,
      tint,
      pennants,
      isClash,
      isLocked: index.rules.locksControl(controlRef) || holders.some(index.rules.locks),
      timeMs: away || cannot || !passed ? null : (place?.reach.timeMs ?? reach?.timeMs ?? null),
      rank: Number.isFinite(rank) ? rank : null,
      isCurrent: keys.some((k) => current.has(k)),
      description: describeKey(
        triggerName(asChord, env),
        holders,
        kept,
        reach,
        place,
        Number.isFinite(rank) ? rank : undefined,
        isClash,
        index.rules.locksControl(controlRef) || holders.some(index.rules.locks),
      ),
    }
  })
}

function partOf(trigger: Trigger, input: FaceInput, ranks: ReadonlyMap<string, number>): FacePart {
  const key = triggerKey(trigger)
  const holders = holdersInFront(input.derived, input.front, key)
  return { trigger, key, holders, caption: nameOf(holders), rank: ranks.get(key) ?? null }
}

function describeKey(
  name: string,
  holders: readonly Command[],
  kept: string | null,
  reach: ReachByControl[string] | undefined,
  place: CandidatePlace | undefined,
  rank: number | undefined,
  isClash: boolean,
  isLocked: boolean,
): string {
  return [
    name,
    kept !== null
      ? kept
      : holders.length > 0
        ? holders.map((c) => `${c.name}, ${c.usesPerHour} an hour`).join('; ')
        : 'free',
    reach &&
      `${reach.verdict}, ${Number.isFinite(reach.timeMs) ? `${Math.round(reach.timeMs)} ms` : 'no finger left'}`,
    rank !== undefined && `rank ${rank}`,
    place && place.mnemonic.score > 0 && place.mnemonic.reason,
    isClash && 'clash',
    isLocked && 'kept where it is',
  ]
    .filter(Boolean)
    .join('. ')
}
