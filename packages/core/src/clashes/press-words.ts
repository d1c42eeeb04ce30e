import type { Device, MissingPart } from '../bench/index.js'
import type { Command, Program } from '../commands/index.js'
import type { TapHoldChances } from '../hand/index.js'
import type { StageTake } from '../hosts/index.js'
import { missingPartInWords, type Environment, type Typed } from '../model/index.js'
import { characterLegend, triggerName, type Chord, type Trigger } from '../triggers/index.js'
import type { ClashKind } from './clash.js'
import { firstName, type FindingWords } from './words.js'

// The device

/** @param standIn  a trigger that would do in its place, and the commands that are on it */
export function missingWords(
  parts: readonly MissingPart[],
  env: Environment,
  standIn: { readonly trigger: Trigger; readonly commands: readonly Command[] | undefined } | null,
): FindingWords {
  const names = parts.map((part) => missingPartInWords(part, env)).join(' or ')
  const taken = standIn?.commands ? `, but means “${firstName(standIn.commands)}”` : ''
  const more = standIn ? ` ${triggerName(standIn.trigger, env)} would stand in for it${taken}.` : ''
  const first = parts[0] as MissingPart
  return {
    message: `No device on this bench has ${names}.${more}`,
    cause:
      first.kind === 'key' && first.id.startsWith('Numpad')
        ? 'There is no number block on this bench.'
        : `No device on this bench has ${missingPartInWords(first, env)}.`,
  }
}

export const mediaKeyWords = (code: string, board: string): FindingWords => ({
  message: `${code} of “${board}” sends a media key unless Fn is held or its firmware is set otherwise.`,
  cause: `The function keys of “${board}” send media keys.`,
})

export const mediaKeySetting =
  'In the firmware’s settings let the function keys be function keys first, then say so on the bench.'

/** A share as one in so many; far below one in a thousand it is seldom. */
const oneIn = (share: number): string =>
  share < 0.0005
    ? 'less than 1 in 2,000'
    : `1 in ${Math.max(1, Math.round(1 / share)).toLocaleString('en-GB')}`

export const tapHoldWords = (
  trigger: Trigger,
  env: Environment,
  does: string,
  waitMs: number,
  { falseHold, falseTap }: TapHoldChances,
): FindingWords => ({
  message: `${triggerName(trigger, env)} ${does} when it is held for ${waitMs} ms: at the usual pace ${oneIn(falseHold)} taps is taken for a hold, and ${oneIn(falseTap)} quick holds for a tap.`,
  cause: `${triggerName(trigger, env)} does one thing when tapped and another when held.`,
})

export const tapHoldSetting =
  'Put what is used often on a key that does one thing only, or try another time after which it counts as held.'

export const bootReportWords = (
  trigger: Trigger,
  env: Environment,
  command: Command,
  keys: number,
  room: number,
): FindingWords => ({
  message: `${triggerName(trigger, env)} holds ${keys} keys at once for “${command.name}”; a USB boot report has room for ${room} beside the modifiers.`,
  cause: `More than ${room} keys are held at once.`,
})

export const onePressWords = (trigger: Trigger, env: Environment, device: Device): FindingWords => ({
  message: `“${device.name}” tells one press at a time, so ${triggerName(trigger, env)} never comes together.`,
  cause: `“${device.name}” tells one press at a time.`,
})

export const coarseDialWords = (
  trigger: Trigger,
  env: Environment,
  steps: number,
  command: Command | undefined,
  least: number,
): FindingWords => ({
  message: `${triggerName(trigger, env)} has ${steps} steps in a turn; “${command?.name}” is set step by step and needs about ${least} or more.`,
  cause: `A dial has only ${steps} steps in a turn.`,
})

// The system

export const swallowedWords = (worked: Trigger, env: Environment): FindingWords => ({
  message: `${triggerName(worked, env)} was pressed on this machine and never arrived; something takes it first.`,
  cause: 'Chords that never arrived when they were pressed on this machine.',
})

export const systemTakesWords = (worked: Trigger, env: Environment, action: string): FindingWords => ({
  message: `${env.system.name} takes ${triggerName(worked, env)} first: ${action}.`,
  cause: `${env.system.name} takes ${triggerName(worked, env)}: ${action}.`,
})

// What stands between the system and the program

