import wasmUrl from '@resvg/resvg-wasm/index_bg.wasm?url'
import { proxy, wrap, type Remote } from 'comlink'
import type { DeckFace, Label } from '@reach-plot/core/labels'
import type { PrintCheck, FileForm, OutFile } from '@reach-plot/print'
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

interface Client {
  readonly worker: Worker
  readonly service: Remote<LabelService>
  /** the service once it can draw pictures */
  drawing(): Promise<Remote<LabelService>>
}

function start(): Client {
  const worker = new Worker(new URL('./label.worker.ts', import.meta.url), { type: 'module' })
  const service = wrap<LabelService>(worker)
  let ready: Promise<void> | null = null
  return {
    worker,
    service,
    async drawing() {
      const module = await renderer()
      await (ready ??= service.useRenderer(module))
      return service
    },
  }
}

let checker: Client | null = null

/** What a printer of one ink makes of labels while they are designed. */
export const checkLabels = async (
  labels: readonly Pick<Label, 'drawing' | 'round'>[],
  dpi: number,
): Promise<PrintCheck[]> => (await (checker ??= start()).drawing()).check(labels, dpi)

/** Makes files; apart from the other, since it is ended to stop it. */
let maker: Client | null = null

const drawn: ReadonlySet<FileForm> = new Set(['png', 'png1', 'pwg'])

/** Makes one file, and tells how many pages of how many are done. */
export async function makeFile(
  order: FileOrder,
  onProgress: (done: number, of: number) => void = () => undefined,
): Promise<OutFile> {
  maker ??= start()
  const service = drawn.has(order.form) ? await maker.drawing() : maker.service
  return service.makeFile(order, proxy(onProgress))
}

/** Pictures for the buttons of a deck, in a zip. */
export const makeFaces = async (faces: readonly DeckFace[], px: number): Promise<OutFile> =>
  (await (maker ??= start()).drawing()).makeFaces(faces, px, 'deck')

/** Ends what is being made. */
export function endLabelMaker(): void {
  maker?.worker.terminate()
  maker = null
}
