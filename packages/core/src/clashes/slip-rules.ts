import { canBeLiveTogether, type Command } from '../commands/index.js'
import { triggerKey } from '../triggers/index.js'
import type { CheckContext, Finding, Group, Rule } from './finding.js'
import { slipsBeside, slipsOfModifiers, wayOutSeconds, type Slip } from './slips.js'
import { noWayOutWords, repeatsWords, slipWords } from './slip-words.js'

/** Slips that cost less than this are not named, seconds an hour. Assumed. */
const leastHarm = 0.05

const damaging = (commands: readonly Command[]): Command[] =>
  commands.filter((c) => c.damage !== undefined && c.damage.level !== 'nuisance')

/** What of the program stands where slips come from, live together with the damaging command. */
function slipsFrom(
  places: readonly Slip[],
  group: Group,
  danger: Command,
  context: CheckContext,
): { readonly group: Group; readonly secondsPerHour: number }[] {
  const seconds = wayOutSeconds[danger.damage?.level ?? 'nuisance']
  return places.flatMap(({ trigger, share }) => {
    const other = context.group(group.program.id, triggerKey(trigger))
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
      slipsFrom(slipsBeside(group.trigger, context.env), group, danger, context),
      context,
    ),
  )

/** A damaging command on the key of another, with one modifier more or less. */
export const slipModifier: Rule = (group, context) =>
  damaging(group.commands).flatMap((danger) => {
    const places = slipsOfModifiers(group.trigger, context.env)
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
