import {
  dayHours,
  defaultMoves,
  defaultSolveOptions,
  moveReason,
  reportOf,
  solveArrangement,
  triggerKey,
  triggerName,
  writePlan,
  type Arrangement,
  type SolveAnswer,
  prepareWork,
  copyArrangement,
  type PreparedModel,
  type MoveDoubt,
  usualDraws,
} from '@reach-plot/core'
import { rounded, writeOut } from '../io.js'
import { openPlan, known } from '../loaded-plan.js'
import { defineVerb, choiceOr, number, numberOr, text } from '../verb.js'

/** Proposes a better arrangement; `--out` writes the plan with it added. The same seed gives the same bytes. */
export const verb = defineVerb({
  name: 'solve',
  summary: 'a better arrangement, move by move',
  files: 'PLAN.json',
  options: {
    seed: numberOr(1, 0, 2 ** 31 - 1, 'the same seed gives the same answer'),
    moves: number(1, 20_000, 'at most so many commands move'),
    only: choiceOr(['everything', 'unplaced'], 'everything', 'what may move'),
    program: text('ID', 'only its commands'),
    device: text('ID', 'only on this device'),
    doubt: numberOr(
      usualDraws,
      0,
      1000,
      'draws of all that is assumed, to tell how sure each move is; 0 leaves it out',
    ),
    search: numberOr(defaultMoves, 2000, 50_000_000, 'moves of the search'),
    out: text('NEW.json', 'writes the plan with the answer added'),
  },
  run({ files, options }) {
    const { plan, model } = openPlan(files[0])
    const { program, device } = options
    const programId = program === undefined ? undefined : known(plan.programs, program, 'program').id
    const deviceId = device === undefined ? undefined : known(plan.devices, device, 'device').id
    const { arrangement } = model
    const work = prepareWork(model)
    const steps = solveArrangement(
      { model, clashes: work.clashes },
      {
        ...defaultSolveOptions,
        seed: options.seed,
        moves: options.search,
        draws: options.doubt,
        scope: {
          what: options.only,
          ...(options.moves !== undefined && { mostMoves: options.moves }),
          ...(programId !== undefined && { programId }),
          ...(deviceId !== undefined && { deviceId }),
        },
      },
    )
    let step = steps.next()
    while (step.done !== true) step = steps.next()
    const answer = step.value
    const solved: Arrangement = { ...arrangement, placements: answer.placements as Arrangement['placements'] }
    if (options.out !== undefined) {
      const change = { name: `${arrangement.name}, solved`, placements: solved.placements }
      writeOut(options.out, writePlan(copyArrangement(plan, arrangement.id, change).plan))
    }
    const value = valueOf(model, model.withArrangement(solved), answer)
    return { value, text: textOf(answer, value, model.env) }
  },
})

function valueOf(before: PreparedModel, after: PreparedModel, answer: SolveAnswer) {
  const { plan } = before
  const [was, is] = [before, after].map((model) => reportOf(prepareWork(model)))
  const minutes = (msPerHour: number) => rounded((msPerHour * dayHours(plan).hours) / 60_000, 2)
  return {
    moves: answer.list.moves.map((move, i) => ({
      command: move.command.id,
      kind: move.kind,
      from: move.from && triggerKey(move.from),
      to: move.to && triggerKey(move.to),
      gainSecondsPerHour: rounded(move.gainMs / 1000, 2),
      gainSoFarSecondsPerHour: rounded((answer.list.gainsMs[i] as number) / 1000, 2),
      partSecondsPerHour: rounded(move.partMs / 1000, 3),
      ...sureness(answer.doubts.get(move.id)),
      reason: moveReason(move, after),
      group: move.group,
      needs: move.needs.map((id) => answer.list.moves.find((m) => m.id === id)?.command.id),
    })),
    fingers: answer.load.map((p) => ({
      weightMs: p.weightMs,
      busiestFingerPercent: rounded(100 * p.busiest, 0),
      gainSecondsPerHour: rounded(p.gainMs / 1000, 1),
    })),
    payBack: answer.payBack.map((p) => ({ day: p.day, gainedMinutes: rounded(p.ms / 60_000, 2) })),
    costBeforeSecondsPerHour: rounded(answer.beforeMs / 1000, 1),
    costAfterSecondsPerHour: rounded(answer.afterMs / 1000, 1),
    commandMinutesPerDayBefore: was && minutes(was.day.msPerHour),
    commandMinutesPerDayAfter: is && minutes(is.day.msPerHour),
    savedShare: was && is && rounded(1 - is.day.msPerHour / was.day.msPerHour, 4),
    clashesBefore: was?.clashCounts,
    clashesAfter: is?.clashCounts,
    clashesAboveCautionLeft: answer.clashesLeft.map((c) => c.message),
    curve: answer.curve.map((p) => ({
      moves: p.moves,
      gainSecondsPerHour: rounded(p.gainMs / 1000, 1),
      gainShare: rounded(p.gainMs / answer.beforeMs, 4),
    })),
  }
}

/** In how many draws a move gains, and its gain over them. */
function sureness(doubt: MoveDoubt | undefined) {
  if (!doubt) return {}
  return {
    confidence: doubt.confidence,
    holds: doubt.holds,
    draws: doubt.draws,
    shareOfDraws: rounded(doubt.holds / doubt.draws, 3),
    gainRangeSecondsPerHour: [rounded(doubt.lowMs / 1000, 2), rounded(doubt.highMs / 1000, 2)],
    countedUses: doubt.counted,
  }
}

function textOf(
  { list, doubts }: SolveAnswer,
  value: ReturnType<typeof valueOf>,
  naming: Parameters<typeof triggerName>[1],
): string {
  const name = (trigger: Parameters<typeof triggerName>[0] | null): string =>
    trigger ? triggerName(trigger, naming) : 'no place'
  return [
    ...list.moves.map(
      (m) =>
        `${m.command.name}: ${name(m.from)} → ${name(m.to)}  ${(m.gainMs / 1000).toFixed(1)} s an hour${doubtInWords(doubts.get(m.id))}`,
    ),
    `${list.moves.length} moves: ${value.commandMinutesPerDayBefore} min of command time a day before, ${value.commandMinutesPerDayAfter} after`,
    ...value.clashesAboveCautionLeft.map((message) => `left as it is: ${message}`),
  ].join('\n')
}

const doubtInWords = (doubt: MoveDoubt | undefined): string =>
  doubt ? `, ${doubt.confidence}: gains in ${doubt.holds} of ${doubt.draws} draws` : ''
