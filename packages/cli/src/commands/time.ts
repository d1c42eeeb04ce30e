import {
  dayHours,
  dayLoad,
  operatorNames,
  timeWork,
  triggerKey,
  waysToDo,
  type TimedWork,
  prepareWork,
} from '@reach-plot/core'
import { rounded, usageError } from '../io.js'
import { openPlan, commandOf, named } from '../loaded-plan.js'
import { defineVerb, text } from '../verb.js'

/** Times a routine step by step, one command in each way that it is done, or a day of work. */
export const verb = defineVerb({
  name: 'time',
  summary: 'a routine, a command or a day of work, timed',
  files: 'PLAN.json',
  options: {
    routine: text('NAME', 'one routine, step by step'),
    command: text('ID-OR-NAME', 'one command, in each way that it is done'),
    arrangement: text('ID', 'another than the one in front'),
  },
  run({ files, options }) {
    const { plan, model } = openPlan(files[0], options.arrangement)
    const { arrangement } = model
    const { context } = prepareWork(model)
    if (options.routine !== undefined) {
      const name = options.routine
      const routine = named(plan.routines, name)
      if (!routine)
        throw usageError(
          `there is no routine "${name}"`,
          plan.routines.length > 0
            ? `choose one of ${plan.routines.map((r) => r.name).join(', ')}`
            : 'make one on the Commands screen',
        )
      const work = timeWork(routine.steps, context)
      return {
        value: { routine: routine.name, timesPerHour: routine.timesPerHour, ...workValue(work) },
        text: workText(work),
      }
    }
    if (options.command !== undefined) {
      const command = commandOf(plan, options.command)
      const ways = waysToDo(command, context)
      const value = {
        command: command.id,
        keyMs: ways.keyMs === null ? null : rounded(ways.keyMs, 0),
        menuMs: rounded(ways.menuMs, 0),
        toolAndClickMs: rounded(ways.toolAndClickMs, 0),
        dragMs: rounded(ways.dragMs, 0),
      }
      return {
        value,
        text: `by key ${value.keyMs ?? '–'} ms; by menu ${value.menuMs} ms; chosen and clicked ${value.toolAndClickMs} ms; a drag ${value.dragMs} ms`,
      }
    }
    const day = dayLoad(plan.commands, plan.routines, dayHours(plan).hours, context)
    const minutes = (msPerHour: number): number | null => rounded((msPerHour * day.hoursPerDay) / 60_000, 2)
    const value = {
      arrangement: arrangement.id,
      activeHoursPerDay: { hours: rounded(day.hoursPerDay, 2), source: dayHours(plan).source },
      commandMinutesPerDay: rounded((day.msPerHour * day.hoursPerDay) / 60_000, 2),
      commandMinutesPerDayRange: {
        'by heart': minutes(day.msByMenus['by heart']),
        usual: minutes(day.msByMenus.usual),
        'seldom used': minutes(day.msByMenus['seldom used']),
      },
      secondsPerHourByOperator: Object.fromEntries(
        Object.entries(day.msByKind).map(([kind, ms]) => [kind, rounded(ms / 1000, 1)]),
      ),
      tripsPerHour: rounded(day.tripsPerHour, 1),
      pressesPerHour: day.pressesPerHour,
      shares: day.shares,
      strainIndex: { left: day.strain.left, right: day.strain.right },
      note: 'The Strain Index is a screening aid, not a diagnosis.',
      parts: day.parts.map((p) => ({
        id: p.id,
        kind: p.kind,
        timesPerHour: rounded(p.timesPerHour, 2),
        ms: rounded(p.work.ms, 0),
      })),
    }
    return {
      value,
      text: [
        `${arrangement.name}: ${value.commandMinutesPerDay} min of command time a day in ${day.hoursPerDay.toFixed(2)} active hours (${hoursWords[dayHours(plan).source]}), ${value.tripsPerHour} trips of a hand an hour`,
        `Strain Index ${day.strain.left.index} left, ${day.strain.right.index} right. ${value.note}`,
      ].join('\n'),
    }
  },
})

/** Who tells the hours of a day. */
const hoursWords = { said: 'as the plan says', log: 'from the log', assumed: 'assumed' } as const

const workValue = (work: TimedWork) => ({
  ms: rounded(work.ms, 0),
  trips: work.trips,
  ways: work.ways.map((w) => w && { way: w.way, trigger: w.trigger && triggerKey(w.trigger) }),
  operators: work.operators.map((o) => ({
    step: o.step === null ? null : o.step + 1,
    operator: o.kind,
    ms: rounded(o.ms, 1),
    hand: o.hand,
    what: o.what,
  })),
})

const workText = (work: TimedWork): string =>
  [
    ...work.operators.map(
      (o) =>
        `${o.step === null ? ' ' : o.step + 1}  ${o.kind}  ${Math.round(o.ms).toString().padStart(5)} ms  ${o.hand ?? ''}  ${o.what} (${operatorNames[o.kind]})`,
    ),
    `${Math.round(work.ms)} ms`,
  ].join('\n')
