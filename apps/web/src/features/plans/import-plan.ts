import { checkFileSize, maxPlanBytes } from '@reach-plot/core'
import { chooseFile } from '../../parts/download.js'
import { autosave } from '../../store/autosave.js'
import { openById, openNewPlan } from '../../store/open-plan.js'
import { showProblem } from '../../store/problem.js'
import { openable } from '../../store/shelf.js'

/** Puts a plan file beside the other plans and opens it. */
export async function importPlan(): Promise<void> {
  const file = await chooseFile('.json,application/json')
  if (!file) return
  try {
    checkFileSize(file.size, maxPlanBytes, file.name)
    const plan = openable(await file.text(), file.name)
    const stored = await autosave.stores.shelf.text(plan.id)
    // the very same plan is there already
    if (stored?.text === JSON.stringify(plan)) await openById(plan.id)
    else await openNewPlan(plan)
  } catch (error) {
    showProblem(error)
  }
}
