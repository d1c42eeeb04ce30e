import { liveContexts, type Command, type Context, type Program } from '../commands/index.js'
import type { Environment } from '../model/index.js'
import { holdWaitMs, tapWaitMs, triggerName, type PopupSet, type Trigger } from '../triggers/index.js'
import { both, quoted, firstName, type FindingWords } from './words.js'

/** @param shared  contexts that two of the commands share; else those that are live together */
export function twoCommandsWords(
  trigger: Trigger,
  env: Environment,
  program: Program,
  rivals: readonly Command[],
  shared: readonly Context[],
  together: readonly Context[],
): FindingWords {
  const names = quoted(rivals)
  const where =
    shared.length > 0
      ? shared.map((c) => c.name).join(', ')
      : together.map((c) => c.name).join(' together with ')
  return {
    message: `${triggerName(trigger, env)} means ${names.slice(0, -1).join(', ')} and ${names.at(-1)} at the same time in ${program.name}, ${where}.`,
    cause: `Keys of ${program.name} mean several commands at once.`,
  }
}

export const hiddenWords = (
  command: Command,
  trigger: Trigger,
  env: Environment,
  program: Program,
  before: readonly Command[],
): FindingWords => {
  const names = program.contexts.filter((c) => before.some((b) => liveContexts(b, program).includes(c.id)))
  return {
    message: `In ${names.map((c) => c.name).join(', ')} ${triggerName(trigger, env)} means ${quoted(before).join(' or ')}, so “${command.name}” has no key there.`,
    cause: `Contexts of ${program.name} have commands of their own on keys that mean something everywhere.`,
  }
}

export const whileHeldWords = (
  trigger: Trigger,
  other: Trigger,
  env: Environment,
  rival: readonly Command[],
): FindingWords => ({
  message: `${triggerName(other, env)} starts “${firstName(rival)}” at once, so ${triggerName(trigger, env)} never comes alone.`,
  cause: 'A key works while it is held and by a press as well.',
})

export const opensPageWords = (trigger: Trigger, env: Environment, page: string | null): FindingWords =>
  both(`${triggerName(trigger, env)} opens ${page === null ? 'the page before' : 'another page'} already.`)

export const opensPopupWords = (trigger: Trigger, env: Environment, set: PopupSet): FindingWords =>
  both(`${triggerName(trigger, env)} brings up the pop-up set “${set.name}” already.`)

/** @param message  what keeps the press that brings the set up */
export const opensByWords = (set: PopupSet, env: Environment, message: string): string =>
  `The pop-up set “${set.name}” opens by ${triggerName(set.opener, env)}. ${message}`

/** @param waitsFor  what the shorter act has to be told from */
export function tapWaitsWords(
  trigger: Trigger,
  other: Trigger,
  env: Environment,
  rival: readonly Command[],
  waitsFor: 'a hold' | 'a second tap' | 'further taps',
): FindingWords {
  const wait =
    waitsFor === 'a hold'
      ? `waits for the release, up to ${holdWaitMs} ms`
      : `waits ${tapWaitMs} ms for ${waitsFor}`
  return {
    message: `${triggerName(trigger, env)} ${wait}, since ${triggerName(other, env)} means “${firstName(rival)}”.`,
    cause:
      waitsFor === 'a hold'
        ? `A tap waits to be told from a hold, ${holdWaitMs} ms.`
        : `A tap waits for further ones, ${tapWaitMs} ms.`,
  }
}

export const prefixWords = (
  trigger: Trigger,
  first: Trigger,
  env: Environment,
  rival: readonly Command[],
): FindingWords => ({
  message: `${triggerName(trigger, env)} begins with ${triggerName(first, env)}, which means “${firstName(rival)}” by itself.`,
  cause: 'A press that is the beginning of another one runs a command of its own.',
})

export const dragModifierWords = (
  trigger: Trigger,
  env: Environment,
  program: Program,
  key: string,
  does: string,
): FindingWords => ({
  message: `${triggerName(trigger, env)} holds ${key}, which while dragging in ${program.name} ${does}.`,
  cause: `${key} ${does} while dragging in ${program.name}.`,
})

export const defaultLostWords = (
  trigger: Trigger,
  env: Environment,
  program: Program,
  lost: readonly Command[],
): FindingWords => ({
  message: `${triggerName(trigger, env)} was ${quoted(lost).join(' and ')} by default, which no key reaches any more.`,
  cause: `Defaults of ${program.name} that no key reaches any more.`,
})

export const barredWords = (trigger: Trigger, env: Environment): FindingWords => ({
  message: `${triggerName(trigger, env)} is on a key that you have said must not be used.`,
  cause: 'Keys that must not be used carry commands.',
})

export const otherMeaningWords = (
  trigger: Trigger,
  env: Environment,
  a: { readonly command: Command; readonly program: Program },
  b: { readonly command: Command; readonly program: Program },
): FindingWords => ({
  message: `${triggerName(trigger, env)} means “${a.command.name}” in ${a.program.name} and “${b.command.name}” in ${b.program.name}.`,
  cause: `Keys mean different things in ${a.program.name} and ${b.program.name}.`,
})
