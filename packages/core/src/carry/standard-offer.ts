import { canBeLiveTogether, type Command } from '../commands/index.js'
import type { CommandId } from '../ids.js'
import type { PreparedModel } from '../model/index.js'
import type { Plan, StandardKey } from '../plan/index.js'
import { triggerKey, type Trigger } from '../triggers/index.js'
import { nearestPlaces, type KeptIdea, type LostTrigger, type NearestPlace } from './nearest.js'
import { keysOf, matcherOf, standardKeys, withCommandsOf } from './standard-commands.js'
import { whyUnfit, type UnfitReason } from './unfit.js'

/** A standard as it is taken over: its plan, and the arrangement that counts. */
export type StandardFile = Pick<PreparedModel, 'plan' | 'arrangement'>

/** One key of a standard as a person would take it. */
export interface TakenKey {
  /** as the standard has it */
  readonly trigger: Trigger
  /** why it does not serve here; null where it does */
  readonly why: UnfitReason | null
  /** the place that is taken: the standard's own, else the nearest one; null where none is free, or the command has another place */
  readonly taken: Trigger | null
  /** what the nearest place keeps of its idea */
  readonly keeps: readonly KeptIdea[]
}

/** One command about which a standard says otherwise than the plan that follows it. */
export interface StandardChange {
  /** a command that the plan lacks; another key; the standard has no key for it any more */
  readonly kind: 'new' | 'key' | 'gone'
  readonly command: Command
  /** the plan's own command; a new one is brought in under this id */
  readonly ownId: CommandId
  /** what the version said that was taken over last; null at first, and for what was not in it */
  readonly was: readonly Trigger[] | null
  readonly has: readonly Trigger[]
  readonly keys: readonly TakenKey[]
  /** own commands that stand on a key that would be taken, and lose it */
  readonly givesWay: readonly { readonly command: Command; readonly trigger: Trigger }[]
  /** the person deviates, and the standard has changed since */
  readonly isConflict: boolean
  /** a rule of the person keeps it where it is */
  readonly isLocked: boolean
  readonly isProposed: boolean
}

/** A standard beside a plan. */
export interface StandardOffer {
  readonly changes: readonly StandardChange[]
  /** the plan with the commands that it lacks, not yet placed */
  readonly joined: Plan
  /** deviations of the person about which the standard says nothing new */
  readonly keptDeviations: number
  /** commands that are as the standard has them, and those that are so as far as it serves */
  readonly same: number
  readonly asFarAsItServes: readonly StandardChange[]
  /** what the standard says now */
  readonly keys: readonly StandardKey[]
}

/**
 * What a standard would change in a plan, command by command: at first all in which they differ, later what the standard has changed since it was taken
 * over last. A key that does not serve the person's bench, hand, system or layout is offered at the nearest place that keeps its idea.
 * @param prepareOwn  prepares the person's plan with the commands that it lacks
 * @returns after steps that tell how many keys that do not serve have been looked at
 */
export function* standardOffer(
  standard: PreparedModel,
  plan: Plan,
  prepareOwn: (joined: Plan) => PreparedModel,
): Generator<number, StandardOffer, void> {
  const keys = standardKeys(standard)
  const match = matcherOf(plan, keys)
  const commandOf = new Map(standard.plan.commands.map((c) => [c.id as string, c]))
  const lacking = keys.flatMap((k) => (match(k) ? [] : (commandOf.get(k.commandId) ?? [])))
  const { plan: joined, idOf } = withCommandsOf(plan, standard.plan, lacking)
  const own = prepareOwn(joined)
  const ownOf = new Map(own.plan.commands.map((c) => [c.id as string, c]))
  const followed = plan.standard?.planId === standard.plan.id ? plan.standard : null
  const before = new Map(followed?.keys.map((k) => [k.commandId as string, k.triggers]))
  const asked: Asked[] = []
  let [same, keptDeviations] = [0, 0]
  for (const key of keys) {
    const to = match(key) ?? ownOf.get(idOf.get(key.commandId) ?? '')
    const command = commandOf.get(key.commandId)
    if (!to || !command) continue
    const was = before.get(key.commandId) ?? null
    const has = own.index.triggers.get(to.id) ?? []
    const isThere = key.triggers.some((t) => own.index.stages.device(t).length === 0)
    // a copy of the standard on a bench that has none of the keys is not served by it
    if (keysOf(has) === keysOf(key.triggers) && (isThere || was !== null)) same++
    else if (was && keysOf(was) === keysOf(key.triggers)) keptDeviations++
    else {
      const fits = key.triggers.map((trigger) => ({
        trigger,
        why: whyUnfit(trigger, command, standard, own),
      }))
      asked.push({ command, to, was, has, fits, isNew: !match(key) })
    }
  }
  const lost = asked.flatMap(({ to, fits }): LostTrigger[] =>
    // one that has another key of the standard needs no place for what it has lost, and one is enough for several
    fits.every((f) => f.why !== null) && fits[0] ? [{ command: to, trigger: fits[0].trigger }] : [],
  )
  const coming = asked.flatMap(({ to, fits }) =>
    fits.flatMap(({ trigger, why }): LostTrigger[] => (why === null ? [{ command: to, trigger }] : [])),
  )
  const steps = nearestPlaces(lost, standard, own, coming)
  let step = steps.next()
  for (; step.done !== true; step = steps.next()) yield step.value
  const nearest = new Map(step.value.map((n) => [n.command.id as string, n]))
  const moving = new Set(asked.map((a) => a.to.id))
  const changes = asked.map((a) => changeOf(a, nearest.get(a.to.id), moving, own))
  const now = new Set(keys.map((k) => k.commandId as string))
  return {
    changes: [
      ...changes.filter((c) => !isAsFarAsItServes(c)),
      ...goneFrom(followed?.keys ?? [], now, plan, own),
    ],
    joined,
    keptDeviations,
    same,
    asFarAsItServes: changes.filter(isAsFarAsItServes),
    keys,
  }
}

