import type { Scene } from './chart-task.js'

const depths: readonly (readonly [number, number, string])[] = [
  [150, 34, '4'],
  [196, 60, '7'],
  [232, 96, '12'],
  [172, 112, '9'],
]

/** A small chart that follows what is done. */
export function SceneView({ scene }: { scene: Scene }) {
  const { zoom, turnDeg, textPx, hasGrid, hasDepths, buoys, isBankNamed } = scene
  const said = [
    `turned by ${turnDeg} degrees`,
    `${Math.round(100 * zoom)} % large`,
    `${buoys} ${buoys === 1 ? 'mark' : 'marks'}`,
    hasGrid ? 'with a grid' : '',
    hasDepths ? 'with depths' : '',
    isBankNamed ? '“Long Bank” named' : '',
  ].filter(Boolean)
  return (
    <svg
      viewBox="0 0 280 140"
      className="h-[150px] w-[300px] shrink-0 border border-edge bg-panel"
      role="img"
      aria-label={`A small chart, ${said.join(', ')}`}
      data-scene={JSON.stringify(scene)}
    >
      <g transform={`translate(140 70) rotate(${turnDeg}) scale(${zoom}) translate(-140 -70)`}>
        <rect x={-120} y={-120} width={520} height={380} fill="var(--reach-1)" />
        <path
          d="M-60 -80 L96 -80 L104 20 C112 34 96 46 112 56 L118 64 L112 84 C104 100 122 112 108 220 L-60 220 Z"
          fill="var(--paper)"
          stroke="var(--ink)"
          strokeWidth={1.2}
        />
        {hasGrid &&
          Array.from({ length: 13 }, (_, i) => (
            <path
              key={i}
              d={`M${-100 + 40 * i} -120 V260 M-120 ${-100 + 30 * i} H400`}
              stroke="var(--ink-2)"
              strokeWidth={0.5}
              fill="none"
            />
          ))}
        {Array.from({ length: buoys }, (_, i) => (
          <path
            key={i}
            d={`M${126 + 12 * i} ${62 - 8 * i} l4 -8 l4 8 z`}
            fill="var(--magenta)"
            stroke="var(--ink)"
            strokeWidth={0.6}
          />
        ))}
        <g fontSize={textPx} fill="var(--ink)">
          <text x={40} y={72}>
            Harbour
          </text>
          {isBankNamed && (
            <text x={148} y={84}>
              Long Bank
            </text>
          )}
          {hasDepths &&
            depths.map(([x, y, text]) => (
              <text key={text} x={x} y={y}>
                {text}
              </text>
            ))}
        </g>
      </g>
    </svg>
  )
}
