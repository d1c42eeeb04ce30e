import { CoreError } from '../../src/errors.js'
import { randomInts } from '../../src/solve/index.js'

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
  const search = new TabuSearch(problem, randomInts(seed))
  for (let move = 1; move <= moves && problem.size > 1; move++) search.step(move)
  return { placeOf: search.best, cost: quadraticCost(problem, search.best) }
}

/** Two things that change places. */
interface Exchange {
  i: number
  j: number
  gain: number
}

class TabuSearch {
  best: Int32Array
  private bestCost = Infinity
  private readonly placeOf: Int32Array
  private readonly gains: Float64Array
  /** move at which i may go to place a again */
  private readonly tabuUntil: Int32Array
  private readonly scratch: Scratch
  private readonly matrices: Matrices
  private readonly exchange: Exchange = { i: -1, j: -1, gain: 0 }
  private cost = 0
  private bestOfStart = 0
  private lastBetter = 0

  constructor(
    private readonly problem: QuadraticProblem,
    private readonly random: (below: number) => number,
  ) {
    const { size: n, flow, distance } = problem
    this.placeOf = new Int32Array(n)
    this.best = new Int32Array(n)
    this.gains = new Float64Array(n * n)
    this.tabuUntil = new Int32Array(n * n)
    this.scratch = scratchFor(n)
    this.matrices = { n, flow, flowTo: transpose(flow, n), distance, distanceTo: transpose(distance, n) }
    this.begin(0)
  }

  /** Makes one exchange, after a new start where nothing has got better for long. */
  step(move: number): void {
    const n = this.problem.size
    if (move - this.lastBetter > patience(n)) this.begin(move)
    this.chooseExchange(move)
    const { i, j, gain } = this.exchange
    if (i === -1) return
    const { placeOf, tabuUntil, random } = this
    const [a, b] = [placeOf[i] as number, placeOf[j] as number]
    placeOf[i] = b
    placeOf[j] = a
    this.cost += gain
    tabuUntil[i * n + a] = move + shortTabu(n, random)
    tabuUntil[j * n + b] = move + shortTabu(n, random)
    if (this.cost < this.bestOfStart - 1e-9) {
      this.bestOfStart = this.cost
      this.lastBetter = move
      this.keep()
    }
    updateGains(this.matrices, placeOf, this.gains, this.scratch, i, j)
  }

  private begin(move: number): void {
    const { placeOf, gains, matrices, random } = this
    const { n } = matrices
    for (let i = 0; i < n; i++) placeOf[i] = i
    for (let i = n - 1; i > 0; i--) {
      const j = random(i + 1)
      const other = placeOf[i] as number
      placeOf[i] = placeOf[j] as number
      placeOf[j] = other
    }
    this.cost = quadraticCost(this.problem, placeOf)
    this.bestOfStart = this.cost
    this.lastBetter = move
    this.tabuUntil.fill(-longTabu(n))
    for (let i = 0; i < n; i++)
      for (let j = i + 1; j < n; j++) gains[i * n + j] = exchangeGain(matrices, placeOf, i, j)
    this.keep()
  }

  private keep(): void {
    if (this.cost >= this.bestCost - 1e-9) return
    this.best = this.placeOf.slice()
    this.bestCost = this.cost
  }

  /** The best exchange that may be made; one that is wanted for itself comes before all others. */
  private chooseExchange(move: number): void {
    // read once: the inner loop is where all the time goes
    const { placeOf, gains, tabuUntil, exchange } = this
    const { linear } = this.problem
    const { n } = this.matrices
    const stale = move - longTabu(n)
    const enough = this.bestOfStart - 1e-9 - this.cost
    let least = Infinity
    let forced = false
    exchange.i = -1
    for (let i = 0; i < n - 1; i++) {
      const a = placeOf[i] as number
      const row = i * n
      for (let j = i + 1; j < n; j++) {
        const gain = linear
          ? (gains[row + j] as number) + linearGain(linear, n, placeOf, i, j)
          : (gains[row + j] as number)
        // once a move is wanted for itself, only a better one is looked at
        if (forced && gain >= least) continue
        const ti = tabuUntil[row + (placeOf[j] as number)] as number
        const tj = tabuUntil[j * n + a] as number
        const wanted = (ti < stale && tj < stale) || gain < enough
        if (!wanted && (forced || (ti >= move && tj >= move) || gain >= least)) continue
        if (wanted && !forced) forced = true
        exchange.i = i
        exchange.j = j
        least = gain
      }
    }
    exchange.gain = least
  }
}

/** What exchanging the places of i and j adds to the linear part. */
function linearGain(linear: Float64Array, n: number, placeOf: Int32Array, i: number, j: number): number {
  const [a, b] = [placeOf[i] as number, placeOf[j] as number]
  return (
    (linear[i * n + b] as number) +
    (linear[j * n + a] as number) -
    (linear[i * n + a] as number) -
    (linear[j * n + b] as number)
  )
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
