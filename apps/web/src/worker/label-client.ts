import { proxy, wrap, type Remote } from 'comlink'
import type { OutFile } from '@reach-plot/core/print'
import type { FileOrder, LabelService } from './label-protocol.js'

type Client = { readonly worker: Worker; readonly service: Remote<LabelService> }

const start = (): Client => {
  const worker = new Worker(new URL('./label.worker.ts', import.meta.url), { type: 'module' })
  return { worker, service: wrap<LabelService>(worker) }
}

let checker: Client | null = null

/** The worker that looks at labels while they are designed. */
export const labelChecker = (): Remote<LabelService> => (checker ??= start()).service

let maker: Client | null = null

/** The worker that makes files; apart from the other, since it is ended to stop it. */
export const labelMaker = (): Remote<LabelService> => (maker ??= start()).service

/** Makes one file, and tells how many pages of how many are done. */
export const makeFile = (
  order: FileOrder,
  onProgress: (done: number, of: number) => void = () => undefined,
): Promise<OutFile> => labelMaker().makeFile(order, proxy(onProgress))

/** Ends what is being made. */
export function endLabelMaker(): void {
  maker?.worker.terminate()
  maker = null
}
