import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { initWasm, Resvg } from '@resvg/resvg-wasm'
import { iconSet, type IconPackage } from '@reach-plot/core/labels'
import { loadLabelFont } from '@reach-plot/core/drawing'
import { rasteriseWith, type Rasterise } from '../src/index.js'

const require = createRequire(import.meta.url)
const woff = (script: string): Uint8Array =>
  readFileSync(
    require.resolve(`@fontsource/barlow-condensed/files/barlow-condensed-${script}-500-normal.woff`),
  )

/** The label font as the app and the command line load it. */
export const font = loadLabelFont([woff('latin'), woff('latin-ext')])

let ready: Promise<Rasterise> | null = null

/** The renderer of SVG that the app uses. */
export const rasteriser = (): Promise<Rasterise> =>
  (ready ??= initWasm(readFileSync(require.resolve('@resvg/resvg-wasm/index_bg.wasm'))).then(() =>
    rasteriseWith(Resvg),
  ))

const json = (name: string): unknown =>
  JSON.parse(readFileSync(require.resolve(`lucide-static/${name}`), 'utf8'))

export const iconPackage: IconPackage = {
  nodes: json('icon-nodes.json') as IconPackage['nodes'],
  tags: json('tags.json') as IconPackage['tags'],
}

export const icons = iconSet(iconPackage, [])
