import { line, scaleLinear } from 'd3'
import { indexOfDifficultyBits, type FittedHand, type FitTrial } from '@reach-plot/core'

export const width = 460

export const height = 260

export const edge = { left: 46, right: 12, top: 10, bottom: 36 }

export const bitsOf = (t: FitTrial): number => indexOfDifficultyBits(t.distanceMm, t.widthMm)

/** What is shown and can be done there. */
export function useFitPlot({ trials, fitted }: { trials: readonly FitTrial[]; fitted: FittedHand }) {
  const { fit, leftOut } = fitted
  const shown = trials.filter((t) => !leftOut.includes(t))
  const mostBits = Math.max(1, ...trials.map(bitsOf)) * 1.05
  const ends = Object.values(fit.fingerFactors).map((f) => fit.pressMs + f * fit.msPerBit * mostBits)
  const mostMs = Math.max(200, ...shown.map((t) => t.timeMs), ...ends) * 1.08
  const x = scaleLinear([0, mostBits], [edge.left, width - edge.right])
  const y = scaleLinear([0, mostMs], [height - edge.bottom, edge.top])
  const draw = line<readonly [number, number]>(
    (d) => x(d[0]),
    (d) => y(d[1]),
  )
  return { shown, y, x, fit, draw, mostBits, leftOut }
}

export type FitPlotView = ReturnType<typeof useFitPlot>
