import { verdictWords } from '../../parts/words.js'
import { useMemo, useState } from 'react'
import {
  compareDevices,
  deviceSizeMm,
  isPointingDevice,
  verdicts,
  type Device,
  type DeviceReach,
  type Verdict,
  restIds,
} from '@reach-plot/core'
import { usePlan } from '../../store/plan-store.js'
import { useDerived } from '../../store/selectors.js'

const fills: Readonly<Record<Verdict, string>> = {
  rest: 'var(--reach-5)',
  easy: 'var(--reach-3)',
  stretch: 'var(--reach-1)',
  away: 'var(--key)',
}

/** Two devices side by side for the hand of the bench, each with the hand at home on it. */
export function CompareDevices() {
  const plan = usePlan()
  const { hand } = useDerived()
  const candidates = plan.devices.filter((d) => !isPointingDevice(d))
  const [chosen, setChosen] = useState<readonly [string, string]>(() => firstPair(candidates, hand.deviceId))
  const pair = chosen.flatMap((id) => candidates.find((d) => d.id === id) ?? [])
  const { side, spanMm } = hand
  const [left, right] = pair
  const reached = useMemo(
    () => (left && right ? compareDevices([left, right], { side, spanMm }) : []),
    [left, right, side, spanMm],
  )
  const widest = Math.max(1, ...reached.map((r) => deviceSizeMm(r.device).widthMm))
  if (candidates.length < 2) {
    return (
      <p className="p-5 text-ink-2">
        Add a second device to the plan on the Desk; then the two are compared here.
      </p>
    )
  }
  return (
    <div className="min-w-0 grow overflow-y-auto px-5 py-4">
      <p className="text-ink-2">
        For the {side} hand with a span of {spanMm} mm, at home on each device in turn; every control by
        itself.
      </p>
      <div className="mt-3 grid grid-cols-2 gap-6">
        {[0, 1].map((i) => (
          <div key={i} className="min-w-0">
            <select
              className="field w-full font-semibold"
              aria-label={i === 0 ? 'First device' : 'Second device'}
              value={chosen[i]}
              onChange={(e) => setChosen(i === 0 ? [e.target.value, chosen[1]] : [chosen[0], e.target.value])}
            >
              {candidates.map((d) => (
                <option key={d.id} value={d.id}>
                  {d.name}
                </option>
              ))}
            </select>
            {reached[i] && <ReachDrawing reach={reached[i]} widthMm={widest} />}
          </div>
        ))}
      </div>
      {reached.length === 2 && <Figures reached={reached} />}
    </div>
  )
}

/** The demo's case: a board with the numbers at the left beside the one that is used; else the first other device. */
function firstPair(devices: readonly Device[], homeId: string): readonly [string, string] {
  const home = devices.find((d) => d.id === homeId) ?? devices[0]
  const other =
    devices.find((d) => d !== home && d.kind === 'board' && d.board.endsWith('-left')) ??
    devices.find((d) => d !== home)
  return [home?.id ?? '', other?.id ?? '']
}

function ReachDrawing({ reach, widthMm }: { reach: DeviceReach; widthMm: number }) {
  const size = deviceSizeMm(reach.device)
  const rests = new Set(restIds(reach.rests))
  return (
    <svg
      viewBox={`-5 -5 ${widthMm + 10} ${size.heightMm + 10}`}
      className="mt-2 w-full"
      role="img"
      aria-label={`${reach.device.name}: ${verdicts.map((v) => `${reach.counts[v]} ${v}`).join(', ')}`}
    >
      <rect
        x={-3}
        y={-3}
        width={size.widthMm + 6}
        height={size.heightMm + 6}
        rx={1.5}
        fill="none"
        stroke="var(--ink)"
        strokeWidth={0.6}
      />
      {reach.controls.map(({ control, reach: r }) => (
        <g
          key={control.id}
          transform={`translate(${control.xMm - control.widthMm / 2} ${control.yMm - control.heightMm / 2})`}
        >
          <rect
            width={control.widthMm}
            height={control.heightMm}
            rx={control.round ? control.widthMm / 2 : 0.8}
            fill={fills[r.verdict]}
            stroke="var(--edge)"
            strokeWidth={0.4}
          />
          {r.verdict !== 'away' && (
            <text
              x={control.widthMm / 2}
              y={control.heightMm / 2 + 2.4}
              fontSize={6.5}
              textAnchor="middle"
              className="font-chart"
              fill="var(--on-reach)"
            >
              {Math.round(r.timeMs)}
            </text>
          )}
          {rests.has(control.id) && (
            <path
              d="M0 -2.2 L2.1 1.5 L-2.1 1.5 Z"
              transform={`translate(${control.widthMm / 2} 3.6)`}
              fill="var(--key)"
              stroke="var(--magenta)"
              strokeWidth={0.6}
            />
          )}
        </g>
      ))}
    </svg>
  )
}

function Figures({ reached }: { reached: readonly DeviceReach[] }) {
  const [a, b] = reached as [DeviceReach, DeviceReach]
  const rows: readonly (readonly [
    name: string,
    of: (r: DeviceReach) => number | null,
    digits: number,
    verdict?: Verdict,
  ])[] = [
    ['Controls', (r) => r.controls.length, 0],
    ...verdicts.map((v) => [verdictWords[v], (r: DeviceReach) => r.counts[v], 0, v] as const),
    ['Mean stretch of those reached, comfort radii', (r) => r.meanStretch, 2],
    ['Mean time to those reached, ms', (r) => r.meanTimeMs, 0],
  ]
  const text = (value: number | null, digits: number): string =>
    value === null ? '–' : value.toFixed(digits)
  return (
    <table className="mt-4 w-full max-w-[760px]">
      <thead>
        <tr className="caption text-left">
          <th className="pb-1 font-medium">For the hand</th>
          <th className="pb-1 text-right font-medium">{a.device.name}</th>
          <th className="pb-1 text-right font-medium">{b.device.name}</th>
          <th className="pb-1 text-right font-medium">Difference</th>
        </tr>
      </thead>
      <tbody>
        {rows.map(([name, of, digits, verdict]) => {
          const [x, y] = [of(a), of(b)]
          return (
            <tr key={name} className="border-t border-rule">
              <td className="py-1">
                {verdict && (
                  <svg width="14" height="10" className="mr-2 inline-block" aria-hidden="true">
                    <rect width="14" height="10" fill={fills[verdict]} stroke="var(--edge)" />
                  </svg>
                )}
                {name}
              </td>
              <td className="text-right">{text(x, digits)}</td>
              <td className="text-right">{text(y, digits)}</td>
              <td className="text-right text-ink-2">
                {x === null || y === null ? '–' : `${y - x > 0 ? '+' : ''}${(y - x).toFixed(digits)}`}
              </td>
            </tr>
          )
        })}
      </tbody>
    </table>
  )
}
