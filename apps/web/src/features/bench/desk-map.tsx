import { memo, useMemo, useRef, type KeyboardEvent } from 'react'
import {
  deviceTitle,
  footprint,
  gapMm,
  handOnBench,
  type BenchControl,
  type Device,
  type Footprint,
  type PlacedDevice,
  moveDevice,
} from '@reach-plot/core'
import { useEdit, usePlan } from '../../store/plan-store.js'
import { useDerived } from '../../store/selectors.js'
import { HandBearings } from '../../drawing/chart-ground.js'
import { DeviceOutline } from '../../drawing/device-outline.js'
import { useSize } from '../../parts/use-size.js'
import { useDeskDrag } from './use-desk-drag.js'

const marginMm = 40
const arrowStepMm = 5
const captionPx = 11
const round = (mm: number): number => Math.round(mm * 10) / 10

/** The desk as a map in mm. Devices are dragged or moved by the arrow keys. */
export function DeskMap({ chosenId, onChoose }: { chosenId: string | null; onChoose: (id: string) => void }) {
  const plan = usePlan()
  const edit = useEdit()
  const { bench, env, hand, rests } = useDerived()
  const svg = useRef<SVGSVGElement>(null)
  const drag = useDeskDrag(svg, (id, dxMm, dyMm) => {
    const placed = bench.devices.find((d) => d.deviceId === id)
    if (placed)
      edit((plan) => moveDevice(plan, id, { xMm: round(placed.xMm + dxMm), yMm: round(placed.yMm + dyMm) }))
  })
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
  const chosen = items.find((i) => i.device.id === chosenId)
  const { widthPx, heightPx } = useSize(svg)
  // captions keep a readable size, however large the desk
  const textMm = captionPx / Math.min(widthPx / box.width, heightPx / box.height)
  const stations = new Set(Object.values(rests))

  const onKeyDown = (event: KeyboardEvent, placed: PlacedDevice): void => {
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
  return (
    <section aria-label="Desk" className="relative min-w-0 grow bg-paper">
      <svg
        ref={svg}
        className="absolute inset-0 size-full touch-none"
        viewBox={`${box.x0} ${box.y0} ${box.width} ${box.height}`}
        role="group"
        aria-label={`Desk of ${bench.name}`}
        style={{ ['--least-text' as string]: `${textMm}px` }}
      >
        {items.map(({ placed, device, print, controls }) => (
          <g
            key={device.id}
            className="desk-device cursor-move outline-none"
            data-device={device.id}
            role="button"
            tabIndex={0}
            aria-pressed={device.id === chosenId}
            aria-label={`${device.name}, ${Math.round(placed.xMm)} mm across, ${Math.round(placed.yMm)} mm along${placed.turnDeg === 0 ? '' : `, turned ${placed.turnDeg}°`}`}
            onPointerDown={(e) => {
              onChoose(device.id)
              drag.start(
                e,
                device.id,
                e.currentTarget,
                print,
                items.filter((i) => i.device.id !== device.id).map((i) => i.print),
              )
            }}
            onPointerMove={drag.move}
            onPointerUp={drag.end}
            onPointerCancel={drag.end}
            onKeyDown={(e) => onKeyDown(e, placed)}
          >
            <DeviceDrawing
              placed={placed}
              device={device}
              controls={controls}
              stations={stations}
              isChosen={device.id === chosenId}
            />
          </g>
        ))}
        <g pointerEvents="none">
          <HandBearings hand={handOnBench(hand)} controls={env.controls} />
          {chosen && (
            <Gaps
              textMm={textMm}
              print={chosen.print}
              others={items.filter((i) => i !== chosen).map((i) => i.print)}
            />
          )}
          {drag.guides.map((guide) => (
            <path
              key={`${guide.axis} ${guide.atMm}`}
              d={
                guide.axis === 'x'
                  ? `M${guide.atMm} ${box.y0} V${box.y0 + box.height}`
                  : `M${box.x0} ${guide.atMm} H${box.x0 + box.width}`
              }
              stroke="var(--magenta)"
              strokeWidth={0.5}
              strokeDasharray="3 2"
            />
          ))}
        </g>
        <g
          transform={`translate(${box.x0 + 12} ${box.y0 + box.height - 14})`}
          className="font-chart"
          aria-hidden="true"
        >
          <path
            d="M0 -3 V3 M0 0 H100 M100 -3 V3 M50 -3 V3"
            stroke="var(--ink)"
            strokeWidth={0.6}
            fill="none"
          />
          <text y={4 + textMm} fontSize={textMm} fill="var(--ink)">
            0
          </text>
          <text x={100} y={4 + textMm} fontSize={textMm} textAnchor="middle" fill="var(--ink)">
            100 mm
          </text>
        </g>
      </svg>
    </section>
  )
}

const DeviceDrawing = memo(function DeviceDrawing({
  placed,
  device,
  controls,
  stations,
  isChosen,
}: {
  placed: PlacedDevice
  device: Device
  controls: readonly BenchControl[]
  stations: ReadonlySet<string>
  isChosen: boolean
}) {
  return (
    <>
      <DeviceOutline placed={placed} device={device} title={deviceTitle(device)} isChosen={isChosen} />
      {controls.map((c) => (
        <rect
          key={c.id}
          transform={`translate(${c.xMm} ${c.yMm}) rotate(${c.turnDeg})`}
          x={-c.capWidthMm / 2}
          y={-c.capHeightMm / 2}
          width={c.capWidthMm}
          height={c.capHeightMm}
          rx={c.round ? Math.min(c.capWidthMm, c.capHeightMm) / 2 : 0.8}
          fill={stations.has(c.id) ? 'var(--reach-3)' : 'var(--key)'}
          stroke={stations.has(c.id) ? 'var(--magenta)' : 'var(--edge)'}
          strokeWidth={stations.has(c.id) ? 0.9 : 0.4}
        />
      ))}
    </>
  )
})

interface Dimension {
  readonly side: 'left' | 'right' | 'back' | 'front'
  readonly x0: number
  readonly x1: number
  readonly y0: number
  readonly y1: number
  readonly mm: number
}

/** Distances of the chosen device to those beside it, as dimension lines. */
function Gaps({ print, others, textMm }: { print: Footprint; others: readonly Footprint[]; textMm: number }) {
  const lines = others.flatMap((other): Dimension[] => {
    const gap = gapMm(print, other)
    const overlap0 = Math.max(print.y0, other.y0)
    const overlap1 = Math.min(print.y1, other.y1)
    if (gap.acrossMm > 0 && overlap1 > overlap0) {
      const y = (overlap0 + overlap1) / 2
      return other.x0 > print.x1
        ? [{ side: 'right', x0: print.x1, x1: other.x0, y0: y, y1: y, mm: gap.acrossMm }]
        : [{ side: 'left', x0: other.x1, x1: print.x0, y0: y, y1: y, mm: gap.acrossMm }]
    }
    const left = Math.max(print.x0, other.x0)
    const right = Math.min(print.x1, other.x1)
    if (gap.alongMm > 0 && right > left) {
      const x = (left + right) / 2
      return other.y0 > print.y1
        ? [{ side: 'front', x0: x, x1: x, y0: print.y1, y1: other.y0, mm: gap.alongMm }]
        : [{ side: 'back', x0: x, x1: x, y0: other.y1, y1: print.y0, mm: gap.alongMm }]
    }
    return []
  })
  // only the nearest on each side: a line to one behind it would cross it
  const nearest = lines.filter((l) => !lines.some((k) => k.side === l.side && k.mm < l.mm))
  return (
    <g className="font-chart">
      {nearest.map((l) => (
        <g key={`${l.x0} ${l.y0} ${l.x1} ${l.y1}`}>
          <path d={`M${l.x0} ${l.y0} L${l.x1} ${l.y1}`} stroke="var(--magenta)" strokeWidth={0.7} />
          <text
            x={(l.x0 + l.x1) / 2 + (l.x0 === l.x1 ? 3 : 0)}
            y={(l.y0 + l.y1) / 2 - (l.x0 === l.x1 ? -2 : 2.5)}
            fontSize={textMm}
            fontWeight={600}
            textAnchor={l.x0 === l.x1 ? 'start' : 'middle'}
            fill="var(--magenta)"
            stroke="var(--paper)"
            strokeWidth={1.6}
            paintOrder="stroke"
          >
            {`${Math.round(l.mm)} mm`}
          </text>
        </g>
      ))}
    </g>
  )
}
