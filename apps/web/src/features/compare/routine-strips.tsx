import type { SheetColumn } from '@reach-plot/core'
import { usePlan } from '../../store/plan-store.js'
import { HatchDefs, OperatorStrip, StripKey } from './operator-strip.js'

const stripPx = 330

/** Every routine in every arrangement, step by step. Choosing one opens its steps. */
export function RoutineStrips({
  columns,
  onOpen,
}: {
  columns: readonly SheetColumn[]
  onOpen: (routineId: string) => void
}) {
  const { routines } = usePlan()
  const longest = Math.max(1, ...columns.flatMap((c) => c.routines.map((r) => r.ms)))
  const pxPerMs = stripPx / longest
  return (
    <section aria-label="Routines" className="min-w-0 px-[18px] py-3">
      <h3 className="caption">Routines, seconds by operator</h3>
      {routines.length === 0 ? (
        <p className="mt-2 text-ink-2">
          There are no routines yet. Make them under Commands, Routines, or take those that a usage log
          proposes.
        </p>
      ) : (
        <>
          <HatchDefs />
          <div className="mt-2">
            <StripKey
              withWait={columns.some((c) => c.routines.some((r) => r.operators.some((o) => o.kind === 'R')))}
            />
          </div>
          {routines.map((routine) => {
            const base = columns[0]?.routines.find((r) => r.id === routine.id)
            return (
              <div key={routine.id} className="mt-3">
                <p className="flex items-baseline justify-between">
                  <button
                    type="button"
                    className="link text-left font-semibold"
                    onClick={() => onOpen(routine.id)}
                  >
                    {routine.name}
                  </button>
                  <span className="shrink-0 pl-3 text-[12px] text-ink-2">
                    {Math.round(routine.timesPerHour)} an hour
                  </span>
                </p>
                {columns.map((column, i) => {
                  const found = column.routines.find((r) => r.id === routine.id)
                  if (!found) return null
                  const less = base && i > 0 ? Math.round(100 * (found.ms / base.ms - 1)) : null
                  return (
                    <div key={column.id} className="flex h-[24px] items-center gap-3">
                      <span className="w-[112px] shrink-0 truncate text-[12px]" title={column.name}>
                        {i + 1}. {column.name}
                      </span>
                      <OperatorStrip routine={found} pxPerMs={pxPerMs} />
                      <span className="font-chart text-[14px] font-semibold whitespace-nowrap">
                        {(found.ms / 1000).toFixed(1)} s
                        {found.oneByOneMs > found.ms + 1 && (
                          <span className="font-normal text-ink-2">
                            {' '}
                            ({(found.oneByOneMs / 1000).toFixed(1)} one by one)
                          </span>
                        )}
                        {less !== null && ` ${less > 0 ? '+' : less < 0 ? '−' : '±'}${Math.abs(less)} %`}
                      </span>
                    </div>
                  )
                })}
              </div>
            )
          })}
        </>
      )}
    </section>
  )
}
