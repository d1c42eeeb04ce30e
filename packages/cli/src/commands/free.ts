import { freePlaces, triggerName, verdicts } from '@reach-plot/core'
import { rounded } from '../io.js'
import { openPlan, known, modifiersOf } from '../loaded-plan.js'
import { defineVerb, choiceOr, text } from '../verb.js'

/** Triggers that are free under the given modifiers, within a verdict, quickest first. */
export const verb = defineVerb({
  name: 'free',
  summary: 'triggers that are free, quickest first',
  files: 'PLAN.json',
  options: {
    modifiers: text('none|Control', 'one set of modifiers'),
    verdict: choiceOr(verdicts, 'easy', 'the farthest that counts'),
    program: text('ID', 'only its commands count as holders'),
  },
  run({ files, options }) {
    const { plan, model, candidatesFor } = openPlan(files[0])
    const programId =
      options.program === undefined ? null : known(plan.programs, options.program, 'program').id
    const { env, index, reachAt } = model
    const within = options.verdict
    const free = freePlaces(
      candidatesFor(programId ?? '', modifiersOf(options.modifiers)),
      reachAt,
      index,
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
            `${triggerName(candidate.trigger, env).padEnd(22)} ${reach.verdict.padEnd(8)} ${Math.round(reach.timeMs)} ms`,
        ),
      ].join('\n'),
    }
  },
})
