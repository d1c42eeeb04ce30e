import { memo } from 'react'
import type { Device, Footprint, PlacedDevice } from '@reach-plot/core'

/** Keys of a board run to its edge; a casing of this width is drawn around them, mm. */
const casingMm = 4

/** The outline of one device on the desk and its name above it. */
export const DeviceOutlines = memo(function DeviceOutlines({
  placed,
  device,
  print,
  title,
}: {
  placed: PlacedDevice
  device: Device
  print: Footprint
  title: string
}) {
  const edge = device.kind === 'board' ? casingMm : 0
  const path = print.corners.map(({ xMm, yMm }, i) => `${i === 0 ? 'M' : 'L'}${xMm} ${yMm}`).join(' ')
  const left = print.corners.reduce((a, b) =>
    b.yMm < a.yMm - 0.01 || (b.yMm < a.yMm + 0.01 && b.xMm < a.xMm) ? b : a,
  )
  return (
    <g aria-hidden="true">
      {edge > 0 && (
        <path
          d={`${path} Z`}
          fill="none"
          stroke="var(--ink)"
          strokeWidth={2 * edge + 0.9}
          strokeLinejoin="round"
        />
      )}
      <path
        d={`${path} Z`}
        fill="var(--paper)"
        stroke={edge > 0 ? 'var(--paper)' : 'var(--ink)'}
        strokeWidth={edge > 0 ? 2 * edge : 0.45}
        strokeLinejoin="round"
      />
      <text
        transform={`translate(${left.xMm} ${left.yMm}) rotate(${placed.turnDeg})`}
        x={-edge}
        y={-edge - 1.6}
        style={{ fontSize: 'max(3px, var(--least-text))' }}
        letterSpacing={0.25}
        className="font-chart"
        fill="var(--ink-2)"
      >
        {title.toUpperCase()}
      </text>
    </g>
  )
})
