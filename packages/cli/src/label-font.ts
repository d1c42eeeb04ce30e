import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { loadLabelFont, type LabelFont } from '@reach-plot/core/drawing'

const require = createRequire(import.meta.url)

/** The label font of the app: Barlow Condensed, medium, Latin and extended Latin. */
export const labelFont = (): LabelFont =>
  loadLabelFont(
    ['latin', 'latin-ext'].map((script) =>
      readFileSync(
        require.resolve(`@fontsource/barlow-condensed/files/barlow-condensed-${script}-500-normal.woff`),
      ),
    ),
  )
