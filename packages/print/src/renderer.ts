import type { Rasterise } from './bits.js'

/** What draws one SVG: an object of `Resvg` of the package `@resvg/resvg-wasm`, whose memory is given back by hand. */
export interface SvgRenderer {
  render(): { readonly width: number; readonly height: number; readonly pixels: Uint8Array; free(): void }
  free(): void
}

/** @param Renderer the class, once its WebAssembly is loaded */
export const rasteriseWith =
  (Renderer: new (svg: string) => SvgRenderer): Rasterise =>
  (svg) => {
    const renderer = new Renderer(svg)
    const image = renderer.render()
    try {
      return { widthPx: image.width, heightPx: image.height, rgba: image.pixels }
    } finally {
      image.free()
      renderer.free()
    }
  }
