import { useMemo, useState } from 'react'
import { controlRefOf, type Placement, type Trigger } from '@reach-plot/core'
import { useEdit, usePlan } from '../../store/plan-store.js'
import { useDerived } from '../../store/selectors.js'
import { useDevice } from './device-page.js'

/** What is shown and can be done there. */
export function useDeviceCommands() {
  const device = useDevice()
  const plan = usePlan()
  const edit = useEdit()
  const { env, arrangement, index, clashOf } = useDerived()
  const [pageId, setPageId] = useState<string | undefined>(device.pages[0]?.id)
  const [chosen, setChosen] = useState<readonly string[]>([])
  const [placing, setPlacing] = useState<{ start: Trigger; placement?: Placement } | null>(null)
  const [naming, setNaming] = useState(false)
  const page = device.pages.find((p) => p.id === pageId) ?? device.pages[0]
  const byControlRef = useMemo(() => {
    const map = new Map<string, Placement[]>()
    for (const p of arrangement.placements) {
      const at = controlRefOf(p.trigger)
      if (at !== null) map.set(at, [...(map.get(at) ?? []), p])
    }
    return map
  }, [arrangement])
  const onPage = (trigger: Trigger): boolean =>
    !('pageId' in trigger) || trigger.pageId === undefined || trigger.pageId === page?.id
  const controls = device.controls.filter((c) => c.type !== 'field')
  const fields = device.controls.filter((c) => c.type === 'field')
  const commandOf = (id: string) => index.commands.get(id)
  const programOf = (id: string) => plan.programs.find((p) => p.id === commandOf(id)?.programId)
  return {
    device,
    page,
    setPageId,
    setChosen,
    setNaming,
    edit,
    plan,
    chosen,
    controls,
    byControlRef,
    onPage,
    commandOf,
    programOf,
    clashOf,
    setPlacing,
    env,
    fields,
    placing,
    naming,
  }
}

export type DeviceCommandsView = ReturnType<typeof useDeviceCommands>
