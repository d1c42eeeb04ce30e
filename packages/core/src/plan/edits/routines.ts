import type { Routine, RoutineStep, UsageReport } from '../../usage/index.js'
import { freshId } from '../ids.js'
import type { Plan } from '../plan.js'
import { addNamedIn } from './commands.js'
import { edit, editWith } from './edit.js'

/** Adds the commands of a log that the plan does not have, with the programs and contexts that it names. */
export const addUnknown = edit((plan: Plan, report: Pick<UsageReport, 'unknown'>) => {
  for (const { program, context, command } of report.unknown)
    addNamedIn(plan, { name: command, program, context }, true)
})

/** Adds a routine under an id that is free; gives the id back. */
export const keepRoutine = editWith((plan: Plan, routine: Routine): string => {
  const id = freshId(routine.name, new Set(plan.routines.map((r) => r.id)))
  plan.routines.push({ ...routine, id })
  return id
})

const routineIn = (plan: Plan, id: string): Routine | undefined => plan.routines.find((r) => r.id === id)

/** Renames a routine or says how often an hour it is done. */
export const editRoutine = edit(
  (plan: Plan, id: string, change: Partial<Pick<Routine, 'name' | 'timesPerHour'>>) => {
    const routine = routineIn(plan, id)
    if (routine) Object.assign(routine, change)
  },
)

/** Deletes a routine. */
export const deleteRoutine = edit((plan: Plan, id: string) => {
  plan.routines = plan.routines.filter((r) => r.id !== id)
})

/** Adds a step at the end of a routine, sixty at most. */
export const addStep = edit((plan: Plan, id: string, step: RoutineStep) => {
  const routine = routineIn(plan, id)
  if (routine && routine.steps.length < 60) routine.steps.push(step)
})

/** Takes a step out; the last one stays, for a routine without steps is none. */
export const removeStep = edit((plan: Plan, id: string, at: number) => {
  const routine = routineIn(plan, id)
  if (routine && routine.steps.length > 1) routine.steps.splice(at, 1)
})

/** Says that a step is done at the same time as the one before; the first has none before it, and typing takes both hands. */
export const setMeanwhile = edit((plan: Plan, id: string, at: number, isMeanwhile: boolean) => {
  const step = routineIn(plan, id)?.steps[at]
  if (!step || step.kind === 'type' || at === 0) return
  if (isMeanwhile) step.meanwhile = true
  else delete step.meanwhile
})

/** Moves a step of a routine to another position. */
export const moveStep = edit((plan: Plan, id: string, from: number, to: number) => {
  const steps = routineIn(plan, id)?.steps
  if (!steps || to < 0 || to >= steps.length) return
  const [step] = steps.splice(from, 1)
  if (step) steps.splice(to, 0, step)
})
