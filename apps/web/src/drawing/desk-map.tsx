import { memo } from 'react'
import {
  deviceSizeMm,
  deviceTitle,
  gapMm,
  handOnBench,
  type BenchControl,
  type Device,
  type Footprint,
  type PlacedDevice,
} from '@reach-plot/core'
import { HandBearings } from './chart-ground.js'
import { DeviceOutline } from './device-outline.js'
import { useDeskMap, type DeskMapView } from './use-desk-map.js'

/** The desk as a map in mm. Devices are dragged or moved by the arrow keys. */
export function DeskMap(props: { chosenId: string | null; onChoose: (id: string) => void }) {
  const view = useDeskMap(props)
  return (
    <section aria-label="Desk" className="relative min-w-0 grow bg-paper">
      <DeskDrawing view={view} />
    </section>
  )
}

function DeskDrawing({ view }: { view: DeskMapView }) {
  const { svg, box, bench, textMm, items, chosenId, onChoose, drag, onKeyDown, stations } = view
  return (
    <svg
      ref={svg}
      className="absolute inset-0 size-full touch-none"
      viewBox={`${box.x0} ${box.y0} ${box.width} ${box.height}`}
      role="group"
      aria-label={`Desk of ${bench.name}`}
      style={{ ['--least-text' as string]: `${textMm}px` }}
    >
      <StandingTint view={view} />
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
      <HandMarks view={view} />
      <DistanceLines view={view} />
    </svg>
  )
}

/** The desk tinted by how well the chosen device would serve there, and its outline at the best place. */
function StandingTint({ view: { standing, chosen } }: { view: DeskMapView }) {
  if (!standing || !chosen) return null
  const { places, best, stepMm } = standing
  const costs = places.map((p) => p.costMs)
  const least = Math.min(...costs, best.costMs)
  const most = Math.max(...costs)
  // four tints by cost, the best the strongest
  const tintOf = (costMs: number): number =>
    4 - Math.min(3, Math.floor((4 * (costMs - least)) / Math.max(1, most - least)))
  const { widthMm, heightMm } = deviceSizeMm(chosen.device)
  // a place is tinted where the middle of the device would lie
  const middle = ({ xMm, yMm, turnDeg }: (typeof places)[number]): { x: number; y: number } => {
    const angle = (turnDeg * Math.PI) / 180
    return {
      x: xMm + (widthMm * Math.cos(angle) - heightMm * Math.sin(angle)) / 2,
      y: yMm + (widthMm * Math.sin(angle) + heightMm * Math.cos(angle)) / 2,
    }
  }
  return (
    <g pointerEvents="none">
      {places.map((p) => (
        <rect
          key={`${p.xMm} ${p.yMm}`}
          x={middle(p).x - stepMm / 2}
          y={middle(p).y - stepMm / 2}
          width={stepMm}
          height={stepMm}
          fill={`var(--reach-${tintOf(p.costMs)})`}
          fillOpacity={0.7}
        />
      ))}
      <rect
        transform={`translate(${best.xMm} ${best.yMm}) rotate(${best.turnDeg})`}
        width={widthMm}
        height={heightMm}
        rx={1}
        fill="none"
        stroke="var(--magenta)"
        strokeWidth={1.4}
        strokeDasharray="4 2.5"
      />
    </g>
  )
}

function HandMarks({ view: { hand, env, chosen, textMm, items, drag, box } }: { view: DeskMapView }) {
  return (
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
  )
}

function DistanceLines({ view: { box, textMm } }: { view: DeskMapView }) {
  return (
    <g
      transform={`translate(${box.x0 + 12} ${box.y0 + box.height - 14})`}
      className="font-chart"
      aria-hidden="true"
    >
      <path d="M0 -3 V3 M0 0 H100 M100 -3 V3 M50 -3 V3" stroke="var(--ink)" strokeWidth={0.6} fill="none" />
      <text y={4 + textMm} fontSize={textMm} fill="var(--ink)">
        0
      </text>
      <text x={100} y={4 + textMm} fontSize={textMm} textAnchor="middle" fill="var(--ink)">
        100 mm
      </text>
    </g>
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
