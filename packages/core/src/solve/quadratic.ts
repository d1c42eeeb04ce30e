import { CoreError } from '../errors.js'
import { randomInts } from './random.js'

/** Things to be put on as many places: Σ flow(i, j) · distance(p(i), p(j)) + Σ linear(i, p(i)) is to be least. */
export interface QuadraticProblem {
  readonly size: number
  /** row-major, size x size: what goes from i to j */
  readonly flow: Float64Array
  /** row-major, size x size: how far place a is from place b */
  readonly distance: Float64Array
  /** row-major, size x size: cost of i on place a; none where left out */
  readonly linear?: Float64Array
}

export interface QuadraticOptions {
  readonly seed: number
  /** exchanges in all; the work is bounded by moves and never by the clock, so that a seed repeats exactly */
  readonly moves: number
}

export const defaultQuadraticOptions: QuadraticOptions = Object.freeze({ seed: 1, moves: 52_000 })

export interface QuadraticAnswer {
  /** place of each thing */
  readonly placeOf: Int32Array
  readonly cost: number
}

/** An exchange that is better than the best so far is made even when it is tabu; one not tried for this many moves too. */
const longTabu = (size: number): number => 5 * size * size
/** A new start after this many moves without a better answer. Assumed. */
const patience = (size: number): number => 400 * size

/** The cost of an answer, from the beginning. */
export function quadraticCost(
  { size: n, flow, distance, linear }: QuadraticProblem,
  placeOf: ArrayLike<number>,
): number {
  let cost = 0
  for (let i = 0; i < n; i++) {
    const p = placeOf[i] as number
    if (linear) cost += linear[i * n + p] as number
    for (let j = 0; j < n; j++)
      cost += (flow[i * n + j] as number) * (distance[p * n + (placeOf[j] as number)] as number)
  }
  return cost
}

/**
 * Robust tabu search (Taillard 1991): always the best exchange that is not tabu, with the gains of all exchanges kept
 * up to date, and a new start where nothing gets better. The same seed gives the same answer.
 * @throws CoreError `QAP_SHAPE` when a matrix does not have size x size numbers
 */
export function solveQuadratic(
  problem: QuadraticProblem,
  { seed, moves }: QuadraticOptions = defaultQuadraticOptions,
): QuadraticAnswer {
  checkShape(problem)
  const { size: n, flow, distance, linear } = problem
  const random = randomInts(seed)
  const placeOf = new Int32Array(n)
  const gains = new Float64Array(n * n)
  /** move at which i may go to place a again */
  const tabuUntil = new Int32Array(n * n)
  const scratch = scratchFor(n)
  const matrices: Matrices = {
    n,
    flow,
    flowTo: transpose(flow, n),
    distance,
    distanceTo: transpose(distance, n),
  }
  const long = longTabu(n)
  let best: QuadraticAnswer | null = null
  let cost = 0
  let bestOfStart = 0
  let lastBetter = 0

  const linearGain = (i: number, j: number): number => {
    if (!linear) return 0
    const [a, b] = [placeOf[i] as number, placeOf[j] as number]
    return (
      (linear[i * n + b] as number) +
      (linear[j * n + a] as number) -
      (linear[i * n + a] as number) -
      (linear[j * n + b] as number)
    )
  }
  const begin = (move: number): void => {
    for (let i = 0; i < n; i++) placeOf[i] = i
    for (let i = n - 1; i > 0; i--) {
      const j = random(i + 1)
      const reserved = placeOf[i] as number
      placeOf[i] = placeOf[j] as number
      placeOf[j] = reserved
    }
    cost = quadraticCost(problem, placeOf)
    bestOfStart = cost
    lastBetter = move
    tabuUntil.fill(-longTabu(n))
    for (let i = 0; i < n; i++)
      for (let j = i + 1; j < n; j++) gains[i * n + j] = exchangeGain(matrices, placeOf, i, j)
    keep()
  }
  const keep = (): void => {
    if (!best || cost < best.cost - 1e-9) best = { placeOf: placeOf.slice(), cost }
  }

  begin(0)
  for (let move = 1; move <= moves && n > 1; move++) {
    if (move - lastBetter > patience(n)) begin(move)
    let bestI = -1
    let bestJ = -1
    let least = Infinity
    let forced = false
    const stale = move - long
    // read once: what closures share is slow to read in the inner loop
    const enough = bestOfStart - 1e-9 - cost
    for (let i = 0; i < n - 1; i++) {
      const a = placeOf[i] as number
      const row = i * n
      for (let j = i + 1; j < n; j++) {
        const gain = linear ? (gains[row + j] as number) + linearGain(i, j) : (gains[row + j] as number)
        // once a move is wanted for itself, only a better one is looked at
        if (forced && gain >= least) continue
        const ti = tabuUntil[row + (placeOf[j] as number)] as number
        const tj = tabuUntil[j * n + a] as number
        const allowed = ti < move || tj < move
        const wanted = (ti < stale && tj < stale) || gain < enough
        if (wanted && !forced) {
          forced = true
          bestI = i
          bestJ = j
          least = gain
        } else if ((wanted || (allowed && !forced)) && gain < least) {
          bestI = i
          bestJ = j
          least = gain
        }
      }
    }
    if (bestI === -1) continue
    const [a, b] = [placeOf[bestI] as number, placeOf[bestJ] as number]
    placeOf[bestI] = b
    placeOf[bestJ] = a
    cost += least
    tabuUntil[bestI * n + a] = move + shortTabu(n, random)
    tabuUntil[bestJ * n + b] = move + shortTabu(n, random)
    if (cost < bestOfStart - 1e-9) {
      bestOfStart = cost
      lastBetter = move
      keep()
    }
    updateGains(matrices, placeOf, gains, scratch, bestI, bestJ)
  }
  const found = best as unknown as QuadraticAnswer
  return { placeOf: found.placeOf, cost: quadraticCost(problem, found.placeOf) }
}

