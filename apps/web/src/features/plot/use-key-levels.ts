import {
  contextsInWords,
  controlRefOf,
  heldOf,
  isModifierCode,
  keyLegend,
  matchingCommands,
  plainTriggers,
  commandsMet,
  reservedBy,
  triggerKey,
  type Command,
  type Trigger,
} from '@reach-plot/core'
import { refOfControl } from '../../drawing/chart-faces.js'
import { offeredHeld } from '../../parts/held-sets.js'
import { usePlan } from '../../store/plan-store.js'
import { useReachOfSets } from '../../store/reach.js'
import { heldSetsOf, useDerived, useFront, useFrontCommands, usePageOf } from '../../store/selectors.js'

/** Levels of a field with many strokes are only listed where something stands on them. */
const manyTriggers = 4

/** Each once, in the order in which they are met. */
const distinct = (triggers: readonly Trigger[]): Trigger[] => [
  ...new Map(triggers.map((t) => [triggerKey(t), t])).values(),
]

/** What stands on each level of a key or control, what is free there, and which command would suit. */
export function useKeyLevels(controlRef: string) {
  const plan = usePlan()
  const { env, index, rests, arrangement } = useDerived()
  const front = useFront()
  const pageOf = usePageOf()
  const commands = useFrontCommands()
  const levels = offeredHeld(env.layout)
  const own = arrangement.placements.map((p) => p.trigger).filter((t) => controlRefOf(t) === controlRef)
  const { reachOf } = useReachOfSets(
    levels,
    own.flatMap((trigger) => heldSetsOf(trigger, arrangement)),
  )
  const program = plan.programs.find((p) => p.id === front.programId)
  const control = env.controls.find((c) => refOfControl(c) === controlRef)
  const page = control?.code === null ? pageOf(control.deviceId) : undefined
  const plain = control ? levels.flatMap((held) => plainTriggers(control, held, page)) : []
  const known = new Set(plain.map(triggerKey))
  const layered = (env.layered ?? []).filter((l) => l.controlId === control?.id)
  const others = distinct([...own, ...layered.map((l) => l.sends)]).filter((t) => !known.has(triggerKey(t)))

  const holdersOf = (trigger: Trigger): readonly Command[] =>
    (index.holders.get(triggerKey(trigger)) ?? []).toSorted(
      (a, b) => Number(b.programId === program?.id) - Number(a.programId === program?.id),
    )
  // a hold, a tap or a pair on the key keeps it from being free
  const isHeld = (t: Trigger): boolean => commandsMet(t, index).some((c) => c.programId === program?.id)
  const isTaken = (t: Trigger): boolean => isHeld(t) || reservedBy(t, index, program) !== null
  const isBarred = index.rules.bars(controlRef)
  const isLocked = index.rules.locksControl(controlRef)
  const fitting = matchingCommands(
    isBarred || isLocked ? [] : plain.filter((t) => !isTaken(t)),
    commands.filter((c) => !index.triggers.has(c.id)),
    index,
  )
  const rows = [
    ...plain.filter(
      (t) => plain.length <= manyTriggers * levels.length || heldOf(t).length === 0 || isTaken(t),
    ),
    ...others,
  ].map((trigger) => {
    const reserved = reservedBy(trigger, index, program)
    const isFree = reserved === null && !isHeld(trigger)
    return {
      trigger,
      key: triggerKey(trigger),
      holders: holdersOf(trigger),
      reserved,
      isFree,
      reach: reachOf(trigger),
      fit: isFree ? fitting.get(triggerKey(trigger)) : undefined,
      /** an act or a chord that is none of the plain levels */
      isOther: others.includes(trigger),
      /** the layer of the firmware on which the key sends it */
      layerName: layered.find((l) => triggerKey(l.sends) === triggerKey(trigger))?.layerName,
    }
  })

  return {
    env,
    program,
    plain,
    rows,
    isBarred,
    isLocked,
    type: control?.type ?? 'key',
    isModifier: isModifierCode(controlRef),
    legend:
      control === undefined || control.code !== null
        ? keyLegend(controlRef, env.layout, env.systemId)
        : (env.legends?.get(controlRef) ?? controlRef),
    finger: Object.entries(rests).find(([, id]) => id === control?.id)?.[0],
    freeCount: plain.filter((t) => !isTaken(t)).length,
    /** more than one way to work it with the same keys held */
    hasSeveral: plain.length > levels.length,
    where: (command: Command): string => {
      const owner = plan.programs.find((p) => p.id === command.programId)
      return `${owner?.id === program?.id ? '' : `${owner?.name}, `}${contextsInWords(command, owner)}`
    },
  }
}

export type KeyLevelsView = ReturnType<typeof useKeyLevels>
export type LevelRow = KeyLevelsView['rows'][number]
