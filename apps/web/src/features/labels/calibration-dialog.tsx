import type { Measured, Stock } from '@reach-plot/core/drawing'
import { Dialog } from '../../parts/dialog.js'
import { FaultText } from '../../parts/fields.js'
import { useCalibrationDialog, type CalibrationDialogView } from './use-calibration-dialog.js'

/** What is measured, in the order of the page that is printed. */
const parts: readonly { readonly id: keyof Measured; readonly name: string }[] = [
  { id: 'crossXMm', name: 'Left edge to the upright line of the cross, mm' },
  { id: 'crossYMm', name: 'Top edge to the level line of the cross, mm' },
  { id: 'acrossMm', name: 'Ruler across, mm' },
  { id: 'alongMm', name: 'Ruler down, mm' },
]
/** How true the printer is on this stock: a page is printed and measured, and every sheet is corrected for it. */
export function CalibrationDialog(props: { stock: Stock; onClose: () => void }) {
  const view = useCalibrationDialog(props)
  const { stock, onClose, known, forget, save } = view
  return (
    <Dialog
      title={`Calibrate: ${stock.name}`}
      onClose={onClose}
      actions={
        <>
          {known && (
            <button
              type="button"
              className="btn mr-auto"
              onClick={() => {
                forget()
                onClose()
              }}
            >
              Forget it
            </button>
          )}
          <button type="button" className="btn" onClick={onClose}>
            Cancel
          </button>
          <button type="button" className="btn btn-main" onClick={save}>
            Correct for it
          </button>
        </>
      }
    >
      <MeasuredFields view={view} />
    </Dialog>
  )
}

function MeasuredFields({
  view: { savePage, draft, setDraft, nominal, known, fault },
}: {
  view: CalibrationDialogView
}) {
  return (
    <div className="flex flex-col gap-3">
      <p>
        Printers are off by a millimetre or so, and may stretch a page. Print the calibration page at 100 %,
        measure it, and enter what you read. It is kept for this stock on this machine.
      </p>
      <p>
        <button type="button" className="btn" onClick={() => void savePage()}>
          Save the page as PDF
        </button>{' '}
        <span className="text-ink-2">or choose “Calibration page” as the sheet and print it.</span>
      </p>
      <div className="grid grid-cols-2 items-end gap-x-4 gap-y-2">
        {parts.map(({ id, name }) => (
          <label key={id}>
            <span className="caption mb-0.5 block">{name}</span>
            <input
              type="number"
              step={0.1}
              className="field w-[110px]"
              value={draft[id]}
              onChange={(e) => setDraft({ ...draft, [id]: e.target.value })}
            />
            <span className="ml-2 text-ink-2">true: {nominal[id]}</span>
          </label>
        ))}
      </div>
      {known && (
        <p className="text-ink-2">
          Now corrected for: {known.offsetXMm.toFixed(2)} mm to the right, {known.offsetYMm.toFixed(2)} mm
          down, {(100 * known.scaleX).toFixed(2)} % across, {(100 * known.scaleY).toFixed(2)} % down.
        </p>
      )}
      <FaultText>{fault}</FaultText>
    </div>
  )
}
