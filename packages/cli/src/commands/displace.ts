import { displacementChain, parseTrigger, triggerKey, triggerName } from '@reach-plot/core'
import { commandOf, deskOf } from '../desk.js'
import { loadPlan, rounded, usageError, type Outcome } from '../io.js'
import { readOptions } from '../options.js'

export const help = 'displace PLAN.json --command ID-OR-NAME --to Control+KeyS'

/** Who has to move when a command takes a place, where each would go, and what it costs in all. */
export function run(args: readonly string[]): Outcome {
  const { options, files } = readOptions(args, ['command', 'to'])
  const plan = loadPlan(files[0])
  const command = commandOf(plan, options['command'])
  const to = parseTrigger(options['to'] ?? '', ['--to'])
  const { around, survey, reachAt, candidatesFor } = deskOf(plan)
  const chain = displacementChain(
    command,
    to,
    candidatesFor(command.programId),
    reachAt,
    survey,
    plan.weights,
  )
  if (!chain)
    throw usageError(
      `${triggerKey(to)} cannot be had: the bench lacks it, the system takes it, or it is kept`,
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
          `${s.command.name}: ${s.from ? triggerName(s.from, around) : 'no place'} → ${s.to ? triggerName(s.to.trigger, around) : 'no place'}`,
      ),
      `${hour(chain.beforeMsPerHour)} s an hour before, ${hour(chain.afterMsPerHour)} s after`,
    ].join('\n'),
  }
}
