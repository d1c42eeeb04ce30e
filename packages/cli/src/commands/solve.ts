import { writeFileSync } from 'node:fs'
import {
  activeArrangement,
  benchTable,
  defaultMoves,
  defaultSolveOptions,
  moveReason,
  reachIn,
  reportOf,
  solveArrangement,
  surveyPlaces,
  triggerKey,
  triggerName,
  withArrangement,
  workDesk,
  writePlan,
  type Arrangement,
  type Plan,
  type SolveAnswer,
} from '@reach-plot/core'
import { catalogues, loadPlan, rounded, usageError, type Outcome } from '../io.js'
import { choice, number, readOptions } from '../options.js'

export const help =
  'solve PLAN.json [--seed 1] [--moves 25] [--only everything|unplaced] [--program ID] [--device ID] [--search 400000] [--out NEW.json]'

/** Proposes a better arrangement; `--out` writes the plan with it added. The same seed gives the same bytes. */
export function run(args: readonly string[]): Outcome {
  const { options, files } = readOptions(args, [
    'seed',
    'moves',
    'only',
    'program',
    'device',
    'search',
    'out',
  ])
  const plan = loadPlan(files[0])
  const known = (name: string, list: readonly { readonly id: string }[]): string | undefined => {
    const given = options[name]
    if (given !== undefined && !list.some((x) => x.id === given))
      throw usageError(`there is no ${name} "${given}"`, `choose one of ${list.map((x) => x.id).join(', ')}`)
    return given
  }
  const programId = known('program', plan.programs)
  const deviceId = known('device', plan.devices)
  const arrangement = activeArrangement(plan)
  const table = benchTable(plan, catalogues)
  const desk = workDesk(plan, arrangement, catalogues, table)
  const steps = solveArrangement(
    { plan, survey: desk.survey, placements: arrangement.placements, clashes: desk.clashes, table },
    {
      ...defaultSolveOptions,
      seed: number('seed', options['seed'], 1, 0, 2 ** 31 - 1),
      moves: number('search', options['search'], defaultMoves, 2000, 50_000_000),
      scope: {
        what: choice('only', options['only'], ['everything', 'unplaced'], 'everything'),
        ...(options['moves'] !== undefined && {
          mostMoves: number('moves', options['moves'], 25, 1, 20_000),
        }),
        ...(programId !== undefined && { programId }),
        ...(deviceId !== undefined && { deviceId }),
      },
    },
  )
  let step = steps.next()
  while (step.done !== true) step = steps.next()
  const answer = step.value
  const solved: Arrangement = { ...arrangement, placements: answer.placements as Arrangement['placements'] }
  if (options['out'] !== undefined) {
    const name = `${arrangement.name}, solved`.slice(0, 120)
    writeFileSync(options['out'], writePlan(withArrangement(plan, arrangement, solved.placements, name)))
  }
  const value = valueOf(plan, arrangement, solved, answer)
  return { value, text: textOf(answer, value, desk.around) }
}

function valueOf(plan: Plan, before: Arrangement, solved: Arrangement, answer: SolveAnswer) {
  const table = benchTable(plan, catalogues)
  const [was, is] = [before, solved].map((a) => reportOf(plan, workDesk(plan, a, catalogues, table)))
  const after = surveyPlaces(solved.placements, workDesk(plan, solved, catalogues, table).around)
  const minutes = (msPerHour: number) => rounded((msPerHour * plan.hoursPerDay) / 60_000, 2)
  return {
    moves: answer.list.moves.map((move, i) => ({
      command: move.command.id,
      kind: move.kind,
      from: move.from && triggerKey(move.from),
      to: move.to && triggerKey(move.to),
      gainSecondsPerHour: rounded(move.gainMs / 1000, 2),
      gainSoFarSecondsPerHour: rounded((answer.list.gainsMs[i] as number) / 1000, 2),
      confidence: move.confidence,
      because: move.because,
      reason: moveReason(move, after, reachIn(table), plan.weights),
      group: move.group,
      needs: move.needs.map((id) => answer.list.moves.find((m) => m.id === id)?.command.id),
    })),
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

function textOf(
  { list }: SolveAnswer,
  value: ReturnType<typeof valueOf>,
  naming: Parameters<typeof triggerName>[1],
): string {
  const name = (trigger: Parameters<typeof triggerName>[0] | null): string =>
    trigger ? triggerName(trigger, naming) : 'no place'
  return [
    ...list.moves.map(
      (m) =>
        `${m.command.name}: ${name(m.from)} → ${name(m.to)}  ${(m.gainMs / 1000).toFixed(1)} s an hour, ${m.confidence}`,
    ),
    `${list.moves.length} moves: ${value.commandMinutesPerDayBefore} min of command time a day before, ${value.commandMinutesPerDayAfter} after`,
    ...value.clashesAboveCautionLeft.map((message) => `left as it is: ${message}`),
  ].join('\n')
}
