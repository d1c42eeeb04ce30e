import { freshId, type Plan, type Routine, type RoutineStep, type UsageReport } from '@reach-plot/core'
import { addCommand } from './plan-edits.js'

/** Edits of routines and of what a log brings, as recipes on an immer draft. */

/** Adds the commands of a log that the plan does not have, with the programs and contexts that it names. */
export function addUnknown(plan: Plan, report: UsageReport): void {
  for (const { program: programName, context: contextName, command } of report.unknown) {
    const same = (x: { readonly name: string }, name: string): boolean =>
      x.name.toLowerCase() === name.toLowerCase()
    let program = plan.programs.find((p) => p.id === programName || same(p, programName))
    if (!program) {
      const id = freshId(programName, new Set(plan.programs.map((p) => p.id)))
      plan.programs.push({
        id,
        name: programName,
        contexts: [
          {
            id: freshId(contextName || 'Main', new Set()),
            name: contextName || 'Main',
            typing: false,
            overlaps: [],
          },
        ],
      })
      program = plan.programs.at(-1)!
    }
    let context = program.contexts.find((c) => c.id === contextName || same(c, contextName))
    if (!context && contextName !== '') {
      const id = freshId(contextName, new Set(program.contexts.map((c) => c.id)))
      program.contexts.push({ id, name: contextName, typing: false, overlaps: [] })
      context = program.contexts.at(-1)
    }
    if (!plan.commands.some((c) => c.programId === program.id && same(c, command)))
      addCommand(plan, program.id, context ? [context.id] : [], command)
  }
}

export function keepRoutine(plan: Plan, routine: Routine): void {
  plan.routines.push({ ...routine, id: freshId(routine.name, new Set(plan.routines.map((r) => r.id))) })
}

const routineIn = (plan: Plan, id: string): Routine | undefined => plan.routines.find((r) => r.id === id)

export function editRoutine(
  plan: Plan,
  id: string,
  change: Partial<Pick<Routine, 'name' | 'timesPerHour'>>,
): void {
  const routine = routineIn(plan, id)
  if (routine) Object.assign(routine, change)
}

export function deleteRoutine(plan: Plan, id: string): void {
  plan.routines = plan.routines.filter((r) => r.id !== id)
}

export function addStep(plan: Plan, id: string, step: RoutineStep): void {
  const routine = routineIn(plan, id)
  if (routine && routine.steps.length < 60) routine.steps.push(step)
}

/** Takes a step out; the last one stays, for a routine without steps is none. */
export function removeStep(plan: Plan, id: string, at: number): void {
  const routine = routineIn(plan, id)
  if (routine && routine.steps.length > 1) routine.steps.splice(at, 1)
}

export function moveStep(plan: Plan, id: string, from: number, to: number): void {
  const steps = routineIn(plan, id)?.steps
  if (!steps || to < 0 || to >= steps.length) return
  const [step] = steps.splice(from, 1)
  if (step) steps.splice(to, 0, step)
}
