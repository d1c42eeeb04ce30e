import { memo } from 'react'
import { modifierSigns } from '@reach-plot/core/labels'
import { captionLines, captionMm, legendMm } from './caption.js'
import { StrokeRose } from './chart-field.js'
import type { FacePart, KeyFace } from './key-face.js'

/** One key as a plot of land: legend, what stands on it, how good it is, its flags. Lengths in mm. */
export const ChartKey = memo(function ChartKey({ face }: { face: KeyFace }) {
  const { control, state } = face
  const w = control.capWidthMm
  const h = control.capHeightMm
  const round = control.round === true
  const isField = control.type === 'field'
  const tall = h > 15
  const roomForLines = tall ? 2 : 1
  const captionRoom = w - 2.4
  const lines = face.caption === '' ? [] : captionLines(face.caption, captionRoom, roomForLines)
  const showTime =
    face.timeMs !== null &&
    !round &&
    control.pointing !== true &&
    (state === 'free' || face.rank !== null) &&
    lines.length < 2 &&
    tall
  return (
    <g
      className="chart-key"
      data-code={face.controlRef}
      data-id={control.id}
      data-state={state}
      transform={`translate(${control.xMm} ${control.yMm}) rotate(${control.turnDeg}) translate(${-w / 2} ${-h / 2})`}
      role="button"
      tabIndex={face.tabIndex}
      aria-label={face.description}
      aria-pressed={face.isChosen}
    >
      <title>{face.description}</title>
      <rect
        className="cap"
        width={w}
        height={h}
        rx={round ? Math.min(w, h) / 2 : 0.6}
        fill={face.isDown ? 'var(--ink)' : face.tint > 0 ? `var(--reach-${face.tint})` : 'var(--key)'}
        stroke={face.isCurrent || face.isChosen ? 'var(--magenta)' : 'var(--edge)'}
        strokeWidth={face.isCurrent || face.isChosen ? 0.7 : 0.25}
      />
      {isField && (
        <g transform={`translate(${w / 2} ${h / 2})`}>
          <StrokeRose parts={face.parts} radiusMm={w / 2} />
        </g>
      )}
      {state === 'system' && <rect width={w} height={h} rx={0.6} fill="url(#hatch)" />}
      <g
        fill={face.isDown ? 'var(--panel)' : face.tint > 0 ? 'var(--on-reach)' : 'var(--ink)'}
        className="font-chart"
      >
        {control.type === 'dial' && <DialParts parts={face.parts} w={w} h={h} />}
        <text
          x={round ? w / 2 : 1.2}
          textAnchor={round ? 'middle' : 'start'}
          y={isField ? -1.6 : tall ? (round ? 1.8 : 1.2) : h / 2}
          dominantBaseline={isField ? 'auto' : tall ? 'hanging' : 'central'}
          style={{ fontSize: `max(${legendMm}px, var(--least-text))` }}
          fontWeight={600}
        >
          {face.legend}
        </text>
        {lines.map((line, i) => (
          <text
            key={line}
            className="caption-text"
            x={tall ? 1.2 : w - 1.2}
            textAnchor={tall ? 'start' : 'end'}
            y={tall ? h - 1.4 - (lines.length - 1 - i) * 3.05 : h / 2 + 1.1}
            fontSize={captionMm}
            fontWeight={500}
          >
            {line}
          </text>
        ))}
        {showTime && (
          <text
            className="caption-text"
            x={w - 1.1}
            y={lines.length === 1 ? h - 4.6 : h - 1.4}
            textAnchor="end"
            fontSize={captionMm}
            fontWeight={500}
          >
            {Math.round(face.timeMs as number)}
          </text>
        )}
      </g>
      {face.pennants.map((modifier, i) => (
        <path
          key={modifier}
          className="caption-text"
          d={modifierSigns[modifier]}
          transform={`translate(${w - 2.9 - i * 2.6} ${h - 0.95}) scale(1.9)`}
          fill="var(--ink)"
          stroke="var(--key)"
          strokeWidth={0.12}
        />
      ))}
      {face.isStation && <Station x={w / 2} y={tall ? 6.7 : h / 2} />}
      {face.isClash && (
        <path
          d="M0 -1.5 L1.5 1.1 L-1.5 1.1 Z"
          transform={`translate(${w - (face.rank === null ? 2.2 : 6.6)} 2.6)`}
          fill="var(--magenta)"
        />
      )}
      {face.isLocked && (
        <g
          transform={`translate(${w - 3.2} ${tall ? 5.4 : 1})`}
          fill="none"
          stroke="var(--ink)"
          strokeWidth={0.35}
        >
          <rect x={0} y={1.1} width={2.2} height={1.7} fill="var(--ink)" />
          <path d="M0.45 1.1 V0.7 a0.65 0.65 0 0 1 1.3 0 V1.1" />
        </g>
      )}
      {face.rank !== null && (
        <g transform={`translate(${w - 4.6} -0.6)`}>
          <path d="M0 0 H3.8 V5.4 L1.9 4 L0 5.4 Z" fill="var(--magenta)" />
          <text
            x={1.9}
            y={3.2}
            fontSize={2.9}
            fontWeight={600}
            textAnchor="middle"
            fill="var(--on-magenta)"
            className="font-chart"
          >
            {face.rank}
          </text>
        </g>
      )}
    </g>
  )
})

/** What stands on the two ways of a dial and on its press, under its name. */
function DialParts({ parts, w, h }: { parts: readonly FacePart[]; w: number; h: number }) {
  return parts.map((part, i) => (
    <text
      key={part.key}
      className="caption-text"
      x={w / 2}
      y={h / 2 - 1 + i * 3.6}
      textAnchor="middle"
      fontSize={captionMm}
      fontWeight={500}
    >
      {`${part.trigger.kind === 'turn' ? (part.trigger.turn === 'left' ? '↺' : '↻') : '●'} ${captionLines(part.caption || 'free', w - 9, 1)[0] ?? ''}`}
    </text>
  ))
}

/** A resting fingertip: a survey station. */
function Station({ x, y }: { x: number; y: number }) {
  return (
    <g transform={`translate(${x} ${y})`} stroke="var(--magenta)" fill="none" strokeWidth={0.4}>
      <path d="M0 -2.2 L2.1 1.5 L-2.1 1.5 Z" fill="var(--key)" />
      <circle r={0.4} cy={0.2} fill="var(--magenta)" stroke="none" />
    </g>
  )
}
