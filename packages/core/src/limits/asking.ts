import type { Control, OwnReach } from '../bench/index.js'
import { reachSolver, withOwnReach, type HandAtRest, type ReachSolver } from '../hand/index.js'
import { answerChances, feltAs, felts, type Felt } from './answers.js'
import { averagePerson, drawnPerson, factorsOf, oddity, traits, type Person } from './person.js'

/** A chord that a person is asked about: the controls that are pressed together. */
export type AskedChord = readonly string[]

/** What somebody has said of a chord. */
export interface Answer {
  readonly chord: AskedChord
  readonly felt: Felt
}

/** How many hands are drawn to choose questions by. */
const usualPeople = 200

/** A solver for a person over some controls. */
export const personSolver = (hand: HandAtRest, controls: readonly Control[], person: Person): ReachSolver =>
  reachSolver(hand, controls, (model) =>
    withOwnReach(model, { ...factorsOf(person), answers: 1, agreement: { before: 0, after: 0 } }),
  )

/**
 * Questions by which a person's reach is learned. Hands are drawn from all people; each is as likely as the answers make it; asked is the
 * chord about which they disagree most, beyond what each of them doubts itself (expected information).
 */
export interface Asking {
  readonly chords: readonly AskedChord[]
  /** the chord whose answer tells most, of those neither answered nor passed over; null when there is none left */
  next(answers: readonly Answer[], passed?: readonly AskedChord[]): AskedChord | null
}

/**
 * Prepares questions about some chords, as a generator that yields the share that is done.
 * @param hand  a hand at rest, without factors of its own
 */
export function* beginAsking(
  hand: HandAtRest,
  controls: readonly Control[],
  chords: readonly AskedChord[],
  { people = usualPeople, seed = 1 }: { readonly people?: number; readonly seed?: number } = {},
): Generator<number, Asking, void> {
  // chances of each answer to each chord by each person
  const table: Float64Array[] = []
  for (let p = 0; p < people; p++) {
    yield p / people
    const solver = personSolver(hand, controls, drawnPerson(Math.imul(seed, 0x9e3779b9) ^ (p + 1)))
    const row = new Float64Array(chords.length * felts.length)
    chords.forEach((chord, c) =>
      row.set(answerChances(solver.reachControls(chord), solver.hand), c * felts.length),
    )
    table.push(row)
  }
  const numberOf = new Map(chords.map((chord, c) => [chord.join(' '), c]))
  return {
    chords,
    next(answers, passed = []) {
      const asked = new Set(
        [...answers.map((a) => a.chord), ...passed].map((chord) => numberOf.get(chord.join(' '))),
      )
      const weights = weightsOf(table, answers, numberOf)
      let best: AskedChord | null = null
      let most = -Infinity
      chords.forEach((chord, c) => {
        if (asked.has(c)) return
        const told = information(table, weights, c)
        if (told > most) {
          most = told
          best = chord
        }
      })
      return best
    },
  }
}

/** How likely each drawn person is by the answers; they add up to 1. */
function weightsOf(
  table: readonly Float64Array[],
  answers: readonly Answer[],
  numberOf: ReadonlyMap<string, number>,
): Float64Array {
  const logs = Float64Array.from(table, (row) =>
    answers.reduce((sum, { chord, felt }) => {
      const c = numberOf.get(chord.join(' '))
      return c === undefined ? sum : sum + Math.log(row[c * felts.length + felts.indexOf(felt)] as number)
    }, 0),
  )
  // few drawn people fit many answers: the likelihood is flattened, so that more than one of them goes on choosing
  const flat = 1 / Math.sqrt(1 + answers.length / 8)
  const largest = Math.max(...logs)
  const weights = logs.map((log) => Math.exp(flat * (log - largest)))
  const total = weights.reduce((sum, w) => sum + w, 0)
  return weights.map((w) => w / total)
}

const entropy = (p: number): number => (p > 0 ? -p * Math.log(p) : 0)

/** How much an answer to a chord would tell which person it is, nats. */
function information(table: readonly Float64Array[], weights: Float64Array, c: number): number {
  let told = 0
  for (let k = 0; k < felts.length; k++) {
    let mean = 0
    let own = 0
    for (let p = 0; p < table.length; p++) {
      const chance = (table[p] as Float64Array)[c * felts.length + k] as number
      mean += (weights[p] as number) * chance
      own += (weights[p] as number) * entropy(chance)
    }
    told += entropy(mean) - own
  }
  return told
}

/** A person's factors from answers, with the share of answers that agree before and after. */
interface FittedReach {
  readonly person: Person
  readonly reach: OwnReach
}

const firstStep = 0.12
const leastStep = 0.02
/** Each factor is gone through so many times at most with a step. */
const mostRounds = 3

/**
 * The most likely person by the answers, with the average hand as what is expected before: each factor in turn is moved by smaller and
 * smaller steps as long as that makes the answers more likely.
 */
export function fitReach(
  hand: HandAtRest,
  controls: readonly Control[],
  answers: readonly Answer[],
): FittedReach {
  const unlikeliness = (person: Person): number => {
    const solver = personSolver(hand, controls, person)
    return answers.reduce((sum, { chord, felt }) => {
      const chance = answerChances(solver.reachControls(chord), solver.hand)[felts.indexOf(felt)] as number
      return sum - Math.log(chance)
    }, oddity(person))
  }
  const person = averagePerson()
  let least = unlikeliness(person)
  for (let step = firstStep; step >= leastStep; step /= 2) {
    let hasMoved = true
    for (let round = 0; hasMoved && round < mostRounds; round++) {
      hasMoved = false
      for (let t = 0; t < traits.length; t++)
        for (const by of [step, -step]) {
          const before = person[t] as number
          person[t] = before + by
          const now = unlikeliness(person)
          if (now < least - 1e-9) {
            least = now
            hasMoved = true
          } else person[t] = before
        }
    }
  }
  return {
    person,
    reach: {
      ...factorsOf(person),
      answers: answers.length,
      agreement: {
        before: agreementOf(personSolver(hand, controls, averagePerson()), answers),
        after: agreementOf(personSolver(hand, controls, person), answers),
      },
    },
  }
}

/** Share of answers that are those of a hand. */
function agreementOf(solver: ReachSolver, answers: readonly Answer[]): number {
  if (answers.length === 0) return 1
  const agreed = answers.filter((a) => feltAs(solver.reachControls(a.chord).verdict) === a.felt).length
  return agreed / answers.length
}

/** Shares of answers that were foretold from the others, by the average hand and by the fitted one. */
export interface Foretold {
  readonly before: number
  readonly after: number
}

/**
 * How well a fit foretells what it has not seen: each answer is left out in turn and foretold from the rest. Yields the share that is done.
 * @param answers  two at least
 */
export function* leaveOneOut(
  hand: HandAtRest,
  controls: readonly Control[],
  answers: readonly Answer[],
): Generator<number, Foretold, void> {
  let after = 0
  for (const [i, left] of answers.entries()) {
    yield i / answers.length
    const { person } = fitReach(
      hand,
      controls,
      answers.filter((a) => a !== left),
    )
    after += agreementOf(personSolver(hand, controls, person), [left])
  }
  return {
    before: agreementOf(personSolver(hand, controls, averagePerson()), answers),
    after: after / answers.length,
  }
}
