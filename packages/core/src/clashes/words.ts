import type { Severity } from './clash.js'
import type { Command } from '../commands/index.js'

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
export const both = (text: string): FindingWords => ({ message: text, cause: text })

/** Names as they are quoted in a sentence. */
export const quoted = (commands: readonly Command[]): string[] => commands.map((c) => `“${c.name}”`)
/** The name that stands for several. */
export const firstName = (commands: readonly Command[]): string => commands[0]?.name ?? ''
