import { useMemo, useState } from 'react'
import {
  activeArrangement,
  pagesOf,
  reservedBy,
  triggerKey,
  triggerName,
  type Chord,
  type Command,
  type Plan,
  type ProgramId,
  type Trigger,
  type CommandId,
} from '@reach-plot/core'
import { place } from '../../store/actions.js'
import { usePlan } from '../../store/plan-store.js'
import { noHeld, useReachOfSets } from '../../store/reach.js'
import { heldSetsOf, useDerived, useFrontCommands } from '../../store/selectors.js'

const none = [] as const

/** What the control sends: one that was emptied sends nothing more; left out, a relay moves with its command. */
const relayOf = (sends: readonly Chord[], before: readonly Chord[]): readonly Chord[] | null | undefined =>
  sends.length > 0 ? sends : before.length > 0 ? null : undefined

/** What becomes of a command that stands on the place already. */
export type TakenBy = 'stays' | 'goes' | 'swaps'

/** The program that brings up the page of a trigger, or its pop-up set. */
const pageProgramOf = (plan: Plan, trigger: Trigger): ProgramId | undefined => {
  if (trigger.kind === 'popup')
    return activeArrangement(plan).popups.find((set) => set.id === trigger.setId)?.programId
  if (!('pageId' in trigger)) return undefined
  const device = plan.devices.find((d) => d.id === trigger.deviceId)
  return pagesOf(device).find((page) => page.id === trigger.pageId)?.programId
}

/** The commands that are offered: those of the program whose page it is, else those in front. */
function useOffered(start: Trigger): readonly Command[] {
  const plan = usePlan()
  const inFront = useFrontCommands()
  const ofPage = pageProgramOf(plan, start)
  return useMemo(
    () => (ofPage === undefined ? inFront : plan.commands.filter((c) => c.programId === ofPage)),
    [ofPage, inFront, plan.commands],
  )
}

/** Who stands there of the same program, and where the command is now, which the one in the way may take. */
function useHolders(command: Command | undefined, trigger: Trigger) {
  const { index, triggersOf } = useDerived()
  const key = triggerKey(trigger)
  return {
    holders: (index.holders.get(key) ?? []).filter(
      (c) => c.id !== command?.id && c.programId === command?.programId,
    ),
    own: command ? triggersOf(command.id).find((t) => triggerKey(t) !== key) : undefined,
  }
}

/** What would clash if the command stood there. */
function useForeseen(commandId: string, trigger: Trigger, sends: readonly Chord[]) {
  const { foresee } = useDerived()
  return useMemo(
    () => (commandId === '' ? [] : foresee(commandId, trigger, 'code' in trigger ? undefined : sends)),
    [foresee, commandId, trigger, sends],
  )
}

/** What is shown and can be done there. */
export function useTriggerDialog({
  commandId,
  start,
  sends: startSends = none,
  onClose,
}: {
  /** chosen in the dialog where left out */
  commandId?: CommandId | undefined
  start: Trigger
  sends?: readonly Chord[]
  onClose: () => void
}) {
  const plan = usePlan()
  const { env, arrangement, index, triggersOf } = useDerived()
  const front = useOffered(start)
  const [chosen, setChosen] = useState(commandId ?? front[0]?.id ?? '')
  const [trigger, setTrigger] = useState(start)
  const [sends, setSends] = useState<readonly Chord[]>(startSends)
  const [keep, setKeep] = useState(false)
  const [taken, setTaken] = useState<TakenBy>('stays')
  /** a free key that the command gets as well, for the control to send */
  const [bound, setBound] = useState<Chord | null>(null)
  const command = plan.commands.find((c) => c.id === chosen)
  const { reachOf } = useReachOfSets(noHeld, heldSetsOf(trigger, arrangement))
  const reach = reachOf(trigger)
  const name = triggerName(trigger, env)
  const reserved = reservedBy(trigger, index)
  const { holders, own } = useHolders(command, trigger)
  const lacks = index.stages.device(trigger)
  const foreseen = useForeseen(chosen, trigger, sends)
  const program = plan.programs.find((p) => p.id === command?.programId)
  const isKey = 'code' in trigger
  const run = (): void => {
    if (!command) return
    const relay = isKey ? undefined : relayOf(sends, startSends)
    const isBound = bound !== null && sends.some((sent) => triggerKey(sent) === triggerKey(bound))
    place(
      {
        commandId: command.id,
        trigger,
        keepOld: keep,
        ...(relay !== undefined && { sends: relay }),
        ...(holders.length > 0 && taken !== 'stays' && { displaced: holders.map((c) => c.id) }),
        ...(holders.length > 0 && taken === 'swaps' && own && { swapTo: own }),
      },
      name,
      isBound ? { commandId: command.id, trigger: bound, keepOld: true } : undefined,
    )
    onClose()
  }
  return {
    commandId,
    command,
    onClose,
    lacks,
    run,
    name,
    chosen,
    setChosen,
    front,
    program,
    trigger,
    setTrigger,
    isKey,
    sends,
    setSends,
    reach,
    reserved,
    holders,
    triggersOf,
    keep,
    setKeep,
    setBound,
    taken,
    setTaken,
    own,
    foreseen,
    env,
  }
}

export type TriggerDialogView = ReturnType<typeof useTriggerDialog>
