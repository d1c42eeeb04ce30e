import { modeLrgb, modeRgb, useMode, wcagContrast } from 'culori/fn'
import { black, white, type Colour } from '../drawing/index.js'

export const materials = ['white', 'clear', 'black'] as const
/** What a label is made of. Clear stock shows the key. */
export type Material = (typeof materials)[number]

/** Least contrast of text and of signs with what lies behind them. WCAG 2.2, 1.4.3 and 1.4.11. */
export const leastContrast = { text: 4.5, sign: 3 } as const

/** The colour behind the ink. */
export const groundOf = (material: Material, keyColour: Colour): Colour =>
  material === 'white' ? white : material === 'black' ? black : keyColour

// the package converts only between colour spaces that it is told of
useMode(modeRgb)
useMode(modeLrgb)

const rgb = (colour: Colour) => {
  const [r = 0, g = 0, b = 0] = [1, 3, 5].map((at) => parseInt(colour.slice(at, at + 2), 16) / 255)
  return { mode: 'rgb' as const, r, g, b }
}

/** Contrast ratio of two colours, 1 to 21, by WCAG 2.2. */
export const contrastOf = (a: Colour, b: Colour): number => wcagContrast(rgb(a), rgb(b))
