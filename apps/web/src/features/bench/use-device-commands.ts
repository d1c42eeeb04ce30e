import { useMemo, useState } from 'react'
import {
  controlRefOf,
  isLiveIn,
  type Command,
  type Placement,
  type Program,
  type Trigger,
} from '@reach-plot/core'
import { useDealTargets } from '../../parts/deal/use-deal-targets.js'
import { useEdit, usePlan } from '../../store/plan-store.js'
import { useDerived } from '../../store/selectors.js'
import { useDevice } from './device-page.js'

const isOnPage = (trigger: Trigger, deviceId: string, pageId: string | undefined): boolean =>
  'deviceId' in trigger &&
  trigger.deviceId === deviceId &&
  (!('pageId' in trigger) || trigger.pageId === undefined || trigger.pageId === pageId)

/** How many commands there are live in each mode, in words; each program by itself. */
function countsByMode(commands: readonly Command[], programs: readonly Program[]): string {
  const parts = programs.flatMap((program) => {
    const own = new Set(commands.filter((c) => c.programId === program.id))
    if (own.size === 0) return []
    const modes = program.contexts.map(
      (context) => `${context.name} ${[...own].filter((c) => isLiveIn(c, program, context.id)).length}`,
    )
    return [`${program.name} ${own.size} (${modes.join(', ')})`]
  })
  return parts.length > 0 ? parts.join('; ') : 'none'
}

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
  const [dealing, setDealing] = useState(false)
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
  const targets = useDealTargets()
  /** what commands are dealt onto here; none where the device is not on this bench */
  const target = targets.find((t) => t.id === (page ? `${device.id} ${page.id}` : device.id))
  const onIt = useMemo(
    () => arrangement.placements.filter((p) => isOnPage(p.trigger, device.id, page?.id)),
    [arrangement, device.id, page?.id],
  )
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
    dealing,
    setDealing,
    target,
    countsByMode: countsByMode(
      onIt.flatMap((p) => commandOf(p.commandId) ?? []),
      plan.programs,
    ),
  }
}

export type DeviceCommandsView = ReturnType<typeof useDeviceCommands>
