import { useState } from 'react'
import { toast } from '../../store/message.js'
import { fullName, routineFrom, type Plan, keepRoutine } from '@reach-plot/core'
import { undoAction } from '../../store/actions.js'
import { useEdit, usePlan } from '../../store/plan-store.js'

export const nameOf = (plan: Plan, id: string): string => {
  const command = plan.commands.find((c) => c.id === id)
  return command ? fullName(command) : id
}

/** What is shown and can be done there. */
export function useRoutines() {
  const plan = usePlan()
  const edit = useEdit()
  const [chosenId, setChosenId] = useState<string | null>(plan.routines[0]?.id ?? null)
  const chosen = plan.routines.find((r) => r.id === chosenId) ?? plan.routines[0]
  const known = new Set(
    plan.routines.map((r) => r.steps.map((s) => (s.kind === 'command' ? s.commandId : s.kind)).join()),
  )
  const hours = plan.usage?.activeHours ?? 0
  const proposals = (plan.usage?.sequences ?? []).filter(
    (s) =>
      !known.has(s.commandIds.join()) && s.commandIds.every((id) => plan.commands.some((c) => c.id === id)),
  )
  const keep = (sequence: (typeof proposals)[number]): void => {
    const [first, last] = [sequence.commandIds[0], sequence.commandIds.at(-1)].map((id) =>
      nameOf(plan, id ?? ''),
    )
    const name = `${first} to ${last}`
    setChosenId(edit((before) => keepRoutine(before, routineFrom(sequence, hours, 'new', name))))
    toast(`“${name}” is kept as a routine`, { action: undoAction() })
  }
  const startNew = (): void => {
    const [command] = plan.commands
    if (!command) return
    const started = {
      id: 'new',
      name: 'New routine',
      programId: command.programId,
      steps: [{ kind: 'command', commandId: command.id }],
      timesPerHour: 0,
    } as const
    setChosenId(edit((before) => keepRoutine(before, { ...started, steps: [...started.steps] })))
  }
  return { plan, startNew, chosen, setChosenId, proposals, hours, keep }
}

export type RoutinesScreen = ReturnType<typeof useRoutines>
