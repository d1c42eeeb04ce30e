import { scaleLinear } from 'd3'
import { useRef } from 'react'
import { useSize } from '../../parts/use-size.js'
import type { Answer } from '@reach-plot/core/practice'
import { revealAfterMs } from './use-session.js'

const heightPx = 118
const topPx = 26
const barPx = 9
const gapPx = 9

/** The answers of a session, hanging from a line by their time; what was not right is marked below. */
export function Soundings({ given }: { given: readonly Answer[] }) {
  const box = useRef<HTMLDivElement>(null)
  const { widthPx: width } = useSize(box)
  const most = Math.max(1500, ...given.map((a) => Math.min(a.ms, revealAfterMs)))
  const y = scaleLinear([0, most], [topPx, heightPx - 14])
  const fits = Math.max(1, Math.floor((width - 60) / (barPx + gapPx)))
  const shown = given.slice(-fits)
  const missed = given.filter((a) => !a.right).length
  return (
    <div ref={box} className="h-[118px] shrink-0 border-t border-rule bg-panel">
      <svg
        width={width}
        height={heightPx}
        role="img"
        aria-label={`Answers of this session: ${given.length}, not right: ${missed}. ${shown.map((a) => `${a.ms} ms${a.right ? '' : ', not right'}`).join('; ')}`}
      >
        <text x={14} y={16} className="caption" fill="var(--ink-2)">
          Answers of this session, ms down
        </text>
        <line x1={14} x2={width - 14} y1={topPx} y2={topPx} stroke="var(--ink-2)" />
        {y.ticks(3).map((tick) => (
          <g key={tick}>
            {tick > 0 && <line x1={14} x2={width - 14} y1={y(tick)} y2={y(tick)} stroke="var(--rule)" />}
            {tick > 0 && (
              <text x={width - 14} y={y(tick) - 3} textAnchor="end" fontSize={11} fill="var(--ink-2)">
                {tick}
              </text>
            )}
          </g>
        ))}
        {shown.map((a, i) => {
          const x = 24 + i * (barPx + gapPx)
          const end = y(Math.min(a.ms, most))
          return (
            <g key={a.time}>
              <rect
                x={x}
                y={topPx}
                width={barPx}
                height={Math.max(2, end - topPx)}
                fill={a.right ? 'var(--reach-4)' : 'var(--magenta)'}
              />
              {!a.right && (
                <path
                  d={`M${x - 1} ${heightPx - 9}h${barPx + 2}l${-(barPx + 2) / 2} 7z`}
                  fill="var(--magenta)"
                />
              )}
            </g>
          )
        })}
      </svg>
    </div>
  )
}
