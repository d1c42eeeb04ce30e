import type { DeckFace, Label } from '@reach-plot/core/labels'
import type { PrintCheck, FileForm, OutFile, RasterType } from '@reach-plot/print'
import type { Adjust, Colour, Document } from '@reach-plot/core/drawing'

/** A file to be made from a sheet. */
export interface FileOrder {
  readonly document: Document
  readonly form: FileForm
  readonly stem: string
  readonly adjust: Adjust
  readonly dpi: number
  readonly stock: Colour
  readonly media: string
  readonly rasterType: RasterType
}

/** What the label worker does. It is ended, not asked, to stop. */
export interface LabelService {
  /** to be called first where pictures are drawn: for all but a `makeFile` of vectors */
  useRenderer(module: WebAssembly.Module): Promise<void>
  makeFile(order: FileOrder, onProgress: (done: number, of: number) => void): Promise<OutFile>
  makeFaces(faces: readonly DeckFace[], px: number, stem: string): Promise<OutFile>
  /** what a printer of one ink makes of each label, in their order */
  check(labels: readonly Pick<Label, 'drawing' | 'round'>[], dpi: number): Promise<PrintCheck[]>
}
