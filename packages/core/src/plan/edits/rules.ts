import type { Rules } from '../../commands/index.js'
import type { Plan } from '../plan.js'
import { defaultPlaceWeights, type PlaceWeights } from '../weights.js'
import { edit } from './edit.js'

/** Adds `id` to one list of the rules, or takes it out. */
export const toggleRule = edit((plan: Plan, list: keyof Rules, id: string) => {
  const at = plan.rules[list].indexOf(id)
  if (at === -1) plan.rules[list].push(id)
  else plan.rules[list].splice(at, 1)
})

/** What a place costs beside its time, ms. */
export const setWeight = edit((plan: Plan, name: keyof PlaceWeights, value: number) => {
  plan.weights[name] = value
})

/** Weights as they ship. */
export const resetWeights = edit((plan: Plan) => {
  plan.weights = { ...defaultPlaceWeights }
})
