import latin from '@fontsource/barlow-condensed/files/barlow-condensed-latin-500-normal.woff?url'
import latinExt from '@fontsource/barlow-condensed/files/barlow-condensed-latin-ext-500-normal.woff?url'
import { useEffect, useState } from 'react'
import { loadLabelFont, type LabelFont } from '@reach-plot/core'
import { showProblem } from '../../shared/problem.js'

let loading: Promise<LabelFont> | null = null

const fetchFont = (): Promise<LabelFont> =>
  (loading ??= Promise.all(
    [latin, latinExt].map(async (url) => {
      const response = await fetch(url)
      if (!response.ok) throw new Error(`the label font could not be read (${response.status})`)
      return new Uint8Array(await response.arrayBuffer())
    }),
  ).then(loadLabelFont))

/** The label font once it is read, or null. */
export function useLabelFont(): LabelFont | null {
  const [font, setFont] = useState<LabelFont | null>(null)
  useEffect(() => {
    void fetchFont().then(setFont, showProblem)
  }, [])
  return font
}
