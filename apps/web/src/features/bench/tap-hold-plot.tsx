import { line, scaleLinear } from 'd3'
import { tapHoldChances, usualTypingPace } from '@reach-plot/core'

const size = { width: 280, height: 130 } as const
const room = { left: 34, right: 6, top: 8, bottom: 24 } as const
const shownMs = { least: 60, most: 400, step: 10 } as const

/** Both chances that a key is misread, by the time after which it counts as held; the time that is set is marked. */
export function TapHoldPlot({ holdMs }: { holdMs: number }) {
  const x = scaleLinear([shownMs.least, shownMs.most], [room.left, size.width - room.right])
  const y = scaleLinear([0, 1], [size.height - room.bottom, room.top])
  const times = Array.from(
    { length: (shownMs.most - shownMs.least) / shownMs.step + 1 },
    (_, i) => shownMs.least + i * shownMs.step,
  )
  const path = (kind: 'falseHold' | 'falseTap'): string =>
    line<number>(
      (ms) => x(ms),
      (ms) => y(tapHoldChances(ms)[kind]),
    )(times) ?? ''
  const now = tapHoldChances(holdMs)
  const percent = (share: number): string => `${(100 * share).toFixed(share < 0.1 ? 1 : 0)} %`
  return (
    <figure className="mt-3">
      <svg
        viewBox={`0 0 ${size.width} ${size.height}`}
        className="w-full"
        role="img"
        aria-label={`After ${holdMs} ms ${percent(now.falseHold)} of taps count as holds, ${percent(now.falseTap)} of quick holds as taps`}
      >
        {[0, 0.5, 1].map((share) => (
          <g key={share}>
            <path
              d={`M${room.left} ${y(share)}H${size.width - room.right}`}
              stroke="var(--rule)"
              strokeWidth={0.6}
            />
            <text x={room.left - 4} y={y(share) + 3.5} textAnchor="end" fontSize={10} fill="var(--ink-2)">
              {100 * share} %
            </text>
          </g>
        ))}
        {[100, 200, 300, 400].map((ms) => (
          <text
            key={ms}
            x={x(ms)}
            y={size.height - 8}
            textAnchor={ms === shownMs.most ? 'end' : 'middle'}
            fontSize={10}
            fill="var(--ink-2)"
          >
            {ms} ms
          </text>
        ))}
        <path
          d={`M${x(holdMs)} ${room.top}V${size.height - room.bottom}`}
          stroke="var(--magenta)"
          strokeWidth={1}
        />
        <path d={path('falseHold')} fill="none" stroke="var(--ink)" strokeWidth={1.6} />
        <path
          d={path('falseTap')}
          fill="none"
          stroke="var(--contour)"
          strokeWidth={1.6}
          strokeDasharray="4 2.5"
        />
      </svg>
      <figcaption className="text-[12px] text-ink-2">
        After {holdMs} ms: <b className="text-ink">{percent(now.falseHold)}</b> of taps are taken for a hold
        (line), <b className="text-ink">{percent(now.falseTap)}</b> of quick holds for a tap (dashes). Assumed
        pace: taps of {usualTypingPace.dwellMs} ms, overlaps of {usualTypingPace.overlapMs} ms.
      </figcaption>
    </figure>
  )
}