/** A command of the standard that the person has otherwise, or has not been asked about. */
interface Asked extends Pick<StandardChange, 'command' | 'was' | 'has'> {
  /** the person's own */
  readonly to: Command
  readonly isNew: boolean
  readonly fits: readonly Pick<TakenKey, 'trigger' | 'why'>[]
}

/**
 * @param nearest  where what it has lost would go
 * @param moving   commands that get other keys themselves, and give way by that
 */
function changeOf(
  { command, to, was, has, fits, isNew }: Asked,
  nearest: NearestPlace | undefined,
  moving: ReadonlySet<CommandId>,
  own: PreparedModel,
): StandardChange {
  const keys = fits.map(({ trigger, why }): TakenKey => {
    if (why === null) return { trigger, why, taken: trigger, keeps: [] }
    const place = nearest && triggerKey(nearest.trigger) === triggerKey(trigger) ? nearest : null
    return { trigger, why, taken: place?.place.trigger ?? null, keeps: place?.keeps ?? [] }
  })
  const isConflict = was !== null && keysOf(was) !== keysOf(has)
  const isLocked = own.index.rules.locks(to) && has.length > 0
  return {
    kind: isNew ? 'new' : 'key',
    command,
    ownId: to.id,
    was,
    has,
    keys,
    givesWay: keys.flatMap(({ taken }) =>
      taken === null
        ? []
        : rivalsOn(taken, to, own)
            .filter((c) => !moving.has(c.id))
            .map((c) => ({ command: c, trigger: taken })),
    ),
    isConflict,
    isLocked,
    isProposed: !isConflict && !isLocked && keys.some((k) => k.taken !== null),
  }
}

/** All that would be taken is there already; what is left of the standard's keys does not serve. */
const isAsFarAsItServes = ({ keys, has, isLocked, isConflict }: StandardChange): boolean =>
  !isLocked && !isConflict && has.length > 0 && keysOf(keys.flatMap((k) => k.taken ?? [])) === keysOf(has)

/** Commands that the standard has no key for any more; a person who has kept another key is not asked. */
function goneFrom(
  before: readonly StandardKey[],
  now: ReadonlySet<string>,
  plan: Plan,
  own: PreparedModel,
): StandardChange[] {
  const match = matcherOf(plan, before)
  return before.flatMap((key): StandardChange[] => {
    const command = now.has(key.commandId) ? undefined : match(key)
    const has = command ? (own.index.triggers.get(command.id) ?? []) : []
    if (!command || keysOf(has) !== keysOf(key.triggers)) return []
    const isLocked = own.index.rules.locks(command)
    return [
      {
        kind: 'gone',
        command,
        ownId: command.id,
        was: key.triggers,
        has,
        keys: [],
        givesWay: [],
        isConflict: false,
        isLocked,
        // nothing is taken from a person without being asked
        isProposed: false,
      },
    ]
  })
}

const rivalsOn = (trigger: Trigger, command: Command, own: PreparedModel): Command[] =>
  (own.index.holders.get(triggerKey(trigger)) ?? []).filter(
    (c) => c.id !== command.id && c.programId === command.programId && meets(c, command, own),
  )

function meets(a: Command, b: Command, { plan }: PreparedModel): boolean {
  const program = plan.programs.find((p) => p.id === a.programId)
  return program === undefined || canBeLiveTogether(a, b, program)
}
