import { readPlan, type Plan } from '@reach-plot/core'
import { toast } from './message.js'
import { autosave } from './autosave.js'
import { showProblem } from './problem.js'
import { usePlanStore } from './plan-store.js'

/** Tells which plan is open, with the way back to the one before. */
function tell(message: string, beforeId: string | undefined): void {
  const canGoBack = beforeId !== undefined && beforeId !== usePlanStore.getState().plan?.id
  toast(message, canGoBack ? { action: { label: 'Back', onClick: () => void openById(beforeId) } } : {})
}

/** Opens a plan of the list; what is wrong with it is said, and nothing changes. */
export async function openById(id: string): Promise<void> {
  const before = usePlanStore.getState().plan?.id
  try {
    await autosave.open(id)
    tell(`“${usePlanStore.getState().plan?.name ?? ''}” is open`, before)
  } catch (error) {
    showProblem(error)
  }
}

/** Puts a plan beside the others and opens it. */
export async function openNewPlan(plan: Plan, isExample = false): Promise<void> {
  const before = usePlanStore.getState().plan?.id
  try {
    const added = await autosave.openNew(plan, isExample)
    tell(`“${added.name}” is open`, before)
  } catch (error) {
    showProblem(error)
  }
}

/** The example as it ships. */
export async function loadDemo(): Promise<Plan> {
  const { default: text } = await import('../../../../demo/demo.reachplot.json?raw')
  return readPlan(text, 'example')
}

/** Opens the example as it ships: the one on the list where it is unchanged, else a fresh one beside it. */
export async function openExample(): Promise<void> {
  try {
    const demo = await loadDemo()
    const { shelf } = autosave.stores
    for (const { id, deletedAt } of await shelf.list()) {
      if (deletedAt !== null) continue
      const stored = await shelf.text(id)
      if (stored?.text === JSON.stringify({ ...demo, id })) {
        await openById(id)
        return
      }
    }
    await openNewPlan(demo, true)
  } catch (error) {
    showProblem(error)
  }
}
