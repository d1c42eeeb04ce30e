import { planDays, triggerName, usualNewPerDay, type LearningDay } from '@reach-plot/core'
import { loadPlan, rounded } from '../io.js'
import { betweenArrangements, betweenOptions } from '../loaded-plan.js'
import { defineVerb, numberOr } from '../verb.js'

/** Which changes from one arrangement to another to bring in on which day. */
export const verb = defineVerb({
  name: 'days',
  summary: 'which changes to learn on which day, from one arrangement to another',
  files: 'PLAN.json',
  options: {
    ...betweenOptions,
    new: numberOr(usualNewPerDay, 1, 1000, 'changes a day'),
  },
  run({ files, options }) {
    const plan = loadPlan(files[0])
    const { from, to } = betweenArrangements(plan, options)
    const found = planDays(from, to, options.new)
    const keys = (triggers: readonly Parameters<typeof triggerName>[0][]): string =>
      triggers.length === 0 ? 'no key' : triggers.map((t) => triggerName(t, from.env)).join(', ')
    const shown = ({ day, changes, gainMsPerHour, learningMs, minutesPerDay }: LearningDay) => ({
      day,
      changes: changes.map((c) => ({
        command: c.command.id,
        name: c.command.name,
        from: keys(c.from),
        to: keys(c.to),
      })),
      gainSecondsPerHour: rounded(gainMsPerHour / 1000, 1),
      learningMinutes: rounded(learningMs / 60_000, 1),
      minutesPerDay: rounded(minutesPerDay, 2),
    })
    return {
      value: {
        from: from.arrangement.id,
        to: to.arrangement.id,
        newPerDay: options.new,
        nowMinutesPerDay: rounded(found.nowMinutes, 2),
        afterMinutesPerDay: rounded(found.afterMinutes, 2),
        breakEvenDay: found.breakEvenDay,
        breakEvenRange: found.breakEvenRange,
        days: found.days.map(shown),
        notWorth: found.notWorth.map((c) => c.command.id),
      },
      text: [
        ...found.days.map(
          (d) =>
            `day ${d.day}: ${d.changes.map((c) => `${c.command.name} (${keys(c.to)})`).join(', ')}; ${rounded(d.minutesPerDay, 1)} min a day`,
        ),
        `${rounded(found.nowMinutes, 1)} min a day now, ${rounded(found.afterMinutes, 1)} afterwards; ${found.breakEvenDay === null ? 'it does not pay within a year' : `it has paid from day ${found.breakEvenDay}, nine times of ten from ${found.breakEvenRange.map((d) => d ?? 'never').join(' to ')}`}`,
        ...(found.notWorth.length > 0
          ? [`${found.notWorth.length} more changes do not pay within the days of pay-back`]
          : []),
      ].join('\n'),
    }
  },
})