/** What a stage does with a press. */
export const takenWords = (
  trigger: Trigger,
  env: Environment,
  take: StageTake,
  program: Program,
): FindingWords => {
  const name = triggerName(trigger, env)
  const where = take.stage === 'host' ? ` that ${program.name} runs in` : ''
  switch (take.kind) {
    case 'terminal-never':
      return {
        message: `The terminal that ${program.name} runs in sends nothing for ${name}.`,
        cause: `Terminals send nothing for some keys of ${program.name}.`,
      }
    case 'terminal-collapses':
      return {
        message: `In the terminal that ${program.name} runs in, ${name} arrives as another key, from which it cannot be told.`,
        cause: `Terminals send the same for several keys of ${program.name}.`,
      }
    default: {
      const isSure = take.severity !== 'caution'
      return {
        message: `${take.by}${where} ${isSure ? 'takes' : 'uses'} ${name} ${isSure ? 'first' : 'by default'}: ${take.does}.`,
        cause: `${take.by}${where} ${isSure ? 'takes keys for itself' : 'uses keys by default'}.`,
      }
    }
  }
}

export const arrivesWithWords = (
  trigger: Trigger,
  arrives: Trigger,
  env: Environment,
  rival: readonly Command[],
): FindingWords => ({
  message: `In a terminal ${triggerName(trigger, env)} arrives as ${triggerName(arrives, env)}, which means “${firstName(rival)}”.`,
  cause: 'Keys that a terminal cannot tell apart mean different commands.',
})

export const onePressTwoChordsWords = (
  trigger: Trigger,
  other: Trigger,
  env: Environment,
  rival: readonly Command[],
): FindingWords => ({
  message: `On ${env.system.name} ${triggerName(trigger, env)} and ${triggerName(other, env)} (“${firstName(rival)}”) are one press.`,
  cause: 'AltGr is Ctrl+Alt, and both carry commands.',
})

export const numberBlockWords = (trigger: Trigger, env: Environment): FindingWords => ({
  message: `With NumLock on, ${triggerName(trigger, env)} arrives as a cursor key, since Shift switches the number block over.`,
  cause: 'Shift switches the number block over.',
})

// Typing

/** What a chord does to text, in words: `types “ü”`. */
export function typedInWords(typed: Typed): string {
  switch (typed.kind) {
    case 'character':
      return typed.character === ' ' ? 'types a space' : `types “${typed.character}”`
    case 'accent':
      return `starts the accent ${characterLegend(typed.character)}`
    case 'edit':
      return typed.does === undefined ? 'edits the text or moves in it' : `is “${typed.does}” in the text`
    case 'unknown':
      return 'types a character'
  }
}

const typingCauses: Partial<Readonly<Record<ClashKind, string>>> = {
  'types-capital': 'Shift with a letter types a capital',
  'types-third-level': 'AltGr types the third level of the layout',
  'types-control-alt': 'Ctrl+Alt is AltGr, which types the third level of the layout',
  'types-accent': 'Keys that start an accent do so',
  'edits-text': 'Keys that edit text do so',
}

export function typingWords(
  kind: ClashKind,
  sent: Chord,
  env: Environment,
  typed: Typed,
  program: Program,
  contexts: readonly string[],
): FindingWords {
  const where = `while text can be typed in ${program.name}, ${contexts.join(', ')}`
  return {
    message: `${triggerName(sent, env)} ${typedInWords(typed)} ${where}.`,
    cause: `${typingCauses[kind] ?? 'Keys that type a character do so'} ${where}.`,
  }
}

export const noCharacterWords = (
  trigger: Trigger,
  env: Environment,
  program: Program,
  accent: string,
): FindingWords => ({
  message: `${program.name} binds characters, and ${triggerName(trigger, env)} types none by itself: it starts the accent ${characterLegend(accent)}.`,
  cause: `${program.name} binds characters, which an accent is not.`,
})

/** @param movedTo  the legend of the key that types the character there; null where none does */
export const characterMovesWords = (
  program: Program,
  here: string,
  layout: string,
  movedTo: string | null,
): FindingWords => ({
  message:
    movedTo === null
      ? `${program.name} binds the character “${here}”, which no key of the ${layout} layout types by itself.`
      : `${program.name} binds the character “${here}”: with the ${layout} layout it is on another key, where ${movedTo} is printed here.`,
  cause: `Characters lie elsewhere on the ${layout} layout.`,
})

export const placeMovesWords = (
  trigger: Trigger,
  env: Environment,
  program: Program,
  here: string,
  layout: string,
  there: string | null,
): FindingWords => ({
  message: `${program.name} binds places: with the ${layout} layout the key of ${triggerName(trigger, env)} types “${there ?? 'nothing'}”, not “${here}”.`,
  cause: `Characters lie elsewhere on the ${layout} layout.`,
})
