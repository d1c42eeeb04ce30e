import { defaultQuadraticOptions, readQap, solveQuadratic } from '@reach-plot/core'
import { readTextFile, usageError, type Outcome } from '../io.js'
import { number, readOptions } from '../options.js'

export const help = 'qap FILE.dat [--seed 1] [--moves 52000]'

const maxBytes = 5_000_000

/** Solves a published quadratic assignment problem with the search that arrangements are improved by. */
export function run(args: readonly string[]): Outcome {
  const { options, files } = readOptions(args, ['seed', 'moves'])
  const [path] = files
  if (path === undefined) throw usageError('a file is missing', 'name an instance in the form of QAPLIB')
  const { cost, placeOf } = solveQuadratic(readQap(readTextFile(path, maxBytes), path), {
    seed: number('seed', options['seed'], defaultQuadraticOptions.seed, 0, 2 ** 31 - 1),
    moves: number('moves', options['moves'], defaultQuadraticOptions.moves, 1, 100_000_000),
  })
  const permutation = Array.from(placeOf, (place) => place + 1)
  return { value: { cost, permutation }, text: `${cost}: ${permutation.join(' ')}` }
}
