import type { Rules } from '../../commands/index.js'
import type { Plan } from '../plan.js'
import { defaultPlaceWeights, type PlaceWeights } from '../weights.js'
import { edit } from './edit.js'

/** Adds `id` to one list of the rules, or takes it out. */
export const toggleRule = edit(
  (plan: Plan, list: Exclude<keyof Rules, 'standardsFree' | 'declined'>, id: string) => {
    const ids = (plan.rules[list] ??= [])
    const at = ids.indexOf(id)
    if (at === -1) ids.push(id)
    else ids.splice(at, 1)
  },
)

/** Whether Solve may move commands off their standard keys. */
export const setStandardsFree = edit((plan: Plan, isFree: boolean) => {
  plan.rules.standardsFree = isFree
})

/** What a place costs beside its time, ms. */
export const setWeight = edit((plan: Plan, name: keyof PlaceWeights, value: number) => {
  plan.weights[name] = value
})

/** Weights as they ship. */
export const resetWeights = edit((plan: Plan) => {
  plan.weights = { ...defaultPlaceWeights }
})
