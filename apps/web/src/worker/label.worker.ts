import wasmUrl from '@resvg/resvg-wasm/index_bg.wasm?url'
import { initWasm, Resvg } from '@resvg/resvg-wasm'
import { expose } from 'comlink'
import { checkPrint, facesZip } from '@reach-plot/core/labels'
import { documentFile, noAdjust, rasteriseWith } from '@reach-plot/core/print'
import { fetchLabelFont } from '../shared/label-font.js'
import type { LabelService } from './label-protocol.js'

let ready: Promise<unknown> | null = null

const rasterise = rasteriseWith(Resvg)

/** The font and the renderer, read at the first use. */
async function tools() {
  const [font] = await Promise.all([fetchLabelFont(), (ready ??= initWasm(fetch(wasmUrl)))])
  return { font, rasterise }
}

const service: LabelService = {
  async makeFile({ document, form, stem, ...options }, onProgress) {
    return documentFile(document, form, stem, { ...options, ...(await tools()) }, onProgress)
  },
  async makeFaces(faces, px, stem) {
    const options = { adjust: noAdjust, dpi: 203, stock: '', media: '', rasterType: 'black_1' } as const
    return facesZip(faces, px, stem, { ...options, ...(await tools()) })
  },
  async check(labels, dpi) {
    const { font } = await tools()
    return labels.map((label) => checkPrint(label, dpi, font, rasterise))
  },
}

expose(service)
