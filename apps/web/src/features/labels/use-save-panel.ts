import { useState } from 'react'
import { mediaOf } from '@reach-plot/core/drawing'
import type { FileForm, OutFile } from '@reach-plot/print'
import { download } from '../../parts/download.js'
import type { FileMaker } from './use-file.js'
import type { SheetState, SheetView } from './use-sheet.js'

/** What is shown and can be done there. */
export function useSavePanel({
  view,
  state,
  maker,
  onDpi,
}: {
  view: SheetView
  state: SheetState
  maker: FileMaker
  onDpi: (dpi: number) => void
}) {
  const { sheet, title } = view
  const [px, setPx] = useState(144)
  const isReady = sheet !== null && sheet.document.pages.length > 0 && maker.progress === null
  const stem = state.kind === 'labels' ? 'labels' : state.kind === 'list' ? 'triggers' : state.kind
  const hand = (file: OutFile | null): void => {
    if (file) download(file.bytes, file.name, file.type)
  }
  const save = async (form: FileForm): Promise<void> => {
    if (!sheet) return
    hand(
      await maker.make({
        document: sheet.document,
        form,
        stem,
        adjust: view.adjust,
        dpi: state.dpi,
        stock: sheet.ground,
        media: mediaOf(sheet.stock),
        rasterType: 'black_1',
      }),
    )
  }
  const faces = sheet?.faces
  return { isReady, save, state, title, onDpi, faces, px, setPx, hand, maker }
}
