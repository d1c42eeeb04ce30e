import { useMemo, useRef, type KeyboardEvent } from 'react'
import { footprint, type PlacedDevice, moveDevice, restIds } from '@reach-plot/core'
import { useEdit, usePlan } from '../store/plan-store.js'
import { useDerived } from '../store/selectors.js'
import { useSize } from '../parts/use-size.js'
import { useStanding } from '../store/standing-store.js'
import { useDeskDrag } from './use-desk-drag.js'

const marginMm = 40

const arrowStepMm = 5

const captionPx = 11

export const round = (mm: number): number => Math.round(mm * 10) / 10

/** The devices of the bench with the ground that each covers, and the ground of all, mm. */
function useDeskItems() {
  const plan = usePlan()
  const { bench, env } = useDerived()
  const items = useMemo(
    () =>
      bench.devices.flatMap((placed) => {
        const device = plan.devices.find((d) => d.id === placed.deviceId)
        return device
          ? [
              {
                placed,
                device,
                print: footprint(placed, device),
                controls: env.controls.filter((c) => c.deviceId === device.id),
              },
            ]
          : []
      }),
    [bench.devices, plan.devices, env.controls],
  )
  const box = useMemo(() => {
    const x0 = Math.min(...items.map((i) => i.print.x0)) - marginMm
    const y0 = Math.min(...items.map((i) => i.print.y0)) - marginMm
    const x1 = Math.max(...items.map((i) => i.print.x1)) + marginMm
    const y1 = Math.max(...items.map((i) => i.print.y1)) + marginMm + 30
    return { x0, y0, width: x1 - x0, height: y1 - y0 }
  }, [items])
  return { items, box }
}

/** A device in the focus: Enter chooses it, arrows push it. */
function useDeskKeys(onChoose: (id: string) => void) {
  const edit = useEdit()
  return (event: KeyboardEvent, placed: PlacedDevice): void => {
    const direction = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[
      event.key
    ]
    if (event.key === 'Enter' || event.key === ' ') {
      event.preventDefault()
      onChoose(placed.deviceId)
    }
    if (!direction) return
    event.preventDefault()
    const step = event.shiftKey ? 1 : arrowStepMm
    onChoose(placed.deviceId)
    edit(
      (plan) =>
        moveDevice(plan, placed.deviceId, {
          xMm: round(placed.xMm + (direction[0] as number) * step),
          yMm: round(placed.yMm + (direction[1] as number) * step),
        }),
      `nudge ${placed.deviceId}`,
    )
  }
}

/** What is shown and can be done there. */
export function useDeskMap({
  chosenId,
  onChoose,
}: {
  chosenId: string | null
  onChoose: (id: string) => void
}) {
  const edit = useEdit()
  const { bench, env, hand, rests } = useDerived()
  const svg = useRef<SVGSVGElement>(null)
  const drag = useDeskDrag(svg, (id, dxMm, dyMm) => {
    const placed = bench.devices.find((d) => d.deviceId === id)
    if (placed)
      edit((plan) => moveDevice(plan, id, { xMm: round(placed.xMm + dxMm), yMm: round(placed.yMm + dyMm) }))
  })
  const { items, box } = useDeskItems()
  const chosen = items.find((i) => i.device.id === chosenId)
  const found = useStanding((s) => s.found)
  const standing = found && found.map.deviceId === chosenId ? found.map : null
  const { widthPx, heightPx } = useSize(svg)
  // captions keep a readable size, however large the desk
  const textMm = captionPx / Math.min(widthPx / box.width, heightPx / box.height)
  const stations = new Set(restIds(rests))

  const onKeyDown = useDeskKeys(onChoose)
  return {
    svg,
    box,
    bench,
    textMm,
    items,
    chosenId,
    onChoose,
    drag,
    onKeyDown,
    stations,
    hand,
    env,
    chosen,
    standing,
  }
}

export type DeskMapView = ReturnType<typeof useDeskMap>
