/**
 * A learner that is no scheduler's model: the memory of Pavlik and Anderson (2005, Cognitive Science 29, from memory), with their constants. Every
 * meeting of a key leaves a trace that fades by a power of time, the faster the better it was known just then, which is why practice that is spread
 * holds longer; a key is recalled with a chance that grows with the logarithm of the sum of its traces.
 */
import { randomInts } from '../../src/index.js'

/** Fading of a trace at least, and what it fades the faster by; activation needed; how much it wavers. */
const constants = { leastDecay: 0.177, decayScale: 0.217, threshold: -0.704, noise: 0.255 } as const
/** Time in which nothing is practised counts for so little. */
const restShare = 0.025
/** A look at the sheet, or the way back from a wrong command, s. Assumed. */
const searchS = 4
/** Recall of what is barely known, s: it shortens with activation. Assumed. */
const recallS = 0.6
const leastAgeS = 1
/** Of a key that was met so often, the later traces say all. */
const mostTraces = 30

interface Trace {
  readonly at: number
  readonly decay: number
}

export class Learner {
  readonly #traces = new Map<string, Trace[]>()
  readonly #next: (n: number) => number
  #timeS = 0

  constructor(seed: number) {
    this.#next = randomInts(seed)
  }

  /** One meeting of a key: recalled or looked for. @returns s that it took beyond what a known key takes */
  meet(key: string): { readonly isRight: boolean; readonly extraS: number } {
    const traces = this.#traces.get(key) ?? []
    let sum = 0
    for (const { at, decay } of traces) sum += Math.max(leastAgeS, this.#timeS - at) ** -decay
    const activation = Math.log(sum)
    const chance = 1 / (1 + Math.exp((constants.threshold - activation) / constants.noise))
    const isRight = this.#next(1_000_000) / 1_000_000 < chance
    traces.push({ at: this.#timeS, decay: constants.decayScale * sum + constants.leastDecay })
    if (traces.length > mostTraces) traces.shift()
    this.#traces.set(key, traces)
    return { isRight, extraS: isRight ? recallS * Math.exp(-activation) : searchS }
  }

  /** Time in which it practises. */
  pass(seconds: number): void {
    this.#timeS += seconds
  }

  /** Time in which it does other things. */
  rest(seconds: number): void {
    this.#timeS += restShare * seconds
  }
}
