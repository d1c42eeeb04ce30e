import { operatorNames, type SheetColumn } from '@reach-plot/core'
import { Dialog } from '../../parts/dialog.js'
import { useRoutineDialog, type RoutineDialogView } from './use-routine-dialog.js'

/** The steps of a routine, operator by operator, in one arrangement after the other. */
export function RoutineDialog(props: {
  routineId: string
  columns: readonly SheetColumn[]
  onClose: () => void
}) {
  const view = useRoutineDialog(props)
  if (!view) return null
  const { routine, timed, onClose, columnId, setColumnId, columns } = view
  return (
    <Dialog wide reading title={`${routine.name}: ${(timed.ms / 1000).toFixed(2)} s`} onClose={onClose}>
      <label className="flex items-center gap-2">
        <span className="text-ink-2">Arrangement</span>
        <select className="field" value={columnId} onChange={(e) => setColumnId(e.target.value)}>
          {columns.map((c) => (
            <option key={c.id} value={c.id}>
              {c.name}
            </option>
          ))}
        </select>
      </label>
      <OperatorTable view={view} />
      <p className="mt-3 text-[12px] text-ink-2">
        Source: keystroke-level model, Card, Moran and Newell (1980); movements by Fitts (1954); from memory.
        A key that is known by heart takes no M; each level of a menu takes one. Both hands begin and end at
        rest.
      </p>
    </Dialog>
  )
}

function OperatorTable({ view: { timed, stepName } }: { view: RoutineDialogView }) {
  return (
    <table className="mt-3 w-full table-fixed">
      <thead>
        <tr className="caption border-b border-ink text-left">
          <th scope="col" className="w-[200px] pb-1 font-medium">
            step
          </th>
          <th scope="col" className="w-[130px] font-medium">
            operator
          </th>
          <th scope="col" className="w-[60px] font-medium">
            hand
          </th>
          <th scope="col" className="font-medium">
            what
          </th>
          <th scope="col" className="w-[80px] text-right font-medium">
            ms
          </th>
        </tr>
      </thead>
      <tbody>
        {timed.operators.map((o, i) => (
          <tr key={i} className="border-b border-rule">
            {i > 0 && timed.operators[i - 1]?.step === o.step ? (
              <td />
            ) : (
              <th scope="row" className="truncate py-[3px] text-left font-semibold" title={stepName(o.step)}>
                {stepName(o.step)}
              </th>
            )}
            <td>
              <b className="font-chart">{o.kind}</b> {operatorNames[o.kind]}
            </td>
            <td>{o.hand ?? '–'}</td>
            <td className="truncate" title={o.what}>
              {o.what}
            </td>
            <td className="text-right">{Math.round(o.ms)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  )
}
