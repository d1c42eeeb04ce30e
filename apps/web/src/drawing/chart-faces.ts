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
  type ProgramId,
  restIds,
} from '@reach-plot/core'
import type { Derived } from '../store/selectors.js'
import type { FacePart, KeyFace } from './key-face.js'
import { reservedNote, verdictWords } from '../parts/words.js'
import { offeredHeld } from '../parts/held-sets.js'
import { flaggedRanks, type Places } from './places.js'

export interface FaceInput {
  readonly derived: Derived
  readonly front: { readonly programId: ProgramId; readonly contextId: string | null }
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
  const { derived, held, places } = input
  const { layout, controls } = derived.env
  const shared: FaceState = {
    input,
    stations: new Set(restIds(derived.rests)),
    ranks: new Map(places?.ranked.slice(0, flaggedRanks).map((p, i) => [triggerKey(p.trigger), i + 1])),
    bestMs: places?.ranked[0]?.totalMs ?? 0,
    down: new Set(held.flatMap((m) => modifierCodes(m, layout.altGraph))),
    otherSets: offeredHeld(layout).filter((h) => h.join() !== held.join()),
    current: new Set(places ? derived.triggersOf(places.command.id).map(triggerKey) : []),
  }
  return controls.map((control) => keyFace(control, shared))
}

/** Two faces that are drawn alike. Parts are told apart by what stands on them. */
export function looksSame(a: KeyFace, b: KeyFace): boolean {
  const { parts, pennants, ...plain } = a
  return (
    Object.entries(plain).every(([name, value]) => b[name as keyof KeyFace] === value) &&
    pennants.join() === b.pennants.join() &&
    parts.length === b.parts.length &&
    parts.every((p, i) => {
      const other = b.parts[i]
      return other?.key === p.key && other.caption === p.caption && other.rank === p.rank
    })
  )
}

/** What all keys of one picture share. */
interface FaceState {
  readonly input: FaceInput
  /** controls on which a finger rests */
  readonly stations: ReadonlySet<string>
  /** 1 is best; only the places that carry a flag */
  readonly ranks: ReadonlyMap<TriggerKey, number>
  readonly bestMs: number
  /** codes of the modifier keys that are held */
  readonly down: ReadonlySet<string>
  readonly otherSets: readonly (readonly Modifier[])[]
  /** where the chosen command is now */
  readonly current: ReadonlySet<TriggerKey>
}

