import { initWasm, Resvg } from '@resvg/resvg-wasm'
import { expose } from 'comlink'
import { checkPrint, facesZip, documentFile, rasteriseWith } from '@reach-plot/print'
import { noAdjust, wordsOn } from '@reach-plot/core/drawing'
import { tellAlive } from './alive.js'
import { fetchLabelFont } from './label-font.js'
import type { LabelService } from './label-protocol.js'

const rasterise = rasteriseWith(Resvg)

const service: LabelService = {
  useRenderer: (module) => initWasm(module),
  async makeFile({ document, form, stem, ...options }, onProgress) {
    const font = await fetchLabelFont(wordsOn(document.pages))
    return documentFile(document, form, stem, { ...options, font, rasterise }, onProgress)
  },
  async makeFaces(faces, px, stem) {
    const font = await fetchLabelFont(wordsOn(faces.map((face) => face.drawing)))
    const options = { adjust: noAdjust, dpi: 203, stock: '', media: '', rasterType: 'black_1' } as const
    return facesZip(faces, px, stem, { ...options, font, rasterise })
  },
  async check(labels, dpi) {
    const font = await fetchLabelFont(wordsOn(labels.map((label) => label.drawing)))
    return labels.map((label) => checkPrint(label, dpi, font, rasterise))
  },
}

expose(service)
tellAlive()
