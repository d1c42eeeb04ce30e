/**
 * Simulated people: their factors are drawn, their answers waver, and their verdicts on chords that they were not asked about are
 * foretold. The people that questions are chosen by are others.
 */
import { beforeAll, describe, expect, test } from 'vitest'
import { boardControls, homeKeys, reachSolver, type HandModel, type ReachSolver } from '../../src/index.js'
import { uniform } from '../../src/deviates.js'
import { answerChances } from '../../src/limits/answers.js'
import {
  averagePerson,
  beginAsking,
  chordsToAsk,
  drawnPerson,
  feltAs,
  felts,
  fitReach,
  leaveOneOut,
  personSolver,
  type Answer,
  type AskedChord,
  type Asking,
} from '../../src/limits/index.js'

const hand = { side: 'left', spanMm: 190, rests: homeKeys.left } as const
const controls = boardControls('ansi-104', 'windows')
const chords = chordsToAsk(hand, controls, false)
const questions = 24
let asking: Asking

beforeAll(() => {
  const preparing = beginAsking(hand, controls, chords)
  let step = preparing.next()
  while (!step.done) step = preparing.next()
  asking = step.value
})

/** What a simulated person says of a chord: by their own hand, wavering. */
const says = (truth: ReachSolver, chord: AskedChord, seed: number): Answer => {
  const [easy, stretch] = answerChances(truth.reachControls(chord), truth.hand)
  const u = uniform(seed, chord.join(' '))
  return { chord, felt: felts[u < easy ? 0 : u < easy + stretch ? 1 : 2]! }
}

const answersOf = (truth: ReachSolver, seed: number): Answer[] => {
  const answers: Answer[] = []
  while (answers.length < questions) answers.push(says(truth, asking.next(answers)!, seed))
  return answers
}

/** Shares of verdicts on chords that were not asked: by the average hand, and by the fitted one. */
function recovered(truth: ReachSolver, seed: number): { before: number; after: number; unseen: number } {
  const answers = answersOf(truth, seed)
  const asked = new Set(answers.map((a) => a.chord.join(' ')))
  const unseen = chords.filter((chord) => !asked.has(chord.join(' ')))
  const share = (solver: ReachSolver): number =>
    unseen.filter(
      (chord) => feltAs(solver.reachControls(chord).verdict) === feltAs(truth.reachControls(chord).verdict),
    ).length / unseen.length
  return {
    unseen: unseen.length,
    before: share(personSolver(hand, controls, averagePerson())),
    after: share(personSolver(hand, controls, fitReach(hand, controls, answers).person)),
  }
}

const mean = (list: readonly number[]): number => list.reduce((sum, x) => sum + x, 0) / list.length

// tests wait as long as a machine that is many times slower needs
test('thirty people are recovered from 24 answers each', { timeout: 300_000 }, () => {
  const people = Array.from({ length: 30 }, (_, i) =>
    recovered(personSolver(hand, controls, drawnPerson(100_000 + i * 7919)), i + 1),
  )
  expect(people[0]!.unseen).toBeGreaterThan(259)
  expect(mean(people.map((p) => p.before))).toBeLessThan(0.9)
  expect(mean(people.map((p) => p.after))).toBeGreaterThanOrEqual(0.94)
  for (const { before, after } of people) expect(after - before).toBeGreaterThanOrEqual(-0.02)
})

describe('people of another kind than the fitted ones', () => {
  /** Hands whose peculiarity no factor stands for. */
  const kinds: readonly (readonly [string, (model: HandModel, n: number) => HandModel])[] = [
    [
      'a finger that is short in one direction only',
      (m, n) => ({ ...m, weightForward: m.weightForward.map((w, f) => (f === 1 + (n % 4) ? w * 2.2 : w)) }),
    ],
    [
      'a stiff thumb that hardly goes under the palm',
      (m) => ({ ...m, weightOut: m.weightOut.map((w, f) => (f === 0 ? w * 6 : w)) }),
    ],
  ]
  test('are foretold no worse than by the average hand', { timeout: 120_000 }, () => {
    const people = Array.from({ length: 10 }, (_, i) => {
      const [, change] = kinds[i % kinds.length]!
      return recovered(
        reachSolver(hand, controls, (model) => change(model, i)),
        500 + i,
      )
    })
    expect(mean(people.map((p) => p.after))).toBeGreaterThanOrEqual(mean(people.map((p) => p.before)) - 0.02)
  })
})

test('the average hand, asked, stays nearly what it is', () => {
  const average = personSolver(hand, controls, averagePerson())
  const { reach } = fitReach(hand, controls, answersOf(average, 9))
  for (const factor of [reach.radius, reach.span, ...Object.values(reach.fingers)]) {
    expect(factor).toBeGreaterThan(0.75)
    expect(factor).toBeLessThan(1.33)
  }
  expect(reach.answers).toBe(questions)
})

test('what is asked next is never asked again, and ends when all is answered', () => {
  const few = chords.slice(0, 5)
  const preparing = beginAsking(hand, controls, few, { people: 6 })
  let step = preparing.next()
  while (!step.done) step = preparing.next()
  const answers: Answer[] = []
  for (let chord = step.value.next(answers); chord; chord = step.value.next(answers))
    answers.push({ chord, felt: 'easy' })
  expect(new Set(answers.map((a) => a.chord.join(' '))).size).toBe(5)
})

test('leaving one out tells how well the rest foretells it', () => {
  const truth = personSolver(hand, controls, drawnPerson(4))
  const telling = leaveOneOut(hand, controls, answersOf(truth, 4).slice(0, 8))
  let step = telling.next()
  let steps = 0
  while (!step.done) {
    steps++
    step = telling.next()
  }
  expect(steps).toBe(8)
  for (const share of Object.values(step.value)) {
    expect(share).toBeGreaterThanOrEqual(0)
    expect(share).toBeLessThanOrEqual(1)
  }
})
