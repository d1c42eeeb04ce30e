import Papa from 'papaparse'
import { fingers, fitHand, type Finger, type FitTrial } from '@reach-plot/core'
import { readTextFile, rounded, usageError } from '../io.js'
import { defineVerb } from '../verb.js'

const maxBytes = 5_000_000

/** Fits a hand's constants to measured presses. */
export const verb = defineVerb({
  name: 'fit',
  summary: 'constants of one hand from measured presses',
  files: 'PRESSES.csv',
  options: {},
  run({ files }) {
    const [path] = files
    if (path === undefined) throw usageError('a file of presses is missing', 'name a CSV file')
    const { data } = Papa.parse<Record<string, string>>(readTextFile(path, maxBytes), {
      header: true,
      skipEmptyLines: true,
    })
    const trials = data.map((row, i): FitTrial => {
      const finger = fingers.find((f) => f === row['finger'])
      const [distanceMm, widthMm, timeMs] = ['distanceMm', 'widthMm', 'timeMs'].map((name) =>
        Number(row[name]),
      )
      if (!finger || !(distanceMm! >= 0) || !(widthMm! > 0) || !(timeMs! > 0))
        throw usageError(
          `line ${i + 2} of ${path} is no press`,
          `write a finger (${fingers.join(', ')}) and three positive numbers under finger,distanceMm,widthMm,timeMs`,
        )
      return { finger: finger as Finger, distanceMm: distanceMm!, widthMm: widthMm!, timeMs: timeMs! }
    })
    const { fit, leftOut, explained } = fitHand(trials)
    const factors = Object.entries(fit.fingerFactors).map(([f, factor]) => [f, rounded(factor, 3)] as const)
    return {
      value: {
        pressMs: rounded(fit.pressMs, 2),
        msPerBit: rounded(fit.msPerBit, 2),
        fingerFactors: Object.fromEntries(factors),
        residualMs: rounded(fit.residualMs, 2),
        explained: rounded(explained),
        presses: fit.presses,
        leftOut: leftOut.length,
      },
      text: [
        `press ${rounded(fit.pressMs, 0)} ms, ${rounded(fit.msPerBit, 0)} ms a bit, from ${fit.presses} presses, ${leftOut.length} left out`,
        ...factors.map(([f, factor]) => `  ${f}: × ${factor}`),
      ].join('\n'),
    }
  },
})
