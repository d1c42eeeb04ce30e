import {
  planDays,
  setFit,
  setOwnFigures,
  triggerName,
  triggerReach,
  usualNewPerDay,
  writePlan,
  type OwnFigures,
  type Plan,
  type PreparedModel,
  type Trigger,
} from '@reach-plot/core'
import {
  atWork,
  confusionsOf,
  defaultsToday,
  fitFromPractice,
  keptDefaults,
  Knowledge,
  lessonOf,
  lessonOfAll,
  measuredTimes,
  ownFigures,
  practiceToday,
  readRecord,
  type Known,
  type OwnFit,
  type Question,
} from '@reach-plot/core/practice'
import { loadPlan, readTextFile, rounded, usageError, writeOut } from '../io.js'
import { betweenArrangements, betweenOptions } from '../loaded-plan.js'
import { defineVerb, flag, number, numberOr, text } from '../verb.js'

const maxBytes = 400_000_000

/** A moment from an ISO date; now where it is left out. */
function momentOf(given: string | undefined): number {
  if (given === undefined) return Date.now()
  const time = Date.parse(given)
  if (Number.isNaN(time))
    throw usageError(`--at "${given.slice(0, 40)}" is no moment`, 'write one such as 2026-05-04T08:00:00Z')
  return time
}

/** Writes a plan that goes by what was measured. */
function takeOver(plan: Plan, own: OwnFigures | null, fit: OwnFit | null, out: string | undefined): void {
  if (out === undefined) throw usageError('--take has nowhere to write to', 'add --out NEW.json')
  if (!own && !fit)
    throw usageError('the record has too few answers for figures of one’s own', 'practise up to 200 answers')
  const withOwn = own ? setOwnFigures(plan, own) : plan
  writeOut(out, writePlan(fit ? setFit(withOwn, fit.fit) : withOwn))
}

/** What a log's weeks say of the keys that are known. */
function atWorkAsJson({ plan, index }: PreparedModel, known: readonly Known[]) {
  const { weeks, still } = atWork(plan.usage, known, index.commands)
  return {
    weeks: weeks.map((w) => ({
      monday: w.monday,
      uses: w.uses,
      byKey: rounded(w.byKey, 3),
      byPointer: rounded(w.byPointer, 3),
      byMenu: rounded(w.byMenu, 3),
    })),
    stillByMenu: still.map((s) => ({
      command: s.command.id,
      name: s.command.name,
      uses: s.uses,
      byMenu: rounded(s.byMenu, 3),
    })),
  }
}

/** A person's own figures as they are told. */
const ownAsJson = (own: OwnFigures | null, fit: OwnFit | null, key: (trigger: Trigger) => string) => ({
  own: own && {
    answers: own.answers,
    slips: own.slips && {
      nextDoor: rounded(own.slips.nextDoor, 5),
      farther: rounded(own.slips.farther, 5),
      pairs: own.slips.pairs.map((p) => ({
        asked: key(p.asked),
        pressed: key(p.pressed),
        share: rounded(p.share, 3),
      })),
    },
    learning: own.learning && {
      uses: rounded(own.learning.uses, 2),
      ms: rounded(own.learning.ms, 0),
      range: [rounded(own.learning.low, 3), rounded(own.learning.high, 3)],
    },
  },
  fit: fit && {
    keys: fit.keys,
    offMsBefore: rounded(fit.beforeMs, 1),
    offMsAfter: rounded(fit.afterMs, 1),
    pressMs: rounded(fit.fit.pressMs, 1),
    msPerBit: rounded(fit.fit.msPerBit, 1),
    fingerFactors: fit.fit.fingerFactors,
  },
})