function keyFace(control: BenchControl, shared: FaceState): KeyFace {
  const { input, stations, down } = shared
  const { env } = input.derived
  const { code } = control
  const controlRef = refOfControl(control)
  const base = {
    control,
    controlRef,
    legend: code === null ? shortName(control) : keyLegend(code, env.layout, env.systemId),
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
  if (code !== null && isModifierCode(code))
    return {
      ...base,
      state: 'held',
      description: `${base.legend}, modifier${base.isDown ? ', held' : ''}`,
    }
  const page = code === null ? input.pageOf(control.deviceId) : undefined
  const triggers = plainTriggers(control, input.held, page)
  const first: Trigger | undefined =
    triggers[0] ?? (code === null ? undefined : { kind: 'chord', modifiers: [...input.held], code })
  if (!first)
    return {
      ...base,
      state: 'none',
      description: `${control.name ?? base.legend}, carries no command by itself`,
    }
  return { ...base, ...plotOf(control, [first, ...triggers.slice(1)], page, shared) }
}

/** What stands on a key that can carry a command, and how good it is for the chosen one. */
function plotOf(
  control: BenchControl,
  triggers: readonly [Trigger, ...Trigger[]],
  page: string | undefined,
  shared: FaceState,
): Omit<KeyFace, 'control' | 'controlRef' | 'legend' | 'isStation' | 'isDown' | 'isChosen' | 'tabIndex'> {
  const { input, ranks, current } = shared
  const { derived, front } = input
  const { env, index } = derived
  const controlRef = refOfControl(control)
  const [first] = triggers
  const keys = triggers.map(triggerKey)
  const parts = triggers.length > 1 ? triggers.map((t) => partOf(t, input, ranks)) : []
  const holders =
    parts.length > 0 ? parts.flatMap((p) => p.holders) : holdersInFront(derived, front, triggerKey(first))
  const reserved = parts.length > 0 ? null : reservedBy(first, index)
  const closed = index.rules.bars(controlRef)
    ? 'must not be used'
    : reserved === null
      ? null
      : reservedNote(reserved)
  const isFull = parts.length > 0 ? parts.every((p) => p.holders.length > 0) : holders.length > 0
  const state = closed !== null ? 'system' : isFull ? 'taken' : 'free'
  const best = Math.min(...keys.map((k) => ranks.get(k) ?? Infinity))
  const reached = input.byControl?.[controlRef]
  // a code that several keyboards send, or a layer, is reached on one control: the others are as far as they are
  const isHere = control.code === null || reached?.keys.includes(control.id) !== false
  const rank = isHere && Number.isFinite(best) ? best : null
  // what works with a snag is told under Clashes; a mark on every other key would say nothing
  const isClash =
    holders.length > 0 &&
    keys.some((k) => (derived.clashOf.get(groupKey(front.programId, k))?.severity ?? 'caution') !== 'caution')
  const isLocked = index.rules.locksControl(controlRef) || holders.some(index.rules.locks)
  const opens = 'pageId' in first ? index.stages.opensPage(first) : undefined
  const reach = isHere ? reached : undefined
  const place = isHere ? input.places?.byControlRef.get(controlRef) : undefined
  return {
    state,
    caption:
      opens === undefined
        ? parts.length > 0
          ? ''
          : nameOf(holders)
        : opens === null
          ? '‹ back'
          : `${env.legends?.get(`${control.deviceId}@${opens}`) ?? opens} ›`,
    parts,
    ...tintAndTime(control, state, reach, place, shared),
    pennants: pennantsOf(control, page, shared),
    isClash,
    isLocked,
    rank,
    isCurrent: keys.some((k) => current.has(k)),
    description: describeKey({
      name: triggerName(first, env),
      holders,
      closed,
      reach,
      place,
      rank,
      isClash,
      isLocked,
    }),
  }
}

/** How good a free key is: against the best place of the chosen command, or else by what a press costs the hand. */
function tintAndTime(
  control: BenchControl,
  state: KeyFace['state'],
  reach: ReachByControl[string] | undefined,
  place: CandidatePlace | undefined,
  { input, bestMs }: FaceState,
): Pick<KeyFace, 'tint' | 'timeMs'> {
  const isAway = control.pointing !== true && (reach === undefined || reach.verdict === 'away')
  const cannot = control.code !== null && !canCarry(control.code)
  const passes = input.free ? input.free.has(refOfControl(control)) : true
  if (isAway || cannot || !passes) return { tint: 0, timeMs: null }
  const tint = place
    ? tintOf(place.totalMs - bestMs, placeSteps)
    : reach
      ? tintOf(reach.effort, reachSteps)
      : 0
  return { tint: state === 'free' ? tint : 0, timeMs: place?.reach.timeMs ?? reach?.timeMs ?? null }
}

/** Modifiers of the other sets with which the key holds a command of the program in use. */
function pennantsOf(control: BenchControl, page: string | undefined, shared: FaceState): Modifier[] {
  const { derived, front } = shared.input
  const holds = (held: readonly Modifier[]): boolean =>
    plainTriggers(control, held, page).some((t) => holdersInFront(derived, front, triggerKey(t)).length > 0)
  return [...new Set(shared.otherSets.filter(holds).flat())]
}

function partOf(trigger: Trigger, input: FaceInput, ranks: ReadonlyMap<TriggerKey, number>): FacePart {
  const key = triggerKey(trigger)
  const holders = holdersInFront(input.derived, input.front, key)
  return { trigger, key, holders, caption: nameOf(holders), rank: ranks.get(key) ?? null }
}

/** What a screen reader says of a key. */
function describeKey({
  name,
  holders,
  closed,
  reach,
  place,
  rank,
  isClash,
  isLocked,
}: {
  name: string
  holders: readonly Command[]
  /** why nothing can be placed there, or null */
  closed: string | null
  reach: ReachByControl[string] | undefined
  place: CandidatePlace | undefined
  rank: number | null
  isClash: boolean
  isLocked: boolean
}): string {
  const stands =
    holders.length > 0 ? holders.map((c) => `${c.name}, ${c.usesPerHour} an hour`).join('; ') : 'free'
  return [
    name,
    closed ?? stands,
    reach &&
      `${verdictWords[reach.verdict]}, ${Number.isFinite(reach.timeMs) ? `${Math.round(reach.timeMs)} ms` : 'no finger left'}`,
    rank !== null && `rank ${rank}`,
    place && place.mnemonic.score > 0 && place.mnemonic.reason,
    isClash && 'clash',
    isLocked && 'locked',
  ]
    .filter(Boolean)
    .join('. ')
}
