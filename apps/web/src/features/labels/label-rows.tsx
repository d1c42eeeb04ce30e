import { useMemo } from 'react'
import { arcMinutesOf, keyLegend, type LabelSheet, type PlacedLabel } from '@reach-plot/core'
import { useDerived } from '../../store/selectors.js'
import { useSettings } from '../../store/settings-store.js'
import type { LabelChoice } from './use-label-sheet.js'

interface Row {
  readonly controlId: string
  readonly text: string
  readonly label: PlacedLabel | null
  /** why the label cannot be read */
  readonly reason: string | null
}

/** Each command of a label in one line, as it is printed. */
function entryTexts(label: PlacedLabel): string[] {
  const texts: string[] = []
  for (const line of label.lines) {
    if (line.entry >= 0) texts[line.entry] = [texts[line.entry], line.text].filter(Boolean).join(' ')
  }
  return texts
}

/** Labels that cannot be read first, then those that print. */
const rowsOf = (sheet: LabelSheet): Row[] => [
  ...sheet.unreadable.map((u) => ({ controlId: u.controlId, text: '', label: null, reason: u.reason })),
  ...sheet.pages.flat().map((label) => ({
    controlId: label.controlId,
    text: entryTexts(label).join(' · '),
    label,
    reason: null,
  })),
]

/** Every label by itself: whether it is printed, how large its letters are, and why it cannot be read. */
export function LabelRows({ choice }: { choice: LabelChoice }) {
  const { around } = useDerived()
  const distanceMm = useSettings((s) => s.labels.readingDistanceMm)
  const { all, hidden, count, toggleKey } = choice
  const unreadable = all?.unreadable.length ?? 0
  const legends = useMemo(
    () =>
      new Map(
        around.controls.map((c) => [
          c.id,
          c.code === null
            ? (around.legends?.get(c.id) ?? c.controlId)
            : keyLegend(c.code, around.layout, around.systemId),
        ]),
      ),
    [around],
  )
  return (
    <section
      aria-label="Labels one by one"
      className="flex w-[330px] shrink-0 flex-col border-l border-rule bg-panel"
    >
      <div className="px-[14px] pt-[10px] pb-2">
        <p className="caption">One by one</p>
        <p className="text-ink-2">
          {count} printed
          {unreadable > 0 && (
            <b className="text-magenta">
              , {unreadable} cannot be read and {unreadable === 1 ? 'is' : 'are'} left out
            </b>
          )}
        </p>
      </div>
      <ul className="min-h-0 grow overflow-y-auto border-t border-ink">
        {all &&
          rowsOf(all).map((row) => {
            const legend = legends.get(row.controlId) ?? row.controlId
            const capMm = row.label?.lines[0]?.capMm ?? 0
            return (
              <li key={row.controlId} className="flex gap-2 border-b border-rule px-[14px] py-[5px]">
                <input
                  type="checkbox"
                  className="mt-0.5 size-4 shrink-0 accent-(--magenta)"
                  aria-label={`Print the label of ${legend}`}
                  disabled={row.reason !== null}
                  checked={row.reason === null && !hidden.has(row.controlId)}
                  onChange={() => toggleKey(row.controlId)}
                />
                <span className="w-[92px] shrink-0 truncate font-chart text-[14px] font-semibold">
                  {legend}
                </span>
                <span className="min-w-0 grow">
                  {row.text}
                  {row.label && (
                    <span className="block text-[12px] text-ink-2">
                      {row.label.shortened && 'shortened, '}letters {capMm.toFixed(1)} mm,{' '}
                      {Math.round(arcMinutesOf(capMm, distanceMm))}′
                    </span>
                  )}
                  {row.reason !== null && (
                    <span className="block text-[12px] text-magenta">{row.reason}</span>
                  )}
                </span>
              </li>
            )
          })}
      </ul>
    </section>
  )
}
