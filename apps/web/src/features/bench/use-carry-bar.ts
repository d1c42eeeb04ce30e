import { useState } from 'react'
import { toast } from '../../store/message.js'
import { type DrawnDevice, type Plan, carryButtons, type Destination } from '@reach-plot/core'
import { onEditable, undoAction } from '../../store/actions.js'
import { usePlan } from '../../store/plan-store.js'

/** Controls that buttons can be carried to, from a first one on. */
const targets = (device: DrawnDevice): readonly string[] =>
  device.controls.filter((c) => c.type === 'key' || c.type === 'button' || c.type === 'zone').map((c) => c.id)

const drawnOf = (plan: Plan): readonly DrawnDevice[] => plan.devices.filter((d) => d.kind === 'drawn')

interface Target {
  readonly key: string
  readonly name: string
  readonly device: DrawnDevice
  readonly pageId: string | undefined
}

/** What is shown and can be done there. */
export function useCarryBar({
  device,
  pageId,
  controlIds,
  onDone,
}: {
  device: DrawnDevice
  pageId: string | undefined
  controlIds: readonly string[]
  onDone: () => void
}) {
  const plan = usePlan()
  const places = drawnOf(plan).flatMap((d): Target[] =>
    d.pages.length > 0
      ? d.pages.map((p) => ({
          key: `${d.id}@${p.id}`,
          name: `${d.name} · ${p.name}`,
          device: d,
          pageId: p.id,
        }))
      : [{ key: d.id, name: d.name, device: d, pageId: undefined }],
  )
  const own = pageId === undefined ? device.id : `${device.id}@${pageId}`
  const [toKey, setToKey] = useState(places.find((p) => p.key !== own)?.key ?? own)
  const to = places.find((p) => p.key === toKey) ?? places[0]
  const all = to ? targets(to.device) : []
  const [firstId, setFirstId] = useState<string | null>(null)
  const start = Math.max(0, all.indexOf(firstId ?? controlIds[0] ?? ''))
  // in the order in which they lie on the device, whatever the order of choosing
  const ordered = device.controls.filter((c) => controlIds.includes(c.id)).map((c) => c.id)
  const run = (move: boolean): void => {
    if (!to) return
    const destination: Destination = {
      deviceId: to.device.id,
      pageId: to.pageId,
      controlIds: all.slice(start, start + ordered.length),
    }
    const told = onEditable((plan) =>
      carryButtons(plan, { deviceId: device.id, pageId, controlIds: ordered }, destination, move),
    ) ?? { done: 0, left: 0 }
    const left = told.left > 0 ? `; ${told.left} stayed, since there is no room or their place is taken` : ''
    toast(
      `${told.done} ${told.done === 1 ? 'trigger' : 'triggers'} ${move ? 'moved' : 'copied'} to ${to.name}${left}`,
      {
        action: undoAction(),
      },
    )
    onDone()
  }
  return { controlIds, toKey, setToKey, places, all, start, setFirstId, to, run }
}
