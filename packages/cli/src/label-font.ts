import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { loadLabelFont, type LabelFont } from '@reach-plot/core/drawing'
import { facesFor } from '@reach-plot/label-fonts'

const require = createRequire(import.meta.url)

const faceFile = (family: string, face: string): Uint8Array =>
  readFileSync(require.resolve(`@fontsource/${family}/files/${face}-500-normal.woff`))

/** The label font of the app, with the files of other scripts that the text needs: Barlow Condensed, medium, Latin and extended Latin. */
export function labelFont(text: string): LabelFont {
  const base = ['latin', 'latin-ext'].map((part) => faceFile('barlow-condensed', `barlow-condensed-${part}`))
  const font = loadLabelFont(base)
  const more = facesFor(font.missing(text))
  return more.length === 0
    ? font
    : loadLabelFont([...base, ...more.map(({ family, name }) => faceFile(family, name))])
}
