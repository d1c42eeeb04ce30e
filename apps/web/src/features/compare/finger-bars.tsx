import { fingers, type HandSide, type SheetColumn } from '@reach-plot/core'

const barPx = 160
const fills = ['var(--rule)', 'var(--reach-4)', 'var(--ink)', 'var(--contour)'] as const

/** Presses of each finger an hour in each arrangement, with the finger's share by ability as a line. */
export function FingerBars({ columns, side }: { columns: readonly SheetColumn[]; side: HandSide }) {
  const most = Math.max(
    1,
    ...columns.flatMap((c) => fingers.map((f) => Math.max(c.presses[side][f], c.fair[side][f]))),
  )
  const px = (presses: number): number => (barPx * presses) / most
  return (
    <section aria-label={`Load of the ${side} hand`} className="min-w-0 px-[18px] py-3">
      <h3 className="caption">{side} hand, presses an hour; | the finger’s share</h3>
      <table className="mt-1">
        <tbody>
          {[...fingers].reverse().map((finger) => (
            <tr key={finger}>
              <th
                scope="row"
                className="w-[56px] py-[3px] text-left align-top font-chart text-[14px] font-semibold"
              >
                {finger}
              </th>
              <td>
                {columns.map((c, i) => {
                  const presses = c.presses[side][finger]
                  const fair = c.fair[side][finger]
                  return (
                    <div
                      key={c.id}
                      className="flex h-[12px] items-center gap-2"
                      title={`${c.name}: ${Math.round(presses)} an hour, share ${Math.round(fair)}`}
                    >
                      <svg width={barPx + 4} height={10} aria-hidden="true">
                        <rect
                          width={Math.max(1, px(presses))}
                          height={9}
                          y={0.5}
                          fill={fills[i % fills.length]}
                          stroke="var(--edge)"
                          strokeWidth={0.5}
                        />
                        <line
                          x1={px(fair)}
                          x2={px(fair)}
                          y1={0}
                          y2={10}
                          stroke="var(--magenta)"
                          strokeWidth={2}
                        />
                      </svg>
                      <span className="text-[11px] leading-none text-ink-2">{Math.round(presses)}</span>
                    </div>
                  )
                })}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <ul className="mt-1 flex flex-wrap gap-x-4 text-[12px] text-ink-2">
        {columns.map((c, i) => (
          <li key={c.id} className="flex items-center gap-[6px]">
            <svg width={12} height={12} aria-hidden="true">
              <rect width={12} height={12} fill={fills[i % fills.length]} stroke="var(--edge)" />
            </svg>
            {i + 1}. {c.name}
          </li>
        ))}
      </ul>
    </section>
  )
}
