import { slipShare, slipsAround, type SlipEnv } from '../clashes/index.js'
import { deviations90 } from '../deviates.js'
import { middleOf } from '../middle.js'
import type { OwnFigures, OwnLearning, OwnSlip, OwnSlips } from '../plan/index.js'
import { triggerKey } from '../triggers/index.js'
import { isOwnPress, longestAnswerMs, type Answer } from './answer.js'
import { cardKey } from './cards.js'
import { confusionsOf } from './confusions.js'

/** Answers before a person's own figures are offered in place of what is assumed. */
export const enoughForOwn = 200

/** A wrong press counts as a slip once its key was right so often before; earlier ones are of learning. Assumed. */
const rightBefore = 2
/** How many presses beside a key what is assumed weighs. Assumed. */
const priorPresses = 500
/** A pair is mixed up when it was pressed so often, and its chance is surely so many times what lies there otherwise. Assumed. */
const pairTimes = 3
const pairFactor = 5

/**
 * What practice has measured of a person: chances of slips, and what learning costs.
 * @returns null with fewer than `enoughForOwn` answers
 */
export function ownFigures(answers: readonly Answer[], env: SlipEnv): OwnFigures | null {
  const asked = answers.filter(isOwnPress)
  if (asked.length < enoughForOwn) return null
  const learning = ownLearning(asked)
  return { answers: asked.length, slips: ownSlips(asked, env), ...(learning && { learning }) }
}

/** Answers to keys that were known by then, in the order of time. */
function ofKnown(answers: readonly Answer[]): Answer[] {
  const right = new Map<string, number>()
  return answers.filter((answer) => {
    const key = cardKey(answer.commandId, answer.trigger)
    const before = right.get(key) ?? 0
    if (answer.right) right.set(key, before + 1)
    return before >= rightBefore
  })
}

function ownSlips(answers: readonly Answer[], env: SlipEnv): OwnSlips {
  const plain: SlipEnv = { controls: env.controls }
  const known = ofKnown(answers)
  // chances that a press meets one certain key, by how it lies: so many presses that could have, and those that did
  const could = { nextDoor: 0, farther: 0 }
  const did = { nextDoor: 0, farther: 0 }
  const around = new Map<string, ReadonlyMap<string, 'nextDoor' | 'farther'>>()
  for (const { trigger, pressed, right } of known) {
    const key = triggerKey(trigger)
    let near = around.get(key)
    if (!near) {
      near = new Map(
        slipsAround(trigger, plain).map((slip) => [
          triggerKey(slip.trigger),
          slip.share === slipShare.nextDoor ? 'nextDoor' : 'farther',
        ]),
      )
      around.set(key, near)
    }
    for (const how of near.values()) could[how]++
    const how = right || pressed === null ? undefined : near.get(triggerKey(pressed))
    if (how) did[how]++
  }
  const rateOf = (how: 'nextDoor' | 'farther'): number =>
    (did[how] + slipShare[how] * priorPresses) / (could[how] + priorPresses)
  const rates = { nextDoor: rateOf('nextDoor'), farther: rateOf('farther') }
  const pairs = confusionsOf(known).flatMap((c): OwnSlip[] => {
    const how = around.get(triggerKey(c.asked))?.get(triggerKey(c.pressed))
    const usual = how ? rates[how] : slipShare.farther
    return c.times >= pairTimes && c.chance.low > pairFactor * usual
      ? [{ asked: c.asked, pressed: c.pressed, share: c.chance.mean }]
      : []
  })
  return { ...rates, pairs: pairs.slice(0, 500) }
}

/** So many asks of a key are its learning. */
const learningAsks = 20
/** Keys of which the whole course was seen, before it is told. Assumed. */
const enoughKeys = 8
/** Keys are left out in so many groups, to tell how far what was found hangs on them. */
const mostGroups = 20
/** Exponents of the power law that are tried. */
const exponents = Array.from({ length: 30 }, (_, i) => 0.1 * (i + 1))

