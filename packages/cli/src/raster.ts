import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { initWasm, Resvg } from '@resvg/resvg-wasm'
import { rasteriseWith, type Rasterise } from '@reach-plot/print'

const require = createRequire(import.meta.url)
let ready: Promise<Rasterise> | null = null

/** The renderer of SVG, once its WebAssembly is loaded. */
export const rasteriser = (): Promise<Rasterise> =>
  (ready ??= initWasm(readFileSync(require.resolve('@resvg/resvg-wasm/index_bg.wasm'))).then(() =>
    rasteriseWith(Resvg),
  ))
