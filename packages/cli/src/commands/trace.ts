import {
  activeArrangement,
  readTrigger,
  surroundings,
  tracePress,
  triggerKey,
  triggerName,
} from '@reach-plot/core'
import { catalogues, loadPlan, usageError, type Outcome } from '../io.js'
import { readOptions } from '../options.js'

export const help = 'trace PLAN.json --press pad/k3 --program Fenmap --context Tracing'

/** One press, from the device to the command, layer by layer. Exits 1 when no command runs. */
export function run(args: readonly string[]): Outcome {
  const { options, files } = readOptions(args, ['press', 'program', 'context'])
  const plan = loadPlan(files[0])
  const press = options['press']
  if (press === undefined)
    throw usageError('--press is missing', 'name a key or control, such as --press pad/k3')
  const pick = <T extends { readonly id: string; readonly name: string }>(
    list: readonly T[],
    what: string,
  ): T => {
    const wanted = options[what]
    const found =
      wanted === undefined
        ? list[0]
        : list.find((x) => x.id === wanted || x.name.toLowerCase() === wanted.toLowerCase())
    if (!found)
      throw usageError(
        `there is no ${what} "${wanted ?? ''}"`,
        `choose one of ${list.map((x) => x.name).join(', ')}`,
      )
    return found
  }
  const program = pick(plan.programs, 'program')
  const context = pick(program.contexts, 'context')
  const around = surroundings(plan, catalogues)
  const trigger = readTrigger(
    press,
    around,
    around.controls.flatMap((c) => c.code ?? []),
  )
  const trace = tracePress(
    trigger,
    { programId: program.id, contextId: context.id },
    activeArrangement(plan).placements,
    around,
  )
  return {
    value: {
      press: triggerKey(trigger),
      program: program.name,
      context: context.name,
      steps: trace.steps,
      commands: trace.commandIds,
      waitMs: trace.waitMs,
    },
    text: [
      `${triggerName(trigger, around)} in ${program.name}, ${context.name}`,
      ...trace.steps.map((s) => `  ${s.layer.padEnd(13)} ${s.outcome.padEnd(7)} ${s.text}`),
    ].join('\n'),
    findings: trace.commandIds.length === 0,
  }
}
