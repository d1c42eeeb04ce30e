import { checkPlan, type Plan } from '@reach-plot/core'
import { temporal, type TemporalState } from 'zundo'
import { create, useStore } from 'zustand'
import { showProblem } from './problem.js'

/** An edit of the core. */
export type Edit = (plan: Plan) => Plan
/** An edit of the core that has something to tell beside the new plan, such as the id of what it has added. */
export type TellingEdit<R> = (plan: Plan) => { readonly plan: Plan; readonly result: R }

export interface PlanState {
  /** null until the saved plan or the demo is read */
  readonly plan: Plan | null
  /**
   * One undoable change by an edit of the core, such as `(plan) => setSpan(plan, 200)`. Changes in a row with the same
   * `group` are undone together, such as typing in one field. Gives back what the edit tells, such as the id of what it
   * has added.
   */
  edit(change: Edit, group?: string): void
  edit<R>(change: TellingEdit<R>, group?: string): R | null
  /** Takes another plan in place of this one, undoable. */
  replace(plan: Plan): void
}

let lastGroup: string | undefined
let currentGroup: string | undefined

const historyLimit = 200

/** The person's plan: the one thing that is saved. Everything shown is derived from it. */
export const usePlanStore = create<PlanState>()(
  temporal(
    (set, get) => ({
      plan: null,
      edit<R>(change: Edit | TellingEdit<R>, group?: string): R | null {
        const { plan } = get()
        if (!plan) return null
        currentGroup = group
        const changed = change(plan)
        const told = 'result' in changed
        const next = told ? changed.plan : changed
        try {
          // nothing is taken that could not be read again
          checkPlan(next, plan)
        } catch (error) {
          showProblem(error)
          return null
        }
        set({ plan: next })
        return told ? changed.result : null
      },
      replace(plan) {
        currentGroup = undefined
        set({ plan })
      },
    }),
    {
      limit: historyLimit,
      partialize: (state) => ({ plan: state.plan }),
      equality: (a, b) => a.plan === b.plan,
      // A change that goes on in the same field is part of the step that the history has already.
      handleSet: (save) => (past) => {
        const continues = currentGroup !== undefined && currentGroup === lastGroup
        lastGroup = currentGroup
        if (!continues) save(past)
      },
    },
  ),
)

/** Ends a group of changes, so that the next one in the same field is a step of its own. */
export const endEditGroup = (): void => {
  lastGroup = undefined
}

type History = TemporalState<Pick<PlanState, 'plan'>>

export const useHistory = <T>(selector: (history: History) => T): T =>
  useStore(usePlanStore.temporal, selector)

export const undo = (): void => {
  endEditGroup()
  usePlanStore.temporal.getState().undo()
}
export const redo = (): void => {
  endEditGroup()
  usePlanStore.temporal.getState().redo()
}

/** What undo and redo would take back or do again, in words; null where there is nothing. */
export function useHistoryInWords(inWords: (before: Plan, after: Plan) => string): {
  readonly undone: string | null
  readonly redone: string | null
} {
  const plan = usePlanStore((s) => s.plan)
  const past = useHistory((h) => h.pastStates.at(-1)?.plan ?? null)
  const future = useHistory((h) => h.futureStates.at(-1)?.plan ?? null)
  return {
    undone: past && plan ? inWords(past, plan) : null,
    redone: future && plan ? inWords(plan, future) : null,
  }
}

/** The plan; screens are only shown once there is one. */
export function usePlan(): Plan {
  const plan = usePlanStore((s) => s.plan)
  if (!plan) throw new Error('No plan is open')
  return plan
}
export const useEdit = (): PlanState['edit'] => usePlanStore((s) => s.edit)
