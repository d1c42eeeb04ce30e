import wasmUrl from '@resvg/resvg-wasm/index_bg.wasm?url'
import { proxy } from 'comlink'
import { mediaOf, noAdjust, type Document, type Stock } from '@reach-plot/core/drawing'
import type { DeckFace, Label } from '@reach-plot/core/labels'
import type { PrintCheck, FileForm, OutFile } from '@reach-plot/print'
import { WorkerHost, type Asked } from './host.js'
import type { FileOrder, LabelService } from './label-protocol.js'

let compiled: Promise<WebAssembly.Module> | null = null

/** The renderer of pictures, two megabytes of it: compiled at the first use, once for all workers. */
function renderer(): Promise<WebAssembly.Module> {
  compiled ??= WebAssembly.compileStreaming(fetch(wasmUrl)).catch((error: unknown) => {
    compiled = null
    throw error
  })
  return compiled
}

/** A worker of labels, and the service once it can draw pictures. */
class LabelHost extends WorkerHost<LabelService> {
  #prepared: { readonly worker: object; readonly ready: Promise<void> } | null = null

  constructor() {
    super((name) => new Worker(new URL('./label.worker.ts', import.meta.url), { type: 'module', name }))
  }

  async drawing(): Promise<Asked<LabelService>> {
    const module = await renderer()
    const worker = this.now
    // one that was started again has to be prepared again
    if (this.#prepared?.worker !== worker)
      this.#prepared = { worker, ready: this.service.useRenderer(module) }
    await this.#prepared.ready
    return this.service
  }
}

const checker = new LabelHost()

/** What a printer of one ink makes of labels while they are designed. */
export const checkLabels = async (
  labels: readonly Pick<Label, 'drawing' | 'round'>[],
  dpi: number,
): Promise<PrintCheck[]> => (await checker.drawing()).check(labels, dpi)

/** Makes files; apart from the other, since it is ended to stop it. */
const maker = new LabelHost()

const drawn: ReadonlySet<FileForm> = new Set(['png', 'png1', 'pwg'])

/** Makes one file, and tells how many pages of how many are done. */
export async function makeFile(
  order: FileOrder,
  onProgress: (done: number, of: number) => void = () => undefined,
): Promise<OutFile> {
  const service = drawn.has(order.form) ? await maker.drawing() : maker.service
  return service.makeFile(order, proxy(onProgress))
}

/** Makes a PDF of pages at their true size. */
export const makePdf = (document: Document, stem: string, stock: Stock): Promise<OutFile> =>
  makeFile({
    document,
    form: 'pdf',
    stem,
    adjust: noAdjust,
    dpi: 203,
    stock: '#ffffff',
    media: mediaOf(stock),
    rasterType: 'black_1',
  })

/** Pictures for the buttons of a deck, in a zip. */
export const makeFaces = async (faces: readonly DeckFace[], px: number): Promise<OutFile> =>
  (await maker.drawing()).makeFaces(faces, px, 'deck')

/** Ends what is being made. */
export const endLabelMaker = (): void => maker.end()
