import { canBeLiveTogether, type Command, type DamageLevel } from '../commands/index.js'
import { onSpot } from '../mnemonics/index.js'
import { heldOf, modifiers, controlRefOf, triggerKey, withHeld, type Trigger } from '../triggers/index.js'
import type { CheckContext, Finding, Group, Rule } from './finding.js'
import { noWayOutWords, repeatsWords, slipWords } from './slip-words.js'

/** Share of presses that meet a key next door, and one diagonally or with a modifier more or less. Assumed. */
export const slipShare = { nextDoor: 0.002, farther: 0.0005 } as const
/** Seconds to get out of a slip. Assumed. */
export const wayOutSeconds: Readonly<Record<DamageLevel, number>> = { nuisance: 2, rework: 60, loss: 600 }
/** Slips that cost less than this are not named, seconds an hour. Assumed. */
const leastHarm = 0.05

const damaging = (commands: readonly Command[]): Command[] =>
  commands.filter((c) => c.damage !== undefined && c.damage.level !== 'nuisance')

/** A place that a slip can come from, and how often one does. */
interface SlipFrom {
  readonly trigger: Trigger | null
  readonly share: number
}

/** What of the program stands where slips come from, live together with the damaging command. */
function slipsFrom(
  places: readonly SlipFrom[],
  group: Group,
  danger: Command,
  context: CheckContext,
): { readonly group: Group; readonly secondsPerHour: number }[] {
  const seconds = wayOutSeconds[danger.damage?.level ?? 'nuisance']
  return places.flatMap(({ trigger, share }) => {
    const other = trigger && context.group(group.program.id, triggerKey(trigger))
    if (!other) return []
    const uses = other.commands
      .filter(
        (c) =>
          c.id !== danger.id && c.oppositeId !== danger.id && canBeLiveTogether(c, danger, group.program),
      )
      .reduce((sum, c) => sum + c.usesPerHour, 0)
    return uses > 0 ? [{ group: other, secondsPerHour: uses * share * seconds }] : []
  })
}

function slipFindings(
  kind: 'slip-neighbour' | 'slip-modifier',
  danger: Command,
  group: Group,
  from: ReturnType<typeof slipsFrom>,
  { env }: CheckContext,
): Finding[] {
  const secondsPerHour = from.reduce((sum, f) => sum + f.secondsPerHour, 0)
  if (secondsPerHour < leastHarm) return []
  const worst = from.toSorted((a, b) => b.secondsPerHour - a.secondsPerHour).map((f) => f.group)
  return [
    {
      kind,
      severity: 'caution',
      stage: 'slip',
      ...slipWords(kind, danger, group.trigger, env, worst, secondsPerHour),
      evidence: 'model',
      commands: [danger],
    },
  ]
}

/** A damaging command where a finger comes that misses another: beside it, diagonally, across a gap, the stroke beside. */
export const slipNeighbour: Rule = (group, context) =>
  damaging(group.commands).flatMap((danger) =>
    slipFindings(
      'slip-neighbour',
      danger,
      group,
      slipsFrom(besidePlaces(group.trigger, context), group, danger, context),
      context,
    ),
  )

function besidePlaces(trigger: Trigger, { near }: CheckContext): SlipFrom[] {
  if (trigger.kind === 'stroke')
    return [1, trigger.of - 1].map((step) => ({
      trigger: { ...trigger, direction: (trigger.direction + step) % trigger.of },
      share: slipShare.nextDoor,
    }))
  return (near.get(controlRefOf(trigger) ?? '') ?? []).map(({ controlRef, isNextDoor }) => ({
    trigger: onSpot(trigger, controlRef),
    share: isNextDoor ? slipShare.nextDoor : slipShare.farther,
  }))
}

/** A damaging command on the key of another, with one modifier more or less. */
export const slipModifier: Rule = (group, context) =>
  damaging(group.commands).flatMap((danger) => {
    if (!('modifiers' in group.trigger)) return []
    const held = heldOf(group.trigger)
    const places = modifiers.map((m) => ({
      trigger: withHeld(group.trigger, held.includes(m) ? held.filter((h) => h !== m) : [...held, m]),
      share: slipShare.farther,
    }))
    return slipFindings('slip-modifier', danger, group, slipsFrom(places, group, danger, context), context)
  })

/** A damaging command on a key that repeats while it is held. */
export const repeats: Rule = ({ trigger, commands }, { env }) =>
  trigger.kind !== 'chord'
    ? []
    : damaging(commands).map((command): Finding => ({
        kind: 'repeats',
        severity: 'caution',
        stage: 'slip',
        ...repeatsWords(command, trigger, env),
        evidence: 'from memory',
        commands: [command],
      }))

/** A state or a loss without a way out that could be printed on the sheet. */
export const noWayOut: Rule = ({ trigger, commands }, { env }) =>
  damaging(commands)
    .filter((c) => c.damage?.wayOut.trim() === '')
    .map((command): Finding => ({
      kind: 'no-way-out',
      severity: 'caution',
      stage: 'slip',
      ...noWayOutWords(command, trigger, env),
      evidence: 'plan',
      commands: [command],
    }))

export const slipRules: readonly Rule[] = [slipNeighbour, slipModifier, repeats, noWayOut]
