import { fullName, type Command, type DamageLevel } from '../commands/index.js'
import type { Environment } from '../model/index.js'
import { triggerName, type Trigger } from '../triggers/index.js'
import { firstName, type FindingWords } from './words.js'

const damageWords: Readonly<Record<DamageLevel, string>> = {
  nuisance: 'costs a moment',
  rework: 'makes work to do again',
  loss: 'loses something for good',
}

const damageOf = ({ damage }: Command): string => damageWords[damage?.level ?? 'rework']

const wayOutWords = ({ damage }: Command): string =>
  damage?.wayOut ? ` The way out: ${damage.wayOut.replace(/\.?$/, '.')}` : ''

/**
 * @param near  what a slip comes from, the worst first
 * @param secondsPerHour  what such slips cost, by the person's own chances or by assumed ones
 */
export function slipWords(
  kind: 'slip-neighbour' | 'slip-modifier',
  danger: Command,
  trigger: Trigger,
  env: Environment,
  near: readonly { readonly trigger: Trigger; readonly commands: readonly Command[] }[],
  secondsPerHour: number,
): FindingWords {
  const names = near
    .slice(0, 3)
    .map(
      (b) =>
        `${triggerName(b.trigger, env)} (“${firstName(b.commands)}”, ${b.commands[0]?.usesPerHour} an hour)`,
    )
  const how = kind === 'slip-neighbour' ? 'near' : 'one modifier away from'
  const cost = `about ${secondsPerHour < 1 ? secondsPerHour.toFixed(1) : Math.round(secondsPerHour)} s an hour, ${env.slips ? 'by your own slips' : 'assumed'}`
  return {
    message: `“${fullName(danger)}” on ${triggerName(trigger, env)} ${damageOf(danger)} and lies ${how} ${names.join(', ')}: slips cost ${cost}.${wayOutWords(danger)}`,
    cause: `A slip runs “${fullName(danger)}”.`,
  }
}

export const repeatsWords = (command: Command, trigger: Trigger, env: Environment): FindingWords => ({
  message: `${triggerName(trigger, env)} repeats while it is held, and “${fullName(command)}” ${damageOf(command)} each time.`,
  cause: 'Commands that do damage are on keys that repeat.',
})

export const noWayOutWords = (command: Command, trigger: Trigger, env: Environment): FindingWords => ({
  message: `“${fullName(command)}” on ${triggerName(trigger, env)} ${damageOf(command)}, and no way out of it is noted for the sheet.`,
  cause: 'Commands that do damage have no way out noted.',
})
