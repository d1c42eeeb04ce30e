import type { Explanation } from '@reach-plot/core'
import { Dialog } from '../../parts/dialog.js'
import type { FigureAsked } from './figure-table.js'

/** How a figure came about. */
export function FigureDialog({
  asked: { head, column },
  onClose,
}: {
  asked: FigureAsked
  onClose: () => void
}) {
  const figure = column.figures[head.id]
  if (!figure) return null
  const { rule, source, lines, besides } = figure.explanation
  return (
    <Dialog
      wide
      reading
      title={`${head.name}: ${figure.value?.toFixed(head.digits) ?? '–'} ${head.unit}`.trim()}
      onClose={onClose}
    >
      <p className="text-ink-2">{column.name}</p>
      <p className="mt-2">{rule}</p>
      {lines.length === 0 ? (
        <p className="mt-3 text-ink-2">There is nothing to count.</p>
      ) : (
        <Lines lines={lines} />
      )}
      {besides && besides.lines.length > 0 && (
        <>
          <p className="mt-4 font-semibold">{besides.title}</p>
          <Lines lines={besides.lines} />
        </>
      )}
      <p className="mt-3 text-[12px] text-ink-2">Source: {source}</p>
    </Dialog>
  )
}

function Lines({ lines }: { lines: Explanation['lines'] }) {
  return (
    <table className="mt-3 w-full table-fixed">
      <thead>
        <tr className="caption border-b border-ink text-left">
          <th scope="col" className="w-[210px] pb-1 font-medium">
            part
          </th>
          <th scope="col" className="font-medium">
            how
          </th>
          <th scope="col" className="w-[90px] text-right font-medium">
            value
          </th>
        </tr>
      </thead>
      <tbody>
        {lines.map((line, i) => (
          <tr key={i} className="border-b border-rule align-top">
            <th scope="row" className="py-[3px] pr-3 text-left font-semibold break-words">
              {line.name}
            </th>
            <td className="py-[3px] pr-3 break-words">{line.detail}</td>
            <td className="py-[3px] text-right whitespace-nowrap">{line.value}</td>
          </tr>
        ))}
      </tbody>
    </table>
  )
}
