import { useEffect, useMemo, useRef } from 'react'
import { deviceTitle, footprint, pagesOf } from '@reach-plot/core'
import { usePlan } from '../../store/plan-store.js'
import { useDerived, usePageOf } from '../../store/selectors.js'
import { useHeld, useView } from '../../store/view-store.js'
import { keyFaces } from '../../drawing/chart-faces.js'
import { ChartKey } from '../../drawing/chart-key.js'
import { DeviceOutline } from '../../drawing/device-outline.js'
import { useKeyWalk } from '../../drawing/use-key-walk.js'
import { useChartZoom, type Extent } from '../../drawing/use-chart-zoom.js'

const edgeMm = 12
const noop = (): void => undefined

/** The bench as keys that can be pressed; what stands on them in front is written on them. */
export function TryBench({
  front,
  onControl,
}: {
  front: { readonly programId: string; readonly contextId: string }
  onControl: (controlRef: string) => void
}) {
  const plan = usePlan()
  const derived = useDerived()
  const { env, bench } = derived
  const pageOf = usePageOf()
  const held = useHeld()
  const controlRef = useView((s) => s.controlRef)
  const svg = useRef<SVGSVGElement>(null)
  const group = useRef<SVGGElement>(null)
  const walk = useKeyWalk(svg, env.controls, derived.rests.index, onControl)
  const { tabId } = walk
  const { fit, reveal } = useChartZoom(svg, group, noop)
  const outlines = useMemo(
    () =>
      bench.devices.flatMap((placed) => {
        const device = plan.devices.find((d) => d.id === placed.deviceId)
        return device ? [{ placed, device, print: footprint(placed, device) }] : []
      }),
    [bench.devices, plan.devices],
  )
  const extent = useMemo(
    (): Extent => ({
      x0: Math.min(...outlines.map((o) => o.print.x0)) - edgeMm,
      x1: Math.max(...outlines.map((o) => o.print.x1)) + edgeMm,
      y0: Math.min(...outlines.map((o) => o.print.y0)) - edgeMm,
      y1: Math.max(...outlines.map((o) => o.print.y1)) + edgeMm,
    }),
    [outlines],
  )
  useEffect(() => fit(extent), [extent, fit])
  const faces = useMemo(
    () =>
      keyFaces({
        derived,
        front,
        held,
        byControl: undefined,
        places: null,
        pageOf,
        chosenRef: controlRef,
        tabId,
      }),
    [derived, front.programId, front.contextId, held, pageOf, controlRef, tabId], // eslint-disable-line react-hooks/exhaustive-deps
  )
  return (
    <div className="relative min-h-0 grow">
      <svg
        ref={svg}
        className="absolute inset-0 size-full touch-none bg-paper"
        role="group"
        aria-label={`Controls of ${bench.name}`}
      >
        <g
          ref={group}
          onKeyDown={walk.onKeyDown}
          onClick={walk.onClick}
          onFocus={(e) => e.target.matches(':focus-visible') && reveal(e.target)}
        >
          {outlines.map(({ placed, device }) => {
            const page = pagesOf(device).find((p) => p.id === pageOf(device.id))
            return (
              <DeviceOutline
                key={device.id}
                placed={placed}
                device={device}
                title={[deviceTitle(device), page?.name].filter(Boolean).join(' · ')}
              />
            )
          })}
          {faces.map((face) => (
            <ChartKey key={face.control.id} face={face} />
          ))}
        </g>
      </svg>
    </div>
  )
}
