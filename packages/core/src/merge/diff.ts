import type { Plan } from '../plan/index.js'
import { factsOf, pathText, planOf, type FactPath, type Facts, type Json } from './facts.js'

/** A fact that two plans say differently; undefined where one of them does not say it. */
export interface Difference {
  readonly path: FactPath
  readonly before: Json | undefined
  readonly after: Json | undefined
}

export const sameValue = (a: Json | undefined, b: Json | undefined): boolean =>
  a === b || JSON.stringify(sorted(a)) === JSON.stringify(sorted(b))

/** A value with its fields in one order, so that the order of fields is no difference. */
function sorted(value: Json | undefined): Json | undefined {
  if (Array.isArray(value)) return (value as readonly Json[]).map((v) => sorted(v) as Json)
  if (typeof value !== 'object' || value === null) return value
  return Object.fromEntries(
    Object.entries(value)
      .sort(([a], [b]) => (a < b ? -1 : 1))
      .map(([key, inner]) => [key, sorted(inner) as Json]),
  )
}

/** What is different between two plans, by meaning: the order of lists and fields is none. Empty for a plan and itself. */
export const diffPlans = (before: Plan, after: Plan): Difference[] =>
  diffFacts(factsOf(before), factsOf(after))

export function diffFacts(before: Facts, after: Facts): Difference[] {
  const paths = new Map([...before, ...after].map(([text, { path }]) => [text, path]))
  return [...paths].flatMap(([text, path]): Difference[] => {
    const [was, is] = [before.get(text)?.value, after.get(text)?.value]
    return sameValue(was, is) ? [] : [{ path, before: was, after: is }]
  })
}

/** A plan with differences made: `after` takes the place of what is there. It is not checked. */
export function applyDifferences(plan: Plan, differences: readonly Difference[]): Json {
  const facts = new Map(factsOf(plan))
  for (const { path, after } of differences) {
    if (after === undefined) facts.delete(pathText(path))
    else facts.set(pathText(path), { path, value: after })
  }
  return planOf(facts, plan)
}
