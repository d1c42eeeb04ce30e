import { useState } from 'react'
import { CoreError } from '@reach-plot/core'
import {
  calibrationFrom,
  calibrationMarks,
  calibrationPage,
  type Measured,
  type Stock,
} from '@reach-plot/core/drawing'
import { download } from '../../parts/download.js'
import { fetchLabelFont } from '../../worker/label-font.js'
import { showProblem } from '../../store/problem.js'
import { setCalibration, useCalibrations } from '../../store/personal-store.js'
import { makePdf } from '../../worker/label-client.js'

/** What is shown and can be done there. */
export function useCalibrationDialog({ stock, onClose }: { stock: Stock; onClose: () => void }) {
  const nominal = calibrationMarks(stock)
  const known = useCalibrations()[stock.id]
  const [draft, setDraft] = useState<Readonly<Record<keyof Measured, string>>>(() => ({
    crossXMm: String(nominal.crossXMm),
    crossYMm: String(nominal.crossYMm),
    acrossMm: String(nominal.acrossMm),
    alongMm: String(nominal.alongMm),
  }))
  const [fault, setFault] = useState('')
  const savePage = async (): Promise<void> => {
    try {
      const page = calibrationPage(stock, await fetchLabelFont(''))
      const file = await makePdf(page, 'calibration', stock)
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
      setCalibration(stock.id, found)
      onClose()
    } catch (error) {
      if (!(error instanceof CoreError)) throw error
      setFault(error.message)
    }
  }
  return {
    stock,
    onClose,
    known,
    forget: () => setCalibration(stock.id, null),
    save,
    savePage,
    draft,
    setDraft,
    nominal,
    fault,
  }
}

export type CalibrationDialogView = ReturnType<typeof useCalibrationDialog>
