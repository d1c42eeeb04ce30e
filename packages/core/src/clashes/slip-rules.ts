import { canBeLiveTogether, type Command } from '../commands/index.js'
import { onSpot, type Side } from '../mnemonics/index.js'
import { heldOf, modifiers, controlRefOf, triggerKey, withHeld, type Trigger } from '../triggers/index.js'
import type { CheckContext, Finding, Group, Rule } from './finding.js'
import { noWayOutWords, slipWords } from './words.js'

/** Commands used at least this often an hour make slips worth naming. Assumed. */
export const busyUsesPerHour = 10
const slipSides: readonly Side[] = ['left', 'right', 'up', 'down']

const damaging = (commands: readonly Command[]): Command[] =>
  commands.filter((c) => c.damage !== undefined && c.damage.level !== 'nuisance')

/** Busy groups among some triggers of the program, live together with a damaging command. */
function busyOn(
  triggers: readonly (Trigger | null)[],
  group: Group,
  danger: Command,
  context: CheckContext,
): Group[] {
  return triggers.flatMap((trigger) => {
    const other = trigger && context.group(group.program.id, triggerKey(trigger))
    return other?.commands.some(
      (c) =>
        c.usesPerHour >= busyUsesPerHour &&
        c.id !== danger.id &&
        c.oppositeId !== danger.id &&
        canBeLiveTogether(c, danger, group.program),
    ) === true
      ? [other]
      : []
  })
}

const slipFinding = (
  kind: 'slip-neighbour' | 'slip-modifier',
  danger: Command,
  group: Group,
  busy: readonly Group[],
  { env }: CheckContext,
): Finding => ({
  kind,
  severity: 'caution',
  stage: 'slip',
  ...slipWords(kind, danger, group.trigger, env, busy),
  evidence: 'model',
  commands: [danger],
})

/** A damaging command beside a much used one. */
export const slipNeighbour: Rule = (group, context) =>
  damaging(group.commands).flatMap((danger) => {
    const beside = context.neighbours.get(controlRefOf(group.trigger) ?? '') ?? {}
    const near = slipSides.map((side) => {
      const place = beside[side]
      return place === undefined ? null : onSpot(group.trigger, place)
    })
    const busy = busyOn(near, group, danger, context)
    return busy.length > 0 ? [slipFinding('slip-neighbour', danger, group, busy, context)] : []
  })

/** A damaging command on the key of a much used one, with one modifier more or less. */
export const slipModifier: Rule = (group, context) =>
  damaging(group.commands).flatMap((danger) => {
    const held = heldOf(group.trigger)
    const near = modifiers.map((m) =>
      withHeld(group.trigger, held.includes(m) ? held.filter((h) => h !== m) : [...held, m]),
    )
    const busy = !('modifiers' in group.trigger) ? [] : busyOn(near, group, danger, context)
    return busy.length > 0 ? [slipFinding('slip-modifier', danger, group, busy, context)] : []
  })

/** A state or a loss without a way out that could be printed on the sheet. */
export const noWayOut: Rule = ({ trigger, commands }, { env }) =>
  commands
    .filter((c) => c.damage !== undefined && c.damage.level !== 'nuisance' && c.damage.wayOut.trim() === '')
    .map((command): Finding => ({
      kind: 'no-way-out',
      severity: 'caution',
      stage: 'slip',
      ...noWayOutWords(command, trigger, env),
      evidence: 'plan',
      commands: [command],
    }))

export const slipRules: readonly Rule[] = [slipNeighbour, slipModifier, noWayOut]
