import { dayHours, type SheetColumn } from '@reach-plot/core'
import { TriggerChip } from '../../parts/trigger-chip.js'
import { usePlan } from '../../store/plan-store.js'

const shownGains = 10

/** Commands whose change saves most time, and those that it costs. */
export function GainList({ column }: { column: SheetColumn }) {
  const { hours } = dayHours(usePlan())
  const changed = column.changes.toSorted((a, b) => b.gainMs - a.gainMs)
  const minutes = (ms: number): string => {
    const value = (ms * hours) / 60_000
    return `${value > 0 ? '−' : '+'}${Math.abs(value).toFixed(1)} min`
  }
  const dearer = changed.filter((c) => c.gainMs < -1)
  return (
    <section aria-label="Biggest gains" className="min-w-0 px-[18px] py-3">
      <h3 className="caption">Biggest gains a day of {column.name}</h3>
      {changed.length === 0 ? (
        <p className="mt-2 text-ink-2">Nothing changes.</p>
      ) : (
        <table className="mt-1 w-full table-fixed">
          <tbody>
            {changed.slice(0, shownGains).map((c) => (
              <tr key={c.commandId} className="border-b border-rule">
                <th scope="row" className="truncate py-[3px] pr-2 text-left font-semibold" title={c.name}>
                  {c.name}
                </th>
                <td className="w-[190px]">
                  <span className="flex items-center gap-1 overflow-hidden">
                    {c.from[0] ? (
                      <TriggerChip trigger={c.from[0]} />
                    ) : (
                      <span className="text-ink-2">menu</span>
                    )}
                    <span aria-hidden="true">→</span>
                    {c.to[0] ? <TriggerChip trigger={c.to[0]} /> : <span className="text-ink-2">no key</span>}
                  </span>
                </td>
                <td className="w-[76px] text-right font-semibold">{minutes(c.gainMs)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {dearer.length > 0 && (
        <p className="mt-1 text-[12px] text-ink-2">
          {dearer.length} commands take longer, {minutes(dearer.reduce((sum, c) => sum + c.gainMs, 0))} in
          all.
        </p>
      )}
      <p className="mt-2 text-[12px] text-ink-2">
        {column.changes.length} commands to relearn, about {(column.learningMs / 60_000).toFixed(0)} min once
        {column.paysAfterDays !== null && column.paysAfterDays > 0
          ? `; paid back after ${column.paysAfterDays < 1 ? 'less than a day' : `${column.paysAfterDays.toFixed(1)} days`}.`
          : '.'}
      </p>
    </section>
  )
}
