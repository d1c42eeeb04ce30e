import { useEffect, useState } from 'react'
import { choosePrintForm, mediumOf } from '@reach-plot/print'
import { mediaOf, pageSizeMm } from '@reach-plot/core/drawing'
import { problemInWords, showProblem } from '../../store/problem.js'
import { printerStatus, standInAddress, type PrinterStatus } from '../../store/print-api.js'
import { isSettled, resumeOrder, sendOrder, usePrint } from '../../store/print-store.js'
import { useSettings } from '../../store/settings-store.js'
import type { FileMaker } from './use-file.js'
import type { SheetState, SheetView } from './use-sheet.js'

/** Asks a printer how it is, now and every few seconds while it is shown. */
function usePrinterStatus(address: string): { status: PrinterStatus | null; problem: string } {
  const [known, setKnown] = useState<{
    address: string
    status: PrinterStatus | null
    problem: string
  } | null>(null)
  useEffect(() => {
    const stop = new AbortController()
    const ask = (): void => {
      printerStatus(address, stop.signal).then(
        (status) => {
          if (!stop.signal.aborted) setKnown({ address, status, problem: '' })
        },
        (error: unknown) => {
          if (!stop.signal.aborted) setKnown({ address, status: null, problem: problemInWords(error) })
        },
      )
    }
    ask()
    const timer = setInterval(ask, 3000)
    return () => {
      clearInterval(timer)
      stop.abort()
    }
  }, [address])
  return known?.address === address ? known : { status: null, problem: '' }
}

/** What is shown and can be done there. */
export function usePrintPanel({
  view,
  state,
  maker,
}: {
  view: SheetView
  state: SheetState
  maker: FileMaker
}) {
  const { sheet, title } = view
  const address = useSettings((s) => s.printer) || standInAddress()
  const [copies, setCopies] = useState(1)
  const { status, problem } = usePrinterStatus(address)
  const ticket = usePrint((s) => s.ticket)
  const isOpen = ticket !== null && !isSettled(ticket)
  useEffect(resumeOrder, [])
  const pages = sheet?.document.pages.length ?? 0
  // the two pages of a folded card are the sides of one sheet
  const isTwoSided = state.kind === 'card'
  const size = sheet && pageSizeMm(sheet.stock)
  const medium = status && size ? mediumOf(status, size) : 'not told'
  const print = async (): Promise<void> => {
    if (!sheet) return
    try {
      const form = choosePrintForm(status ?? (await printerStatus(address)), null, state.dpi, isTwoSided)
      const media = mediaOf(sheet.stock)
      const file = await maker.make({
        document: sheet.document,
        form: form.form,
        stem: 'labels',
        adjust: view.adjust,
        dpi: form.dpi,
        stock: sheet.ground,
        media,
        rasterType: form.rasterType,
      })
      if (!file) return
      const query = {
        ticket: crypto.randomUUID(),
        printer: address,
        name: title,
        media,
        ...pageSizeMm(sheet.stock),
        copies,
        sides: form.sides,
      }
      await sendOrder({ query, format: form.format, bytes: file.bytes, pages: pages * copies })
    } catch (error) {
      showProblem(error)
    }
  }
  return {
    address,
    problem,
    status,
    medium,
    size,
    isTwoSided,
    copies,
    setCopies,
    pages,
    isOpen,
    maker,
    print,
  }
}
