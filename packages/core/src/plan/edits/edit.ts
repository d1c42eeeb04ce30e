import { produce } from 'immer'
import type { Plan } from '../plan.js'

/**
 * Makes a pure edit of a recipe that changes a draft: a new plan that shares with the old one all that has not changed.
 * A recipe that changes nothing gives the same plan back.
 */
export const edit =
  <A extends unknown[]>(recipe: (draft: Plan, ...args: A) => void) =>
  (plan: Plan, ...args: A): Plan =>
    produce(plan, (draft) => void recipe(draft, ...args))

/** The same for a recipe that has something to tell, such as the id of what it has added. */
export const editWith =
  <A extends unknown[], R>(recipe: (draft: Plan, ...args: A) => R) =>
  (plan: Plan, ...args: A): { readonly plan: Plan; readonly result: R } => {
    let result = undefined as R
    const next = produce(plan, (draft) => {
      result = recipe(draft, ...args)
    })
    return { plan: next, result }
  }
