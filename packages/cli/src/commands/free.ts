import { freePlaces, triggerName, verdicts } from '@reach-plot/core'
import { deskOf, modifiersOf } from '../desk.js'
import { loadPlan, rounded, usageError, type Outcome } from '../io.js'
import { choice, readOptions } from '../options.js'

export const help = 'free PLAN.json [--modifiers none|Control] [--verdict easy] [--program ID]'

/** Triggers that are free under the given modifiers, within a verdict, quickest first. */
export function run(args: readonly string[]): Outcome {
  const { options, files } = readOptions(args, ['modifiers', 'verdict', 'program'])
  const plan = loadPlan(files[0])
  const programId = options['program'] ?? null
  if (programId !== null && !plan.programs.some((p) => p.id === programId))
    throw usageError(
      `there is no program "${programId.slice(0, 40)}"`,
      `choose one of ${plan.programs.map((p) => p.id).join(', ')}`,
    )
  const { around, survey, reachAt, candidatesFor } = deskOf(plan)
  const within = choice('verdict', options['verdict'], verdicts, 'easy')
  const free = freePlaces(
    candidatesFor(programId ?? '', modifiersOf(options['modifiers'])),
    reachAt,
    survey,
    within,
    programId,
  )
  return {
    value: {
      verdict: within,
      free: free.map(({ candidate, reach }) => ({
        trigger: candidate.key,
        verdict: reach.verdict,
        effort: rounded(reach.effort),
        timeMs: rounded(reach.timeMs, 0),
      })),
    },
    text: [
      `${free.length} free`,
      ...free.map(
        ({ candidate, reach }) =>
          `${triggerName(candidate.trigger, around).padEnd(22)} ${reach.verdict.padEnd(8)} ${Math.round(reach.timeMs)} ms`,
      ),
    ].join('\n'),
  }
}
