import { readTrigger, tracePress, triggerKey, triggerName } from '@reach-plot/core'
import { usageError } from '../io.js'
import { openPlan, named } from '../loaded-plan.js'
import { defineVerb, text } from '../verb.js'

/** One press, from the device to the command, stage by stage. Exits 1 when no command runs. */
export const verb = defineVerb({
  name: 'trace',
  summary: 'one press, from the device to the command, stage by stage',
  files: 'PLAN.json',
  options: {
    press: text('pad/k3', 'the key or control'),
    program: text('ID-OR-NAME', 'the program in use; the first where left out'),
    context: text('ID-OR-NAME', 'its context; the first where left out'),
  },
  run({ files, options }) {
    const { plan, model } = openPlan(files[0])
    const { env, arrangement } = model
    const press = options.press
    if (press === undefined)
      throw usageError('--press is missing', 'name a key or control, such as --press pad/k3')
    const pick = <T extends { readonly id: string; readonly name: string }>(
      list: readonly T[],
      what: 'program' | 'context',
    ): T => {
      const wanted = options[what]
      const found = wanted === undefined ? list[0] : named(list, wanted)
      if (!found)
        throw usageError(
          `there is no ${what} "${wanted ?? ''}"`,
          `choose one of ${list.map((x) => x.name).join(', ')}`,
        )
      return found
    }
    const program = pick(plan.programs, 'program')
    const context = pick(program.contexts, 'context')
    const trigger = readTrigger(
      press,
      env,
      env.controls.flatMap((c) => c.code ?? []),
    )
    const trace = tracePress(
      trigger,
      { programId: program.id, contextId: context.id },
      arrangement.placements,
      env,
    )
    return {
      value: {
        press: triggerKey(trigger),
        program: program.name,
        context: context.name,
        steps: trace.steps.map(({ stage, ...step }) => ({ layer: stage, ...step })),
        commands: trace.commandIds,
        waitMs: trace.waitMs,
      },
      text: [
        `${triggerName(trigger, env)} in ${program.name}, ${context.name}`,
        ...trace.steps.map((s) => `  ${s.stage.padEnd(13)} ${s.outcome.padEnd(7)} ${s.text}`),
      ].join('\n'),
      findings: trace.commandIds.length === 0,
    }
  },
})
