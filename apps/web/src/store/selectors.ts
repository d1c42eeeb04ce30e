import { useMemo } from 'react'
import {
  acceptedIn,
  clashChecker,
  handOnBench,
  heldOf,
  isLiveIn,
  pageFor,
  controlRef,
  groupKey,
  isSameDevice,
  prepare,
  triggerKey,
  type Arrangement,
  type BenchEnvironment,
  type GroupKey,
  type Bench,
  type Chord,
  type Clash,
  type ClashChecker,
  type Command,
  type PageOf,
  type Plan,
  type PlaceIndex,
  type RestingHand,
  type Trigger,
  type CommandId,
  type ProgramId,
} from '@reach-plot/core'
import { catalogues } from '../worker/catalogues.js'
import type { HeldSet } from './held-set.js'
import { usePlan } from './plan-store.js'
import { useView } from './view-store.js'

/** States that what is derived is kept of: more would hold a quarter of a megabyte for each step of undo. */
const keptStates = 3

/** A function of one object, computed once for each of the latest objects. */
function memoOfLatest<K extends object, V>(compute: (key: K) => V): (key: K) => V {
  let known: readonly (readonly [K, V])[] = []
  return (key) => {
    const found = known.find(([of]) => of === key)
    if (found) return found[1]
    const value = compute(key)
    known = [[key, value] as const, ...known].slice(0, keptStates)
    return value
  }
}

/** All that is derived from a plan alone; computed once for each state of the plan. */
export interface Derived {
  readonly arrangement: Arrangement
  readonly bench: Bench
  readonly hand: RestingHand
  /** ids on the bench of the controls under the fingertips */
  readonly rests: RestingHand['rests']
  readonly env: BenchEnvironment
  readonly index: PlaceIndex
  /** findings that are not accepted, most severe first */
  readonly clashes: readonly Clash[]
  readonly accepted: readonly { readonly clash: Clash; readonly note: string }[]
  /** findings that placing a command on a trigger would bring, before it is done */
  readonly foresee: (commandId: CommandId, trigger: Trigger, sends?: readonly Chord[]) => readonly Clash[]
  /** worst clash of each trigger of a program */
  readonly clashOf: ReadonlyMap<GroupKey, Clash>
  readonly triggersOf: (commandId: CommandId) => readonly Trigger[]
}

const noTriggers: readonly Trigger[] = []

/** The checker in use, and what it rests on beside the placements. */
let checking: { readonly parts: readonly unknown[]; readonly checker: ClashChecker } | null = null

/** The same checker as long as only placements change, so that an edit has only what it touches checked again. */
function checkerFor(plan: Plan, arrangement: Arrangement, bench: Bench, env: Derived['env']): ClashChecker {
  const parts = [
    arrangement.id,
    arrangement.popups,
    bench,
    plan.commands,
    plan.programs,
    plan.devices,
    plan.system,
    plan.layoutId,
    plan.otherLayoutId,
    plan.ownSystemKeys,
    plan.rules,
    plan.memory,
    ...plan.arrangements.filter((a) => a.isDefault),
  ]
  const same =
    checking?.parts.length === parts.length && parts.every((part, i) => part === checking?.parts[i])
  if (!checking || !same) checking = { parts, checker: clashChecker(env) }
  return checking.checker
}

/** Parts of a plan that nothing here is derived from: a change of them alone leaves all as it is. */
const notDerivedFrom: ReadonlySet<string> = new Set<keyof Plan>([
  'id',
  'name',
  'routines',
  'standard',
  'keyFiles',
  'weights',
  'labels',
  'setNowArrangementId',
])

let latest: { readonly plan: Plan; readonly derived: Derived } | null = null

/** What is derived from a plan; the same object as for the plan before where only other parts have changed. */
export const derive = memoOfLatest((plan: Plan): Derived => {
  const before = latest?.plan
  const same =
    before !== undefined &&
    Object.entries(plan).every(
      ([part, value]) => notDerivedFrom.has(part) || before[part as keyof Plan] === value,
    )
  const derived = latest && same ? latest.derived : deriveAnew(plan)
  latest = { plan, derived }
  return derived
})

