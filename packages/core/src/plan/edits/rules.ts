import type { Rules } from '../../commands/index.js'
import type { Plan } from '../plan.js'
import { defaultPlaceWeights, type PlaceWeights } from '../weights.js'
import { edit } from './edit.js'

/** Adds `id` to one list of the rules, or takes it out. What is not in the plan (any more) is not added: such a plan could not be opened. */
export const toggleRule = edit(
  (plan: Plan, list: Exclude<keyof Rules, 'standardsFree' | 'declined'>, id: string) => {
    const ids = (plan.rules[list] ??= [])
    const at = ids.indexOf(id)
    if (at === -1 && isThere(plan, list, id)) ids.push(id)
    else if (at !== -1) ids.splice(at, 1)
  },
)

const isThere = (plan: Plan, list: keyof Rules, id: string): boolean =>
  list === 'lockedCommandIds'
    ? plan.commands.some((c) => c.id === id)
    : list !== 'lockedProgramIds' || plan.programs.some((p) => p.id === id)

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
