import { AppProblem } from './app-problem.js'
import latin from '@fontsource/barlow-condensed/files/barlow-condensed-latin-500-normal.woff?url'
import latinExt from '@fontsource/barlow-condensed/files/barlow-condensed-latin-ext-500-normal.woff?url'
import { loadLabelFont, type LabelFont } from '@reach-plot/core/drawing'

let loading: Promise<LabelFont> | null = null

/** The label font, read once; a failure is forgotten, so that the next use tries again. */
export const fetchLabelFont = (): Promise<LabelFont> =>
  (loading ??= Promise.all(
    [latin, latinExt].map(async (url) => {
      const response = await fetch(url)
      if (!response.ok) throw new AppProblem(`The label font could not be read (${response.status}).`)
      return new Uint8Array(await response.arrayBuffer())
    }),
  )
    .then(loadLabelFont)
    .catch((error: unknown) => {
      loading = null
      throw error
    }))
