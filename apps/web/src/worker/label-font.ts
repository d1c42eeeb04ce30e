import latin from '@fontsource/barlow-condensed/files/barlow-condensed-latin-500-normal.woff?url'
import latinExt from '@fontsource/barlow-condensed/files/barlow-condensed-latin-ext-500-normal.woff?url'
import { loadLabelFont, type LabelFont } from '@reach-plot/core/drawing'
import { AppProblem } from './app-problem.js'

type Files = readonly Uint8Array[]

/** Something read once; a failure is forgotten, so that the next use tries again. */
function once<T>(read: () => Promise<T>): () => Promise<T> {
  let reading: Promise<T> | null = null
  return () =>
    (reading ??= read().catch((error: unknown) => {
      reading = null
      throw error
    }))
}

async function fileAt(url: string): Promise<Uint8Array> {
  const response = await fetch(url).catch(() => null)
  if (!response?.ok)
    throw new AppProblem(
      `The label font could not be read${response ? ` (${response.status})` : ''}. Fonts of other scripts are fetched when they are needed first: go online once.`,
    )
  return new Uint8Array(await response.arrayBuffer())
}

const base = once(async () => {
  const files = await Promise.all([latin, latinExt].map(fileAt))
  return { files, font: loadLabelFont(files) }
})

/** Names of font files that are there beside the label font, with how to get where each is. */
const scripts = once(async () => {
  const [{ facesFor }, { urls }] = await Promise.all([
    import('@reach-plot/label-fonts'),
    import('./script-fonts.js'),
  ])
  return { facesFor, urls }
})

const extended = new Map<string, () => Promise<LabelFont>>()

async function withScripts(files: Files, missing: readonly string[], plain: LabelFont): Promise<LabelFont> {
  const { facesFor, urls } = await scripts()
  const faces = facesFor(missing).flatMap(({ name }) => urls.get(name) ?? [])
  if (faces.length === 0) return plain
  const key = faces.join(' ')
  const read =
    extended.get(key) ??
    once(async () => loadLabelFont([...files, ...(await Promise.all(faces.map(fileAt)))]))
  extended.set(key, read)
  return read()
}

/**
 * The label font, with the files of other scripts that a text needs; each is read once.
 * @param text all that is to be written
 */
export async function fetchLabelFont(text: string): Promise<LabelFont> {
  const { files, font } = await base()
  const missing = font.missing(text)
  return missing.length === 0 ? font : withScripts(files, missing, font)
}
