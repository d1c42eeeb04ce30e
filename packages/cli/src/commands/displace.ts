import { displacementChain, parseTrigger, triggerKey, triggerName } from '@reach-plot/core'
import { rounded, usageError } from '../io.js'
import { openPlan, commandOf } from '../loaded-plan.js'
import { defineVerb, text } from '../verb.js'

/** Who has to move when a command takes a place, where each would go, and what it costs in all. */
export const verb = defineVerb({
  name: 'displace',
  summary: 'who has to move when a command takes a place',
  files: 'PLAN.json',
  options: {
    command: text('ID-OR-NAME', 'the command that takes it'),
    to: text('Control+KeyS', 'the place'),
  },
  run({ files, options }) {
    const { plan, model, candidatesFor } = openPlan(files[0])
    const command = commandOf(plan, options.command)
    const to = parseTrigger(options.to ?? '', ['--to'])
    const { env, index, reachAt } = model
    const chain = displacementChain(
      command,
      to,
      candidatesFor(command.programId),
      reachAt,
      index,
      plan.weights,
    )
    if (!chain)
      throw usageError(
        `${triggerKey(to)} cannot be had: the bench lacks it, the system takes it, or it is locked`,
        'choose another place; `reach-plot places` lists those that can be had',
      )
    const hour = (ms: number): number | null => rounded(ms / 1000, 1)
    return {
      value: {
        steps: chain.steps.map((s) => ({
          command: s.command.id,
          from: s.from && triggerKey(s.from),
          to: s.to && s.to.key,
          beforeMs: s.beforeMs === null ? null : rounded(s.beforeMs, 0),
          afterMs: s.afterMs === null ? null : rounded(s.afterMs, 0),
        })),
        beforeSecondsPerHour: hour(chain.beforeMsPerHour),
        afterSecondsPerHour: hour(chain.afterMsPerHour),
      },
      text: [
        ...chain.steps.map(
          (s) =>
            `${s.command.name}: ${s.from ? triggerName(s.from, env) : 'no place'} → ${s.to ? triggerName(s.to.trigger, env) : 'no place'}`,
        ),
        `${hour(chain.beforeMsPerHour)} s an hour before, ${hour(chain.afterMsPerHour)} s after`,
      ].join('\n'),
    }
  },
})
