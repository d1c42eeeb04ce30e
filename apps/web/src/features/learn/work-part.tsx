import { howMany } from '../../parts/words.js'
import type { LearnScreen } from './use-learn.js'

/** The log's weeks: how much of the work goes by keys, and which learned keys are not used in it. */
export function WorkPart({ view: { work, practise, letGo, plan } }: { view: LearnScreen }) {
  const { weeks, still } = work
  if (!plan.usage) return null
  return (
    <section className="mt-4">
      <h3 className="caption">In your work, by week</h3>
      {weeks.length < 2 ? (
        <p className="mt-1 text-ink-2">
          A log of two weeks or more, read under Commands, Usage, tells here how much goes by keys.
        </p>
      ) : (
        <WeeksPlot weeks={weeks} />
      )}
      {still.length > 0 && <p className="mt-2">Known in practice, still from the menu:</p>}
      <ul>
        {still.slice(0, 6).map(({ command, uses, byMenu }) => (
          <li key={command.id} className="border-b border-rule py-1">
            <span className="flex justify-between gap-2">
              <span>{command.name}</span>
              <span className="whitespace-nowrap tabular-nums">
                {Math.round(100 * byMenu)} % of {howMany(uses, 'use', 'uses')}
              </span>
            </span>
            <button type="button" className="link" onClick={() => practise(command.id)}>
              Practise it
            </button>{' '}
            <button type="button" className="link" onClick={() => letGo(command)}>
              Let its key go
            </button>
          </li>
        ))}
      </ul>
    </section>
  )
}

const width = 266
const height = 84
const base = 62

/** Bars from the bottom: by key, by pointer, by menu, in shades and in words. */
function WeeksPlot({ weeks }: { weeks: LearnScreen['work']['weeks'] }) {
  const step = width / weeks.length
  const high = base - 12
  const percent = (share: number): string => `${Math.round(100 * share)} %`
  const [first, last] = [weeks[0], weeks.at(-1)]
  return (
    <>
      <svg
        viewBox={`0 0 ${width} ${height}`}
        className="mt-1 w-full"
        role="img"
        aria-label={`Share of uses by key: ${weeks.map((w) => `week of ${w.monday} ${percent(w.byKey)}`).join(', ')}`}
      >
        {weeks.map((w, i) => (
          <g key={w.monday}>
            <title>{`Week of ${w.monday}: ${percent(w.byKey)} by key, ${percent(w.byPointer)} by pointer, ${percent(w.byMenu)} by menu, ${w.uses} uses`}</title>
            <rect
              x={i * step}
              y={12}
              width={Math.max(1, step - 2)}
              height={high}
              fill="var(--panel)"
              stroke="var(--edge)"
              strokeWidth={0.6}
            />
            <rect
              x={i * step}
              y={base - high * w.byKey}
              width={Math.max(1, step - 2)}
              height={high * w.byKey}
              fill="var(--reach-3)"
            />
          </g>
        ))}
        <text x={0} y={height - 8} fontSize={11} fill="var(--ink-2)">
          {first?.monday}
        </text>
        <text x={width} y={height - 8} textAnchor="end" fontSize={11} fill="var(--ink-2)">
          {last?.monday}
        </text>
      </svg>
      <p className="text-ink-2">
        By key: {percent(first?.byKey ?? 0)} in the first week, {percent(last?.byKey ?? 0)} in the last; by
        menu {percent(first?.byMenu ?? 0)} and {percent(last?.byMenu ?? 0)}.
      </p>
    </>
  )
}
