import { useMemo } from 'react'
import {
  activeArrangement, activeBench, findClashes, isLiveIn, surroundings, surveyPlaces, triggerKey,
  type Arrangement, type Clash, type Command, type Modifier, type Plan, type PlaceSurvey, type RestingHand, type Trigger,
} from '@reach-plot/core' // prettier-ignore
import { catalogues } from './catalogues.js'
import { usePlan } from './plan-store.js'
import { useView } from './view-store.js'

/** A function of one object, computed once for each object. */
function memoByIdentity<K extends object, V>(compute: (key: K) => V): (key: K) => V {
  const known = new WeakMap<K, V>()
  return (key) => {
    let value = known.get(key)
    if (value === undefined) known.set(key, (value = compute(key)))
    return value
  }
}

/** All that is derived from a plan alone; computed once for each state of the plan. */
export interface Derived {
  readonly arrangement: Arrangement
  readonly hand: RestingHand
  readonly around: ReturnType<typeof surroundings>
  readonly survey: PlaceSurvey
  readonly clashes: readonly Clash[]
  /** worst clash of each trigger of a program: `program trigger` → clash */
  readonly clashOf: ReadonlyMap<string, Clash>
  readonly triggersOf: (commandId: string) => readonly Trigger[]
}

const noTriggers: readonly Trigger[] = []

export const derive = memoByIdentity((plan: Plan): Derived => {
  const arrangement = activeArrangement(plan)
  const around = surroundings(plan, catalogues)
  const survey = surveyPlaces(arrangement.placements, around)
  const clashes = findClashes(arrangement.placements, around)
  const programs = new Map(plan.commands.map((c) => [c.id, c.programId]))
  const clashOf = new Map<string, Clash>()
  for (const clash of clashes) {
    const key = `${programs.get(clash.commandIds[0] ?? '') ?? ''} ${triggerKey(clash.trigger)}`
    if (!clashOf.has(key)) clashOf.set(key, clash)
  }
  return {
    arrangement,
    hand: activeBench(plan).hands[0] as RestingHand,
    around,
    survey,
    clashes,
    clashOf,
    triggersOf: (id) => survey.triggers.get(id) ?? noTriggers,
  }
})

export const useDerived = (): Derived => derive(usePlan())

/** Program and context in front, falling back to the first program when the plan has changed under the view. */
export function useFront(): { readonly programId: string; readonly contextId: string | null } {
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

/** Sets of modifiers that an arrangement uses, as keys of layers. */
export const heldSets = memoByIdentity((arrangement: Arrangement): readonly (readonly Modifier[])[] => {
  const sets = new Map<string, readonly Modifier[]>()
  for (const { trigger } of arrangement.placements) sets.set(trigger.modifiers.join('+'), trigger.modifiers)
  return [...sets.values()]
})
