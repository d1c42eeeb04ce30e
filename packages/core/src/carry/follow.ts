import type { Command } from '../commands/index.js'
import type { CommandId } from '../ids.js'
import { isOnBench, type Placement, type Plan } from '../plan/index.js'
import { triggerKey } from '../triggers/index.js'
import type { StandardChange, StandardFile, StandardOffer } from './standard-offer.js'
import type { UnfitReason } from './unfit.js'

/**
 * A plan with changes of a standard taken over into the arrangement in front, and the standard followed from now on. Of what is not taken, the person
 * deviates; of a key that does not serve, its reason is kept.
 */
export function followStandard(
  plan: Plan,
  standard: StandardFile,
  offer: StandardOffer,
  taken: readonly StandardChange[],
): Plan {
  const isTaken = new Set(taken.map((c) => c.ownId))
  const wanted = new Map<string, Placement[]>()
  for (const change of taken) wanted.set(change.ownId, placementsFor(change, plan, standard, offer.joined))
  const had = new Set(plan.commands.map((c) => c.id))
  const commands = offer.joined.commands.filter((c) => had.has(c.id) || isTaken.has(c.id))
  const yields = new Set(
    taken.flatMap((c) => c.givesWay.map((g) => `${g.command.id} ${triggerKey(g.trigger)}`)),
  )
  return {
    ...plan,
    commands,
    programs: programsOf(offer.joined, commands, plan),
    arrangements: plan.arrangements.map((a) =>
      a.id !== plan.activeArrangementId || a.isDefault
        ? a
        : {
            ...a,
            placements: [
              ...a.placements.filter(
                (p) =>
                  !isOnBench(p, plan.activeBenchId) ||
                  (!wanted.has(p.commandId) && !yields.has(`${p.commandId} ${triggerKey(p.trigger)}`)),
              ),
              ...[...wanted.values()].flat(),
            ],
          },
    ),
    standard: {
      planId: standard.plan.id,
      name: standard.plan.name,
      keys: [...offer.keys],
      deviations: deviationsAfter(plan, offer, isTaken),
    },
  }
}

/** The programs of the plan and of what was taken; contexts that came only for what was left out stay out. */
function programsOf(joined: Plan, commands: readonly Command[], plan: Plan): Plan['programs'] {
  const used = new Set<string>(commands.flatMap((c) => c.contextIds.map((id) => `${c.programId} ${id}`)))
  return joined.programs.flatMap((program) => {
    const own = plan.programs.find((p) => p.id === program.id)
    if (!own) return commands.some((c) => c.programId === program.id) ? [program] : []
    const had = new Set(own.contexts.map((c) => c.id))
    const contexts = program.contexts.filter((c) => had.has(c.id) || used.has(`${program.id} ${c.id}`))
    const there = new Set(contexts.map((c) => c.id))
    return [
      {
        ...program,
        contexts: contexts.map((c) => ({ ...c, overlaps: c.overlaps.filter((o) => there.has(o)) })),
      },
    ]
  })
}

/** What an own command has after its change: what it has there already, as it is; else as the standard has it. */
function placementsFor(
  change: StandardChange,
  plan: Plan,
  standard: StandardFile,
  joined: Plan,
): Placement[] {
  const before = plan.arrangements.find((a) => a.id === plan.activeArrangementId)?.placements ?? []
  const own = before.filter((p) => p.commandId === change.ownId && isOnBench(p, plan.activeBenchId))
  const contexts = new Set(
    joined.programs
      .find((p) => joined.commands.some((c) => c.id === change.ownId && c.programId === p.id))
      ?.contexts.map((c) => c.id),
  )
  return change.keys.flatMap(({ trigger, taken }): Placement[] => {
    if (taken === null) return own.filter((p) => triggerKey(p.trigger) === triggerKey(trigger))
    const kept = own.filter((p) => triggerKey(p.trigger) === triggerKey(taken))
    if (kept.length > 0) return kept
    const theirs = standard.arrangement.placements.find(
      (p) => p.commandId === change.command.id && triggerKey(p.trigger) === triggerKey(trigger),
    )
    const isSame = triggerKey(taken) === triggerKey(trigger)
    const contextIds = theirs?.contextIds?.every((c) => contexts.has(c)) ? theirs.contextIds : undefined
    return [
      {
        commandId: change.ownId,
        trigger: taken,
        // what a control sends elsewhere is its own affair
        ...(isSame && theirs?.sends && { sends: theirs.sends }),
        ...(isSame && theirs?.waitMs !== undefined && { waitMs: theirs.waitMs }),
        ...(contextIds && { contextIds }),
      },
    ]
  })
}

/** The reasons as the person would give them. */
const ownReasons: Readonly<Record<UnfitReason, string>> = {
  'not on their bench': 'not on my bench',
  'taken by their system': 'my system takes it',
  'another character on their layout': 'my layout has another character there',
  'the hand must move': 'my hand has to move for it',
}

function deviationsAfter(
  plan: Plan,
  { changes, asFarAsItServes }: StandardOffer,
  isTaken: ReadonlySet<CommandId>,
): { commandId: CommandId; why: string }[] {
  const whyOf = new Map((plan.standard?.deviations ?? []).map((d) => [d.commandId as string, d.why]))
  for (const change of [...changes, ...asFarAsItServes]) {
    const isFollowed = isTaken.has(change.ownId) || asFarAsItServes.includes(change)
    const unfit = isFollowed ? change.keys.find((k) => k.why !== null) : undefined
    const isAsItIs = isFollowed && !unfit
    if (isAsItIs || change.kind === 'gone' || (change.kind === 'new' && !isTaken.has(change.ownId)))
      whyOf.delete(change.ownId)
    else if (!whyOf.has(change.ownId))
      whyOf.set(
        change.ownId,
        unfit?.why ? ownReasons[unfit.why] : change.isLocked ? 'locked where it is' : '',
      )
  }
  return [...whyOf].map(([commandId, why]) => ({ commandId, why }))
}