/** Exchanges stay tabu for about as many moves as there are things, by Taillard's spread of a tenth. */
const shortTabu = (n: number, random: (below: number) => number): number => {
  const least = Math.floor(0.9 * n)
  return least + random(Math.max(1, Math.ceil(1.1 * n) - least + 1))
}

/** The matrices, and themselves turned over, so that the inner loops only walk along rows. */
interface Matrices {
  readonly n: number
  readonly flow: Float64Array
  readonly flowTo: Float64Array
  readonly distance: Float64Array
  readonly distanceTo: Float64Array
}

function transpose(matrix: Float64Array, n: number): Float64Array {
  const out = new Float64Array(n * n)
  for (let i = 0; i < n; i++) for (let j = 0; j < n; j++) out[j * n + i] = matrix[i * n + j] as number
  return out
}

/** What exchanging the places of r and s adds to the quadratic part. */
function exchangeGain(
  { n, flow, flowTo, distance, distanceTo }: Matrices,
  placeOf: Int32Array,
  r: number,
  s: number,
): number {
  const a = placeOf[r] as number
  const b = placeOf[s] as number
  const [atR, atS, atA, atB] = [r * n, s * n, a * n, b * n]
  let gain =
    ((flow[atR + r] as number) - (flow[atS + s] as number)) *
      ((distance[atB + b] as number) - (distance[atA + a] as number)) +
    ((flow[atR + s] as number) - (flow[atS + r] as number)) *
      ((distance[atB + a] as number) - (distance[atA + b] as number))
  for (let k = 0; k < n; k++) {
    if (k === r || k === s) continue
    const c = placeOf[k] as number
    gain +=
      ((flowTo[atR + k] as number) - (flowTo[atS + k] as number)) *
        ((distanceTo[atB + c] as number) - (distanceTo[atA + c] as number)) +
      ((flow[atR + k] as number) - (flow[atS + k] as number)) *
        ((distance[atB + c] as number) - (distance[atA + c] as number))
  }
  return gain
}

/** What the two that changed places mean for each other thing, and for its place; filled anew with every move. */
interface Scratch {
  readonly flowTo: Float64Array
  readonly flowFrom: Float64Array
  readonly distanceTo: Float64Array
  readonly distanceFrom: Float64Array
}

const scratchFor = (n: number): Scratch => ({
  flowTo: new Float64Array(n),
  flowFrom: new Float64Array(n),
  distanceTo: new Float64Array(n),
  distanceFrom: new Float64Array(n),
})

/** Gains after r and s have changed places: pairs with neither of them in constant time, the others anew. */
function updateGains(
  matrices: Matrices,
  placeOf: Int32Array,
  gains: Float64Array,
  { flowTo, flowFrom, distanceTo, distanceFrom }: Scratch,
  r: number,
  s: number,
): void {
  const { n } = matrices
  const [atR, atS, atA, atB] = [r * n, s * n, (placeOf[r] as number) * n, (placeOf[s] as number) * n]
  for (let k = 0; k < n; k++) {
    const p = placeOf[k] as number
    flowTo[k] = (matrices.flow[atR + k] as number) - (matrices.flow[atS + k] as number)
    flowFrom[k] = (matrices.flowTo[atR + k] as number) - (matrices.flowTo[atS + k] as number)
    distanceTo[k] = (matrices.distance[atB + p] as number) - (matrices.distance[atA + p] as number)
    distanceFrom[k] = (matrices.distanceTo[atB + p] as number) - (matrices.distanceTo[atA + p] as number)
  }
  for (let i = 0; i < n - 1; i++) {
    if (i === r || i === s) continue
    const row = i * n
    const fi = flowTo[i] as number
    const gi = flowFrom[i] as number
    const di = distanceTo[i] as number
    const ei = distanceFrom[i] as number
    // the pairs with r and s among these are put right afterwards
    for (let j = i + 1; j < n; j++)
      gains[row + j] =
        (gains[row + j] as number) +
        (fi - (flowTo[j] as number)) * (di - (distanceTo[j] as number)) +
        (gi - (flowFrom[j] as number)) * (ei - (distanceFrom[j] as number))
  }
  for (let k = 0; k < n; k++) {
    if (k !== r) gains[Math.min(k, r) * n + Math.max(k, r)] = exchangeGain(matrices, placeOf, k, r)
    if (k !== s) gains[Math.min(k, s) * n + Math.max(k, s)] = exchangeGain(matrices, placeOf, k, s)
  }
}

function checkShape({ size, flow, distance, linear }: QuadraticProblem): void {
  const wanted = size * size
  const wrong = [flow.length, distance.length, linear?.length ?? wanted].find((length) => length !== wanted)
  if (size >= 1 && wrong === undefined) return
  throw new CoreError('QAP_SHAPE', {
    where: ['size'],
    what: `${size} things need matrices of ${wanted} numbers, one has ${wrong ?? 0}`,
    remedy: 'give size x size numbers for each matrix',
  })
}
