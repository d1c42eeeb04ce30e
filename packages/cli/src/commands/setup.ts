import { keysInWords, setUpSteps, stepInWords, type SetUpStep } from '@reach-plot/core/carry'
import { loadPlan } from '../io.js'
import { betweenArrangements, betweenOptions } from '../loaded-plan.js'
import { defineVerb } from '../verb.js'

/** What to change in which settings, in an order in which no key is held twice. */
export const verb = defineVerb({
  name: 'setup',
  summary: 'what to change in which settings, from one arrangement to another',
  files: 'PLAN.json',
  options: { ...betweenOptions },
  run({ files, options }) {
    const { from, to } = betweenArrangements(loadPlan(files[0]), options)
    const { plan, env } = to
    const steps = setUpSteps(from, to)
    const placeName = ({ place }: SetUpStep): string =>
      place.kind === 'system'
        ? 'system'
        : ((place.kind === 'program' ? plan.programs : plan.devices).find((x) => x.id === place.id)?.name ??
          place.id)
    return {
      value: {
        from: from.arrangement.id,
        to: to.arrangement.id,
        steps: steps.map((s) => ({
          id: s.id,
          place: placeName(s),
          kind: s.place.kind,
          command: s.command?.id ?? null,
          name: s.command?.name ?? s.systemAction ?? '',
          menu: s.command?.menu ?? [],
          was: keysInWords(s.was, env),
          becomes: keysInWords(s.becomes, env),
          doThis: stepInWords(s, env),
          after: s.after,
        })),
      },
      text: steps
        .map(
          (s) =>
            `${placeName(s)}: ${s.command?.name ?? s.systemAction ?? ''}: ${stepInWords(s, env).join(' ')}`,
        )
        .join('\n'),
    }
  },
})
