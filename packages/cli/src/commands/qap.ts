import { defaultQuadraticOptions, readQap, solveQuadratic } from '@reach-plot/core/qap'
import { readTextFile, usageError } from '../io.js'
import { defineVerb, numberOr } from '../verb.js'

const maxBytes = 5_000_000

/** Solves a published quadratic assignment problem with the search that arrangements are improved by. */
export const verb = defineVerb({
  name: 'qap',
  summary: 'a published quadratic assignment problem, solved',
  files: 'FILE.dat',
  options: {
    seed: numberOr(defaultQuadraticOptions.seed, 0, 2 ** 31 - 1, 'the same seed gives the same answer'),
    moves: numberOr(defaultQuadraticOptions.moves, 1, 100_000_000, 'moves of the search'),
  },
  run({ files, options }) {
    const [path] = files
    if (path === undefined) throw usageError('a file is missing', 'name an instance in the form of QAPLIB')
    const { cost, placeOf } = solveQuadratic(readQap(readTextFile(path, maxBytes), path), {
      seed: options.seed,
      moves: options.moves,
    })
    const permutation = Array.from(placeOf, (place) => place + 1)
    return { value: { cost, permutation }, text: `${cost}: ${permutation.join(' ')}` }
  },
})
