import { geoPath } from 'd3'
import { memo, useMemo } from 'react'
import { onDeskOf, ownHand, type Control, type ReachContour, type HandAtRest } from '@reach-plot/core'
import type { ReachChart } from '../worker/reach-protocol.js'

const draw = geoPath()

interface Rect {
  readonly x0: number
  readonly x1: number
  readonly y0: number
  readonly y1: number
}

/** Captions keep this far from a device's outline, mm. */
const captionGapMm = 3
/** Above a device stands its title. */
const titleMm = 8

/** Where a contour's captions go: its farthest points up, down and sideways, where they lie beside all devices. */
function captionPoints(
  contour: ReachContour,
  outlines: readonly Rect[],
): readonly (readonly [number, number])[] {
  const rings = contour.coordinates.map((polygon) => polygon[0] ?? [])
  const longest = rings.reduce<readonly number[][]>(
    (best, ring) => (ring.length > best.length ? ring : best),
    [],
  )
  if (longest.length < 8) return []
  const farthest = (dx: number, dy: number): readonly [number, number] => {
    const along = (p: readonly number[]): number => (p[0] as number) * dx + (p[1] as number) * dy
    const best = longest.reduce((far, p) => (along(p) > along(far) ? p : far))
    return [best[0] as number, best[1] as number]
  }
  const beside = ([x, y]: readonly [number, number]): boolean =>
    outlines.every(
      (o) =>
        x < o.x0 - captionGapMm || x > o.x1 + captionGapMm || y < o.y0 - titleMm || y > o.y1 + captionGapMm,
    )
  return [farthest(0, 1), farthest(0, -1), farthest(1, 0.6)].filter(beside)
}

/** The chart's ground: zones of effort, contours of time with their ms. */
export const ChartGround = memo(function ChartGround({ chart }: { chart: ReachChart | null }) {
  if (!chart) return null
  const [easy, stretch] = chart.efforts
  const zones = [
    { contour: stretch, name: 'stretched', fill: 0.35, dash: '2.4 1.2' },
    { contour: easy, name: 'comfortable', fill: 0.75, dash: undefined },
  ]
  return (
    <g aria-hidden="true">
      {zones.map(
        ({ contour, name, fill, dash }) =>
          contour && (
            <path
              key={name}
              d={draw(contour) ?? ''}
              fill="var(--reach-1)"
              fillOpacity={fill}
              stroke="var(--contour)"
              strokeWidth={0.55}
              strokeDasharray={dash}
            />
          ),
      )}
      {chart.times.map((contour) => (
        <path
          key={contour.value}
          d={draw(contour) ?? ''}
          fill="none"
          stroke="var(--contour)"
          strokeOpacity={0.5}
          strokeWidth={0.25}
        />
      ))}
    </g>
  )
})

/** What lies within the contours of effort, and beyond the last. */
const zoneNames = ['comfortable to here', 'stretched to here; beyond, the hand must move']

/** Half of a zone's name on the chart, mm, and how far two of them stay apart. */
const zoneHalf = { widthMm: 0.72, heightMm: 2.4 }
const zoneApartMm = 90
const mostZoneNames = 2

/** Where a zone's name fits on its contour between the caps, the roomiest points first. */
function zonePoints(
  contour: ReachContour,
  name: string,
  caps: readonly Rect[],
): readonly (readonly [number, number])[] {
  const half = zoneHalf.widthMm * name.length
  const isClear = ([x, y]: readonly [number, number]): boolean =>
    caps.every(
      (c) =>
        x + half < c.x0 || x - half > c.x1 || y + zoneHalf.heightMm < c.y0 || y - zoneHalf.heightMm > c.y1,
    )
  const points = contour.coordinates
    .flatMap((polygon) => polygon[0] ?? [])
    .map(([x, y]) => [x as number, y as number] as const)
    .filter(isClear)
  const chosen: (readonly [number, number])[] = []
  for (const point of points) {
    if (chosen.length === mostZoneNames) break
    if (chosen.every((c) => Math.hypot(c[0] - point[0], c[1] - point[1]) > zoneApartMm)) chosen.push(point)
  }
  return chosen
}

/** Values of the contours of time where they leave the devices, and names of the zones where there is room for them. */
export const ContourCaptions = memo(function ContourCaptions({
  chart,
  outlines,
  caps,
}: {
  chart: ReachChart | null
  outlines: readonly Rect[]
  caps: readonly Rect[]
}) {
  if (!chart) return null
  const captions = [
    ...chart.times.flatMap((c) =>
      captionPoints(c, outlines).map((at) => ({ at, text: `${c.value} ms`, isZone: false })),
    ),
    ...chart.efforts.flatMap((c, i) => {
      const text = zoneNames[i] ?? ''
      return zonePoints(c, text, caps).map((at) => ({ at, text, isZone: true }))
    }),
  ]
  return (
    <g aria-hidden="true" className="font-chart">
      {captions.map(({ at: [x, y], text, isZone }) => (
        <text
          key={`${text} ${x} ${y}`}
          x={x}
          y={y + 0.9}
          style={{ fontSize: 'max(3px, var(--least-text))' }}
          fontWeight={isZone ? 600 : 500}
          textAnchor="middle"
          fill="var(--contour)"
          stroke="var(--paper)"
          strokeWidth={1.2}
          paintOrder="stroke"
        >
          {text}
        </text>
      ))}
    </g>
  )
})

/** Lines from the palm's pivot to the resting fingertips, as bearings on a survey sheet. */
export function HandBearings({ hand, controls }: { hand: HandAtRest; controls: readonly Control[] }) {
  const model = useMemo(() => ownHand(hand, controls), [hand, controls])
  const ends = Array.from(model.tipX, (x, finger) => onDeskOf(model.frame, x, model.tipY[finger] as number))
  const thumb = ends[0] as (typeof ends)[number]
  const pivot = onDeskOf(
    model.frame,
    (model.tipX[0] as number) - (model.leverX[0] as number),
    (model.tipY[0] as number) - (model.leverY[0] as number),
  )
  return (
    <g
      aria-hidden="true"
      stroke="var(--magenta)"
      strokeWidth={0.3}
      strokeOpacity={0.55}
      strokeDasharray="1.4 1.2"
      fill="none"
    >
      {ends.map((end) => (
        <path key={`${end.x} ${end.y}`} d={`M${pivot.x} ${pivot.y} L${end.x} ${end.y}`} />
      ))}
      <circle cx={pivot.x} cy={pivot.y} r={1.6} strokeDasharray="none" />
      <path
        d={`M${thumb.x - 1.6} ${thumb.y + 1.2} h3.2 l-1.6 -2.8 z`}
        fill="var(--key)"
        strokeDasharray="none"
        strokeOpacity={1}
        strokeWidth={0.4}
      />
    </g>
  )
}
