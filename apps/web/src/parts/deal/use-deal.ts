import { useMemo, useState } from 'react'
import { toast } from '../../store/message.js'
import {
  dealCommands,
  fullName,
  placeCommand,
  searchCommands,
  triggerName,
  type Command,
  type CommandId,
  type DealTaken,
  type DealWay,
  type ProgramId,
  type Trigger,
} from '@reach-plot/core'
import { onEditable, undoAction } from '../../store/actions.js'
import { usePlan } from '../../store/plan-store.js'
import { noHeld, useReachOfSets } from '../../store/reach.js'
import { heldSetsOf, useDerived, useFront } from '../../store/selectors.js'
import type { DealTarget } from './use-deal-targets.js'

export interface DealProps {
  /** what may be dealt onto; the first one to begin with */
  readonly targets: readonly DealTarget[]
  /** commands that are chosen to begin with */
  readonly chosenIds?: readonly CommandId[]
  /** whose commands are offered; of the program in use where null */
  readonly programId: ProgramId | null
  readonly onClose: () => void
}

const none: readonly CommandId[] = []
const noTriggers: readonly Trigger[] = []

/** Commands of a program that a search finds, and those that are chosen of them, in the order of choosing. */
function useChosen(programId: ProgramId | null, startIds: readonly CommandId[]) {
  const plan = usePlan()
  const front = useFront()
  const of = programId ?? front.programId
  const [query, setQuery] = useState('')
  const [chosenIds, setChosenIds] = useState(startIds)
  const commands = useMemo(() => plan.commands.filter((c) => c.programId === of), [plan.commands, of])
  const listed = useMemo(
    () =>
      query.trim() === ''
        ? commands.toSorted((a, b) => b.usesPerHour - a.usesPerHour)
        : searchCommands(commands, query),
    [commands, query],
  )
  const chosen = useMemo(
    () => chosenIds.flatMap((id) => commands.find((c) => c.id === id) ?? []),
    [chosenIds, commands],
  )
  const toggle = (id: CommandId): void =>
    setChosenIds((now) => (now.includes(id) ? now.filter((other) => other !== id) : [...now, id]))
  const chooseListed = (): void =>
    setChosenIds((now) => [...now, ...listed.map((c) => c.id).filter((id) => !now.includes(id))])
  return { query, setQuery, listed, chosen, toggle, chooseListed, clear: () => setChosenIds([]) }
}

/** What is shown and can be done there. */
export function useDeal({ targets, chosenIds = none, programId, onClose }: DealProps) {
  const { env, index, arrangement, triggersOf } = useDerived()
  const choice = useChosen(programId, chosenIds)
  const [targetId, setTargetId] = useState(targets[0]?.id ?? '')
  const target = targets.find((t) => t.id === targetId) ?? targets[0]
  const triggers = target?.triggers ?? noTriggers
  const onto = target?.name ?? ''
  const { chosen } = choice
  const [way, setWay] = useState<DealWay>('easiest first')
  const [taken, setTaken] = useState<DealTaken>('passed over')
  const [keeps, setKeeps] = useState(false)
  const [firstAt, setFirstAt] = useState(0)
  const sets = useMemo(() => triggers.flatMap((t) => heldSetsOf(t, arrangement)), [triggers, arrangement])
  const { reachOf } = useReachOfSets(noHeld, sets)
  const from = useMemo(
    () => (way === 'in a row' ? triggers.slice(firstAt) : triggers),
    [way, triggers, firstAt],
  )
  const deals = useMemo(
    () => dealCommands(chosen, { triggers: from, index, reachOf }, way, taken),
    [chosen, from, index, reachOf, way, taken],
  )
  const left = chosen.length - deals.length
  const nameOf = (trigger: Trigger): string => triggerName(trigger, env)
  const run = (): void => {
    onEditable((plan) =>
      deals.reduce(
        (now, { command, trigger, displaced }) =>
          placeCommand(now, {
            commandId: command.id,
            trigger,
            displaced: displaced.map((c) => c.id),
            ...(keeps ? { keepOld: true } : { replaces: triggersOf(command.id) }),
          }),
        plan,
      ),
    )
    toast(
      `${deals.length} ${deals.length === 1 ? 'command is' : 'commands are'} on ${onto}${left > 0 ? `; ${left} found no room` : ''}`,
      { action: undoAction() },
    )
    onClose()
  }
  return {
    ...choice,
    onto,
    targets,
    targetId: target?.id ?? '',
    setTargetId: (id: string) => {
      setTargetId(id)
      setFirstAt(0)
    },
    triggers,
    way,
    setWay,
    taken,
    setTaken,
    keeps,
    setKeeps,
    firstAt,
    setFirstAt,
    deals,
    left,
    nameOf,
    keysOf: (command: Command): string => triggersOf(command.id).map(nameOf).join(', '),
    wordsOf: (command: Command): string => fullName(command),
    run,
    onClose,
  }
}

export type DealView = ReturnType<typeof useDeal>
