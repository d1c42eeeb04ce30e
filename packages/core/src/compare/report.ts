import { findClashes, severities, type Clash, type Severity } from '../clashes/index.js'
import type { Command } from '../commands/index.js'
import {
  chordTable,
  reachIn,
  reachSituation,
  triggerReach,
  verdicts,
  type ChordTable,
  type Verdict,
} from '../hand/index.js'
import { priceContext, surveyPlaces, type PlaceSurvey } from '../model/index.js'
import {
  activeBench,
  surroundings,
  type Arrangement,
  type BenchSurroundings,
  type Catalogues,
  type Plan,
} from '../plan/index.js'
import { triggerKey, type Trigger } from '../triggers/index.js'
import { dayLoad, type DayLoad, type WorkContext } from '../work/index.js'
import { arrangementFigures, type ArrangementFigures } from './figures.js'

/** An arrangement over a bench, ready to be timed. */
export interface WorkDesk {
  readonly arrangement: Arrangement
  readonly around: BenchSurroundings
  readonly survey: PlaceSurvey
  readonly clashes: readonly Clash[]
  readonly context: WorkContext
}

const noTriggers: readonly Trigger[] = []

/**
 * The desk of an arrangement on the active bench. Triggers whose press never reaches their command do not count: such a
 * command goes through the menu.
 * @param table  the chord table of the bench, where there is one already
 */
export function workDesk(
  plan: Plan,
  arrangement: Arrangement,
  catalogues: Catalogues,
  table: ChordTable = benchTable(plan, catalogues),
): WorkDesk {
  const around = surroundings(plan, catalogues, arrangement)
  const survey = surveyPlaces(arrangement.placements, around)
  const clashes = findClashes(arrangement.placements, around)
  const blocked = new Set(
    clashes
      .filter((c) => c.severity === 'blocks')
      .flatMap((c) => c.commandIds.map((id) => `${id} ${triggerKey(c.trigger)}`)),
  )
  const usable = new Map(
    [...survey.triggers].map(([id, triggers]) => [
      id,
      triggers.filter((t) => !blocked.has(`${id} ${triggerKey(t)}`)),
    ]),
  )
  return {
    arrangement,
    around,
    survey,
    clashes,
    context: {
      place: {
        situation: table.situation,
        price: priceContext(survey, reachIn(table)),
        naming: around,
      },
      side: table.situation.hand.side,
      commands: survey.commands,
      triggersOf: (id) => usable.get(id) ?? noTriggers,
    },
  }
}

/** The chord table of the first hand on the active bench. */
export function benchTable(plan: Plan, catalogues: Catalogues): ChordTable {
  const { layout } = surroundings(plan, catalogues)
  return chordTable(reachSituation(activeBench(plan), plan.devices, layout.altGraph))
}

/** How a command is reached at best: by verdict, or not at all. */
export type ReachCount = Verdict | 'menu'

/** All that is told of one arrangement. */
export interface ArrangementReport {
  readonly desk: WorkDesk
  readonly day: DayLoad
  readonly figures: ArrangementFigures
  readonly clashCounts: Readonly<Record<Severity, number>>
  /** commands by how the hand reaches them at best */
  readonly reachCounts: Readonly<Record<ReachCount, number>>
}

export function reportOf(plan: Plan, desk: WorkDesk): ArrangementReport {
  const { context, survey, clashes } = desk
  const { price } = context.place
  const bestVerdict = (command: Command): ReachCount => {
    const found = context
      .triggersOf(command.id)
      .flatMap((t) => triggerReach(t, price)?.verdict ?? [])
      .map((v) => verdicts.indexOf(v))
    return found.length > 0 ? (verdicts[Math.min(...found)] as Verdict) : 'menu'
  }
  const best = plan.commands.map(bestVerdict)
  return {
    desk,
    day: dayLoad(plan.commands, plan.routines, plan.hoursPerDay, context),
    figures: arrangementFigures(
      plan.commands,
      (id) => context.triggersOf(id),
      (trigger) => triggerReach(trigger, price),
      survey.readerOf,
    ),
    clashCounts: Object.fromEntries(
      severities.map((s) => [s, clashes.filter((c) => c.severity === s).length]),
    ) as Record<Severity, number>,
    reachCounts: Object.fromEntries(
      ([...verdicts, 'menu'] as const).map((v) => [v, best.filter((b) => b === v).length]),
    ) as Record<ReachCount, number>,
  }
}
