import { howMany } from '../../parts/words.js'
import { useMemo } from 'react'
import { CoreError, readOwnKeys, systemTakes, systemTrigger, triggerKey, setOwnKeys } from '@reach-plot/core'
import { toast } from '../../store/message.js'
import { showProblem } from '../../store/problem.js'
import { undoAction } from '../../store/actions.js'
import { useEdit, usePlan } from '../../store/plan-store.js'
import { useDerived } from '../../store/selectors.js'

/** What is shown and can be done there. */
export function useMachine() {
  const plan = usePlan()
  const edit = useEdit()
  const { env, index } = useDerived()
  const { system, layout } = env
  const own = plan.ownSystemKeys[plan.system]
  const off = new Set(own?.off)
  const rows = useMemo(() => {
    const ownKeys = [...systemTakes({ ...system, keys: [] }, layout, own)].map(([id, take]) => ({ id, take }))
    const shipped = [...systemTakes(system, layout)].map(([id, take]) => ({ id, take }))
    return [...ownKeys, ...shipped.filter((s) => !ownKeys.some((o) => o.id === s.id))]
  }, [system, layout, own])
  const triggers = useMemo(() => {
    const all = [...(own?.own ?? []), ...system.keys].flatMap((key) => systemTrigger(key, layout) ?? [])
    return new Map(all.map((t) => [triggerKey(t), t]))
  }, [system, layout, own])

  const importDump = async (file: File | undefined): Promise<void> => {
    if (!file) return
    try {
      const dump = readOwnKeys(await file.text(), system, layout)
      edit((draft) => setOwnKeys(draft, dump.own))
      toast(
        `${howMany(dump.settings, 'setting', 'settings')} read: ${howMany(dump.own.off.length, 'key is', 'keys are')} off, ${dump.own.own.length} are your own${dump.passedOver.length > 0 ? `; ${dump.passedOver.length} of media keys were passed over` : ''}`,
        { action: undoAction() },
      )
    } catch (error) {
      if (error instanceof CoreError) showProblem(error)
      else throw error
    }
  }
  return { rows, off, system, plan, importDump, own, edit, triggers, index }
}

export type MachineScreen = ReturnType<typeof useMachine>