function deriveAnew(plan: Plan): Derived {
  const model = prepare(plan, catalogues)
  const { arrangement, bench, hand, env, index } = model
  const checker = checkerFor(plan, arrangement, bench, env)
  const found = checker.check(arrangement.placements)
  const noteOf = acceptedIn(arrangement)
  const accepted = found.flatMap((clash) => {
    const note = noteOf(clash)
    return note ? [{ clash, note: note.note }] : []
  })
  const clashes = accepted.length > 0 ? found.filter((clash) => !noteOf(clash)) : found
  const foresee = (commandId: CommandId, trigger: Trigger, sends?: readonly Chord[]): readonly Clash[] => {
    const nameOf = (c: Clash): string => `${c.id}\n${c.commandIds.join()}`
    const known = new Set(found.map(nameOf))
    const kept = arrangement.placements.filter(
      (p) => p.commandId !== commandId || !isSameDevice(p.trigger, trigger),
    )
    const then = checker.check([...kept, { commandId, trigger, ...(sends?.length && { sends }) }])
    checker.check(arrangement.placements)
    return then.filter((c) => c.commandIds.includes(commandId) && !known.has(nameOf(c)))
  }
  const clashOf = new Map<GroupKey, Clash>()
  for (const clash of clashes) {
    const key = groupKey(clash.programId, triggerKey(clash.trigger))
    if (!clashOf.has(key)) clashOf.set(key, clash)
  }
  return {
    arrangement,
    bench,
    hand,
    rests: handOnBench(hand).rests,
    env,
    index,
    clashes,
    accepted,
    foresee,
    clashOf,
    triggersOf: (id) => index.triggers.get(id) ?? noTriggers,
  }
}

export const useDerived = (): Derived => derive(usePlan())

/** Program and context in front, falling back to the first program when the plan has changed under the view. */
export function useFront(): { readonly programId: ProgramId; readonly contextId: string | null } {
  const plan = usePlan()
  const programId = useView((s) => s.programId)
  const contextId = useView((s) => s.contextId)
  const program = plan.programs.find((p) => p.id === programId) ?? plan.programs[0]
  const context = program?.contexts.find((c) => c.id === contextId)
  return { programId: program?.id ?? '', contextId: context?.id ?? null }
}

/** Commands that are live in front, most used first. */
export function useFrontCommands(): readonly Command[] {
  const plan = usePlan()
  const { programId, contextId } = useFront()
  return useMemo(() => {
    const program = plan.programs.find((p) => p.id === programId)
    if (!program) return []
    return plan.commands
      .filter((c) => isLiveIn(c, program, contextId))
      .toSorted((a, b) => b.usesPerHour - a.usesPerHour || (a.name < b.name ? -1 : 1))
  }, [plan, programId, contextId])
}

/** Modifier sets that tell how a trigger is reached; that of a pop-up's entry is how its opener is. */
export function heldSetsOf(trigger: Trigger, { popups }: Pick<Arrangement, 'popups'>): readonly HeldSet[] {
  if (trigger.kind === 'sequence') return trigger.chords.flatMap((c) => heldSetsOf(c, { popups }))
  if (trigger.kind === 'popup') {
    const opener = popups.find((s) => s.id === trigger.setId)?.opener
    return opener ? heldSetsOf(opener, { popups }) : []
  }
  const held = heldOf(trigger)
  const withId =
    trigger.kind === 'button' && trigger.withId !== undefined
      ? controlRef(trigger.deviceId, trigger.withId)
      : undefined
  // beside the pointing hand the other one holds the modifiers alone
  const beside = !('code' in trigger) && held.length > 0 ? [{ held: held.slice(0, -1) }] : []
  return [{ held, withId }, ...beside]
}

/** Modifier sets that tell how the triggers of an arrangement are reached. */
export const heldSetsUsed = memoOfLatest((arrangement: Arrangement): readonly HeldSet[] => {
  const triggers = [
    ...arrangement.placements.map((p) => p.trigger),
    ...arrangement.popups.map((s) => s.opener),
  ]
  const reachBySet = triggers.flatMap((trigger) => heldSetsOf(trigger, arrangement))
  return [
    ...new Map(
      reachBySet.map((byControl) => [`${byControl.held.join('+')}|${byControl.withId ?? ''}`, byControl]),
    ).values(),
  ]
})

/** The page of each device that is looked at: opened by hand, or the one that follows the program in front. */
export function usePageOf(): PageOf {
  const { env } = useDerived()
  const { programId } = useFront()
  const openPages = useView((s) => s.openPages)
  return pageOfBy(openPages, programId, env)
}

let latestPages: { readonly of: readonly unknown[]; readonly pageOf: PageOf } | null = null

/** One function for all that ask, so that what they work out with it is the same too. */
function pageOfBy(
  openPages: Readonly<Record<string, string>>,
  programId: ProgramId,
  env: Derived['env'],
): PageOf {
  const of = [openPages, programId, env]
  if (!latestPages || of.some((part, i) => part !== latestPages?.of[i])) {
    const pageOf: PageOf = (deviceId) => {
      const opened = openPages[deviceId]
      return opened !== undefined && env.legends?.has(`${deviceId}@${opened}`) === true
        ? opened
        : pageFor(deviceId, programId, env)
    }
    latestPages = { of, pageOf }
  }
  return latestPages.pageOf
}
