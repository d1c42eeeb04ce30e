import { mkdtempSync, writeFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { readFileSync } from 'node:fs'
import type { AddressInfo } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { FastifyInstance } from 'fastify'
import { afterEach } from 'vitest'
import { documentPdf, pwgRaster } from '@reach-plot/print'
import { loadLabelFont, text, type Drawing } from '@reach-plot/core/drawing'
import { buildApp, type AppOptions } from '../src/app.js'

export const webRoot = mkdtempSync(join(tmpdir(), 'reach-plot-web-'))
writeFileSync(join(webRoot, 'index.html'), '<!doctype html><title>Reach Plot</title>')

export const folder = (): string => mkdtempSync(join(tmpdir(), 'reach-plot-state-'))
export const options = (change: Partial<AppOptions> = {}): AppOptions => ({
  printers: [],
  stateFolder: folder(),
  slowMs: 30,
  ...change,
})

const open: FastifyInstance[] = []
afterEach(async () => {
  await Promise.all(open.splice(0).map((app) => app.close()))
})

/** The server, closed after the test. */
export async function openApp(change: Partial<AppOptions> = {}): Promise<FastifyInstance> {
  const app = await buildApp(webRoot, options(change))
  open.push(app)
  return app
}

/** The server on a port of its own, and its stand-in's address. */
export async function listening(change: Partial<AppOptions> = {}) {
  const app = await openApp(change)
  await app.listen({ port: 0, host: '127.0.0.1' })
  const { port } = app.server.address() as AddressInfo
  return { app, port, url: `http://127.0.0.1:${port}`, address: `ipp://127.0.0.1:${port}/ipp/print` }
}

const require = createRequire(import.meta.url)
export const font = loadLabelFont([
  readFileSync(require.resolve('@fontsource/barlow-condensed/files/barlow-condensed-latin-500-normal.woff')),
])

const label = (widthMm: number, heightMm: number): Drawing => ({
  widthMm,
  heightMm,
  marks: [text('Hide', 1, 5, 3)],
})

export const pdf = (count = 1, widthMm = 14, heightMm = 14): Promise<Uint8Array> =>
  documentPdf({ title: 'Test', pages: Array.from({ length: count }, () => label(widthMm, heightMm)) }, font)

/** Raster pages of 14 mm at 203 dpi with a stripe of ink. */
export function raster(count = 1, dpi = 203): Uint8Array {
  const side = Math.round((14 / 25.4) * dpi)
  const bytesPerLine = Math.ceil(side / 8)
  const data = new Uint8Array(bytesPerLine * side)
  data.fill(0xff, 10 * bytesPerLine, 14 * bytesPerLine)
  const bits = { width: side, height: side, bytesPerLine, data }
  return pwgRaster(Array.from({ length: count }, () => ({ bits, dpi, media: 'custom_label_14x14mm' })))
}

/** Asks again and again until `done` holds, and gives what was answered. */
export async function until<T>(ask: () => Promise<T>, done: (value: T) => boolean): Promise<T> {
  for (let left = 2500; ; left--) {
    const value = await ask()
    if (done(value) || left === 0) return value
    await new Promise((resolve) => setTimeout(resolve, 20))
  }
}
