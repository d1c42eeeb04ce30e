import { useMemo, useState } from 'react'
import {
  reservedBy,
  triggerKey,
  triggerName,
  type Chord,
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
  const { env, arrangement, index, triggersOf, foresee } = useDerived()
  const front = useFrontCommands()
  const [chosen, setChosen] = useState(commandId ?? front[0]?.id ?? '')
  const [trigger, setTrigger] = useState(start)
  const [sends, setSends] = useState<readonly Chord[]>(startSends)
  const [keep, setKeep] = useState(false)
  /** a free key that the command gets as well, for the control to send */
  const [bound, setBound] = useState<Chord | null>(null)
  const command = plan.commands.find((c) => c.id === chosen)
  const { reachOf } = useReachOfSets(noHeld, heldSetsOf(trigger, arrangement))
  const reach = reachOf(trigger)
  const name = triggerName(trigger, env)
  const reserved = reservedBy(trigger, index)
  const holders = (index.holders.get(triggerKey(trigger)) ?? []).filter(
    (c) => c.id !== chosen && c.programId === command?.programId,
  )
  const lacks = index.stages.device(trigger)
  const foreseen = useMemo(
    () => (chosen === '' ? [] : foresee(chosen, trigger, 'code' in trigger ? undefined : sends)),
    [foresee, chosen, trigger, sends],
  )
  const program = plan.programs.find((p) => p.id === command?.programId)
  const isKey = 'code' in trigger
  const run = (): void => {
    if (!command) return
    const relay = isKey ? undefined : relayOf(sends, startSends)
    const isBound = bound !== null && sends.some((sent) => triggerKey(sent) === triggerKey(bound))
    place(
      { commandId: command.id, trigger, keepOld: keep, ...(relay !== undefined && { sends: relay }) },
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
    foreseen,
    env,
  }
}

export type TriggerDialogView = ReturnType<typeof useTriggerDialog>
