import { useMemo, useState } from 'react'
import { useNavigate } from 'react-router'
import {
  heldOf,
  remediesFor,
  remedyModifierSets,
  controlRefOf,
  triggerName,
  type Clash,
  type Remedy,
  applyRemedy,
} from '@reach-plot/core'
import { toast } from '../../store/message.js'
import { onEditable, undoAction } from '../../store/actions.js'
import { useEdit, usePlan } from '../../store/plan-store.js'
import { heldKey, useReachOfSets } from '../../store/reach.js'
import { useDerived } from '../../store/selectors.js'
import { useView } from '../../store/view-store.js'

/** What is shown and can be done there. */
export function useClashDetail({ clash, note }: { clash: Clash; note: string | null }) {
  const plan = usePlan()
  const edit = useEdit()
  const { env, index, triggersOf } = useDerived()
  const { reachBySet } = useReachOfSets(remedyModifierSets)
  const navigate = useNavigate()
  const set = useView((s) => s.set)
  const [why, setWhy] = useState(note ?? '')
  const ready = remedyModifierSets.every((held) => reachBySet[heldKey(held)] !== undefined)
  const remedies = useMemo(
    () =>
      ready
        ? remediesFor(
            clash,
            index,
            remedyModifierSets.map((held) => reachBySet[heldKey(held)] ?? {}),
          )
        : [],
    [ready, clash, index, reachBySet],
  )
  const commands = clash.commandIds
    .map((id) => plan.commands.find((c) => c.id === id))
    .filter((c) => c !== undefined)
  const name = triggerName(clash.trigger, env)

  const apply = (remedy: Remedy): void => {
    const { kind, to } = remedy
    if (kind === 'setting' || kind === 'habit') edit((before) => applyRemedy(before, remedy))
    else onEditable((before) => applyRemedy(before, remedy))
    toast(
      kind === 'setting'
        ? `${name} counts as off in ${env.system.name}`
        : kind === 'relay' || kind === 'bind'
          ? `${name} sends what reaches its command`
          : kind === 'habit'
            ? 'That is noted in the program’s settings'
            : kind === 'opener' && to
              ? `The pop-up set opens by ${triggerName(to, env)}`
              : to
                ? `Moved to ${triggerName(to, env)}`
                : `Removed from ${name}`,
      { action: undoAction() },
    )
  }
  const showOnPlot = (): void => {
    const [first] = commands
    set({
      programId: first?.programId ?? null,
      contextId: first?.contextIds[0] ?? null,
      chosenHeld: heldOf(clash.trigger),
      commandId: null,
      controlRef: controlRefOf(clash.trigger),
    })
    void navigate('/')
  }
  return {
    clash,
    note,
    name,
    commands,
    plan,
    triggersOf,
    ready,
    remedies,
    apply,
    edit,
    why,
    setWhy,
    showOnPlot,
  }
}

export type ClashDetailView = ReturnType<typeof useClashDetail>
