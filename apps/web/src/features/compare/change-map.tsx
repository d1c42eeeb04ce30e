import { controlRefOf, type SheetColumn, type Trigger } from '@reach-plot/core'
import { useDerived } from '../../store/selectors.js'

const mapPx = 520

/** The bench with what changes: filled where something new comes, crossed where something goes, both where it is new. */
export function ChangeMap({ column, base }: { column: SheetColumn; base: SheetColumn }) {
  const { env } = useDerived()
  const controlRefs = (triggers: readonly Trigger[]): string[] =>
    triggers.flatMap((t) => controlRefOf(t) ?? [])
  const comes = new Set(column.changes.flatMap((c) => controlRefs(c.to)))
  const goes = new Set(column.changes.flatMap((c) => controlRefs(c.from)))
  const counts = { added: 0, moved: 0, swapped: 0, removed: 0 }
  for (const change of column.changes) counts[change.kind]++
  const controls = env.controls
  const [x0, x1] = [
    Math.min(...controls.map((c) => c.xMm - c.widthMm / 2)),
    Math.max(...controls.map((c) => c.xMm + c.widthMm / 2)),
  ]
  const [y0, y1] = [
    Math.min(...controls.map((c) => c.yMm - c.heightMm / 2)),
    Math.max(...controls.map((c) => c.yMm + c.heightMm / 2)),
  ]
  const scale = mapPx / (x1 - x0)
  const words = `${counts.added} placed, ${counts.moved} moved, ${counts.swapped} swapped, ${counts.removed} without a key`
  return (
    <section aria-label="What changes" className="min-w-0 px-[18px] py-3">
      <h3 className="caption">
        What changes from {base.name} to {column.name}: {words}
      </h3>
      <svg
        width={mapPx}
        height={(y1 - y0) * scale + 2}
        viewBox={`${x0 - 1} ${y0 - 1} ${x1 - x0 + 2} ${y1 - y0 + 2}`}
        role="img"
        aria-label={`Keys on the bench: ${comes.size} get something new, ${[...goes].filter((s) => !comes.has(s)).length} are emptied of something`}
        className="mt-2 max-w-full"
      >
        {controls.map((c) => {
          const controlRef = c.code ?? c.id
          const [w, h] = [c.widthMm, c.heightMm]
          const isNew = comes.has(controlRef)
          const isLeft = goes.has(controlRef)
          return (
            <g key={c.id} transform={`translate(${c.xMm} ${c.yMm}) rotate(${c.turnDeg ?? 0})`}>
              <rect
                x={-w / 2}
                y={-h / 2}
                width={w}
                height={h}
                rx={c.round === true ? Math.min(w, h) / 2 : 0}
                fill={isNew ? 'var(--reach-4)' : 'var(--key)'}
                stroke="var(--ink)"
                strokeWidth={0.8}
              >
                <title>
                  {`${env.legends?.get(c.id) ?? controlRef}${isNew ? ': something new' : ''}${isLeft ? ': something goes' : ''}`}
                </title>
              </rect>
              {isLeft && (
                <path
                  d={`M${-w * 0.28} ${-h * 0.28}L${w * 0.28} ${h * 0.28}M${-w * 0.28} ${h * 0.28}L${w * 0.28} ${-h * 0.28}`}
                  stroke={isNew ? 'var(--ink)' : 'var(--magenta)'}
                  strokeWidth={1.4}
                />
              )}
            </g>
          )
        })}
      </svg>
      <ul className="mt-1 flex gap-4 text-[12px] text-ink-2">
        <li>▪ filled: something new comes</li>
        <li>✕ crossed: something leaves</li>
      </ul>
    </section>
  )
}
