import { memo } from 'react'
import { modifierSigns } from '@reach-plot/core/labels'
import { ClashMark } from '../parts/severity-sign.js'
import { looksSame } from './chart-faces.js'
import { captionLineMm, captionLines, captionMm, legendMm } from './caption.js'
import { StrokeRose } from './chart-field.js'
import type { FacePart, KeyFace } from './key-face.js'

/** Caps lower than this have room for one line only, mm. */
const tallMm = 15

/** The signs of held modifiers stand under the captions, which make room for them; their least size, mm. */
const pennantMm = 1.9

/** One key as a plot of land: legend, what stands on it, how good it is, its flags. Lengths in mm. */
export const ChartKey = memo(DrawnKey, (before, now) => looksSame(before.face, now.face))

function DrawnKey({ face }: { face: KeyFace }) {
  const { control } = face
  const w = control.capWidthMm
  const h = control.capHeightMm
  const isTall = h > tallMm
  return (
    <g
      className="chart-key"
      data-code={face.controlRef}
      data-id={control.id}
      data-state={face.state}
      transform={`translate(${control.xMm} ${control.yMm}) rotate(${control.turnDeg}) translate(${-w / 2} ${-h / 2})`}
      role="button"
      tabIndex={face.tabIndex}
      aria-label={face.description}
      aria-pressed={face.isChosen}
    >
      <title>{face.description}</title>
      <Cap face={face} />
      {control.type === 'field' && (
        <g transform={`translate(${w / 2} ${h / 2})`}>
          <StrokeRose parts={face.parts} radiusMm={w / 2} />
        </g>
      )}
      {face.state === 'system' && <rect width={w} height={h} rx={0.6} fill="url(#hatch)" />}
      <g fill={inkOn(face)} className="font-chart">
        {control.type === 'dial' && <DialParts parts={face.parts} w={w} h={h} />}
        <Legend face={face} />
        <Captions face={face} />
      </g>
      {face.pennants.length > 0 && <Pennants face={face} />}
      {face.isStation && <Station x={w / 2} y={isTall ? 3.4 : h / 2} />}
      {face.isClash && (
        <g transform={`translate(${w - (face.rank === null ? 2.3 : 6.8)} 2.3)`}>
          <ClashMark />
        </g>
      )}
      {face.isLocked && <LockMark x={w - 3.2} y={isTall ? 5.4 : 1} />}
      {face.rank !== null && <RankFlag rank={face.rank} x={w - 4.6} />}
    </g>
  )
}

const inkOn = (face: KeyFace): string =>
  face.isDown ? 'var(--panel)' : face.tint > 0 ? 'var(--on-reach)' : 'var(--ink)'

function Cap({ face: { control, isDown, tint, isCurrent, isChosen } }: { face: KeyFace }) {
  const { capWidthMm: w, capHeightMm: h } = control
  const isMarked = isCurrent || isChosen
  const look = {
    className: 'cap',
    fill: isDown ? 'var(--ink)' : tint > 0 ? `var(--reach-${tint})` : 'var(--key)',
    stroke: isMarked ? 'var(--magenta)' : 'var(--edge)',
    strokeWidth: isMarked ? 0.7 : 0.25,
  }
  if (control.outlineMm)
    return (
      <polygon
        points={control.outlineMm.join(' ')}
        transform={`translate(${w / 2} ${h / 2})`}
        strokeLinejoin="round"
        {...look}
      />
    )
  return <rect width={w} height={h} rx={control.round === true ? Math.min(w, h) / 2 : 0.6} {...look} />
}

function Legend({ face: { control, legend } }: { face: KeyFace }) {
  const { capWidthMm: w, capHeightMm: h } = control
  const isRound = control.round === true
  const isField = control.type === 'field'
  const isTall = h > tallMm
  return (
    <text
      x={isRound ? w / 2 : 1.2}
      textAnchor={isRound ? 'middle' : 'start'}
      y={isField ? -1.6 : !isTall ? h / 2 : isRound ? 1.8 : 1.2}
      dominantBaseline={isField ? 'auto' : isTall ? 'hanging' : 'central'}
      style={{ fontSize: `max(${legendMm}px, var(--least-text))` }}
      fontWeight={600}
    >
      {legend}
    </text>
  )
}

/** What stands on the key, and where there is room, how long a press takes. */
function Captions({ face }: { face: KeyFace }) {
  const { control, state, caption, timeMs, rank } = face
  const { capWidthMm: w, capHeightMm: h } = control
  const isTall = h > tallMm
  const lines = caption === '' ? [] : captionLines(caption, w - 2.4, isTall ? 2 : 1)
  const baseMm = h - 1.4
  const showTime =
    timeMs !== null &&
    control.round !== true &&
    control.pointing !== true &&
    (state === 'free' || rank !== null) &&
    lines.length < 2 &&
    isTall
  return (
    <g
      style={
        face.pennants.length > 0
          ? { transform: `translateY(calc(-1px * max(${pennantMm}, var(--least-sign, ${pennantMm}))))` }
          : undefined
      }
    >
      {lines.map((line, i) => (
        <text
          key={line}
          className="caption-text"
          x={isTall ? 1.2 : w - 1.2}
          textAnchor={isTall ? 'start' : 'end'}
          y={isTall ? baseMm - (lines.length - 1 - i) * 3.05 : h / 2 + 1.1}
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
          y={baseMm - (lines.length === 1 ? captionLineMm : 0)}
          textAnchor="end"
          fontSize={captionMm}
          fontWeight={500}
        >
          {Math.round(timeMs)}
        </text>
      )}
    </g>
  )
}

/** The modifiers with which the key holds other commands; never smaller on the screen than can be told apart. */
function Pennants({ face }: { face: KeyFace }) {
  const { capWidthMm: w, capHeightMm: h } = face.control
  return (
    <g
      className="caption-text"
      style={{
        transform: `translate(${w - 0.9}px, ${h - 0.9}px) scale(max(${pennantMm}, var(--least-sign, ${pennantMm})))`,
      }}
    >
      {face.pennants.map((modifier, i) => (
        <path
          key={modifier}
          d={modifierSigns[modifier]}
          transform={`translate(${-1 - i * 1.25} -1)`}
          fill={inkOn(face)}
          stroke="var(--key)"
          strokeWidth={0.06}
        />
      ))}
    </g>
  )
}

function LockMark({ x, y }: { x: number; y: number }) {
  return (
    <g transform={`translate(${x} ${y})`} fill="none" stroke="var(--ink)" strokeWidth={0.35}>
      <rect x={0} y={1.1} width={2.2} height={1.7} fill="var(--ink)" />
      <path d="M0.45 1.1 V0.7 a0.65 0.65 0 0 1 1.3 0 V1.1" />
    </g>
  )
}

function RankFlag({ rank, x }: { rank: number; x: number }) {
  return (
    <g transform={`translate(${x} -0.6)`}>
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
        {rank}
      </text>
    </g>
  )
}

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
