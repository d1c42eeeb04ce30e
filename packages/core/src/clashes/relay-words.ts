import type { Command } from '../commands/index.js'
import type { Environment } from '../model/index.js'
import { triggerName, type Chord, type Trigger } from '../triggers/index.js'
import type { FindingWords } from './words.js'

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
