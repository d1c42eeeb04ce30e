import { clashStages, type ClashStage } from '@reach-plot/core'
import { stageNames } from './words.js'
import { countIn, useMatrix, type MatrixRow, type MatrixScreen } from './use-matrix.js'

/** Findings of the whole bench counted: contexts and devices against the stages that a press passes. */
export function MatrixView() {
  const view = useMatrix()
  if (!view)
    return <p className="p-5 text-ink-2">There is nothing to count: no finding at any stage of this bench.</p>
  return (
    <div
      role="region"
      aria-label="Counts of findings"
      tabIndex={0}
      className="relative min-h-0 min-w-0 grow overflow-auto px-5 pt-4 pb-6"
    >
      <p className="text-ink-2">
        How many findings, by where they are and by the stage of the press. Choose a number to see them. A
        finding of several contexts counts in each.
      </p>
      <table className="mt-2 w-full max-w-[1220px] table-fixed tabular-nums">
        <thead>
          <tr className="caption text-center">
            <td className="w-[200px]" />
            {clashStages.map((stage) => (
              <th key={stage} scope="col" className="w-[100px] px-1 py-1 font-medium">
                {stageNames[stage]}
              </th>
            ))}
            <th scope="col" className="pl-4 text-right font-medium">
              all
            </th>
          </tr>
        </thead>
        <MatrixPart title="Contexts" rows={view.contexts} view={view} />
        <MatrixPart title="Devices" rows={view.devices} view={view} />
      </table>
    </div>
  )
}

function MatrixPart({
  title,
  rows,
  view,
}: {
  title: string
  rows: readonly MatrixRow[]
  view: MatrixScreen
}) {
  return (
    <tbody>
      <tr>
        <th
          scope="rowgroup"
          colSpan={clashStages.length + 2}
          className="caption border-b border-ink pt-4 pb-1 text-left font-medium"
        >
          {title}
        </th>
      </tr>
      {rows.map((row) => (
        <tr key={row.key} className="border-b border-rule">
          <th
            scope="row"
            className="max-w-[220px] truncate py-1 pr-4 text-left font-semibold"
            title={row.name}
          >
            {row.name}
          </th>
          {clashStages.map((stage) => (
            <MatrixCell key={stage} row={row} stage={stage} view={view} />
          ))}
          <td className="pl-4 text-right font-semibold">{row.clashes.length}</td>
        </tr>
      ))}
    </tbody>
  )
}

/** Deeper for more, as depths are tinted; the number says the same. */
const tintOf = (share: number): string => `var(--reach-${Math.max(1, Math.ceil(share * 4))})`

function MatrixCell({
  row,
  stage,
  view: { most, show },
}: {
  row: MatrixRow
  stage: ClashStage
  view: MatrixScreen
}) {
  const count = countIn(row, stage)
  return (
    <td className="p-0.5 text-center">
      {count === 0 ? (
        <span className="text-ink-2">–</span>
      ) : (
        <button
          type="button"
          className="w-full min-w-10 py-0.5 font-semibold hover:underline"
          style={{
            backgroundColor: tintOf(count / most),
            color: count / most > 0.5 ? 'var(--on-reach)' : undefined,
          }}
          aria-label={`${count} of ${row.name} at the stage ${stageNames[stage]}`}
          onClick={() =>
            show(
              row.clashes.filter((c) => c.stage === stage),
              stage,
            )
          }
        >
          {count}
        </button>
      )}
    </td>
  )
}
