import type { Command } from '../commands/index.js'
import {
  characterAt,
  characterLegend,
  heldOf,
  triggerKey,
  withHeld,
  type NationalLayout,
  type Trigger,
} from '../triggers/index.js'
import { meaningWords } from './words.js'

export interface MnemonicScore {
  /** 0 (no link) to 1 */
  readonly score: number
  /** one sentence that says why, or that there is no link */
  readonly reason: string
}

/** Scores of the rules. Assumed; only their order is common practice. */
export const ruleScores = {
  firstOfMainWord: 1,
  opposite: 0.9,
  firstOfOtherWord: 0.7,
  letterInside: 0.35,
  none: 0,
} as const

/**
 * How well `trigger` recalls `command`, by the letter printed on the key in `layout` and by its opposite's place.
 * @param oppositeTrigger where the opposite command is placed, if it is
 */
export function mnemonicScore(
  command: Command,
  trigger: Trigger,
  layout: NationalLayout,
  opposite?: { readonly name: string; readonly triggers: readonly Trigger[] },
): MnemonicScore {
  const candidates = [letterScore(command.name, trigger, layout), oppositeScore(trigger, opposite)]
  return candidates.reduce((best, next) => (next.score > best.score ? next : best))
}

function letterScore(name: string, trigger: Trigger, layout: NationalLayout): MnemonicScore {
  const printed = 'code' in trigger ? characterAt(layout, trigger.code, 1) : null
  const none = { score: ruleScores.none, reason: 'No link to the name.' }
  if (printed === null || !/^[\p{L}\d]$/u.test(printed)) return none
  const letter = printed.toLocaleLowerCase()
  const legend = characterLegend(printed)
  const words = meaningWords(name)
  const at = words.findIndex((word) => word.startsWith(letter))
  if (at === 0) return { score: ruleScores.firstOfMainWord, reason: `First letter of “${words[0]}”.` }
  if (at > 0) return { score: ruleScores.firstOfOtherWord, reason: `First letter of “${words[at]}”.` }
  const inside = words.find((word) => word.includes(letter))
  return inside === undefined
    ? none
    : { score: ruleScores.letterInside, reason: `${legend} is in “${inside}”.` }
}

/** The same key with and without Shift, all else equal. */
export const isShiftPartner = (a: Trigger, b: Trigger): boolean =>
  hasShift(a) !== hasShift(b) && triggerKey(toggleShift(a)) === triggerKey(b)

const hasShift = (trigger: Trigger): boolean => heldOf(trigger).includes('Shift')

export const toggleShift = (trigger: Trigger): Trigger =>
  withHeld(
    trigger,
    hasShift(trigger) ? heldOf(trigger).filter((m) => m !== 'Shift') : [...heldOf(trigger), 'Shift'],
  )

/** The two ways of a dial or wheel, or two strokes in opposite directions, with the same modifiers. */
export function areOppositeWays(a: Trigger, b: Trigger): boolean {
  if (a.kind === 'turn' && b.kind === 'turn')
    return a.turn !== b.turn && triggerKey({ ...a, turn: b.turn }) === triggerKey(b)
  if (a.kind === 'stroke' && b.kind === 'stroke')
    return triggerKey({ ...a, direction: (a.direction + a.of / 2) % a.of }) === triggerKey(b)
  return false
}

function oppositeScore(
  trigger: Trigger,
  opposite?: { readonly name: string; readonly triggers: readonly Trigger[] },
): MnemonicScore {
  if (opposite?.triggers.some((other) => areOppositeWays(trigger, other))) {
    return {
      score: ruleScores.opposite,
      reason: `Its opposite “${opposite.name}” is on the opposite ${trigger.kind === 'turn' ? 'turn' : 'direction'}.`,
    }
  }
  if (!opposite?.triggers.some((other) => isShiftPartner(trigger, other)))
    return { score: 0, reason: 'No link to the name.' }
  const how = hasShift(trigger) ? 'with' : 'without'
  return {
    score: ruleScores.opposite,
    reason: `Its opposite “${opposite.name}” is on the same key, this one ${how} Shift.`,
  }
}
