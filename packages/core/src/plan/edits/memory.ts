import { shippedWordPairs, type WordPair } from '../../mnemonics/index.js'
import type { Plan } from '../plan.js'
import { edit } from './edit.js'

/** Joins commands into one idea, with the ideas that any of them is in already. */
export const joinIdeas = edit((plan: Plan, ids: readonly string[]) => {
  const { memory } = plan
  const touched = memory.sameIdeas.filter((group) => group.some((id) => ids.includes(id)))
  const group = [...new Set([...touched.flat(), ...ids])]
  memory.sameIdeas = [...memory.sameIdeas.filter((g) => !touched.includes(g)), group]
  memory.otherIdeas = memory.otherIdeas.filter(([a, b]) => !(group.includes(a) && group.includes(b)))
})

/** Says that commands are different ideas, however alike their names. */
export const partIdeas = edit((plan: Plan, ids: readonly string[]) => {
  const { memory } = plan
  memory.sameIdeas = memory.sameIdeas.filter((group) => !group.some((id) => ids.includes(id)))
  for (const [i, a] of ids.entries())
    for (const b of ids.slice(i + 1))
      if (!memory.otherIdeas.some((pair) => pair.includes(a) && pair.includes(b)))
        memory.otherIdeas.push([a, b])
})

/** Changes the pairs of words; the first change copies those that ship. Null goes back to them. */
export const setWordPairs = edit(
  (plan: Plan, change: ((pairs: readonly WordPair[]) => readonly WordPair[]) | null) => {
    plan.memory.wordPairs =
      change === null ? null : change(plan.memory.wordPairs ?? shippedWordPairs).map((pair) => ({ ...pair }))
  },
)
