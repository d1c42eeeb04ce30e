import {
  dearWays,
  dearWaysOf,
  placeGains,
  prepareWork,
  triggerKey,
  triggerName,
  triggerReach,
  type Command,
} from '@reach-plot/core'
import { rounded } from '../io.js'
import { known, openPlan } from '../loaded-plan.js'
import { choice, defineVerb, numberOr, text } from '../verb.js'

/** What to do next: the commands for which a better place would gain the most. */
export const verb = defineVerb({
  name: 'next',
  summary: 'what a better place would gain for each command, the most first',
  files: 'PLAN.json',
  options: {
    program: text('ID-OR-NAME', 'only commands of this program'),
    which: choice(dearWays, 'only those given in this way, by the arrangement or the log'),
    top: numberOr(20, 1, 20_000, 'how many'),
  },
  run({ files, options }) {
    const { plan, model } = openPlan(files[0])
    const program =
      options.program === undefined ? undefined : known(plan.programs, options.program, 'program').id
    const { triggersOf } = prepareWork(model).context
    const { index, reachContext } = model
    const commands = new Map(plan.commands.map((c) => [c.id, c]))
    const isGivenSo = (command: Command): boolean =>
      options.which === undefined ||
      dearWaysOf(command, {
        triggersOf,
        reachOf: (trigger) => triggerReach(trigger, reachContext),
        index,
        counted: plan.usage?.commands[command.id],
      }).includes(options.which)
    const gains = [...placeGains(model, triggersOf)]
      .flatMap((gain) => {
        const command = commands.get(gain.commandId)
        return command && (program === undefined || command.programId === program) && isGivenSo(command)
          ? [{ ...gain, command }]
          : []
      })
      .sort((a, b) => b.msPerHour - a.msPerHour)
      .slice(0, options.top)
    return {
      value: gains.map(({ command, msPerHour, best }) => ({
        command: command.id,
        usesPerHour: command.usesPerHour,
        secondsPerHour: rounded(msPerHour / 1000, 2),
        keys: triggersOf(command.id).map(triggerKey),
        best: best && triggerKey(best),
      })),
      text: gains
        .map(({ command, msPerHour, best }) =>
          [
            `${(msPerHour / 1000).toFixed(1)} s/h`.padStart(10),
            command.name,
            `${
              triggersOf(command.id)
                .map((t) => triggerName(t, model.env))
                .join(', ') || 'none'
            } → ${best ? triggerName(best, model.env) : 'as it is'}`,
          ].join('  '),
        )
        .join('\n'),
    }
  },
})
