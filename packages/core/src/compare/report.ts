import { findClashes, severities, type Clash, type Severity } from '../clashes/index.js'
import type { Command } from '../commands/index.js'
import { triggerReach, verdicts, type Verdict } from '../hand/index.js'
import { dayHours } from '../plan/index.js'
import type { PlaceIndex, PreparedModel } from '../model/index.js'
import { triggerKey, type Trigger, type TriggerKey } from '../triggers/index.js'
import { chordPlayMs, dayLoad, type Chain, type DayLoad, type WorkContext } from '../work/index.js'
import { arrangementFigures, type ArrangementFigures } from './figures.js'

/** An arrangement that is timed: the model, its clashes, and which triggers reach their command. */
export interface ArrangementWork {
  readonly model: PreparedModel
  readonly clashes: readonly Clash[]
  readonly context: WorkContext
}

const noChains: readonly Chain[] = []
const noTriggers: readonly Trigger[] = []

/** Whether a finding keeps a trigger from its command. */
function blockedBy(clashes: readonly Clash[]): (id: string, key: TriggerKey) => boolean {
  const blocked = new Map<string, Set<TriggerKey>>()
  for (const { severity, commandIds, trigger } of clashes) {
    if (severity !== 'blocks') continue
    for (const id of commandIds) {
      const keys = blocked.get(id) ?? new Set()
      blocked.set(id, keys.add(triggerKey(trigger)))
    }
  }
  return (id, key) => blocked.get(id)?.has(key) === true
}

/** The triggers of a command whose press reaches it. */
export function arrivingTriggers(
  index: PlaceIndex,
  clashes: readonly Clash[],
): (id: string) => readonly Trigger[] {
  const isBlocked = blockedBy(clashes)
  const arriving = new Map(
    [...index.triggers].map(([id, triggers]) => [id, triggers.filter((t) => !isBlocked(id, triggerKey(t)))]),
  )
  return (id) => arriving.get(id) ?? noTriggers
}

/**
 * Prepares an arrangement for timing. Triggers whose press never reaches their command do not count: such a command goes
 * through the menu.
 * @param clashes  the findings of the model's arrangement, where they are known already
 */
export function prepareWork(
  model: PreparedModel,
  clashes: readonly Clash[] = findClashes(model.arrangement.placements, model.env),
): ArrangementWork {
  const { env, index, situation, reachContext } = model
  const isBlocked = blockedBy(clashes)
  const chains = new Map<string, Chain[]>()
  for (const { commandId, trigger, then, sends, waitMs = 0 } of model.arrangement.placements) {
    if (!then || isBlocked(commandId, triggerKey(trigger))) continue
    const count = sends?.length ?? 0
    const playMs = count * chordPlayMs + Math.max(0, count - 1) * waitMs
    chains.set(commandId, [...(chains.get(commandId) ?? []), { trigger, run: [commandId, ...then], playMs }])
  }
  return {
    model,
    clashes,
    context: {
      place: {
        situation,
        reachContext,
        naming: env,
        menus: model.plan.menusKnown,
        forces: new Map(model.plan.devices.map((d) => [d.id, d.force ?? 'light'])),
      },
      side: situation.hand.side,
      commands: index.commands,
      triggersOf: arrivingTriggers(index, clashes),
      chainsOf: (id) => chains.get(id) ?? noChains,
      menuShareOf: (id) => env.menuShares?.get(id) ?? 0,
    },
  }
}

/** How a command is reached at best: by verdict, or not at all. */
export type ReachCount = Verdict | 'menu'

/** All that is told of one arrangement. */
export interface ArrangementReport {
  readonly work: ArrangementWork
  readonly day: DayLoad
  readonly figures: ArrangementFigures
  readonly clashCounts: Readonly<Record<Severity, number>>
  /** commands by how the hand reaches them at best, with that trigger, the most used first */
  readonly reached: Readonly<
    Record<ReachCount, readonly { readonly command: Command; readonly trigger: Trigger | null }[]>
  >
  readonly reachCounts: Readonly<Record<ReachCount, number>>
  /** share of the uses by how the hand reaches their commands at best, 0 to 1 */
  readonly useShares: Readonly<Record<ReachCount, number>>
}

/** Times an hour of a prepared arrangement and counts what it reaches and what is wrong with it. */
export function reportOf(work: ArrangementWork): ArrangementReport {
  const { context, clashes, model } = work
  const { plan, index } = model
  const { reachContext } = context.place
  const bestOf = (command: Command): { verdict: ReachCount; trigger: Trigger | null } => {
    const [first] = context
      .triggersOf(command.id)
      .flatMap((trigger) => {
        const reach = triggerReach(trigger, reachContext)
        return reach ? [{ trigger, verdict: reach.verdict }] : []
      })
      .sort((a, b) => verdicts.indexOf(a.verdict) - verdicts.indexOf(b.verdict))
    return first ?? { verdict: 'menu', trigger: null }
  }
  const bests = plan.commands.map(bestOf)
  const best = bests.map((b) => b.verdict)
  const reachedBy = (verdict: ReachCount): ArrangementReport['reached'][ReachCount] =>
    plan.commands
      .flatMap((command, i) => (best[i] === verdict ? [{ command, trigger: bests[i]?.trigger ?? null }] : []))
      .sort((a, b) => b.command.usesPerHour - a.command.usesPerHour)
  const reached: ArrangementReport['reached'] = {
    rest: reachedBy('rest'),
    easy: reachedBy('easy'),
    stretch: reachedBy('stretch'),
    away: reachedBy('away'),
    menu: reachedBy('menu'),
  }
  const uses = plan.commands.reduce((sum, c) => sum + c.usesPerHour, 0)
  const usesOf = (verdict: ReachCount): number =>
    plan.commands.reduce((sum, c, i) => (best[i] === verdict ? sum + c.usesPerHour : sum), 0)
  return {
    work,
    day: dayLoad(plan.commands, plan.routines, dayHours(plan).hours, context),
    figures: arrangementFigures(
      plan.commands,
      (id) => context.triggersOf(id),
      (trigger) => triggerReach(trigger, reachContext),
      index.readerOf,
    ),
    clashCounts: Object.fromEntries(
      severities.map((s) => [s, clashes.filter((c) => c.severity === s).length]),
    ) as Record<Severity, number>,
    reached,
    reachCounts: Object.fromEntries(
      ([...verdicts, 'menu'] as const).map((v) => [v, reached[v].length]),
    ) as Record<ReachCount, number>,
    useShares: Object.fromEntries(
      ([...verdicts, 'menu'] as const).map((v) => [v, uses > 0 ? usesOf(v) / uses : 0]),
    ) as Record<ReachCount, number>,
  }
}
