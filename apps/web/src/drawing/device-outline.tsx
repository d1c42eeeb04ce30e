import { memo } from 'react'
import { captionLines } from './caption.js'
import { deviceSizeMm, type Device, type PlacedDevice } from '@reach-plot/core'

/** Keys of a board run to its edge; a casing of this width is drawn around them, mm. */
const casingMm = 4
/** A longer name than its device is cut, so that it does not run into the next; on a small one it may be so long, mm. */
const leastTitleMm = 60
/** Names are set larger than captions where the chart is small, and spaced: so much of the room is theirs. */
const titleShare = 0.65

/** The outline of one device on the desk and its name above it. */
export const DeviceOutline = memo(function DeviceOutline({
  placed,
  device,
  title,
  isChosen = false,
}: {
  placed: PlacedDevice
  device: Device
  title: string
  isChosen?: boolean
}) {
  const edge = device.kind === 'board' ? casingMm : 0
  const { widthMm, heightMm } = deviceSizeMm(device)
  return (
    <g transform={`translate(${placed.xMm} ${placed.yMm}) rotate(${placed.turnDeg})`} aria-hidden="true">
      <rect
        x={-edge}
        y={-edge}
        width={widthMm + 2 * edge}
        height={heightMm + 2 * edge}
        rx={1}
        fill="var(--paper)"
        fillOpacity={0.45}
        className="device-outline"
        stroke={isChosen ? 'var(--magenta)' : 'var(--ink)'}
        strokeWidth={isChosen ? 1.2 : 0.45}
      />
      <text
        x={-edge}
        y={-edge - 1.6}
        style={{ fontSize: 'max(3px, var(--least-text))' }}
        letterSpacing={0.25}
        className="font-chart"
        fill="var(--ink-2)"
      >
        {captionLines(title.toUpperCase(), titleShare * Math.max(widthMm + 2 * edge, leastTitleMm), 1)}
      </text>
    </g>
  )
})
