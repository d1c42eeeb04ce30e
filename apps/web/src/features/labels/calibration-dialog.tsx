import { useState } from 'react'
import { CoreError } from '@reach-plot/core'
import {
  calibrationFrom,
  calibrationMarks,
  calibrationPage,
  mediaOf,
  noAdjust,
  type Measured,
  type Stock,
} from '@reach-plot/core/drawing'
import { Dialog } from '../../parts/dialog.js'
import { download } from '../../parts/download.js'
import { fetchLabelFont } from '../../worker/label-font.js'
import { showProblem } from '../../store/problem.js'
import { useSettings } from '../../store/settings-store.js'
import { makeFile } from '../../worker/label-client.js'
import { FaultText } from './fields.js'

/** What is measured, in the order of the page that is printed. */
const parts: readonly { readonly id: keyof Measured; readonly name: string }[] = [
  { id: 'crossXMm', name: 'Left edge to the upright line of the cross, mm' },
  { id: 'crossYMm', name: 'Top edge to the level line of the cross, mm' },
  { id: 'acrossMm', name: 'Ruler across, mm' },
  { id: 'alongMm', name: 'Ruler down, mm' },
]

/** How true the printer is on this stock: a page is printed and measured, and every sheet is corrected for it. */
export function CalibrationDialog({ stock, onClose }: { stock: Stock; onClose: () => void }) {
  const nominal = calibrationMarks(stock)
  const calibrations = useSettings((s) => s.calibrations)
  const set = useSettings((s) => s.set)
  const known = calibrations[stock.id]
  const [draft, setDraft] = useState<Readonly<Record<keyof Measured, string>>>(() => ({
    crossXMm: String(nominal.crossXMm),
    crossYMm: String(nominal.crossYMm),
    acrossMm: String(nominal.acrossMm),
    alongMm: String(nominal.alongMm),
  }))
  const [fault, setFault] = useState('')
  const savePage = async (): Promise<void> => {
    try {
      const file = await makeFile({
        document: calibrationPage(stock, await fetchLabelFont()),
        form: 'pdf',
        stem: 'calibration',
        adjust: noAdjust,
        dpi: 203,
        stock: '#ffffff',
        media: mediaOf(stock),
        rasterType: 'black_1',
      })
      download(file.bytes, file.name, file.type)
    } catch (error) {
      showProblem(error)
    }
  }
  const save = (): void => {
    const n = (id: keyof Measured): number => (draft[id].trim() === '' ? NaN : Number(draft[id]))
    const measured = {
      crossXMm: n('crossXMm'),
      crossYMm: n('crossYMm'),
      acrossMm: n('acrossMm'),
      alongMm: n('alongMm'),
    }
    try {
      const found = calibrationFrom(measured, nominal)
      set({ calibrations: { ...calibrations, [stock.id]: found } })
      onClose()
    } catch (error) {
      if (!(error instanceof CoreError)) throw error
      setFault(error.message)
    }
  }
  const { [stock.id]: _dropped, ...others } = calibrations
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
                set({ calibrations: others })
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
    </Dialog>
  )
}
