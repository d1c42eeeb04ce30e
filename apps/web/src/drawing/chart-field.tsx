import { captionLineMm, captionLines, captionMm } from './caption.js'
import type { FacePart } from './key-face.js'

/** Captions of a field's strokes stand at this share of its radius. */
const captionAt = 0.66

/** The strokes of a field as a rose of directions, each with what stands on it. Drawn about its centre, mm. */
export function StrokeRose({ parts, radiusMm }: { parts: readonly FacePart[]; radiusMm: number }) {
  const n = parts.length
  const roomMm = n > 8 ? 12 : n > 4 ? 17 : 22
  return (
    <g className="font-chart">
      {parts.map((part, i) => {
        const spoke = ((i + 0.5) * 2 * Math.PI) / n
        return (
          <path
            key={part.key}
            d={`M0 0 L${radiusMm * Math.sin(spoke)} ${-radiusMm * Math.cos(spoke)}`}
            stroke="var(--edge)"
            strokeWidth={0.2}
          />
        )
      })}
      <circle r={3} fill="var(--paper)" stroke="var(--edge)" strokeWidth={0.25} />
      {parts.map((part, i) => {
        const angle = (i * 2 * Math.PI) / n
        const x = captionAt * radiusMm * Math.sin(angle)
        const y = -captionAt * radiusMm * Math.cos(angle)
        const free = part.holders.length === 0
        const lines = free ? ['free'] : captionLines(part.caption, roomMm, 2)
        return (
          <g key={part.key} className="caption-text">
            {part.rank !== null && (
              <text
                x={x}
                y={y - 2.6}
                fontSize={captionMm}
                fontWeight={600}
                textAnchor="middle"
                fill="var(--magenta)"
              >
                {part.rank}
              </text>
            )}
            {lines.map((line, k) => (
              <text
                key={line}
                x={x}
                y={y + 1 + (k - (lines.length - 1) / 2) * captionLineMm}
                fontSize={captionMm}
                fontWeight={free ? 400 : 500}
                textAnchor="middle"
                fill={free ? 'var(--ink-2)' : 'var(--ink)'}
              >
                {line}
              </text>
            ))}
          </g>
        )
      })}
    </g>
  )
}