/**
 * A person's own course of learning: by the power law of practice (Newell and Rosenbloom 1981, from memory) the n-th ask of a key takes
 * a + b·n^−c; the b is what the first takes more, and Σ n^−c as many uses of that. Fitted by least squares to the middle of each ask over
 * keys; a wrong answer counts as long as what the person waited and once the usual look-up more. The range is by leaving keys out in turn, in groups.
 * @returns null where too few keys were asked often enough
 */
export function ownLearning(answers: readonly Answer[]): OwnLearning | null {
  const courses = coursesOf(answers)
  if (courses.length < enoughKeys) return null
  const whole = fitCourse(courses)
  if (!whole) return null
  // the jackknife, by groups of keys: each left out once
  const groups = Math.min(courses.length, mostGroups)
  const products = Array.from({ length: groups }, (_, g) =>
    fitCourse(courses.filter((_course, i) => i % groups !== g)),
  ).flatMap((without) => (without ? [Math.log(Math.max(1, without.uses * without.ms))] : []))
  const mean = products.reduce((sum, p) => sum + p, 0) / products.length
  const n = products.length
  const variance = ((n - 1) / n) * products.reduce((sum, p) => sum + (p - mean) ** 2, 0)
  const factor = Math.min(100, Math.exp(deviations90 * Math.sqrt(variance)))
  return { ...whole, low: 1 / factor, high: factor }
}

/** The asks of each key from its first on, ms. */
function coursesOf(answers: readonly Answer[]): number[][] {
  const byKey = new Map<string, number[]>()
  for (const { commandId, trigger, ms, right } of answers) {
    if (ms > longestAnswerMs) continue
    const key = cardKey(commandId, trigger)
    const course = byKey.get(key) ?? []
    course.push(right ? ms : ms + lookUpMs)
    byKey.set(key, course)
  }
  return [...byKey.values()].filter((c) => c.length >= 4).map((c) => c.slice(0, learningAsks))
}

/** What a wrong answer takes more: the place is shown and pressed. M and a press, assumed. */
const lookUpMs = 1550

function fitCourse(courses: readonly (readonly number[])[]): Pick<OwnLearning, 'uses' | 'ms'> | null {
  const most = Math.max(...courses.map((c) => c.length))
  const points = Array.from({ length: most }, (_, i) => courses.flatMap((c) => c[i] ?? []))
    .map((values, i) => ({ n: i + 1, weight: values.length, ms: values.length > 0 ? middleOf(values) : 0 }))
    // the later asks of a few keys tell of those keys
    .filter(({ weight }) => weight >= courses.length / 3)
  if (points.length < 4) return null
  let best: { readonly b: number; readonly c: number; readonly error: number } | null = null
  for (const c of exponents) {
    const { b, error } = lineOn(points.map((p) => ({ ...p, x: p.n ** -c })))
    if (b > 0 && (!best || error < best.error)) best = { b, c, error }
  }
  if (!best) return { uses: 1, ms: 0 }
  const { b, c } = best
  const uses = Array.from({ length: learningAsks }, (_, i) => (i + 1) ** -c).reduce((sum, x) => sum + x, 0)
  return { uses, ms: Math.min(60_000, b) }
}

/** Weighted least squares of ms on x: slope and error. */
function lineOn(points: readonly { readonly x: number; readonly ms: number; readonly weight: number }[]): {
  readonly b: number
  readonly error: number
} {
  const sum = (of: (p: (typeof points)[number]) => number): number =>
    points.reduce((total, p) => total + p.weight * of(p), 0)
  const w = sum(() => 1)
  const [x, y] = [sum((p) => p.x) / w, sum((p) => p.ms) / w]
  const spread = sum((p) => (p.x - x) ** 2)
  const b = spread > 0 ? sum((p) => (p.x - x) * (p.ms - y)) / spread : 0
  return { b, error: sum((p) => (p.ms - y - b * (p.x - x)) ** 2) }
}
