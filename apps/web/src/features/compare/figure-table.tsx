import { figureHeads, type FigureHead, type SheetColumn } from '@reach-plot/core'
import { ColumnHeads } from './column-heads.js'

export interface FigureAsked {
  readonly head: FigureHead
  readonly column: SheetColumn
}

const shown = (head: FigureHead, value: number | null): string =>
  value === null ? '–' : `${value.toFixed(head.digits)}${head.unit === '' ? '' : ` ${head.unit}`}`

/** The best value of a row as it is shown, which is told by weight and by a sign; null where there is none. */
function bestOf(head: FigureHead, columns: readonly SheetColumn[]): string | null {
  if (head.better === null) return null
  const values = columns.flatMap((c) => c.figures[head.id]?.value ?? [])
  const texts = new Set(values.map((v) => v.toFixed(head.digits)))
  if (texts.size < 2) return null
  return (head.better === 'less' ? Math.min(...values) : Math.max(...values)).toFixed(head.digits)
}

/** A day in figures, side by side; each opens its computation. */
export function FigureTable({
  columns,
  onOpen,
}: {
  columns: readonly SheetColumn[]
  onOpen: (asked: FigureAsked) => void
}) {
  return (
    <section aria-label="The day" className="min-w-0 border-b border-rule px-[18px] py-3">
      <h3 className="caption">The day, side by side</h3>
      <table className="mt-1 w-full table-fixed">
        <thead>
          <tr className="border-b border-ink">
            <td className="w-[42%]" />
            <ColumnHeads columns={columns} />
          </tr>
        </thead>
        <tbody>
          {figureHeads.map((head) => {
            const best = bestOf(head, columns)
            return (
              <tr key={head.id} className="border-b border-rule">
                <th scope="row" className="py-[1px] text-left font-normal">
                  {head.name}
                </th>
                {columns.map((column) => {
                  const value = column.figures[head.id]?.value ?? null
                  const isBest = best !== null && value?.toFixed(head.digits) === best
                  return (
                    <td key={column.id} className="text-right">
                      <button
                        type="button"
                        className={`min-h-6 px-1 underline-offset-2 hover:underline ${isBest ? 'font-semibold' : ''}`}
                        aria-label={`${head.name}, ${column.name}: ${shown(head, value)}${isBest ? ', the best' : ''}. How this is worked out`}
                        onClick={() => onOpen({ head, column })}
                      >
                        {isBest && <span aria-hidden="true">• </span>}
                        {shown(head, value)}
                      </button>
                    </td>
                  )
                })}
              </tr>
            )
          })}
        </tbody>
      </table>
      <p className="mt-2 text-[12px] text-ink-2">
        Press a figure to see how it is worked out; • is the best of a row. The Strain Index is a screening
        aid (Moore and Garg 1995), not a diagnosis.
      </p>
    </section>
  )
}