/** What is due and new for practice, what is to come, and what is mixed up. */
export const verb = defineVerb({
  name: 'practice',
  summary: 'what to practise today, by a record of answers',
  files: 'PLAN.json',
  options: {
    record: text('FILE.jsonl', 'the record of answers; empty where left out'),
    at: text('TIME', 'the moment, such as 2026-05-04T08:00:00Z; now where left out'),
    ...betweenOptions,
    new: numberOr(usualNewPerDay, 1, 1000, 'new keys a day'),
    take: flag('takes own slips, learning and times over into the plan; with --out'),
    out: text('NEW.json', 'the plan file to write, with --take'),
    zone: number(-840, 840, 'minutes east of UTC by which a day begins; this machine’s where left out'),
  },
  run({ files, options }) {
    const { from, to } = betweenArrangements(loadPlan(files[0]), options)
    const { answers, bad } = readRecord(
      options.record === undefined ? '' : readTextFile(options.record, maxBytes),
    )
    const now = momentOf(options.at)
    const { days } = planDays(from, to, options.new)
    const lesson = days.length > 0 ? lessonOf(days) : lessonOfAll(to, options.new)
    const knowledge = new Knowledge(answers)
    const when = { now, zoneMinutes: options.zone ?? -new Date(now).getTimezoneOffset() }
    const today = practiceToday(lesson, to, knowledge, when)
    const nameOf = new Map(to.plan.commands.map((c) => [c.id as string, c.name]))
    const key = (trigger: Trigger): string => triggerName(trigger, to.env)
    const shown = ({ commandId, trigger }: Question) => ({
      command: commandId,
      name: nameOf.get(commandId) ?? commandId,
      key: key(trigger),
    })
    const confusions = confusionsOf(answers).map((c) => ({
      command: c.commandId,
      name: nameOf.get(c.commandId) ?? c.commandId,
      asked: key(c.asked),
      pressed: key(c.pressed),
      times: c.times,
      of: c.of,
      chance: rounded(c.chance.mean, 4),
      chanceRange: [rounded(c.chance.low, 4), rounded(c.chance.high, 4)],
    }))
    const measured = measuredTimes(answers, (t) => triggerReach(t, to.reachContext)?.timeMs)
    const [fresh, due] = [today.fresh.map(shown), today.due.map(shown)]
    const reachOf = (t: Trigger) => triggerReach(t, to.reachContext)
    const own = ownFigures(answers, to.env)
    const fit = fitFromPractice(measured, reachOf, to.env.controls)
    if (options.take) takeOver(to.plan, own, fit, options.out)
    const defaults = defaultsToday(keptDefaults(to.plan, to.index.triggers), knowledge, when)
    return {
      value: {
        from: from.arrangement.id,
        to: to.arrangement.id,
        at: new Date(now).toISOString(),
        answers: answers.length,
        badLines: bad,
        day: today.day,
        days: today.days,
        new: fresh,
        due,
        forecast: today.forecast,
        confusions,
        defaults: { new: defaults.fresh.map(shown), due: defaults.due.map(shown) },
        ...ownAsJson(own, fit, key),
        ...atWorkAsJson(to, today.known),
        recallMs: rounded(measured.recallMs, 0),
        longer: measured.longer && {
          mean: rounded(measured.longer.mean, 3),
          range: [rounded(measured.longer.low, 3), rounded(measured.longer.high, 3)],
        },
      },
      text: [
        today.day > today.days
          ? `every key was met, ${today.days} days in all`
          : `day ${today.day} of ${today.days}`,
        `new today: ${fresh.map((n) => `${n.name} (${n.key})`).join(', ') || 'nothing'}`,
        `to come back: ${due.map((n) => `${n.name} (${n.key})`).join(', ') || 'nothing'}`,
        `the next two weeks: ${today.forecast.join(' ')}`,
        ...confusions
          .slice(0, 10)
          .map((c) => `${c.name}: ${c.pressed} for ${c.asked}, ${c.times} of ${c.of}`),
        ...(bad.length > 0
          ? [`${bad.length} lines of the record are no answers, the first is line ${bad[0]?.line}`]
          : []),
      ].join('\n'),
    }
  },
})
