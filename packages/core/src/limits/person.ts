import type { OwnReach } from '../bench/index.js'
import { normal } from '../deviates.js'

/**
 * What may differ between a person's reach and the average hand's, each as a factor, with the spread of its logarithm among people.
 * Assumed: 12 to 20 %.
 */
export const traits = [
  { name: 'radius', spread: 0.16 },
  { name: 'thumb', spread: 0.12 },
  { name: 'index', spread: 0.12 },
  { name: 'middle', spread: 0.12 },
  { name: 'ring', spread: 0.12 },
  { name: 'little', spread: 0.12 },
  { name: 'forward', spread: 0.12 },
  { name: 'back', spread: 0.12 },
  { name: 'in', spread: 0.12 },
  { name: 'out', spread: 0.12 },
  { name: 'span', spread: 0.12 },
  { name: 'shift', spread: 0.18 },
  { name: 'turn', spread: 0.18 },
  { name: 'easy', spread: 0.16 },
  { name: 'stretch', spread: 0.16 },
] as const

/** Logarithms of a person's factors, in the order of `traits`; all 0 for the average hand. */
export type Person = Float64Array

export const averagePerson = (): Person => new Float64Array(traits.length)

/** A person drawn from all people. */
export const drawnPerson = (seed: number): Person =>
  Float64Array.from(traits, ({ name, spread }) => spread * normal(seed, `person ${name}`))

/** Half the squared distance from the average hand in spreads: how unlikely a person is before anything is asked. */
export const oddity = (person: Person): number =>
  traits.reduce((sum, { spread }, i) => sum + ((person[i] as number) / spread) ** 2 / 2, 0)

/** The factors of a person, as the plan keeps them; without what they rest on. */
export function factorsOf(person: Person): Omit<OwnReach, 'answers' | 'agreement'> {
  const of = (name: (typeof traits)[number]['name']): number =>
    Math.exp(person[traits.findIndex((t) => t.name === name)] as number)
  return {
    radius: of('radius'),
    fingers: {
      thumb: of('thumb'),
      index: of('index'),
      middle: of('middle'),
      ring: of('ring'),
      little: of('little'),
    },
    directions: { forward: of('forward'), back: of('back'), in: of('in'), out: of('out') },
    span: of('span'),
    shift: of('shift'),
    turn: of('turn'),
    easy: of('easy'),
    stretch: of('stretch'),
  }
}
