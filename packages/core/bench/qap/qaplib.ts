import { CoreError } from '../../src/errors.js'
import type { QuadraticProblem } from './quadratic.js'

const largest = 256

/**
 * Reads an instance as the QAPLIB of Burkard, Karisch and Rendl writes it: the size, then two matrices, as numbers
 * between any white space.
 * @throws CoreError `QAP_UNREADABLE`
 */
export function readQap(text: string, fileName = 'instance'): QuadraticProblem {
  const words = text.split(/\s+/).filter(Boolean)
  const numbers = words.map(Number)
  const fail = (what: string): never => {
    throw new CoreError('QAP_UNREADABLE', {
      where: [fileName],
      what,
      remedy: 'write the size n, then two matrices of n x n numbers',
    })
  }
  const bad = numbers.findIndex((x) => !Number.isFinite(x))
  if (bad !== -1) fail(`"${words[bad]?.slice(0, 20)}" is no number`)
  const size = numbers[0] ?? 0
  if (!Number.isInteger(size) || size < 1 || size > largest) fail(`the size must be from 1 to ${largest}`)
  const wanted = 1 + 2 * size * size
  if (numbers.length !== wanted)
    fail(`a size of ${size} needs ${wanted - 1} numbers, not ${numbers.length - 1}`)
  return {
    size,
    flow: Float64Array.from(numbers.slice(1, 1 + size * size)),
    distance: Float64Array.from(numbers.slice(1 + size * size)),
  }
}
