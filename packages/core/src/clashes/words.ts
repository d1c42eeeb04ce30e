import type { Severity } from './clash.js'
import type { Device, MissingPart } from '../bench/index.js'
import {
  fullName,
  liveContexts,
  type Command,
  type Context,
  type DamageLevel,
  type Program,
} from '../commands/index.js'
import type { StageTake } from '../hosts/index.js'
import { missingPartInWords, type Environment, type Typed } from '../model/index.js'
import {
  characterLegend,
  holdWaitMs,
  tapWaitMs,
  triggerName,
  type Chord,
  type PopupSet,
  type Trigger,
} from '../triggers/index.js'
import type { ClashKind } from './clash.js'

/** How bad a finding is, by what happens to the press. */
export const severityWords: Readonly<Record<Severity, string>> = {
  blocks: 'never arrives',
  shadows: 'hides another',
  ambiguous: 'two answers',
  caution: 'take care',
}

/** What a finding says: who takes the press and when, and what it has in common with others that one change mends. */
export interface FindingWords {
  readonly message: string
  readonly cause: string
}

/** A finding that says the same as its cause. */
const both = (text: string): FindingWords => ({ message: text, cause: text })

const quoted = (commands: readonly Command[]): string[] => commands.map((c) => `“${c.name}”`)
const firstName = (commands: readonly Command[]): string => commands[0]?.name ?? ''

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

// The program

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

// Relays

/** The way of a relay: `Pad 3 sends Ctrl+K for “Simplify”`. */
export const relayWay = (
  trigger: Trigger,
  env: Environment,
  sends: readonly Chord[],
  command: Command,
): string =>
  `${triggerName(trigger, env)} sends ${sends.map((s) => triggerName(s, env)).join(', then ')} for “${command.name}”`

/** Why a relay does not reach its command: each kind is mended by another change. */
export interface RelayFault {
  readonly kind: 'system' | 'host' | 'unused' | 'context' | 'other' | 'menu' | 'count'
  /** as the end of a sentence */
  readonly text: string
}

const relayCauses: Readonly<Record<RelayFault['kind'], string>> = {
  system: 'Controls send what the system takes.',
  host: 'Controls send what the browser, the terminal or the input method takes.',
  unused: 'Controls send what no command of the program is on.',
  context: 'Controls send what is on a command of another context.',
  other: 'Controls send what runs another command.',
  menu: 'Controls walk a menu that is not so.',
  count: 'Controls send more or fewer combinations than they have commands.',
}

export const relayBrokenWords = (way: string, fault: RelayFault): FindingWords => ({
  message: `${way}, but ${fault.text}.`,
  cause: relayCauses[fault.kind],
})

export const relayElsewhereWords = (way: string, stray: string): FindingWords => ({
  message: `${way}; ${stray}.`,
  cause: 'Controls send keys that mean something else in another program.',
})

// Strokes and pop-up sets

export const closeStrokesWords = (
  trigger: Trigger,
  beside: Trigger,
  env: Environment,
  rival: readonly Command[],
  of: number,
  errorShare: number,
): FindingWords => ({
  message: `${triggerName(trigger, env)} and ${triggerName(beside, env)} (“${firstName(rival)}”) lie ${360 / of}° apart: about ${Math.round(errorShare * 100)} % of such strokes go wrong.`,
  cause: `${of} directions are drawn on one field.`,
})

export const strokeOrDragWords = (
  trigger: Trigger,
  env: Environment,
  program: Program,
  does: string,
): FindingWords => ({
  message: `${triggerName(trigger, env)} is a drag too, which in ${program.name} ${does}.`,
  cause: `A drag in ${program.name} ${does}.`,
})

export const menuAtEdgeWords = (
  set: PopupSet,
  control: string,
  device: Device,
  roomMm: number,
): FindingWords => ({
  message: `“${set.name}” comes up at the fingertip on ${control}, ${Math.round(roomMm)} mm from the edge of “${device.name}”: entries on that side have no room.`,
  cause: `“${set.name}” comes up too near the edge of “${device.name}”.`,
})

// Slips

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
 * @param secondsPerHour  what such slips cost by assumed chances
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
  const cost = `about ${secondsPerHour < 1 ? secondsPerHour.toFixed(1) : Math.round(secondsPerHour)} s an hour, assumed`
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

// Consistency

export const otherMeaningWords = (
  trigger: Trigger,
  env: Environment,
  a: { readonly command: Command; readonly program: Program },
  b: { readonly command: Command; readonly program: Program },
): FindingWords => ({
  message: `${triggerName(trigger, env)} means “${a.command.name}” in ${a.program.name} and “${b.command.name}” in ${b.program.name}.`,
  cause: `Keys mean different things in ${a.program.name} and ${b.program.name}.`,
})
