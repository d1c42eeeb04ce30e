import { checkFileSize, maxPlanBytes } from '@reach-plot/core'
import { chooseFile } from '../../parts/download.js'
import { openNewPlan } from '../../store/open-plan.js'
import { showProblem } from '../../store/problem.js'
import { openable } from '../../store/shelf.js'

/** Puts a plan file beside the other plans and opens it. */
export async function importPlan(): Promise<void> {
  const file = await chooseFile('.json,application/json')
  if (!file) return
  try {
    checkFileSize(file.size, maxPlanBytes, file.name)
    await openNewPlan(openable(await file.text(), file.name))
  } catch (error) {
    showProblem(error)
  }
}
