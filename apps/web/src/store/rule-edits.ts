import type { Plan, PlaceWeights, Rules, WordPair } from '@reach-plot/core'
import { shippedWordPairs } from '@reach-plot/core'

/** Edits of what is kept, of weights and of what names have in common, as recipes on an immer draft. */

/** Adds `id` to one list of the rules, or takes it out. */
export function toggleRule(plan: Plan, list: keyof Rules, id: string): void {
  const at = plan.rules[list].indexOf(id)
  if (at === -1) plan.rules[list].push(id)
  else plan.rules[list].splice(at, 1)
}

export function setWeight(plan: Plan, name: keyof PlaceWeights, value: number): void {
  plan.weights[name] = value
}

/** Joins commands into one idea, with the ideas that any of them is in already. */
export function joinIdeas(plan: Plan, ids: readonly string[]): void {
  const { memory } = plan
  const touched = memory.sameIdeas.filter((group) => group.some((id) => ids.includes(id)))
  const group = [...new Set([...touched.flat(), ...ids])]
  memory.sameIdeas = [...memory.sameIdeas.filter((g) => !touched.includes(g)), group]
  memory.otherIdeas = memory.otherIdeas.filter(([a, b]) => !(group.includes(a) && group.includes(b)))
}

/** Says that commands are different ideas, however alike their names. */
export function partIdeas(plan: Plan, ids: readonly string[]): void {
  const { memory } = plan
  memory.sameIdeas = memory.sameIdeas.filter((group) => !group.some((id) => ids.includes(id)))
  for (const [i, a] of ids.entries())
    for (const b of ids.slice(i + 1))
      if (!memory.otherIdeas.some((pair) => pair.includes(a) && pair.includes(b)))
        memory.otherIdeas.push([a, b])
}

/** Changes the pairs of words; the first change copies those that ship. Null goes back to them. */
export function setWordPairs(plan: Plan, change: ((pairs: WordPair[]) => WordPair[]) | null): void {
  plan.memory.wordPairs =
    change === null ? null : change(plan.memory.wordPairs ?? shippedWordPairs.map((pair) => ({ ...pair })))
}
