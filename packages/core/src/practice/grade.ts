import { longestAnswerMs, type Answer, type AskedKind } from './answer.js'

/** How an answer went: not right, right after long thought, right, and right at once. */
export const grades = ['missed', 'slow', 'right', 'quick'] as const
export type Grade = (typeof grades)[number]

/** Right answers of a kind before times are judged at all, and the latest that are looked at. Assumed. */
const enough = 20
const latest = 200
/** Quantiles are looked up anew after so many more. */
const anewAfter = 10
/** Quantiles of the person's own times that part quick from right, and right from slow. Assumed. */
const quickBelow = 0.25
const slowAbove = 0.85

/** The person's own times of right answers of one kind, ms. */
export interface OwnTimes {
  readonly quickMs: number
  readonly slowMs: number
}

/** Grades answers as they come: each against the right ones of its kind before it. */
export class Grader {
  readonly #times = new Map<AskedKind, number[]>()
  readonly #own = new Map<AskedKind, { readonly of: number; readonly times: OwnTimes }>()

  /** null until enough of the kind were right */
  timesOf(kind: AskedKind): OwnTimes | null {
    const times = this.#times.get(kind)
    if (!times || times.length < enough) return null
    const known = this.#own.get(kind)
    if (known && times.length - known.of < anewAfter) return known.times
    const sorted = Float64Array.from(times.slice(-latest)).sort()
    const at = (share: number): number => sorted[Math.floor(share * (sorted.length - 1))] as number
    const own = { quickMs: at(quickBelow), slowMs: at(slowAbove) }
    this.#own.set(kind, { of: times.length, times: own })
    return own
  }

  grade({ kind, ms, right }: Answer): Grade {
    const own = this.timesOf(kind)
    if (right && ms <= longestAnswerMs) {
      const times = this.#times.get(kind)
      if (times) times.push(ms)
      else this.#times.set(kind, [ms])
    }
    if (!right) return 'missed'
    if (!own) return 'right'
    return ms <= own.quickMs ? 'quick' : ms > own.slowMs ? 'slow' : 'right'
  }
}
